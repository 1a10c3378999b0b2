import { addRecipe, expect, expectAxeClean, signUp, test } from './kitchen';

test('a recipe for another amount is looked at by portions, by what is at hand and by what a portion may have, then written so', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Cod and rice\nServes 4\n400 g cod\n200 g basmati rice\n3 eggs\nMethod\nPoach the cod for 8 minutes.', 'Cod and rice');
  await page.getByRole('button', { name: 'Another amount' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Cod and rice for another amount' });
  await dialog.getByLabel('Portions', { exact: true }).fill('6');
  await expect(dialog.getByRole('cell', { name: '600 g cod' })).toBeVisible();
  await expect(dialog.getByRole('cell', { name: /^5 eggs/ })).toContainText('25 g more than 1.5 times as much');
  await expectAxeClean(page);
  await dialog.getByLabel('By', { exact: true }).selectOption('what is at hand');
  await dialog.getByLabel('Grams at hand').fill('900');
  await expect(dialog.getByText('9 portions')).toBeVisible();
  await dialog.getByLabel('By', { exact: true }).selectOption('what a portion may have');
  await dialog.getByLabel('At most').fill('1');
  await expect(dialog.getByRole('alert')).toContainText('No number of portions');
  await dialog.getByLabel('At most').fill('250');
  await expect(dialog.getByText('of the batch as it is')).toBeVisible();
  await dialog.getByRole('button', { name: 'Write the recipe so' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText(/Cod and rice makes .* portions now/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/^4 portions/)).toBeVisible();
});
