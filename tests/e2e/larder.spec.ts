import type { Page } from '@playwright/test';
import { enter, expect, expectAxeClean, test } from './kitchen';

async function type(page: Page, country: string, serving: string, values: Record<string, string>) {
  await page.getByLabel('Country of the label').selectOption(country);
  await page.getByLabel('Values are for, g').fill(serving);
  for (const [label, value] of Object.entries(values)) await page.getByLabel(label, { exact: true }).fill(value);
}

test('a food is found by word and by class, with everybody’s verdict', async ({ page }) => {
  await enter(page, 'Rune Halvard');
  await page.getByRole('link', { name: 'Larder', exact: true }).click();
  await expect(page.getByText(/^\d{3} foods, the first 60 shown/)).toBeVisible();
  await page.getByLabel('Search foods').fill('zucchini');
  const courgette = page.getByRole('listitem').filter({ hasText: 'Courgette' }).first();
  await expect(courgette).toContainText('Fits');
  await page.getByLabel('Search foods').fill('');
  await page.getByLabel('Class of food').selectOption('hazelnut');
  await expect(page.getByRole('listitem').filter({ hasText: 'Hazelnuts' }).first()).toContainText('Allergy: Hazelnuts (tree nuts)');
  await page.getByLabel('Search foods').fill('no such thing at all');
  await expect(page.getByText('No food is called so.')).toBeVisible();
});

test('a US and an EU packet of the same thing have the same net carbs, and a batch shows what zero hides', async ({ page }) => {
  await enter(page, 'Rune Halvard');
  await page.getByRole('link', { name: 'Larder', exact: true }).click();
  await page.getByRole('link', { name: 'Read a packet' }).click();
  const says = page.getByRole('complementary', { name: 'What it says' });
  await type(page, 'unitedStates', '100', { Carbohydrate: '10', Fibre: '7', 'Added sugars': '0' });
  await expect(says).toContainText('Net carbs 3 g in 100 g');
  await page.getByLabel('A batch takes, servings').fill('14');
  await expect(page.getByRole('row', { name: /Added sugars/ })).toContainText('0 to 7');
  await type(page, 'europeanUnion', '100', { Carbohydrate: '3.0', Fibre: '7.0' });
  await expect(says).toContainText('Net carbs 3 g in 100 g');

  await page.getByLabel('Ingredients, as printed').fill('Sugar, hazelnuts 13 %, whey powder. May contain sesame');
  await expect(says).toContainText('hazelnut');
  await expect(says).toContainText('Allergy: "hazelnut" (hazelnut) is in it.');
  await expect(says).toContainText('May contain sesame');
  await expectAxeClean(page);

  await type(page, 'unitedStates', '100', { Carbohydrate: '3', Fibre: '7' });
  await expect(page.getByText('There is more fibre than the total carbohydrate of 3 g that holds it.')).toBeVisible();
  await type(page, 'unitedStates', '0', { Fibre: '1' });
  await expect(page.getByText('A serving weighs above 0 and at most 2,000 g.')).toBeVisible();
  await type(page, 'unitedStates', '100', { Fibre: 'seven' });
  await expect(page.getByText('This is not a value as packets print it.')).toBeVisible();
  await type(page, 'unitedStates', '100', { Fibre: '1', Protein: '10', Fat: '10', Energy: '300' });
  await expect(says).toContainText('Energy and macros do not go together.');
});
