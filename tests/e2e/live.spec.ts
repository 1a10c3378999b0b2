import { addRecipe, chooseLowCarb, expect, makeBatch, signUp, test } from './kitchen';

const soup = 'Lentil soup\nServes 4\n\nIngredients\n200 g red lentils, rinsed\n2 carrots, sliced\n\nMethod\nSimmer for 25 minutes.';

test('two browsers on one board follow each other, and pressing twice in a hurry counts twice', async ({ page, browser }) => {
  await signUp(page);
  await chooseLowCarb(page, '50');
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '4');

  // The other one at the table looks at the same board on another machine.
  const other = await (await browser.newContext({ storageState: await page.context().storageState() })).newPage();
  await other.goto(page.url());
  const cell = (on: typeof page, day: string) => on.getByRole('gridcell', { name: new RegExp(`^${day} lunch, Farah`) });
  await expect(other.getByRole('button', { name: /^A, Lentil soup/ })).toContainText('4 loose');

  await page.getByRole('button', { name: /^A, Lentil soup/ }).click();
  await cell(page, 'Mon').click();
  await page.keyboard.press('Escape');
  await expect(cell(other, 'Mon')).toHaveAccessibleName(/Lentil soup/);

  // Two presses before the first is answered.
  await cell(page, 'Mon').focus();
  await page.keyboard.press('+');
  await page.keyboard.press('+');
  await expect(cell(page, 'Mon')).toContainText('1½×');
  await expect(cell(other, 'Mon')).toContainText('1½×');

  // What the other one moves is moved here; the undo there takes it back here.
  await cell(other, 'Mon').focus();
  await other.keyboard.press('Delete');
  await expect(cell(page, 'Mon')).toContainText('open');
  await other.keyboard.press('Control+z');
  await expect(cell(page, 'Mon')).toContainText('1½×');
  await other.context().close();
});

test('an edit whose answer is lost is sent again and done once', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '50');
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '4');
  let lost = 0;
  await page.route('**/place', async (route) => {
    if (lost++ > 0) return route.continue();
    // The server has done it; the answer never comes.
    await route.fetch();
    await route.abort('connectionreset');
  });
  await page.getByRole('button', { name: /^A, Lentil soup/ }).click();
  await page.getByRole('gridcell', { name: /^Mon lunch, Farah/ }).click();
  await expect(page.getByText('A is placed.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^A, Lentil soup/ })).toContainText('3 loose');
  expect(lost).toBe(2);
});
