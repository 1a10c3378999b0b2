import { AxeBuilder } from '@axe-core/playwright';
import { test as base, expect, type Locator, type Page, type Route } from '@playwright/test';

export { expect };

/**
 * Milliseconds that an answer of the server may take longer, drawn anew for each: `MERIENDA_SLOW=900` finds what only works on a quick
 * line, in the program and in the tests.
 */
const slowest = Number(process.env['MERIENDA_SLOW'] ?? 0);

async function slowly(route: Route) {
  await new Promise((resolve) => setTimeout(resolve, Math.random() * slowest));
  await route.continue().catch(() => {});
}

/** Every test fails on a request to a foreign origin and on an error in the page. */
export const test = base.extend({
  page: async ({ page, baseURL }, use) => {
    const wrong: string[] = [];
    const own = new URL(baseURL ?? '').origin;
    page.on('request', (request) => {
      const url = new URL(request.url());
      if (url.protocol.startsWith('http') && url.origin !== own) wrong.push(`foreign request: ${request.url()}`);
    });
    page.on('pageerror', (error) => wrong.push(`page error: ${error.message}`));
    page.on('console', (message) => {
      if (message.type() === 'error' && /Content Security Policy|React/.test(message.text())) wrong.push(message.text());
    });
    if (slowest > 0) await page.route(/\/api\/(?!live)/, slowly);
    await use(page);
    expect(wrong).toEqual([]);
  },
});

/** Asks the server with the page's own cookies, as the page would; the door itself has tests of its own. */
async function atTheDoor(page: Page, act: string, dataOf: (state: DoorState) => object) {
  const state: DoorState = await (await page.request.get('/api/account')).json();
  const answer = await page.request.post(`/api/account/${act}`, {
    data: dataOf(state),
    headers: { 'X-Antiforgery': state.antiforgery, 'X-Edit-Id': crypto.randomUUID() },
  });
  expect(answer.ok(), await answer.text()).toBe(true);
  await page.goto('/');
  await thisWeek(page);
}

interface DoorState {
  antiforgery: string;
  demoPeople: { id: string; name: string }[];
}

export const enter = (page: Page, name: string) =>
  atTheDoor(page, 'demo', ({ demoPeople }) => ({ id: demoPeople.find((one) => one.name === name)?.id }));

/** The week of today, on whatever day of it: near its end the one to plan next is opened. */
async function thisWeek(page: Page) {
  await expect(page.getByRole('grid', { name: 'The week’s meals' })).toBeVisible();
  const back = page.getByRole('link', { name: 'This week' });
  if (!(await back.isVisible())) return;
  await back.click();
  await expect(back).toHaveCount(0);
  await expect(page.getByRole('grid', { name: 'The week’s meals' })).toBeVisible();
}

let people = 0;

/** A person with a household of their own, so that tests do not meet. */
export const signUp = (page: Page, name = 'Farah Quillon') =>
  atTheDoor(page, 'sign-up', () => ({
    name,
    email: `p${Date.now()}-${process.pid}-${people++}@port-ansel.example`,
    password: 'a long enough one',
    householdName: 'Quillon',
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  }));

/** Ticks a protocol; a busy machine may draw it a moment after the click, which a plain check takes for a refusal. */
export async function follow(protocol: Locator) {
  await protocol.click();
  await expect(protocol).toBeChecked();
}

export async function chooseLowCarb(page: Page, most: string) {
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await follow(page.getByLabel('Low-carb, net'));
  await page.getByLabel(/at most, g: Net carbs/).fill(most);
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText(`Net carbs: at most ${most} g a day`)).toBeVisible();
}

export async function addRecipe(page: Page, text: string, name: string, keepsAs = 'cooked') {
  await page.getByRole('link', { name: 'Recipes' }).click();
  await page.getByRole('link', { name: 'New recipe' }).click();
  await page.getByLabel('Paste a recipe as it is written').fill(text);
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue(name);
  await page.getByLabel('Keeps as').selectOption(keepsAs);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

/**
 * Lets the kitchen's week begin today and its only session be today's: what is to come is then the same on every weekday.
 * @returns The short names of its days.
 */
export async function beginWeekToday(page: Page) {
  const days = await page.evaluate(async () => {
    const ask = async (path: string) => (await fetch(path)).json();
    const [{ antiforgery, person }, rhythm] = await Promise.all([ask('/api/account'), ask('/api/table/rhythm')]);
    const start = new Date(`${person.today}T12:00:00Z`);
    const day = start.toLocaleDateString('en-GB', { weekday: 'long', timeZone: 'UTC' }).toLowerCase();
    const answer = await fetch('/api/table/rhythm', {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'X-Antiforgery': antiforgery, 'X-Edit-Id': crypto.randomUUID() },
      body: JSON.stringify({ firstDay: day, meals: rhythm.meals, prepDays: [{ ...rhythm.prepDays[0], day, eatenAfter: 0 }] }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    return [0, 1, 2, 3, 4, 5, 6].map((offset) =>
      new Date(start.getTime() + offset * 86_400_000).toLocaleDateString('en-GB', { weekday: 'short', timeZone: 'UTC' }),
    );
  });
  await page.goto('/');
  return days;
}

/** A session of the week that is over is a day like any other: what was cooked then is still put on the bench. */
async function cookedBefore(dialog: Locator, session: RegExp) {
  await dialog.getByRole('radio', { name: 'another day' }).check();
  const day = dialog.getByLabel('Cooked on another day');
  const first = new Date(`${await day.getAttribute('min')}T12:00:00Z`).getTime();
  const dates = [5, 6, 7, 8, 9, 10, 11].map((offset) => new Date(first + offset * 86_400_000));
  const date = dates.find((one) => session.test(one.toLocaleDateString('en-GB', { weekday: 'long', timeZone: 'UTC' })));
  await day.fill(date?.toISOString().slice(0, 10) ?? '');
}

export async function makeBatch(page: Page, recipe: string, portions: string, session = /^Saturday/, choose = async () => {}) {
  await page.getByRole('link', { name: 'Week', exact: true }).click();
  await page.getByRole('button', { name: 'Make a batch' }).click();
  const dialog = page.getByRole('dialog', { name: 'Make a batch' });
  await dialog.getByRole('radio', { name: new RegExp(recipe) }).check();
  await dialog.getByLabel('Portions', { exact: true }).fill(portions);
  // The long session stands before the week, so that every day of it can be served whatever day it is today.
  const coming = dialog.getByRole('radio', { name: session });
  if ((await coming.count()) > 0) await coming.check();
  else await cookedBefore(dialog, session);
  await choose();
  await dialog.getByRole('button', { name: 'Make it' }).click();
  // The dialog itself has no size: hidden it would always seem.
  await expect(dialog).toHaveCount(0);
  // A dialog gives the focus back a moment after it has gone: a key pressed before would go astray.
  await expect(page.getByRole('button', { name: 'Make a batch' })).toBeFocused();
}

/** @param what of it is looked at: everything, or what colours alone can break */
export async function expectAxeClean(page: Page, what: 'everything' | 'colours' = 'everything') {
  // A colour on its way to another one is neither.
  await page.evaluate(() => Promise.all(document.getAnimations().map((one) => one.finished.catch(() => {}))));
  const axe = new AxeBuilder({ page });
  const { violations } = await (what === 'colours'
    ? axe.withRules(['color-contrast', 'link-in-text-block'])
    : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
  ).analyze();
  expect(violations.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).slice(0, 3).join(' | ')}`)).toEqual([]);
}
