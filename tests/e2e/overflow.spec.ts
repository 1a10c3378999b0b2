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
  '/recipes',
  '/recipes/new',
  '/larder',
  '/larder/stock',
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

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
  [390, 844],
] as const)
  test(`nothing runs out of its panel or of the page at ${width}x${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await enter(page, 'Odalys Brandt');
    const found: string[] = [];
    const recipe = await page.request.get('/api/recipes').then(async (answer) => ((await answer.json()) as { id: string }[])[0]?.id);
    for (const place of [...places, `/recipes/${recipe}`, `/recipes/${recipe}/edit`]) {
      await page.goto(place);
      await expect(page.getByRole('main')).not.toBeEmpty();
      await expect(page.getByText('Loading …')).toHaveCount(0);
      const main = await page.getByRole('main').evaluate((element) => element.scrollWidth - element.clientWidth);
      if (main > 1) found.push(`${place}: ${main} px to the side`);
      found.push(...(await page.evaluate(sticksOut)).map((what) => `${place}: ${what}`));
    }
    expect(found).toEqual([]);
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
