import { addRecipe, expect, expectAxeClean, signUp, test } from './kitchen';

test('versions show what is otherwise, and an earlier one is taken again by keys', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Cod and rice\nServes 4\n400 g cod\n200 g basmati rice', 'Cod and rice');
  await page.getByRole('link', { name: 'Change' }).click();
  await page.getByLabel('Ingredient 2', { exact: true }).fill('150 g basmati rice');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Version 2' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Versions of Cod and rice' });
  await expect(dialog.getByRole('deletion')).toHaveText('200 g basmati rice');
  await expect(dialog.getByRole('insertion')).toHaveText('150 g basmati rice');
  await expectAxeClean(page);
  await dialog.getByRole('button', { name: 'All changes since the first' }).press('Enter');
  await expect(dialog.getByRole('deletion')).toHaveCount(1);
  await dialog.getByRole('button', { name: 'Version by version' }).press('Enter');
  await dialog.getByRole('button', { name: 'Take it again' }).press('Enter');
  await expect(page.getByText('Cod and rice is as it was in version 1.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Version 3' })).toBeVisible();
  await expect(page.getByText('200 g basmati rice')).toBeVisible();
});
