import type { Page } from '@playwright/test';
import { addRecipe, beginWeekToday, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

const stew =
  'Lentil stew\nServes 4\n300 g red lentils\n500 ml semi-skimmed milk\n400 ml vegetable stock\n2 onions\n1 tsp paprika\n\nSimmer for 25 minutes.';

async function shop(page: Page) {
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Shop', exact: true })).toBeVisible();
}

async function takeIn(page: Page, line: string) {
  await page.getByRole('link', { name: 'Larder', exact: true }).click();
  await page.getByRole('navigation', { name: 'Parts of the Larder' }).getByRole('link', { name: 'Stock' }).click();
  await page.getByLabel('What came in').fill(line);
  await page.getByRole('button', { name: 'Put in stock' }).click();
  await expect(page.getByRole('button', { name: 'Put in stock' })).toBeDisabled();
}

test('a list on a phone: what is there is taken off, what is missing is ticked into stock, also without a network', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page, 'Ilse Marrow');
  await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '4');
  await takeIn(page, '100 g red lentils');
  await shop(page);
  const lentils = page.getByRole('listitem').filter({ hasText: 'Red lentils' });
  await expect(lentils).toContainText('300 g needed');
  await expect(lentils).toContainText('there already: 100 g in the pantry');
  // Stock is bought as a cube, a teaspoon of paprika is looked for first.
  await expect(page.getByRole('listitem').filter({ hasText: 'Stock cube' })).toContainText('for Vegetable stock, made up');
  await expect(page.getByText('Look first: most cupboards hold it')).toBeVisible();
  await expectAxeClean(page);

  await page.getByLabel('At').fill('Quay');
  await context.setOffline(true);
  await page.getByRole('checkbox', { name: /Red lentils/ }).check();
  await page.getByRole('checkbox', { name: /Onion/ }).check();
  await expect(page.getByText('2 acts kept on this device')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('2 acts kept on this device')).toBeHidden();
  await expect(lentils).toContainText('in stock: 500 g, Quay');
  await page.getByRole('link', { name: 'Larder', exact: true }).click();
  await page.getByRole('navigation', { name: 'Parts of the Larder' }).getByRole('link', { name: 'Stock' }).click();
  await expect(page.getByText('500 g', { exact: true })).toBeVisible();
  await expect(page.getByText('Onion')).toBeVisible();
});

test('what a shop has instead is taken everywhere, and what is always there stands apart', async ({ page }) => {
  await signUp(page, 'Ilse Marrow');
  await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '4');
  await shop(page);
  await page.getByRole('button', { name: 'More for Semi-skimmed milk' }).click();
  await page.getByRole('menuitem', { name: 'Take something else …' }).click();
  await page.getByRole('combobox', { name: 'What there is' }).fill('whole milk');
  await page.getByRole('option', { name: /^Whole milk/ }).first().click();
  await page.getByRole('button', { name: 'Take it' }).click();
  const milk = page.getByRole('listitem').filter({ hasText: 'Whole milk' });
  await expect(milk).toContainText('instead of Semi-skimmed milk');
  await page.getByRole('button', { name: 'More for Whole milk' }).click();
  await page.getByRole('menuitem', { name: 'Semi-skimmed milk after all' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Semi-skimmed milk' })).toBeVisible();

  await page.getByRole('button', { name: 'More for Onion' }).click();
  await page.getByRole('menuitem', { name: 'Always there', exact: true }).click();
  await page.getByText('There already').click();
  await expect(page.getByRole('group').filter({ hasText: 'There already' })).toContainText('Onion');
  await expectAxeClean(page);
});

test('a list is handed on as text, as a table and as a reminder', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await signUp(page, 'Ilse Marrow');
  await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '4');
  await shop(page);
  await page.getByRole('button', { name: 'Hand on' }).click();
  await page.getByRole('menuitem', { name: 'Send as text' }).click();
  await expect(page.getByText('The list is copied')).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('Red lentils');
  await page.getByRole('button', { name: 'Hand on' }).click();
  const table = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Save as a table (CSV)' }).click();
  expect((await table).suggestedFilename()).toMatch(/^merienda-list-.*\.csv$/);
  await page.getByRole('button', { name: 'Hand on' }).click();
  await page.getByRole('menuitem', { name: 'Remind me …' }).click();
  await page.getByLabel('When').fill('2026-12-05T10:00');
  const reminder = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the reminder' }).click();
  expect((await reminder).suggestedFilename()).toMatch(/\.ics$/);
});
