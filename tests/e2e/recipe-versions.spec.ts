import { addRecipe, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('versions show what is otherwise, and an earlier one is taken again by keys', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Cod and rice\nServes 4\n400 g cod\n200 g basmati rice', 'Cod and rice');
  await page.getByRole('link', { name: 'Change' }).click();
  await page.getByLabel('Ingredient 2', { exact: true }).fill('150 g basmati rice');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Version 2' }).press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Versions of Cod and rice' });
  await expect(dialog.getByRole('deletion')).toHaveText('200 g basmati rice');
  await expect(dialog.getByRole('insertion')).toHaveText('150 g basmati rice');
  await expectAxeClean(page);
  await dialog.getByRole('button', { name: 'All changes since the first' }).press('Enter');
  await expect(dialog.getByRole('deletion')).toHaveCount(1);
  await dialog.getByRole('button', { name: 'Version by version' }).press('Enter');
  await dialog.getByRole('button', { name: 'Take it again' }).press('Enter');
  await expect(page.getByText('Cod and rice is as it was in version 1.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Version 3' })).toBeVisible();
  await expect(page.getByText('200 g basmati rice')).toBeVisible();
});

test('what cooking it taught is offered to the recipe, and said when it is cooked again', async ({ page }) => {
  await signUp(page);
  await addRecipe(
    page,
    'Cod pot\nServes 4\n400 g cod\n400 g tin chopped tomatoes\n\nSimmer the tomatoes for 20 minutes.\nPoach the cod for 10 minutes.',
    'Cod pot',
  );
  const sheet = page.url();
  await page.goto('/week/now');
  await makeBatch(page, 'Cod pot', '4');
  await page.getByRole('link', { name: 'Session' }).first().click();
  const step = page.getByRole('checkbox', { name: /Simmer the tomatoes/ });
  await step.check();
  await page.getByRole('button', { name: 'Say how long it took: Simmer the tomatoes' }).press('Enter');
  await expect(page.getByLabel('took', { exact: false }).and(page.getByRole('textbox'))).toBeFocused();
  await page.getByLabel('took', { exact: false }).and(page.getByRole('textbox')).fill('45');
  await page.keyboard.press('Enter');
  await expect(page.getByText('It took 45 min.')).toBeVisible();
  await page.getByRole('link', { name: 'Portion', exact: true }).click();
  await page.getByLabel('How it went').fill('Too salty');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Keep it for the next time' }).click();
  await expect(page.getByText('It is kept with A.')).toBeVisible();

  await page.goto(sheet);
  await expect(page.getByRole('heading', { name: 'What came of it' })).toBeVisible();
  await page.getByRole('button', { name: 'Let the recipe say so' }).click();
  await expect(page.getByText('The step takes 45 min now.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Let the recipe say so' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it into the note' }).click();
  await expect(page.getByRole('heading', { name: 'Note' })).toBeVisible();
  await page.goto('/week/now');
  await makeBatch(page, 'Cod pot', '2');
  await page.getByRole('link', { name: 'Session' }).first().click();
  await expect(page.getByText(/Cod pot, .*: “Too salty”/)).toBeVisible();
});
