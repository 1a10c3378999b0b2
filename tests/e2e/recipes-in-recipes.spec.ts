import { addRecipe, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('half of one recipe goes into another: typed, chosen by keyboard, cooked once and bought once', async ({ page }) => {
  await signUp(page);
  await addRecipe(
    page,
    'Harbour pork\nServes 8\n1.6 kg pork shoulder\n2 onions\nMethod\nSlow cook on low 6–8 hours.\nShred the pork.',
    'Harbour pork',
  );
  await addRecipe(page, 'Rolls\nServes 4\n½ of Harbour pork\n4 bread rolls\nMethod\nFill the rolls with the pork.', 'Rolls');
  await expect(page.getByText('½ batch of')).toBeVisible();
  await page.getByRole('link', { name: 'Harbour pork', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Harbour pork', level: 1 })).toBeVisible();

  // The other one by keyboard: the words name nothing, the recipe is chosen.
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Bowls');
  await page.getByLabel('Portions').fill('2');
  await page.getByLabel('Ingredient 1', { exact: true }).fill('2 portions of the pot');
  const food = page.getByLabel('Food of “2 portions of the pot”');
  await food.fill('harbour');
  await page.getByRole('option', { name: /Harbour pork/ }).waitFor();
  await food.press('Enter');
  await expect(page.getByText(/¼ batch/)).toBeVisible();
  await page.getByLabel('Keeps as').selectOption('cooked');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Bowls', level: 1 })).toBeVisible();

  await makeBatch(page, 'Rolls', '4');
  await makeBatch(page, 'Bowls', '2');
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await expect(page.getByText('Harbour pork is cooked once for A and B: 6 portions.')).toBeVisible();
  await expect(page.getByText('Slow cook on low 6–8 hours.')).toHaveCount(1);
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await expect(page.getByText('Pork shoulder')).toHaveCount(1);
});

test('a recipe that would become part of itself is refused by name, and what was typed stays', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Harbour pork\nServes 8\n1.6 kg pork shoulder', 'Harbour pork');
  await addRecipe(page, 'Rolls\nServes 4\n½ of Harbour pork\n4 bread rolls', 'Rolls');
  await page.getByRole('link', { name: 'Harbour pork', exact: true }).click();
  await page.getByRole('link', { name: 'Change', exact: true }).click();
  await page.getByRole('button', { name: 'Another line' }).click();
  await page.getByLabel('Ingredient 2', { exact: true }).fill('2 portions Rolls');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/would be part of itself through Rolls, Harbour pork/).first()).toBeVisible();
  await expect(page.getByLabel('Ingredient 2', { exact: true })).toHaveValue('2 portions Rolls');
});
