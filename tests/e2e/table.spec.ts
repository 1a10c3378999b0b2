import { addRecipe, chooseLowCarb, enter, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('a new household is asked for everything and told what to do next', async ({ page }) => {
  await signUp(page, 'Rune Halvard');
  await expect(page.getByText('Say first what Rune may have')).toBeVisible();
  await page.getByRole('link', { name: 'Set the table' }).click();
  await page.getByLabel('Eats by').selectOption('Points');
  await expect(page.getByText('Nobody stated it yet, so this rule can’t tell anything.')).toBeVisible();
  await page.getByRole('link', { name: 'Look at the week' }).click();
  await expect(page.getByRole('link', { name: 'state allowance' }).first()).toBeVisible();
  await expect(page.getByText('Nothing is planned yet. Let the open meals be filled')).toBeVisible();
});

test('a couple sets its table in one page', async ({ page }) => {
  await signUp(page, 'Rune Halvard');
  await page.getByRole('link', { name: 'Set the table' }).click();
  const rune = page.getByRole('region', { name: 'Rune' });
  await rune.getByLabel('Eats by').selectOption('Low-carb, net');
  await expect(rune.getByText('When to ask somebody first')).toBeVisible();
  await rune.getByLabel(/at most, g: Net carbs/).fill('40');
  await rune.getByRole('button', { name: 'Set it' }).click();
  await expect(rune.getByText('Net carbs: at most 40 g a day')).toBeVisible();
  await page.getByLabel('Somebody else eats too').fill('Ilse');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const ilse = page.getByRole('region', { name: 'Ilse' });
  await ilse.getByLabel('Eats by').selectOption('Low-carb, net');
  await ilse.getByRole('button', { name: 'The same numbers as Rune' }).click();
  await expect(ilse.getByText('Net carbs: at most 40 g a day')).toBeVisible();
  await expect(ilse.getByRole('button', { name: /same numbers/ })).toHaveCount(0);
  await ilse.getByLabel('Breakfast').uncheck();
  await expect(page.getByText('Ilse’s meals are changed.')).toBeVisible();
  await expect(ilse.getByLabel('Breakfast')).not.toBeChecked();
  const cooking = page.getByRole('group', { name: 'When you cook' });
  await cooking.getByLabel('Saturday').uncheck();
  await expect(page.getByText('No session on Saturday.')).toBeVisible();
  await cooking.getByLabel('Sunday').check();
  await expect(page.getByText('You cook on Sunday.')).toBeVisible();
  await expectAxeClean(page);
  await page.getByRole('link', { name: 'Look at the week' }).click();
  await expect(page.getByRole('gridcell', { name: /^Mon breakfast, Ilse/ })).toHaveAccessibleName(/not from the prep/);
  await expect(page.getByRole('gridcell', { name: /^Mon breakfast, Rune/ })).toHaveAccessibleName(/still open/);
  await page.goBack();
  await expect(cooking.getByLabel('Sunday')).toBeChecked();
  await expect(cooking.getByLabel('Saturday')).not.toBeChecked();
});

test('an allowance is stated, judged by, and taken back', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Sweet\nServes 1\n40 g sugar', 'Sweet');
  const margin = page.getByRole('complementary', { name: 'Verdicts' });
  await expect(margin).toContainText('No protocol is chosen');
  await chooseLowCarb(page, '25');
  await page.getByRole('link', { name: 'Recipes', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Sweet, Farah: Breaks' })).toBeVisible();
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await page.getByLabel(/at most, g: Net carbs/).fill('60');
  await page.getByRole('button', { name: 'Change' }).first().click();
  await expect(page.getByText('Net carbs: at most 60 g a day')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Net carbs: at most 25 g a day')).toBeVisible();
});

test('a second eater has rules of their own, and an impossible number is refused in words', async ({ page }) => {
  await signUp(page);
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await page.getByLabel('Another eater').fill('Ilse');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const ilse = page.getByRole('region', { name: 'Ilse' });
  await ilse.getByLabel('Calories with macros').check();
  await ilse.getByLabel(/at most, kcal/).fill('700');
  await ilse.getByRole('button', { name: 'Set it' }).first().click();
  await expect(page.getByText('Below 800 kcal a day only a clinical team sets the number.')).toBeVisible();
  await ilse.getByLabel('My clinical team set this').check();
  await ilse.getByRole('button', { name: 'Set it' }).first().click();
  await expect(ilse.getByText('Energy: at most 700 kcal a day')).toBeVisible();
  await expect(ilse.getByText(/professional advice comes first/)).toBeVisible();
  await page.getByLabel('Another eater').fill('Ilse');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('Somebody at the table is called so.')).toBeVisible();
});

test('a meal that does not come from the prep is not missed', async ({ page }) => {
  await signUp(page);
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  const monday = page.getByRole('button', { name: /^Monday breakfast: / });
  for (const source of ['bought or made fresh', 'eats out', 'nothing']) {
    await monday.click();
    await expect(monday).toHaveAccessibleName(`Monday breakfast: ${source}`);
  }
  await page.getByRole('button', { name: /^supper, all days/ }).click();
  await page.getByLabel('Share of the day at breakfast, percent').fill('20');
  await expect(page.getByText('The shares make 95 %')).toBeVisible();
  await page.getByLabel('Share of the day at lunch, percent').fill('35');
  await page.getByRole('button', { name: 'Split it so' }).click();
  await expect(page.getByText(/meals are changed/)).toBeVisible();
  await page.getByRole('link', { name: 'Week', exact: true }).click();
  await expect(page.getByRole('gridcell', { name: /^Mon breakfast/ })).toHaveAccessibleName(/not from the prep/);
  await expect(page.getByRole('gridcell', { name: /^Tue breakfast/ })).toHaveAccessibleName(/still open/);
  await expect(page.getByRole('gridcell', { name: /^Mon lunch/ })).toHaveAccessibleName(/still open/);
  await expect(page.getByRole('gridcell', { name: /^Fri supper/ })).toHaveAccessibleName(/made fresh/);
});

test('a guest gets a portion and has neither rules nor a ruler', async ({ page }) => {
  await signUp(page);
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await page.getByLabel('Another eater or guest').fill('Grandfather');
  await page.getByRole('button', { name: 'Add as a guest, without rules' }).click();
  await expect(page.getByText('Grandfather is a guest')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Choose protocols' })).toBeHidden();
  await expectAxeClean(page);
  await addRecipe(page, 'Lentil soup\nServes 4\n\nIngredients\n400 g red lentils\n\nMethod\nSimmer for 25 minutes.', 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '2');
  const lunch = page.getByRole('gridcell', { name: /^Mon lunch, Grandfather/ });
  await expect(lunch).toHaveAccessibleName(/not from the prep/);
  await page.getByRole('button', { name: /^A, Lentil soup/ }).click();
  await lunch.click();
  await page.keyboard.press('Escape');
  await expect(lunch).toHaveAccessibleName(/Lentil soup/);
  await expect(page.getByText('no protocol')).toHaveCount(7);
});

test('everybody from Port Ansel judges the same dish by another protocol', async ({ page }) => {
  for (const [name, verdict] of [
    ['Ilse Marrow', /Energy: .* uses \d+ % of the day/],
    ['Kwabena Sarpong-Lisle', /Elimination: .*(legumes|dairy|grains).* left out/],
    ['Marisol Etxarte', /Animal foods: .* left out/],
  ] as const) {
    await enter(page, name);
    await page.getByRole('link', { name: 'Recipes', exact: true }).click();
    await page.getByRole('link', { name: 'Leek and egg bakes' }).click();
    await expect(page.getByRole('complementary', { name: 'Verdicts' })).toContainText(verdict);
    await page.getByRole('button', { name }).click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await expect(page.getByRole('tab', { name: 'Sign in' })).toBeVisible();
  }
});
