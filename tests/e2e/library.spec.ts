import { addRecipe, chooseLowCarb, expect, expectAxeClean, signUp, test } from './kitchen';

const recipes: [string, string][] = [
  ['Lentil pot', 'Lentil pot\nServes 4\n800 g red lentils\nMethod\nSimmer for 25 minutes.'],
  ['Cod in foil', 'Cod in foil\nServes 2\n300 g cod\n200 g fennel\nMethod\nBake at 180 °C for 20 minutes.'],
];

test('the library tells who can eat what, is asked by key and by mouse, and its address keeps the question', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '50');
  for (const [name, text] of recipes) await addRecipe(page, text, name);
  await page.getByRole('link', { name: 'Recipes' }).click();
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(row('Cod in foil').getByRole('button', { name: 'Cod in foil, Farah: Fits' })).toBeVisible();
  const lentils = page.getByRole('button', { name: 'Lentil pot, Farah: Breaks' });
  await lentils.press('Enter');
  await expect(page.getByText(/Net carbs: .* over/)).toBeVisible();
  await expectAxeClean(page);
  await lentils.press('Enter');
  await expect(page.getByText(/Net carbs: .* over/)).toHaveCount(0);

  await page.keyboard.press('/');
  await page.keyboard.type('fennel');
  await expect(row('Lentil pot')).toHaveCount(0);
  await expect(page.getByText('1 recipe, of 2 in all')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Search recipes')).toHaveValue('fennel');
  await page.getByLabel('Search recipes').fill('');
  await expect(row('Lentil pot')).toHaveCount(1);

  await page.getByRole('button', { name: 'Who can eat it, how long …' }).click();
  await page.getByLabel('For', { exact: true }).selectOption('Farah');
  await page.getByLabel('Verdict', { exact: true }).selectOption('Breaks');
  await expect(row('Cod in foil')).toHaveCount(0);
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Ask for nothing' }).click();
  await page.getByLabel('With the', { exact: true }).selectOption('oven');
  await expect(row('Lentil pot')).toHaveCount(0);
  await page.getByLabel('By hand', { exact: true }).selectOption('up to 10 min');
  await page.getByLabel('Verdict', { exact: true }).selectOption('Breaks');
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByLabel('A portion’s', { exact: true }).selectOption('fibre');
  await expect(page.getByRole('columnheader', { name: 'fibre' })).toHaveAttribute('aria-sort', 'ascending');
  await page.getByLabel('Fibre of a portion, at least, g').fill('5');
  await expect(row('Cod in foil')).toHaveCount(0);
  await page.getByLabel('Fibre of a portion, at most, g').fill('6');
  await expect(row('Lentil pot')).toHaveCount(0);
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByRole('button', { name: 'kcal' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('Cod in foil');
  await page.getByRole('button', { name: 'kcal' }).press('Enter');
  await expect(page.getByRole('row').nth(1)).toContainText('Lentil pot');
  await expect(page.getByRole('columnheader', { name: 'kcal' })).toHaveAttribute('aria-sort', 'descending');
});
