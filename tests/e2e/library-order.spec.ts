import { addRecipe, expect, expectAxeClean, signUp, test } from './kitchen';

test('a recipe goes into a collection, a dislike is noted, and a filter is kept under a name', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Cod and rice\nServes 4\n400 g cod\n200 g basmati rice', 'Cod and rice');
  await page.getByRole('button', { name: 'Put into a collection' }).press('Enter');
  await page.keyboard.type('Freezer suppers');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Take it out of Freezer suppers' })).toBeVisible();
  await page.getByRole('group', { name: 'Not liked by' }).getByRole('checkbox').first().press('Space');
  await expect(page.getByText(/would rather not have Cod and rice/)).toBeVisible();
  await expectAxeClean(page);

  await page.goto('/recipes?collection=Freezer+suppers');
  await expect(page.getByRole('link', { name: 'Cod and rice' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep this filter' }).press('Enter');
  await page.keyboard.type('Suppers');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Suppers', exact: true })).toBeVisible();
  await expectAxeClean(page);
  await page.getByLabel('Liked').selectOption('yes');
  await expect(page.getByText('No recipe is like that')).toBeVisible();
  await page.getByRole('link', { name: 'Suppers', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Cod and rice' })).toBeVisible();
  await page.getByRole('button', { name: 'Let the filter Suppers go' }).press('Enter');
  await expect(page.getByRole('link', { name: 'Suppers', exact: true })).toHaveCount(0);
});
