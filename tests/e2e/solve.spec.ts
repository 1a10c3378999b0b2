import { spawnSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { addRecipe, beginWeekToday, chooseLowCarb, expect, expectAxeClean, signUp, test } from './kitchen';

const recipes = [
  ['Cod pan', '600 g cod\n200 g spinach'],
  ['Beef pan', '600 g beef shin\n300 g courgettes'],
  ['Egg cups', '8 eggs\n200 g spinach'],
  ['Rice pan', '400 g white rice'],
];

async function moveIn(page: Page) {
  await signUp(page);
  await chooseLowCarb(page, '25');
  await beginWeekToday(page);
  for (const [name, lines] of recipes)
    await addRecipe(page, `${name}\nServes 4\nCourse: supper\n${lines}\nMethod\nBake for 20 minutes.`, name ?? '');
  await page.goto('/');
  await expect(suppers(page).first()).toBeVisible();
}

const proposal = (page: Page) => page.getByRole('region', { name: 'Proposal' });
const suppers = (page: Page) => page.getByRole('gridcell', { name: /supper, Farah/ });

test('a week is filled with the mouse: proposed on the board, one meal left alone, the rest taken, taken back', async ({ page }) => {
  await moveIn(page);
  await page.getByRole('button', { name: 'Fill the week …' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'Fill the week' });
  await dialog.getByRole('button', { name: 'Few batches: earlier' }).click();
  await expectAxeClean(page);
  await dialog.getByRole('button', { name: 'Find a week' }).click();

  const take = proposal(page).getByRole('button', { name: /^Take all \d+ meals$/ });
  await expect(take).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('gridcell', { name: /proposed/ }).first()).toBeVisible();
  // What is too much for the day is not among it.
  await expect(page.getByRole('gridcell', { name: /Rice pan/ })).toHaveCount(0);
  await proposal(page).getByRole('button', { name: 'How good is it?' }).click();
  await expect(page.getByText('proven', { exact: true }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expectAxeClean(page);

  // It is there after a reload, too.
  await page.reload();
  await expect(take).toBeVisible();
  const ghost = page.getByRole('gridcell', { name: /supper.*proposed/ }).first();
  const place = await ghost.getAttribute('data-cell');
  await ghost.click();
  const left = page.locator(`[data-cell="${place}"]`);
  await expect(left).toHaveAccessibleName(/left as it is/);
  await proposal(page).getByRole('button', { name: /^Take \d+ of \d+$/ }).click();
  await expect(proposal(page)).toHaveCount(0);
  await expect(left).toHaveAccessibleName(/still open/);
  await expect(suppers(page).filter({ hasText: /pan|cups/ }).first()).toBeVisible();

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('gridcell', { name: /Cod pan|Beef pan|Egg cups/ })).toHaveCount(0);
});

test('a week is filled and taken by keys alone, from the palette', async ({ page }) => {
  await moveIn(page);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('fill');
  await page.keyboard.press('Enter');
  await page.getByRole('dialog', { name: 'Fill the week' }).getByRole('button', { name: 'Find a week' }).press('Enter');
  const take = proposal(page).getByRole('button', { name: /^Take all \d+ meals$/ });
  await expect(take).toBeVisible({ timeout: 60_000 });
  const ghost = page.getByRole('gridcell', { name: /supper.*proposed/ }).first();
  const place = await ghost.getAttribute('data-cell');
  const cell = page.locator(`[data-cell="${place}"]`);
  await cell.focus();
  await page.keyboard.press(' ');
  await expect(cell).toHaveAccessibleName(/left as it is/);
  await page.keyboard.press('Enter');
  await expect(cell).toHaveAccessibleName(/proposed/);
  await take.press('Enter');
  await expect(proposal(page)).toHaveCount(0);
  await expect(cell).toHaveAccessibleName(/Cod pan|Beef pan|Egg cups/);
});

test('a proposal is left, and a week with nothing to fill it with says what to do', async ({ page }) => {
  await signUp(page);
  await beginWeekToday(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Fill the week …' }).first().click();
  await page.getByRole('button', { name: 'Find a week' }).click();
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('there is no recipe yet', { ignoreCase: true });
  await page.getByRole('button', { name: 'Close' }).click();

  await addRecipe(page, 'Cod pan\nServes 4\nCourse: supper\n600 g cod\nMethod\nBake for 20 minutes.', 'Cod pan');
  await page.goto('/');
  await page.getByRole('button', { name: 'Fill the week …' }).first().click();
  await expect(page.getByRole('dialog').getByText('Nothing is meant for breakfast: 7 meals stay open.')).toBeVisible();
  await page.getByRole('button', { name: 'Find a week' }).click();
  await expect(proposal(page).getByRole('button', { name: /^Take/ })).toBeVisible({ timeout: 60_000 });
  await expect(proposal(page)).toContainText('not covered');
  await proposal(page).getByRole('button', { name: /unmet/ }).click();
  await expect(page.getByText(/no breakfast on/)).toBeVisible();
  await page.keyboard.press('Escape');
  await proposal(page).getByRole('button', { name: 'Leave it' }).click();
  await expect(proposal(page)).toHaveCount(0);
  await expect(page.getByRole('gridcell', { name: /Cod pan/ })).toHaveCount(0);
});

test('what contradicts each other is said with what would have to give, and is loosened for this week by one press', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '25');
  await beginWeekToday(page);
  await addRecipe(page, 'Rice pan\nServes 4\nCourse: supper\n400 g white rice\nMethod\nBoil for 15 minutes.', 'Rice pan');
  await addRecipe(page, 'Oat pan\nServes 4\nCourse: supper\n300 g rolled oats\nMethod\nBoil for 15 minutes.', 'Oat pan');
  await page.goto('/');
  await page.getByRole('button', { name: 'Fill the week …' }).first().click();
  await page.getByRole('button', { name: 'Find a week' }).click();
  await expect(proposal(page).getByRole('button', { name: 'Close' })).toBeVisible({ timeout: 60_000 });
  await proposal(page).getByRole('button', { name: /unmet, and why/ }).click();
  const why = page.getByRole('region', { name: /^Why: Farah/ }).filter({ hasText: 'Net carbs: at most 25 g a day; the least that works is' }).first();
  await expect(why).toBeVisible();
  await why.getByRole('button', { name: /^[\d.]+ g this week$/ }).click();
  await expect(page.getByText(/holds this week; afterwards what held before/)).toBeVisible();
  await expect(proposal(page).getByRole('button', { name: /^Take/ })).toBeVisible({ timeout: 60_000 });
});

test('on a phone a week is filled, one meal left alone and the rest taken by touch', async ({ page, context, browser }) => {
  await moveIn(page);
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    storageState: await context.storageState(),
  });
  const touch = await phone.newPage();
  await touch.goto(page.url());
  await touch.getByRole('button', { name: 'Fill the week …' }).first().tap();
  await touch.getByRole('button', { name: 'Find a week' }).tap();
  const take = proposal(touch).getByRole('button', { name: /^Take all \d+ meals$/ });
  await expect(take).toBeVisible({ timeout: 60_000 });
  // Three dishes come three times each: not on every day.
  const ghost = touch.getByRole('gridcell', { name: /(lunch|supper), Farah.*proposed/ }).first();
  for (const day of await touch.getByRole('tab').all()) {
    await day.tap();
    if (await ghost.isVisible()) break;
  }
  await ghost.tap();
  const some = proposal(touch).getByRole('button', { name: /^Take \d+ of \d+$/ });
  await some.tap();
  await expect(proposal(touch)).toHaveCount(0);
  await expect(touch.getByText('The week is filled.')).toBeVisible();
  await phone.close();
});

test('what cannot be mended is said where nothing else would say it', async ({ page }) => {
  await signUp(page);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('mend');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText(/no meal that is still to come can be changed/i);
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a search whose process is killed is begun anew by the next one, and nobody else notices', async ({ page, baseURL }) => {
  test.slow();
  await moveIn(page);
  const kill = () => spawnSync('pkill', ['-KILL', '-f', `Merienda.Web.dll solve --urls http://[0-9.a-z]*:${new URL(baseURL ?? '').port}`]).status;
  await page.getByRole('button', { name: 'Fill the week …' }).first().click();
  await page.getByRole('button', { name: 'Find a week' }).click();
  expect(kill()).toBe(0);
  await expect(proposal(page).getByRole('button', { name: /^Take all \d+ meals$/ })).toBeVisible({ timeout: 90_000 });
  expect((await page.request.get('/health/ready')).ok()).toBe(true);
});
