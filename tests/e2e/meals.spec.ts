import { addRecipe, expect, makeBatch, signUp, test } from './kitchen';

const pasta =
  'Pasta with sauce\nServes 4\n\nIngredients\n\nPasta:\n300 g dried spaghetti\n\nSauce:\n400 g tin chopped tomatoes\n2 tbsp olive oil\n\nMethod\nSimmer for 20 minutes.';
const soup = 'Lentil soup\nServes 4\n\nIngredients\n200 g red lentils, rinsed\n2 carrots, sliced\n\nMethod\nSimmer for 25 minutes.';

test('a meal holds two dishes, only the sauce of one, and a pot of yoghurt; all of it is taken back', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await addRecipe(page, pasta, 'Pasta with sauce');
  await makeBatch(page, 'Lentil soup', '4');
  await makeBatch(page, 'Pasta with sauce', '4');
  const cell = page.getByRole('gridcell', { name: /^Mon supper, Farah/ });
  const details = page.getByRole('complementary', { name: 'Details' });

  // By key: two letters on one meal.
  await cell.focus();
  await page.keyboard.press('a');
  await expect(cell).toHaveAccessibleName(/A Lentil soup/);
  await cell.focus();
  await page.keyboard.press('b');
  await expect(cell).toHaveAccessibleName(/A Lentil soup; B Pasta with sauce/);

  // By typing: a food as it is bought, found by its words.
  await page.keyboard.press(' ');
  await details.getByRole('button', { name: 'Add to this meal' }).click();
  await details.getByLabel('Something as it is bought, or made fresh').fill('skyr');
  await page.keyboard.press('Enter');
  await expect(details.getByRole('alert')).toContainText('It does not say how much');
  await details.getByLabel('Something as it is bought, or made fresh').fill('150 g skyr');
  await expect(details.getByRole('list', { name: 'Foods of this name' })).toContainText(/skyr/i);
  await page.keyboard.press('Enter');
  await expect(cell).toHaveAccessibleName(/150 g skyr/);
  await expect(cell).toContainText('150 g skyr');

  // Its order and its amount.
  await details.getByRole('button', { name: '150 g skyr earlier' }).click();
  await expect(cell).toHaveAccessibleName(/A Lentil soup; 150 g skyr; B Pasta/);
  await details.getByRole('list', { name: 'In this meal' }).getByRole('button', { name: '150 g skyr', exact: true }).click();
  await details.getByLabel('How much of what').fill('200 g skyr');
  await details.getByRole('button', { name: 'Change', exact: true }).click();
  await expect(cell).toHaveAccessibleName(/200 g skyr/);

  // Only the sauce of one, on another day.
  await page.getByRole('gridcell', { name: /^Tue lunch, Farah/ }).click();
  await details.getByRole('button', { name: /B Sauce/ }).click();
  await expect(page.getByRole('gridcell', { name: /^Tue lunch, Farah: B Pasta with sauce, Sauce/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^B, Pasta with sauce/ })).toContainText('2 loose');

  // The last thing first, by key; then undo, three times.
  await cell.focus();
  await page.keyboard.press('Delete');
  await expect(cell).not.toHaveAccessibleName(/Pasta/);
  await page.keyboard.press('Control+z');
  await expect(cell).toHaveAccessibleName(/A Lentil soup; 200 g skyr; B Pasta/);
});

test('a portion by weight, a meal eaten out, a lock and a note', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '4');
  const cell = page.getByRole('gridcell', { name: /^Mon supper, Farah/ });
  const details = page.getByRole('complementary', { name: 'Details' });
  await cell.focus();
  await page.keyboard.press('a');
  await expect(cell).toHaveAccessibleName(/Lentil soup/);
  await page.keyboard.press(' ');
  await details.getByLabel('Grams in it').fill('120');
  await details.getByRole('button', { name: 'Set' }).click();
  await expect(cell).toHaveAccessibleName(/Lentil soup, 120 g/);
  await details.getByRole('button', { name: 'in portions' }).click();
  await expect(details.getByRole('status')).toBeVisible();

  await page.getByRole('gridcell', { name: /^Tue supper, Farah/ }).click();
  await details.getByLabel('How this meal goes').selectOption('eats out');
  await expect(page.getByRole('gridcell', { name: /^Tue supper, Farah: eats out/ })).toBeVisible();
  await details.getByLabel('locked').check();
  await expect(page.getByText('The meal is locked.')).toBeVisible();
  await details.getByLabel('Note').fill('with the neighbours');
  await details.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('gridcell', { name: /^Tue supper, Farah: eats out; locked; with the neighbours/ })).toBeVisible();
});

test('what is typed and pressed while an answer is on its way is kept', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '4');
  const cell = page.getByRole('gridcell', { name: /^Mon supper, Farah/ });
  const details = page.getByRole('complementary', { name: 'Details' });
  // A slow network: an edit waits until the hand has gone on.
  const slowly = async () => {
    let goOn = () => {};
    const gate = new Promise<void>((resolve) => {
      goOn = resolve;
    });
    let isHeld = false;
    await page.route('**/api/weeks/**', async (route) => {
      if (route.request().method() !== 'GET' && !isHeld) {
        isHeld = true;
        await gate;
      }
      await route.fallback();
    });
    return goOn;
  };

  const goOnPlace = await slowly();
  await cell.focus();
  await page.keyboard.press('a');
  await expect(cell).toHaveAccessibleName(/Lentil soup/);
  await page.keyboard.press(' ');
  await details.getByLabel('Grams in it').fill('120');
  goOnPlace();
  await expect(page.getByText('A is placed.')).toBeVisible();
  await expect(details.getByLabel('Grams in it')).toHaveValue('120');
  await details.getByRole('button', { name: 'Set' }).click();
  await expect(cell).toHaveAccessibleName(/Lentil soup, 120 g/);

  const goOnLock = await slowly();
  await details.getByLabel('locked').check();
  await details.getByLabel('Note').fill('with the neighbours');
  goOnLock();
  await expect(page.getByText('The meal is locked.')).toBeVisible();
  await expect(details.getByLabel('Note')).toHaveValue('with the neighbours');
  await details.getByRole('button', { name: 'Keep' }).click();
  await expect(cell).toHaveAccessibleName(/locked; with the neighbours/);
  await details.getByLabel('locked').uncheck();

  // What was put there a moment ago is changed before the server has said where it is.
  const lunch = page.getByRole('gridcell', { name: /^Tue lunch, Farah/ });
  const goOnDraw = await slowly();
  await lunch.click();
  await details.getByRole('button', { name: /A Lentil soup/ }).click();
  await lunch.click();
  await details.getByRole('button', { name: 'Less: Portions in it' }).click();
  goOnDraw();
  await expect(lunch).toHaveAccessibleName(/Lentil soup, ¾ portion/);
  await expect(page.getByText('The portion of Lentil soup is changed.')).toBeVisible();

  const goOnFood = await slowly();
  await details.getByRole('button', { name: 'Add to this meal' }).click();
  await details.getByLabel('Something as it is bought, or made fresh').fill('150 g skyr');
  await page.keyboard.press('Enter');
  await details.getByLabel('Something as it is bought, or made fresh').fill('1 banana');
  goOnFood();
  await expect(lunch).toHaveAccessibleName(/150 g skyr/);
  await expect(details.getByLabel('Something as it is bought, or made fresh')).toHaveValue('1 banana');
});

test('a row, a day and a week are filled at once', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '6');
  const details = page.getByRole('complementary', { name: 'Details' });
  const at = (day: string, meal: string) => page.getByRole('gridcell', { name: new RegExp(`^${day} ${meal}, Farah`) });
  await page.getByRole('button', { name: 'Details of A' }).click();
  await details.getByLabel('Meal of the row').selectOption('lunch');
  await details.getByRole('button', { name: 'Place', exact: true }).click();
  await expect(page.getByText('A stands in each lunch that was open.')).toBeVisible();
  await expect(at('Fri', 'lunch')).toHaveAccessibleName(/Lentil soup/);
  await expect(at('Sat', 'lunch')).toHaveAccessibleName(/still open/);

  await page.keyboard.press('Escape');
  await page.getByRole('columnheader', { name: /^Fri/ }).click();
  const last = await details.getByLabel('The other day').locator('option').last().getAttribute('value');
  await details.getByLabel('The other day').selectOption(last);
  await details.getByRole('button', { name: 'Swap with it' }).click();
  await expect(at('Sat', 'lunch')).toHaveAccessibleName(/Lentil soup/);
  await expect(at('Fri', 'lunch')).toHaveAccessibleName(/still open/);

  await page.getByRole('button', { name: 'Copy this week …' }).click();
  const before = page.url();
  await page.getByRole('dialog', { name: 'Copy this week' }).getByRole('button', { name: 'Copy it' }).click();
  await expect(page.getByText('1 batch copied, 6 things placed.')).toBeVisible();
  await expect(page).not.toHaveURL(before);
  await expect(at('Sat', 'lunch')).toHaveAccessibleName(/Lentil soup/);
});

test('a note is kept when the hand goes on to another meal without a word', async ({ page }) => {
  await signUp(page);
  const details = page.getByRole('complementary', { name: 'Details' });
  const cell = (meal: string) => page.getByRole('gridcell', { name: new RegExp(`^Mon ${meal}, Farah`) });
  await cell('lunch').click();
  await details.getByLabel('Note').fill('bring bread');
  await cell('supper').click();
  await expect(cell('lunch')).toHaveAccessibleName(/bring bread/);
  await expect(details.getByLabel('Note')).toHaveValue('');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell('lunch')).not.toHaveAccessibleName(/bring bread/);
});
