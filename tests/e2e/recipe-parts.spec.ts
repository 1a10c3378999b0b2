import { expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('a dish of two parts: its box, what comes off, and fat that is drained', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page
    .getByLabel('Paste a recipe as it is written')
    .fill('Mince bowls\nServes 4\n500 g beef mince\n1 onion\nFor the slaw:\n200 g white cabbage\nMethod\nFry the mince for 10 minutes.');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByLabel('Name of the part Slaw')).toHaveValue('Slaw');
  const energy = page.getByRole('complementary', { name: 'Verdicts' }).locator('dd').first();
  const before = Number.parseInt((await energy.textContent()) ?? '', 10);
  expect(before).toBeGreaterThan(200);

  // By keyboard alone: the line's fields, then the part's.
  await page.getByLabel('More about ingredient 1').press('Enter');
  const fat = page.getByLabel('Share of its fat that is eaten, %');
  await fat.fill('40');
  await expect(async () => expect(Number.parseInt((await energy.textContent()) ?? '', 10)).toBeLessThan(before)).toPass();
  await page.getByLabel('Box, keeping and yield of the Slaw').press('Enter');
  await page.getByLabel('In the box').selectOption('crunchy');
  await page.getByLabel('comes off before reheating').press('Space');
  await expectAxeClean(page);

  // One line more for the slaw, by Enter on its last line.
  await page.getByLabel('Ingredient 3', { exact: true }).press('Enter');
  await page.keyboard.type('1 carrot');
  await page.getByLabel('Keeps as').selectOption('cooked');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Mince bowls', level: 1 })).toBeVisible();
  await expect(page.getByText('40 % of its fat is eaten')).toBeVisible();
  await expect(page.getByText('Kept apart, crunchy, comes off before reheating.')).toBeVisible();
  await expect(page.getByRole('rowgroup').filter({ hasText: 'Slaw' })).toContainText('1 carrot');

  await makeBatch(page, 'Mince bowls', '4');
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByText('Take off before reheating: Slaw').first()).toBeVisible();
});

test('a click below a line that asks something is not lost when the question closes', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  const first = page.getByLabel('Ingredient 1', { exact: true });
  await first.fill('200 ml milk');
  await expect(page.getByText('One of these? In 100 g:')).toBeVisible();
  await first.press('Enter');
  await page.getByLabel('Ingredient 2', { exact: true }).fill('1 egg');
  await first.focus();
  await expect(page.getByText('One of these? In 100 g:')).toBeVisible();
  await page.getByLabel('More about ingredient 2').click();
  await expect(page.getByLabel('Share that is eaten, %')).toBeVisible();
  await expect(page.getByText('One of these? In 100 g:')).toBeHidden();
});
