import { expect, expectAxeClean, signUp, test } from './kitchen';

test('a variant is picked from the lines of its recipe, judged while it is, and shown beside it', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page
    .getByLabel('Paste a recipe as it is written')
    .fill('Cod bowls\nServes 2\n250 g cod\n150 g rice\n80 g feta\nFor the sauce:\n40 ml olive oil\nMethod\nPoach the cod for 8 minutes.');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByLabel('Name of the part Sauce')).toBeVisible();
  const margin = page.getByRole('complementary', { name: 'Verdicts' });
  const energy = margin.locator('dd').first();
  const kcal = async () => Number.parseInt((await energy.textContent()) ?? '', 10);
  await expect.poll(kcal).toBeGreaterThan(400);
  const written = await kcal();

  await page.getByRole('button', { name: 'Another variant' }).click();
  await page.getByLabel('Name of variant 1').fill('For Ilse');
  await page.getByLabel('Sauce in this variant').selectOption('without it');
  await page.getByLabel('150 g rice in this variant').selectOption('more or less');
  await page.getByLabel(/How often 150 g rice/).fill('0.5');
  await page.getByLabel('80 g feta in this variant').selectOption('instead of it');
  await page.getByLabel('Instead of 80 g feta').fill('100 g tofu');
  await page.getByRole('button', { name: 'Something more' }).press('Enter');
  await page.getByLabel('One more in this variant 1').fill('75 g cauliflower');
  await expect(margin).toContainText('The variant “For Ilse”');
  await expect.poll(kcal).toBeLessThan(written);
  await expect(page.getByText('Tofu, firm')).toBeVisible();
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Cod bowls', level: 1 })).toBeVisible();

  const ingredients = page.getByRole('table').first();
  await expect(ingredients).toContainText('80 g feta');
  await page.getByRole('navigation', { name: 'Variants' }).getByRole('link', { name: 'For Ilse' }).press('Enter');
  await expect(ingredients).toContainText('100 g tofu');
  await expect(ingredients).toContainText('½ × 150 g rice');
  await expect(ingredients).not.toContainText('feta');
  await expect(ingredients).not.toContainText('olive oil');
  await expectAxeClean(page);
  await page.reload();
  await expect(ingredients).toContainText('100 g tofu');

  // Changed again, it is still there; what it says of a line that goes, goes with it.
  await page.getByRole('link', { name: 'Change', exact: true }).click();
  await page.getByLabel('Remove ingredient 3').click();
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('navigation', { name: 'Variants' }).getByRole('link', { name: 'For Ilse' }).click();
  await expect(ingredients).toContainText('75 g cauliflower');
  await expect(ingredients).not.toContainText('tofu');
});
