import type { Locator, Page } from '@playwright/test';
import { addRecipe, beginWeekToday, chooseLowCarb, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

const soup = 'Lentil soup\nServes 4\n\nIngredients\n400 g red lentils, rinsed\n800 g swede, diced\n\nMethod\nSimmer for 25 minutes.';

const go = (page: Page, place: string) => page.getByRole('link', { name: place, exact: true }).click();
const cell = (page: Page, day: string) => page.getByRole('gridcell', { name: new RegExp(`^${day} lunch, Farah`) });

/** Five portions cooked today, one for tomorrow and one for a day that it does not keep until; the short names of these days. */
async function cooked(page: Page) {
  await signUp(page);
  const days = await beginWeekToday(page);
  const [today = '', soon = '', free = '', , , later = ''] = days;
  await chooseLowCarb(page, '90');
  await addRecipe(page, soup, 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '5', new RegExp(`^${today}`));
  await page.getByRole('button', { name: /^A, Lentil soup/ }).click();
  await cell(page, soon).click();
  await cell(page, later).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: /^A, Lentil soup/ })).toContainText('3 loose');
  return { soon, free, later };
}

/** The pot on the scale, and the empty pot. */
async function weigh(pot: Locator, gross: string, tare: string) {
  await pot.getByLabel('On the scale').fill(gross);
  await pot.getByLabel('Weight of the empty vessel').fill(tare);
}

test('a pot is weighed and shared, weighed again, and its labels say the grams', async ({ page }) => {
  const { later } = await cooked(page);
  await go(page, 'Session');
  await go(page, 'Portion');
  const pot = page.getByRole('form', { name: 'Weigh A, All of it' });
  await expect(pot).toContainText('1,500 g went in, raw');
  await weigh(pot, '900', '900');
  await expect(pot).toContainText('cannot weigh as much');
  await expect(pot.getByRole('button', { name: 'Weigh and share' })).toBeDisabled();
  await weigh(pot, '2958', '1100');
  await pot.getByRole('button', { name: 'Weigh and share' }).click();
  await expect(pot).toContainText('1,858 g, 3 g over');
  const boxes = page.getByRole('region', { name: 'A Lentil soup' }).getByRole('listitem');
  await expect(boxes).toHaveCount(5);
  for (const box of await boxes.all()) await expect(box).toContainText('371 g');
  await expect(boxes.filter({ hasText: `${later} lunch` }).getByLabel('to the freezer')).toBeVisible();
  await expectAxeClean(page);

  await pot.getByLabel('On the scale').fill('2198');
  await pot.getByRole('button', { name: 'Weigh again' }).click();
  await expect(boxes.first()).toContainText('219 g');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(boxes.first()).toContainText('371 g');

  await page.getByRole('link', { name: 'Boxes and labels on the Shelf' }).click();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('region', { name: 'Label sheet' }).getByRole('article').first()).toContainText('371 g');
});

test('unequal shares keep their ratio on the scale', async ({ page }) => {
  const { soon, later } = await cooked(page);
  await cell(page, soon).focus();
  await page.keyboard.press('+');
  await page.keyboard.press('+');
  await expect(cell(page, soon)).toContainText('1½×');
  await go(page, 'Session');
  await go(page, 'Portion');
  const pot = page.getByRole('form', { name: 'Weigh A, All of it' });
  await weigh(pot, '2950', '1100');
  await pot.getByRole('button', { name: 'Weigh and share' }).click();
  await expect(pot).toContainText('1,850 g');
  const boxes = page.getByRole('region', { name: 'A Lentil soup' }).getByRole('listitem');
  await expect(boxes).toHaveCount(5);
  await expect(boxes.filter({ hasText: `${soon} lunch` })).toContainText('555 g');
  await expect(boxes.filter({ hasText: `${later} lunch` })).toContainText('370 g');
  await expect(boxes.filter({ hasText: '185 g' })).toHaveCount(1);
});

test('what is left in the freezer stands on next week’s bench and is placed by the same gesture', async ({ page }) => {
  const { later } = await cooked(page);
  await go(page, 'Session');
  await go(page, 'Portion');
  await page.getByRole('button', { name: 'Fill as planned' }).click();
  await expect(page.getByText('in boxes since')).toBeVisible();
  await go(page, 'Week');
  // The late box is in the freezer; nobody eats it this week.
  await cell(page, later).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: /^A, Lentil soup/ })).toContainText('4 loose, 1 frozen');
  await page.getByRole('link', { name: 'The week after' }).click();
  await expect(page.getByText(/^Left of/)).toBeVisible();
  await page.getByRole('button', { name: /^A, Lentil soup/ }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A is placed.')).toBeVisible();
  await expect(page.getByRole('gridcell', { name: /A Lentil soup, frozen/ })).toHaveCount(1);
  await go(page, 'Shelf');
  await expect(page.getByRole('region', { name: 'Freezer' }).getByRole('listitem')).toContainText('To the fridge');
  await go(page, 'Shop');
  await expect(page.getByText('nothing to buy')).toBeVisible();
});

test('boxes are eaten, halved, given and thrown away on the Shelf, without a network too, and taken back', async ({ page, context }) => {
  const { later } = await cooked(page);
  await go(page, 'Shelf');
  const freezer = page.getByRole('region', { name: 'Freezer' }).getByRole('listitem');
  await expect(freezer).toHaveCount(1);
  await freezer.getByRole('button', { name: /: Half eaten/ }).click();
  await expect(page.getByText(/^Half of A·.* is eaten\./)).toBeVisible();
  await expect(freezer).toContainText('½ portion');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(freezer).not.toContainText('½ portion');

  await context.setOffline(true);
  await freezer.getByRole('button', { name: /: Eaten/ }).click();
  await expect(freezer).toContainText('is eaten. Not sent yet.');
  await freezer.getByRole('button', { name: 'Take back' }).click();
  await freezer.getByRole('button', { name: /: Thrown away/ }).click();
  await page.getByRole('menuitem', { name: 'spoiled' }).click();
  await expect(freezer).toContainText('is thrown away: spoiled. Not sent yet.');
  await context.setOffline(false);
  await expect(page.getByRole('region', { name: 'Freezer' })).toBeHidden();
  await go(page, 'Week');
  await expect(cell(page, later)).toContainText('open');
  await expectAxeClean(page);
});

test('a phone’s thumb says what became of boxes, places a portion and ticks a step', async ({ page, context, browser }) => {
  const { free } = await cooked(page);
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    storageState: await context.storageState(),
  });
  const touch = await phone.newPage();
  const place = (name: string) => touch.getByRole('link', { name, exact: true }).tap();
  await touch.goto(page.url());
  await place('Shelf');
  const freezer = touch.getByRole('region', { name: 'Freezer' }).getByRole('listitem');
  await expect(freezer).toHaveCount(1);
  for (const button of await freezer.getByRole('button').all()) expect((await button.boundingBox())?.height).toBeGreaterThanOrEqual(44);
  await freezer.getByRole('button', { name: /: Given away/ }).tap();
  await expect(touch.getByText(/is given away\./)).toBeVisible();
  await touch.getByRole('button', { name: 'Undo' }).tap();
  await freezer.getByRole('button', { name: /: Thrown away/ }).tap();
  await touch.getByRole('menuitem', { name: 'spoiled' }).tap();
  await expect(freezer).toHaveCount(0);

  // On the board: the tape is taken up by one touch and put down by another.
  await place('Week');
  await touch.getByRole('tab', { name: free }).tap();
  await touch.getByRole('button', { name: /^A, Lentil soup/ }).tap();
  await cell(touch, free).tap();
  await expect(cell(touch, free)).toHaveAccessibleName(/A Lentil soup/);

  await place('Session');
  const step = touch.getByRole('checkbox').first();
  await step.tap();
  await expect(step).toBeChecked();
  await phone.close();
});
