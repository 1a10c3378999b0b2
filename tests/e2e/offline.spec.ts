import type { Page } from '@playwright/test';
import { addRecipe, beginWeekToday, expect, makeBatch, signUp, test } from './kitchen';

const stew =
  'Lentil stew\nServes 4\n300 g red lentils\n2 onions\n1 carrot\n2 tins chopped tomatoes\n1 lemon\n200 g spinach\n100 g feta\n3 eggs\n\nChop the onions and carrot, 6 minutes.\nSimmer with the lentils for 25 minutes.\nStir and taste, 3 minutes.';

test.use({ serviceWorkers: 'allow', hasTouch: true, viewport: { width: 390, height: 844 } });

/** The program is on the device once its worker is in charge. */
async function installed(page: Page) {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
}

/** A stew to shop and to cook, on a device that has the program. */
async function stewAtHand(page: Page) {
  await signUp(page, 'Ilse Marrow');
  await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '4');
  await installed(page);
}

test('ten rounds without and with a network, with reloads and closed tabs: nothing pressed is lost or done twice', async ({
  page: first,
  context,
  browser,
}) => {
  test.slow();
  let page = first;
  await stewAtHand(page);
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await expect(page.getByText('from start to end')).toBeVisible();
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  // The steps of the Session are boxes to tick as well: they must have gone before the list's are counted.
  await expect(page.getByRole('heading', { name: 'Shop', exact: true })).toBeVisible();
  const listed = () => page.getByRole('main').getByRole('checkbox');
  await expect(listed().first()).toBeVisible();
  const many = await listed().count();
  const address = page.url();

  const ticked = new Set<number>();
  for (let round = 0; round < 10; round++) {
    await context.setOffline(true);
    if (round % 3 === 1) {
      // The phone was in a pocket: its tab is gone, and comes back without a network.
      await page.close();
      page = await context.newPage();
      await page.goto(address);
    } else if (round % 3 === 2) await page.reload();
    await expect(listed()).toHaveCount(many);
    const at = round % many;
    if (ticked.has(at)) {
      await listed().nth(at).uncheck();
      ticked.delete(at);
    } else {
      await listed().nth(at).check();
      ticked.add(at);
    }
    await expect(page.getByText(/kept on this device/)).toBeVisible();
    if (round % 2 === 1) await page.reload();
    await expect(listed()).toHaveCount(many);
    for (let one = 0; one < many; one++) await expect(listed().nth(one)).toBeChecked({ checked: ticked.has(one) });
    await context.setOffline(false);
    await expect(page.getByText(/kept on this device/)).toBeHidden();
  }

  // As the server has it: another look at it, and each thing is in stock once.
  await page.reload();
  await expect(listed()).toHaveCount(many);
  for (let one = 0; one < many; one++) await expect(listed().nth(one)).toBeChecked({ checked: ticked.has(one) });
  // Another device of the same person has it so too.
  const elsewhere = await browser.newContext({ storageState: await context.storageState() });
  const other = await elsewhere.newPage();
  await other.goto(address);
  await expect(other.getByRole('main').getByRole('checkbox')).toHaveCount(many);
  for (let one = 0; one < many; one++) {
    await expect(other.getByRole('main').getByRole('checkbox').nth(one)).toBeChecked({ checked: ticked.has(one) });
  }
  await elsewhere.close();
  const stock = await page.evaluate(async () => ((await (await fetch('/api/larder/stock')).json()) as { items: unknown[] }).items.length);
  expect(stock).toBe(ticked.size);
});

test('the stove without a network: a session opened at home is cooked through, and what needs the network says so', async ({ page, context }) => {
  await stewAtHand(page);
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await page.getByRole('link', { name: 'Cook along' }).click();
  await expect(page.getByRole('region', { name: 'Now' })).toBeVisible();
  await context.setOffline(true);
  await page.reload();
  const now = page.getByRole('region', { name: 'Now' });
  await now.getByRole('button', { name: 'Done' }).tap();
  await now.getByRole('button', { name: /^It runs now/ }).tap();
  await page.reload();
  await expect(page.getByRole('timer')).toHaveText(/^2\d:\d\d$/);
  await expect(page.getByText('2 acts kept on this device')).toBeVisible();
  await page.getByRole('link', { name: 'Larder', exact: true }).click();
  await expect(page.getByText(/network/i).first()).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('kept on this device')).toBeHidden();
});

test('a pot is weighed and its boxes filled without a network: it is there after a reload, and shared when it is sent', async ({
  page,
  context,
}) => {
  await stewAtHand(page);
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await page.getByRole('link', { name: 'Portion', exact: true }).click();
  const pot = page.getByRole('form', { name: /^Weigh A/ });
  await expect(pot).toBeVisible();
  await context.setOffline(true);
  await pot.getByLabel('On the scale').fill('1958');
  await pot.getByLabel('Weight of the empty vessel').fill('100');
  await pot.getByRole('button', { name: 'Weigh and share' }).tap();
  await expect(page.getByText('Not sent yet: its boxes get their grams when it is.')).toBeVisible();
  await page.reload();
  await expect(pot.getByLabel('On the scale')).toHaveValue('1958');
  await expect(page.getByText('One act kept on this device')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('Not sent yet')).toBeHidden();
  const boxes = page.getByRole('region', { name: /^A Lentil stew/ }).getByRole('listitem');
  for (const box of await boxes.all()) await expect(box).toContainText('464 g');
});
