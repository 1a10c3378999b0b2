import { addRecipe, beginWeekToday, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('one batch in two variants: split on the bench, placed by who eats, cooked, bought and boxed apart', async ({ page }) => {
  await signUp(page);
  const [today = ''] = await beginWeekToday(page);
  await addRecipe(
    page,
    'Cod bowls\nServes 4\n500 g cod\n300 g rice\n160 g feta\nMethod\nPoach the cod for 8 minutes.',
    'Cod bowls',
  );
  await page.getByRole('link', { name: 'Change', exact: true }).click();
  await page.getByRole('button', { name: 'Another variant' }).click();
  await page.getByLabel('Name of variant 1').fill('Tofu');
  await page.getByLabel('160 g feta in this variant').selectOption('instead of it');
  await page.getByLabel('Instead of 160 g feta').fill('200 g tofu');
  await page.getByRole('button', { name: 'Save' }).click();

  // The variant is made for somebody from its own tab, by key.
  await page.getByRole('navigation', { name: 'Variants' }).getByRole('link', { name: 'Tofu' }).click();
  const usual = page.getByRole('group', { name: 'Made like this for' }).getByRole('checkbox', { name: 'Farah' });
  await expect(usual).toBeEnabled();
  await usual.press('Space');
  await expect(usual).toBeChecked();
  await expect(page.getByText('Farah gets Cod bowls “Tofu”.')).toBeVisible();

  // On the bench the one eater's usual variant is all of it; half of it is as written.
  await page.getByRole('link', { name: 'Week' }).click();
  await makeBatch(page, 'Cod bowls', '4', new RegExp(`^${today}`), async () => {
    await expect(page.getByLabel('Portions: Tofu')).toHaveValue('4');
    await page.getByLabel('Portions: Tofu').fill('5');
    await expect(page.getByLabel('Portions: Tofu')).toHaveAttribute('aria-invalid', 'true');
    await page.getByLabel('Portions: Tofu').fill('2');
    await expectAxeClean(page);
  });
  await page.getByRole('button', { name: 'Details of A' }).click();
  const details = page.getByRole('complementary', { name: 'Details' });
  await expect(details).toContainText('One portion, Tofu.');
  await details.getByLabel('Portions: Tofu').fill('1');
  await details.getByRole('button', { name: 'Cook it so' }).press('Enter');
  await expect(details.getByRole('group', { name: 'Of them' })).toContainText('as written3');
  await expectAxeClean(page);
  await details.getByLabel('Eater of the row').selectOption('Farah');
  await details.getByRole('button', { name: 'Place', exact: true }).click();
  await page.getByRole('button', { name: 'Close details' }).click();

  // The first lunch took the tofu; it is exchanged for the dish as written where one is loose, and only there.
  const first = page.getByRole('gridcell', { name: /Cod bowls, Tofu/ }).first();
  await first.getByText('Cod bowls, Tofu').click();
  await expect(details.getByLabel('Cooked')).toHaveValue(/.+/);
  await expect(details.getByLabel('Cooked').locator('option', { hasText: 'as written' })).toHaveText('as written (0 loose)');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Close details' }).click();

  await page.getByRole('link', { name: 'Session' }).click();
  await expect(page.getByText('A Cod bowls: 3 as written; 1 Tofu (50 g tofu instead of 40 g feta).')).toBeVisible();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Cod bowls, Tofu' }).first()).toBeVisible();
  await expect(page.locator('article', { hasText: 'Cod bowls, Tofu' })).toContainText('soybeans');
});
