import { expect, expectAxeClean, signUp, test } from './kitchen';

test('what a source says is pasted along, compared, corrected by keys, and of another dish after a change', async ({ page }) => {
  await signUp(page);
  await page.getByRole('link', { name: 'Recipes' }).first().click();
  await page.getByRole('link', { name: 'New recipe' }).first().click();
  await page
    .getByLabel('Paste a recipe as it is written')
    .fill('Cod and rice\nServes 2\n400 g cod\n100 g basmati rice\nMethod\nPoach the cod for 8 minutes.\nPer serving: 900 kcal, 38 g protein');
  await page.getByRole('button', { name: 'Read it' }).press('Enter');
  await expect(page.getByText(/It says 900 kcal; we count/)).toBeVisible();

  await page.getByLabel('It says a portion has').fill('nothing');
  await page.getByLabel('It says a portion has').press('Enter');
  await expect(page.getByRole('alert')).toContainText('Type a number with its word');
  await page.getByLabel('It says a portion has').fill('350 kcal, 63 % protein');
  await page.getByLabel('It says a portion has').press('Enter');
  await expect(page.getByText(/It says 900 kcal/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Leave out Energy from protein 63 %' }).press('Enter');
  await page.getByLabel('Source', { exact: true }).fill('Aunt Sabela’s card');
  await page.getByLabel('Note', { exact: true }).fill('The small pan is enough.');
  await page.getByRole('button', { name: 'Save' }).click();

  const said = page.getByRole('region', { name: 'What its source says' }).or(page.locator('section', { hasText: 'What its source says' }));
  await expect(said.getByRole('row', { name: /Protein 38 g .* agrees/ })).toBeVisible();
  await expect(page.getByText('Aunt Sabela’s card')).toBeVisible();
  await expect(page.getByText('The small pan is enough.')).toBeVisible();
  await expectAxeClean(page);

  await page.getByRole('link', { name: 'Change' }).click();
  await page.getByLabel('Ingredient 2', { exact: true }).fill('60 g basmati rice');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(said.getByRole('row', { name: /Protein 38 g .* said before a change/ })).toBeVisible();
});
