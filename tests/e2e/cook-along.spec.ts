import { addRecipe, beginWeekToday, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

const stew =
  'Lentil stew\nServes 4\n300 g red lentils\n2 onions\n1 carrot\n\nChop the onions and carrot, 6 minutes.\nSimmer with the lentils for 25 minutes.\nStir and taste, 3 minutes.';

test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

test('cook along on a phone: what runs goes on over a reload and without a network, and nothing pressed is lost', async ({ page, context }) => {
  await signUp(page, 'Ilse Marrow');
  await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '4');
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await page.getByRole('link', { name: 'Cook along' }).tap();
  const now = page.getByRole('region', { name: 'Now' });
  await expect(now).toContainText('Chop the onions and carrot');
  await expect(now).toContainText('2 onions');
  await expectAxeClean(page);
  await now.getByRole('button', { name: 'Done' }).tap();
  await expect(now).toContainText('Simmer with the lentils');
  await now.getByRole('button', { name: /^It runs now/ }).tap();
  const timer = page.getByRole('timer', { name: /Simmer/ });
  await expect(timer).toHaveText(/^2[45]:\d\d$/);
  await page.reload();
  await expect(timer).toHaveText(/^2[45]:\d\d$/);

  await context.setOffline(true);
  await page.getByRole('button', { name: '5 more minutes' }).tap();
  await expect(timer).toHaveText(/^(29|30):\d\d$/);
  await page.getByRole('region', { name: 'Runs by itself' }).getByRole('button', { name: 'Done' }).tap();
  await expect(timer).toBeHidden();
  await expect(now).toContainText('Stir and taste');
  await context.setOffline(false);
  await expect(page.getByText(/kept on this device/)).toBeHidden();
  // What was hot is cold in time.
  await expect(page.getByText(/at 21 °C by/)).toBeVisible();

  await now.getByRole('button', { name: 'Leave it out' }).tap();
  await expect(page.getByRole('heading', { name: 'Everything is cooked' })).toBeVisible();
  await page.getByRole('button', { name: 'Not yet' }).tap();
  await expect(now).toContainText('Stir and taste');
  await now.getByRole('button', { name: 'Done' }).tap();
  await expect(page.getByRole('heading', { name: 'Everything is cooked' })).toBeVisible();
  await expectAxeClean(page);
  await page.reload();
  await expect(page.getByText('3 of 3 steps done')).toBeVisible();
  await page.getByRole('link', { name: 'Fill the boxes' }).tap();
  await expect(page.getByRole('button', { name: 'Fill as planned' })).toBeVisible();
});

test('a step put elsewhere on the track stays there until it is let go', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signUp(page, 'Ilse Marrow');
  await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '4');
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  const minutes = async () => Number(/(\d+) min from start/.exec((await page.getByText('from start to end').textContent()) ?? '')?.[1]);
  const planned = await minutes();
  await page.getByRole('button', { name: /^Put elsewhere: Chop the onions/ }).click();
  const begins = page.getByLabel(/^Begins: Chop the onions/);
  const [hours = 0, past = 0] = (await begins.inputValue()).split(':').map(Number);
  await begins.fill(`${String(hours).padStart(2, '0')}:${String(past + 5).padStart(2, '0')}`);
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect.poll(minutes).toBe(planned + 5);
  await page.getByRole('button', { name: /^Let it move/ }).click();
  await expect.poll(minutes).toBe(planned);
});
