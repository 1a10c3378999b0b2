import type { Page } from '@playwright/test';
import { enter, expect, signUp, test } from './kitchen';

/** What sticks out of its panel, or of the page, to the side; what may be scrolled sideways by itself is no harm. */
const sticksOut = () => {
  const width = document.documentElement.clientWidth;
  const isScrolled = (element: Element | null): boolean =>
    element !== null &&
    element.tagName !== 'MAIN' &&
    element !== document.body &&
    (/(auto|scroll|hidden)/.test(getComputedStyle(element).overflowX) || isScrolled(element.parentElement));
  return [...document.querySelectorAll<HTMLElement>('main *, header *, nav *')]
    .filter((element) => element.checkVisibility({ opacityProperty: true, visibilityProperty: true }))
    .filter((element) => {
      const box = element.getBoundingClientRect();
      if (box.width <= 1 || box.height <= 1 || isScrolled(element.parentElement)) return false;
      const panel = element.matches('select, input, button, textarea') ? element.closest('.rimmed')?.getBoundingClientRect() : undefined;
      return box.right > width + 1 || box.left < -1 || (panel !== undefined && box.right > panel.right + 1);
    })
    .map((element) => `${element.tagName.toLowerCase()} "${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)}"`);
};

const places = [
  '/week/now',
  '/shop/now',
  '/session/now',
  '/session/now?do=portion',
  '/shelf/now',
  '/log/now',
  '/log/now?look=week',
  '/recipes',
  '/recipes/new',
  '/larder',
  '/larder/stock',
  '/larder/prices',
  '/larder/words',
  '/larder/compare',
  '/larder/file',
  '/larder/packet',
  '/table',
  '/table/protocols',
  '/table/protocols/low-carb',
  '/table/kitchen',
  '/table/rhythm',
  '/table/members',
  '/start',
];

const sizes = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 390, height: 844 },
];

/** What runs out on each of some pages, each opened once and looked at in every size. */
async function runsOut(page: Page, at: string[]) {
  const found: string[] = [];
  for (const place of at) {
    await page.goto(place);
    for (const size of sizes) {
      await page.setViewportSize(size);
      await expect(page.getByRole('main')).not.toBeEmpty();
      await expect(page.getByText('Loading …')).toHaveCount(0);
      // What follows the size by script has had its turn.
      await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
      const main = await page.getByRole('main').evaluate((element) => element.scrollWidth - element.clientWidth);
      if (main > 1) found.push(`${place} at ${size.width}: ${main} px to the side`);
      found.push(...(await page.evaluate(sticksOut)).map((what) => `${place} at ${size.width}: ${what}`));
    }
  }
  return found;
}

test('nothing runs out of its panel or of the page on a desk, a tablet and a phone', async ({ page }) => {
  test.slow();
  await enter(page, 'Odalys Brandt');
  const recipe = await page.request.get('/api/recipes').then(async (answer) => ((await answer.json()) as { id: string }[])[0]?.id);
  expect(await runsOut(page, [...places, `/recipes/${recipe}`, `/recipes/${recipe}/edit`])).toEqual([]);
});

test('the longest names run out of nothing', async ({ page }) => {
  test.slow();
  const word = 'Pastinakenwurzelgemüseeintopfvorratsportion';
  const name = `${word} with smoked paprika, thyme and whatever was left of Sunday’s roast vegetables`;
  await signUp(page, word.slice(0, 40));
  await page.evaluate(
    async ({ word, name }) => {
      const ask = async (path: string) => (await fetch(path)).json();
      const { antiforgery, person } = await ask('/api/account');
      const send = async (method: string, path: string, body?: unknown) => {
        const answer = await fetch(path, {
          method,
          headers: { 'Content-Type': 'application/json', 'X-Antiforgery': antiforgery, 'X-Edit-Id': crypto.randomUUID() },
          body: JSON.stringify(body),
        });
        if (!answer.ok) throw new Error(await answer.text());
        return answer.status === 204 ? null : answer.json();
      };
      const week = `/api/weeks/${person.today}`;
      await send('POST', '/api/table/eaters', { name: `G ${word}`.slice(0, 40), isGuest: false });
      const recipe = await send('POST', '/api/recipes', {
        name: name.slice(0, 120),
        portions: 4,
        meal: null,
        keeping: 'cooked',
        reheating: name,
        atEating: '',
        system: 'metric',
        lines: [
          { part: word, text: '600 g white beans, cooked', food: null },
          { part: '', text: `300 g ${word}`, food: null },
        ],
        tasks: [],
        basedOn: null,
      });
      const board = await send('POST', `${week}/batches`, { recipeId: recipe.id ?? recipe, cookedOn: person.today, portions: 4 });
      const batch = `${week}/batches/${board.batches[0].id}`;
      const to = { date: person.today, meal: 'supper', eaterId: board.eaters[0].id };
      await send('POST', `${batch}/place`, { to });
      await send('POST', `${week}/ready`, { to, line: `150 g ${word}` });
      await send('PUT', `${batch}/portioned`);
      return board;
    },
    { word, name },
  );
  const recipe = await page.request.get('/api/recipes').then(async (answer) => ((await answer.json()) as { id: string }[])[0]?.id);
  expect(await runsOut(page, [...places, `/recipes/${recipe}`, `/recipes/${recipe}/edit`])).toEqual([]);
});

test('the door and a link fit a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await expect(page.getByRole('tab', { name: 'Sign up' })).toBeVisible();
  expect(await page.evaluate(sticksOut)).toEqual([]);
  await signUp(page);
  expect(await page.evaluate(sticksOut)).toEqual([]);
});

test('what sticks out is found', async ({ page }) => {
  await enter(page, 'Odalys Brandt');
  await page.goto('/table');
  const panel = page.locator('main .rimmed').first();
  await expect(panel).toBeVisible();
  await panel.evaluate((element) => {
    const select = document.createElement('select');
    select.ariaLabel = 'too wide';
    select.style.width = `${element.clientWidth + 40}px`;
    element.append(select);
  });
  expect(await page.evaluate(sticksOut)).toContain('select "too wide"');
});
