import { addRecipe, chooseLowCarb, expect, expectAxeClean, signUp, test } from './kitchen';

test('what would make it fit is asked for, weighed up, taken as a variant by key and as a change by mouse', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '50');
  await addRecipe(page, 'Cod and rice\nServes 2\n240 g rice\n300 g cod\nMethod\nPoach the cod for 8 minutes.', 'Cod and rice');
  const margin = page.getByRole('complementary', { name: 'Verdicts' });
  await margin.getByRole('button', { name: /What would make it fit: Net carbs, Farah/ }).press('Enter');
  const offers = margin.getByRole('list').getByRole('listitem').filter({ hasText: 'Change the recipe' });
  const less = margin.getByRole('listitem').filter({ hasText: /^\d+ g rice instead of 240 g/ }).last();
  await expect(less).toContainText('Fits');
  await expect(less).toContainText('Energy');
  await expect(offers.first()).toBeVisible();
  await expectAxeClean(page);

  await less.getByRole('button', { name: 'Take as variant' }).press('Enter');
  await expect(page.getByRole('navigation', { name: 'Variants' }).getByRole('link', { name: 'Less rice' })).toHaveAttribute('aria-current', 'page');
  await expect(margin.getByRole('heading', { name: /Farah/ })).toContainText('Fits');
  await page.getByRole('navigation', { name: 'Variants' }).getByRole('link', { name: 'As written' }).click();
  await expect(margin.getByRole('heading', { name: /Farah/ })).toContainText('Breaks');

  await margin.getByRole('button', { name: /What would make it fit/ }).click();
  await less.getByRole('button', { name: 'Change the recipe' }).click();
  await expect(page.getByText('The recipe is changed.')).toBeVisible();
  await expect(margin.getByRole('heading', { name: /Farah/ })).toContainText('Fits');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(margin.getByRole('heading', { name: /Farah/ })).toContainText('Breaks');
});
