import { addRecipe, expect, expectAxeClean, signUp, test } from './kitchen';

test('steps show what they take, are set beside each other by key and by dragging, and keep their rounds', async ({ page }) => {
  await signUp(page);
  await addRecipe(
    page,
    'Cod and rice\nServes 4\n400 g cod\n200 g basmati rice\n1 lemon\nMethod\nBoil the rice for 12 minutes.\nSlice the lemon.\nPoach the cod for 8 minutes.',
    'Cod and rice',
  );
  await expect(page.getByText('200 g basmati rice', { exact: true })).toHaveCount(2);
  await page.getByRole('link', { name: 'Change' }).click();

  // By keys: the cod waits for nothing any more.
  const cod = page.getByRole('button', { name: /^Step 3 waits/ });
  await expect(cod).toHaveAccessibleName('Step 3 waits for 2');
  await cod.press('Enter');
  await page.getByRole('checkbox', { name: /^2 Slice the lemon/ }).press('Space');
  await expectAxeClean(page);
  await page.keyboard.press('Escape');
  await expect(cod).toHaveAccessibleName('Step 3 waits for nothing');

  // By hand: dragged onto the rice, it waits for that.
  const rice = page.getByRole('button', { name: /^Step 1 waits/ });
  const [from, to] = [await cod.boundingBox(), await rice.boundingBox()];
  if (!from || !to) throw new Error('The knots are not drawn.');
  await page.mouse.move(from.x + 12, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(to.x + 12, to.y + 12, { steps: 5 });
  await page.mouse.up();
  await expect(cod).toHaveAccessibleName('Step 3 waits for 1');

  // What a step takes is drawn from its words, and a press corrects it.
  await page.getByRole('button', { name: 'Step 3 takes another line' }).click();
  await page.getByRole('menuitem', { name: '1 lemon' }).click();
  await expect(page.getByRole('button', { name: 'Let its words decide' })).toBeVisible();
  await page.getByRole('button', { name: 'More about step 3' }).click();
  await page.getByLabel('At once in step 3, pieces').fill('2');
  await expect(page.getByText('2 rounds of these minutes')).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('2 rounds', { exact: false })).toBeVisible();
});

test('a step that is typed says what its words say and takes it with one press', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Carrots\nServes 2\n400 g carrots\nMethod\nSlice the carrots.', 'Carrots');
  await page.getByRole('link', { name: 'Change' }).click();
  await page.getByRole('button', { name: 'Another step' }).click();
  await page.getByLabel('Step 2', { exact: true }).fill('Air fry at 200 °C for 20–25 minutes.');
  await page.getByRole('button', { name: /^Take what it says: .*25 min alone, air fryer at 200 °C/ }).click();
  await expect(page.getByLabel('Appliance of step 2')).toHaveValue('airFryer');
  await expect(page.getByRole('button', { name: /^Take what it says/ })).toHaveCount(0);
});

test('what a step measures out and no line holds is told, and becomes a line of its part by one press', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Carrots\nServes 2\n400 g carrots\nMethod\nSlice the carrots.\nStir in 2 tbsp tahini.', 'Carrots');
  await expect(page.getByText('2 tbsp tahini: in no line, so nobody counts it')).toBeVisible();
  await page.getByRole('link', { name: 'Change' }).click();
  await page.getByRole('button', { name: 'Make it a line' }).click();
  await expect(page.getByRole('button', { name: 'Make it a line' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('row', { name: /2 tbsp tahini/ })).toBeVisible();
  await expect(page.getByText('in no line')).toHaveCount(0);
});
