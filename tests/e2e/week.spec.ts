import { addRecipe, chooseLowCarb, expect, makeBatch, signUp, test } from './kitchen';

const soup = 'Lentil soup\nServes 4\n\nIngredients\n200 g red lentils, rinsed\n2 carrots, sliced\n1 tbsp olive oil\n\nMethod\nSimmer for 25 minutes.';

test('a whole week by mouse and by keyboard: recipe, verdict, batch, placing, the break, mending it', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '50');
  await addRecipe(page, soup, 'Lentil soup');
  await expect(page.getByRole('complementary', { name: 'Verdicts' })).toContainText('Net carbs: 28.5 g uses 57 % of the day');

  await makeBatch(page, 'Lentil soup', '4');
  const tape = page.getByRole('button', { name: /^A, Lentil soup/ });
  await expect(tape).toContainText('4 loose');
  const cell = (day: string, meal: string) => page.getByRole('gridcell', { name: new RegExp(`^${day} ${meal}, Farah`) });

  // By mouse: drag the tape onto a meal.
  await tape.dragTo(cell('Mon', 'lunch'), { steps: 8 });
  await expect(cell('Mon', 'lunch')).toHaveAccessibleName(/Lentil soup/);
  await expect(tape).toContainText('3 loose');

  // By mouse: hold it with a click, put it down with a click.
  await tape.click();
  await expect(page.getByText('Holding A')).toBeVisible();
  await cell('Tue', 'lunch').click();
  await expect(cell('Tue', 'lunch')).toHaveAccessibleName(/Lentil soup/);
  await page.keyboard.press('Escape');

  // By keyboard alone: hold with Enter, walk with the arrows, put down with Enter.
  await tape.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('gridcell').and(page.locator(':focus'))).toBeVisible();
  await page.keyboard.press('Home');
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
  for (let step = 0; step < 6; step++) await page.keyboard.press('ArrowLeft');
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowUp');
  expect(await focused()).toMatch(/^Sun breakfast/);
  await page.keyboard.press('ArrowRight');
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowDown');
  expect(await focused()).toMatch(/^Mon supper/);
  await page.keyboard.press('Enter');
  await expect(cell('Mon', 'supper')).toHaveAccessibleName(/Lentil soup/);
  await page.keyboard.press('Escape');

  // Two portions on one day break the allowance; the line on top says so, with the open meals.
  await page.getByText(/^1 break( · \d+ open meals?)?$/).click();
  await expect(page.getByRole('listitem').filter({ hasText: /Farah, Mon: Net carbs: 57.1 g, over 50 g a day/ })).toBeVisible();
  await page.keyboard.press('Escape');

  // Smaller by key, larger again, then mended by taking it back.
  await cell('Mon', 'supper').focus();
  await page.keyboard.press('-');
  await expect(cell('Mon', 'supper')).toContainText('¾×');
  await page.keyboard.press('+');
  await expect(cell('Mon', 'supper')).not.toContainText('×');
  await page.keyboard.press('Delete');
  await expect(cell('Mon', 'supper')).toContainText('open');
  await expect(page.getByText(/^\d+ open meals?$/)).toBeVisible();
  await expect(page.getByText(/Net carbs: 57/)).toHaveCount(0);

  // A letter places that tape; undo takes it back.
  await page.keyboard.press('a');
  await expect(cell('Mon', 'supper')).toHaveAccessibleName(/Lentil soup/);
  await page.keyboard.press('Control+z');
  await expect(cell('Mon', 'supper')).toContainText('open');
});

test('a key pressed before the page has drawn goes to what the key before it called', async ({ page }) => {
  await signUp(page);
  await page.evaluate(() => {
    window.requestAnimationFrame = (draw) => window.setTimeout(() => draw(performance.now()), 700);
  });
  await page.getByRole('link', { name: 'Recipes' }).click();
  await page.getByRole('link', { name: 'New recipe' }).click();
  await page.getByLabel('Name').fill('Swede mash');
  await page.getByLabel('Portions').fill('4');
  await page.getByLabel('Keeps as').selectOption('cooked');
  await page.getByRole('textbox', { name: 'Ingredient 1' }).click();
  await page.keyboard.type('800 g swede');
  await page.keyboard.press('Enter');
  await page.keyboard.type('20 g butter');
  await expect(page.getByRole('textbox', { name: 'Ingredient 1' })).toHaveValue('800 g swede');
  await expect(page.getByRole('textbox', { name: 'Ingredient 2' })).toHaveValue('20 g butter');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Swede mash', level: 1 })).toBeVisible();

  await makeBatch(page, 'Swede mash', '4');
  await page.getByRole('button', { name: /^A, Swede mash/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A is placed.')).toBeVisible();
});

test('a drag that is over before the page has drawn it lands where the pointer let go', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '4');
  const tape = page.getByRole('button', { name: /^A, Lentil soup/ });
  const cell = page.getByRole('gridcell', { name: /^Mon lunch, Farah/ });
  await expect(tape).toContainText('4 loose');
  const box = await cell.boundingBox();
  await tape.evaluate(
    (from, to) => {
      const start = from.getBoundingClientRect();
      const at = (type: string, clientX: number, clientY: number) =>
        from.dispatchEvent(new MouseEvent(type, { clientX, clientY, button: 0, bubbles: true, cancelable: true }));
      at('mousedown', start.x + 20, start.y + 10);
      at('mousemove', start.x + 40, start.y + 10);
      at('mousemove', to.x, to.y);
      at('mouseup', to.x, to.y);
    },
    { x: (box?.x ?? 0) + 20, y: (box?.y ?? 0) + 20 },
  );
  await expect(cell).toHaveAccessibleName(/Lentil soup/);
  await expect(tape).toContainText('3 loose');
});

test('the inspector changes a portion, and day six is frozen', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '3');
  const friday = page.getByRole('gridcell', { name: /^Fri supper/ });
  await friday.click();
  const details = page.getByRole('complementary', { name: 'Details' });
  await details.getByRole('button', { name: /Lentil soup/ }).click();
  await expect(friday).toHaveAccessibleName(/frozen/);
  await friday.getByRole('button').click();
  await expect(details).toContainText('Freeze it on the day it is cooked; move it to the fridge on Thu evening');
  await details.getByRole('button', { name: 'More: Portions in it' }).click();
  await expect(details.getByRole('status')).toHaveText('1¼');
  await details.getByRole('button', { name: 'Take back to the bench' }).click();
  await expect(friday).toContainText('open');
});

test('two tabs on one week: apart they merge, on the same portion the later one is told', async ({ page, context }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '4');
  const cell = (tab: typeof page, day: string) => tab.getByRole('gridcell', { name: new RegExp(`^${day} lunch`) });
  await cell(page, 'Mon').focus();
  await page.keyboard.press('a');
  await expect(page.getByText('A is placed.')).toBeVisible();

  // This one has lost its stream and does not see what the other does.
  await page.route('**/api/live*', (route) => route.abort());
  await page.reload();
  await expect(cell(page, 'Mon')).toHaveAccessibleName(/Lentil soup/);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(cell(other, 'Mon')).toHaveAccessibleName(/Lentil soup/);
  await cell(other, 'Mon').focus();
  await other.keyboard.press('Delete');
  await expect(cell(other, 'Mon')).toContainText('open');

  await cell(page, 'Mon').focus();
  await page.keyboard.press('Delete');
  await expect(page.getByText('It is not on the board any more.')).toBeVisible();
  await expect(cell(page, 'Mon')).toContainText('open');
});

test('what keeps too short for its day is cooked in the later session by one press', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, soup.replace('Lentil soup', 'Egg salad'), 'Egg salad', 'dressed-salad');
  await makeBatch(page, 'Egg salad', '4');
  const cell = (day: string) => page.getByRole('gridcell', { name: new RegExp(`^${day} supper, Farah`) });
  // The week after: its later session is still to come whatever day it is today.
  await page.getByRole('button', { name: 'Copy this week …' }).click();
  const before = page.url();
  await page.getByRole('dialog', { name: 'Copy this week' }).getByRole('button', { name: 'Copy it' }).click();
  await expect(page.getByText(/1 batch copied/)).toBeVisible();
  await expect(page).not.toHaveURL(before);
  for (const day of ['Mon', 'Tue', 'Fri']) {
    await cell(day).focus();
    await page.keyboard.press('a');
    await expect(cell(day)).toHaveAccessibleName(/Egg salad/);
  }
  // One strip over two days says its name once.
  await expect(cell('Mon')).toContainText('Egg salad');
  await expect(cell('Tue')).not.toContainText('Egg salad');
  await expect(cell('Fri')).toHaveAccessibleName(/past its time/);
  await page.keyboard.press(' ');
  const details = page.getByRole('complementary', { name: 'Details' });
  await expect(details).toContainText('does not freeze. Eat it sooner, or cook it in a later session.');
  await details.getByRole('button', { name: /^Cook it on Wed/ }).click();
  await expect(cell('Fri')).toHaveAccessibleName(/B Egg salad$/);
  await expect(page.getByRole('button', { name: /^A, Egg salad/ })).toContainText('1 loose');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell('Fri')).toHaveAccessibleName(/A Egg salad, past its time/);
});

test('without a network a new batch is refused in its dialog, and what was typed stays', async ({ page, context }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await page.getByRole('link', { name: 'Week', exact: true }).click();
  await page.getByRole('button', { name: 'Make a batch' }).click();
  const dialog = page.getByRole('dialog', { name: 'Make a batch' });
  await dialog.getByRole('radio', { name: /Lentil soup/ }).check();
  await dialog.getByLabel('Portions').fill('2,5');
  await context.setOffline(true);
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('The kitchen’s server cannot be reached.');
  await expect(dialog.getByLabel('Portions')).toHaveValue('2,5');
  await context.setOffline(false);
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^A, Lentil soup/ })).toContainText('2½ loose');
});
