import { addRecipe, beginWeekToday, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

const stew =
  'Lentil stew\nServes 4\n300 g red lentils\n2 onions\n1 carrot\n\nChop the onions and carrot, 6 minutes.\nSimmer with the lentils for 25 minutes.';

test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

test('the day on a phone: eaten by a tap, halved, left out, besides, also without a network, and looked back on', async ({
  page,
  context,
}) => {
  await signUp(page, 'Ilse Marrow');
  const [today = ''] = await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '4', new RegExp(`^${today}`));
  await page.getByRole('link', { name: 'Log', exact: true }).tap();
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible();
  const supper = page.getByRole('region', { name: 'supper' });
  await expect(supper).toContainText('Nothing is planned');

  // Something typed, then a loose portion of what was cooked.
  await page.getByRole('button', { name: 'Something else at supper' }).tap();
  await supper.getByLabel('Eaten at supper, besides').fill('100 g banana');
  await supper.getByRole('button', { name: 'Eaten', exact: true }).tap();
  await expect(supper.getByRole('button', { name: '100 g banana: not so' })).toBeVisible();
  await expect(supper).toContainText('kcal');
  await supper.getByRole('button', { name: /Lentil stew/ }).tap();
  await expect(supper.getByText('besides', { exact: true })).toHaveCount(2);
  await expectAxeClean(page);

  // Without a network it is kept and counts when it is sent; what was a slip never leaves the phone.
  await context.setOffline(true);
  await supper.getByLabel('Eaten at supper, besides').fill('10 g almonds');
  await supper.getByRole('button', { name: 'Eaten', exact: true }).tap();
  await expect(supper.getByText('Not sent yet')).toBeVisible();
  await supper.getByLabel('Eaten at supper, besides').fill('1 biscuit');
  await supper.getByLabel('Eaten at supper, besides').press('Enter');
  await supper.getByRole('button', { name: '1 biscuit: not so' }).tap();
  await context.setOffline(false);
  await expect(supper.getByText('Not sent yet')).toBeHidden();
  await page.reload();
  await expect(supper.getByText('besides', { exact: true })).toHaveCount(3);
  await expect(supper).not.toContainText('biscuit');

  // On another day it is one of the usual things.
  await page.getByRole('button', { name: 'Something else at lunch' }).tap();
  await page.getByRole('region', { name: 'lunch' }).getByRole('button', { name: '10 g almonds' }).tap();
  await expect(page.getByRole('region', { name: 'lunch' }).getByText('besides', { exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'Week', exact: true }).tap();
  await expect(page.getByText('Besides: 4')).toBeVisible();
  await page.getByRole('button', { name: 'Lentil stew: again' }).tap();
  await page.getByRole('button', { name: 'Lentil stew: a note' }).tap();
  await page.getByLabel('Lentil stew: how it went').fill('More lemon');
  await page.getByRole('button', { name: 'Keep it' }).tap();
  await expect(page.getByRole('button', { name: 'Keep it' })).toBeHidden();
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Cook A again next week' }).tap();
  await expect(page).toHaveURL(/\/week\//);
});

test('at a table of two sizes: a planned meal is eaten in part and corrected, and its box follows', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signUp(page, 'Ilse Marrow');
  const [today = ''] = await beginWeekToday(page);
  await addRecipe(page, stew, 'Lentil stew');
  await makeBatch(page, 'Lentil stew', '2', new RegExp(`^${today}`));
  await page.getByRole('button', { name: /^A, Lentil stew/ }).click();
  await page.getByRole('gridcell', { name: new RegExp(`^${today} supper, Ilse`) }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  const supper = page.getByRole('region', { name: 'supper' });
  const half = supper.getByRole('button', { name: /Lentil stew: Half/ });
  await half.click();
  await expect(half).toHaveAttribute('aria-pressed', 'true');
  await page.reload();
  await expect(half).toHaveAttribute('aria-pressed', 'true');
  await supper.getByRole('button', { name: /Lentil stew: Left out/ }).click();
  await expect(half).toHaveAttribute('aria-pressed', 'false');
  await supper.getByRole('button', { name: /Lentil stew: Left out/ }).click();
  await supper.getByRole('button', { name: /Lentil stew: Eaten/ }).click();
  await page.reload();
  await expect(supper.getByRole('button', { name: /Lentil stew: Eaten/ })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('link', { name: 'Shelf', exact: true }).click();
  await expect(page.getByText('1 containers')).toBeVisible();

  // Body weight is nobody's business until it is turned on.
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await page.getByRole('button', { name: /^Keep Ilse/ }).click();
  await page.getByLabel(/^Today/).fill('71.5');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText('71.5 kg')).toBeVisible();
  await page.getByRole('button', { name: 'Stop keeping it' }).click();
  await page.getByRole('button', { name: 'Yes' }).click();
  await expect(page.getByText('Body weight is not kept.')).toBeVisible();
  await expectAxeClean(page);
});

test('a device that showed the day of somebody of another kitchen shows its own again, and the Log is about today', async ({ page }) => {
  await signUp(page, 'Ilse Marrow');
  await page.evaluate(() => localStorage.setItem('merienda.log.eater', '00000000-0000-4000-8000-000000000000'));
  await page.getByRole('link', { name: 'The week after' }).click();
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible();
  // The week that is being planned is where it was.
  const week = page.getByRole('link', { name: 'Week', exact: true });
  const address = await week.getAttribute('href');
  await week.click();
  await expect(page).toHaveURL(new RegExp(`${address}$`));
  await expect(page.getByRole('link', { name: 'This week' })).toBeVisible();
});
