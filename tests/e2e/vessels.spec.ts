import { addRecipe, expect, expectAxeClean, signUp, test } from './kitchen';

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
