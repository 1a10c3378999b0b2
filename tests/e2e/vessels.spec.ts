import { addRecipe, beginWeekToday, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('a pot that is too small is said on the sheet, before a batch is made and while it is cooked', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Broth\nServes 4\n1 l chicken stock\nMethod\nSimmer the stock for 20 minutes.', 'Broth');
  await page.goto('/table/kitchen');
  await page.getByRole('button', { name: 'Add an appliance or a vessel' }).click();
  await page.getByLabel('What', { exact: true }).last().selectOption('pot');
  await page.getByLabel('Called', { exact: true }).last().fill('Blue pot');
  await page.getByLabel('Holds, ml').last().fill('2000');
  await page.getByRole('button', { name: 'Keep the kitchen' }).click();
  await expect(page.getByText('The kitchen is kept')).toBeVisible();

  await page.goto('/recipes');
  await page.getByRole('link', { name: 'Broth' }).first().click();
  await expect(page.getByText('in Blue pot')).toBeVisible();
  await page.getByRole('button', { name: 'Another amount' }).click();
  await page.getByLabel('Portions', { exact: true }).fill('8');
  await expect(page.getByText(/two rounds: Blue pot takes 1.6 l, this is about 2 l/)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.goto('/week/now');
  await page.getByRole('button', { name: 'Make a batch' }).first().click();
  await page.getByRole('radio', { name: /Broth/ }).check();
  await page.getByLabel('Portions', { exact: true }).fill('8');
  await expect(page.getByRole('list', { name: 'Vessels' })).toContainText('two rounds: Blue pot takes 1.6 l');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.getByRole('link', { name: 'Session' }).first().click();
  await expect(page.getByText(/two rounds: Blue pot takes 1.6 l/)).toBeVisible();
});

test('two soups and one pot: one after the other, said at the step, and one pot more would help', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await beginWeekToday(page);
  for (const name of ['Fennel soup', 'Swede soup']) {
    await addRecipe(page, `${name}\nServes 4\n1 l chicken stock\nMethod\nSimmer the stock for 40 minutes.`, name);
    await makeBatch(page, name, '4');
  }
  const length = page.getByText(/from start to end/);
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await expect(length).toContainText('44 min from start to end');

  await page.goto('/table/kitchen');
  for (const [kind, called] of [
    ['pot', 'Blue pot'],
    ['sink', 'Stone sink'],
  ] as const) {
    await page.getByRole('button', { name: 'Add an appliance or a vessel' }).click();
    await page.getByLabel('What', { exact: true }).last().selectOption(kind);
    await page.getByLabel('Called', { exact: true }).last().fill(called);
  }
  await expect(page.getByLabel('How many, basins')).toBeVisible();
  await page.getByLabel('Holds, ml').fill('3000');
  await page.getByRole('button', { name: 'Keep the kitchen' }).click();
  await expect(page.getByText('The kitchen is kept')).toBeVisible();

  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await expect(length).toContainText('1 h 24 from start to end');
  await expect(page.getByText('in Blue pot, washed after A')).toBeVisible();
  await page.getByRole('button', { name: 'What would shorten it?' }).click();
  await expect(page.getByText(/One more like Blue pot/)).toBeVisible();
  await expectAxeClean(page);
});
