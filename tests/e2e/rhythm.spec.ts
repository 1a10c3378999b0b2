import { addRecipe, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('a week begins on Monday, has five meals and three sessions, and the board shows it so', async ({ page }) => {
  await signUp(page);
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await page.getByRole('link', { name: 'Week and meals' }).click();
  await page.getByLabel('A week begins on').selectOption('Monday');
  await page.getByLabel('Name of meal 3').fill('tea');
  await page.getByRole('button', { name: 'Add a meal' }).click();
  await page.getByLabel('Name of meal 5').fill('late bite');
  await page.getByRole('button', { name: 'late bite earlier' }).click();
  await page.getByRole('button', { name: 'Add a prep day' }).click();
  await page.getByLabel('Weekday of session 3').selectOption('Monday');
  await page.getByLabel('When Monday’s session starts').fill('18:30');
  await page.getByLabel('Cooks on Monday').selectOption('2 cooks');
  await page.getByLabel('First day on which Saturday’s session is eaten').selectOption('Monday');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('The week goes so from now on.')).toBeVisible();

  await page.getByRole('link', { name: 'Week', exact: true }).click();
  const grid = page.getByRole('grid', { name: 'The week’s meals' });
  await expect(grid.getByRole('columnheader').nth(1)).toHaveText(/^Mon/);
  await expect(grid.getByRole('columnheader').nth(7)).toHaveText(/^Sun/);
  await expect(grid.getByRole('rowheader').filter({ hasText: /breakfast|lunch|tea|late bite|supper/ })).toHaveText([
    /breakfast/,
    /lunch/,
    /tea/,
    /late bite/,
    /supper/,
  ]);
  await addRecipe(page, 'Beans\nServes 4\n800 g white beans\n2 tbsp olive oil', 'Beans');
  await page.getByRole('link', { name: 'Week', exact: true }).click();
  // Two weeks on: on a Sunday the next week's first session, on Saturday, is over.
  for (let weeks = 0; weeks < 2; weeks++) {
    await expect(grid).toBeVisible();
    const before = page.url();
    await page.getByRole('link', { name: 'The week after' }).click();
    await expect(page).not.toHaveURL(before);
  }
  await page.getByRole('button', { name: 'Make a batch' }).click();
  await expect(page.getByRole('dialog').getByRole('radio', { name: /^(Saturday|Monday|Wednesday)/ })).toHaveCount(3);
  await expect(page.getByRole('dialog').getByRole('radio', { name: /^Saturday/ })).toBeVisible();
});

test('a meal in which something stands is not taken away', async ({ page }) => {
  await signUp(page);
  await page.getByRole('gridcell', { name: /^Sat supper/ }).click();
  await page.getByLabel('Something as it is bought').fill('1 banana');
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 banana is on the board.')).toBeVisible();
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await page.getByRole('link', { name: 'Week and meals' }).click();
  await page.getByRole('button', { name: 'Take supper away' }).click();
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByRole('alert')).toContainText('planned for supper');
  await page.reload();
  await page.getByRole('button', { name: 'Take breakfast away' }).click();
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('The week goes so from now on.')).toBeVisible();
  await page.getByRole('link', { name: 'Eaters' }).click();
  await expect(page.getByLabel('Share of the day at lunch, percent')).toHaveValue('40');
});

test('a session is moved with its dishes, and a dish to a day of its own', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Beans\nServes 4\n800 g white beans\n2 tbsp olive oil\nSimmer the beans for 40 minutes.', 'Beans');
  await addRecipe(page, 'Kale\nServes 2\n300 g kale\nSteam the kale for 8 minutes.', 'Kale');
  await page.getByRole('link', { name: 'Week', exact: true }).click();
  await page.goto('/week/now');
  const before = page.url();
  await page.getByRole('link', { name: 'The week after' }).click();
  await expect(page).not.toHaveURL(before);
  await makeBatch(page, 'Beans', '4');
  await makeBatch(page, 'Kale', '2');
  await page.getByRole('link', { name: 'Session' }).click();
  await expect(page.getByRole('tab')).toHaveCount(1);
  await page.getByRole('button', { name: 'Change' }).click();
  const dialog = page.getByRole('dialog');
  const date = await dialog.getByLabel('Date of the session').inputValue();
  const sunday = new Date(`${date}T00:00:00Z`);
  sunday.setUTCDate(sunday.getUTCDate() + 1);
  await dialog.getByLabel('Date of the session').fill(sunday.toISOString().slice(0, 10));
  await dialog.getByLabel('At', { exact: true }).fill('09:30');
  await dialog.getByLabel('Called').fill('Sunday instead');
  await expectAxeClean(page);
  await dialog.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText(/^It is cooked on Sunday/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Sunday instead' })).toBeVisible();
  await expect(page.getByText('9:30 to', { exact: false })).toBeVisible();

  await page.getByRole('link', { name: 'Week', exact: true }).click();
  await page.getByRole('button', { name: 'Details of B' }).click();
  await page.getByRole('complementary', { name: 'Details' }).getByLabel('Cooked on').selectOption('another day …');
  const friday = new Date(sunday);
  friday.setUTCDate(friday.getUTCDate() + 5);
  await page.getByLabel('Another day', { exact: true }).fill(friday.toISOString().slice(0, 10));
  await expect(page.getByText(/is cooked on Friday/)).toBeVisible();
  await page.getByRole('link', { name: 'Session' }).click();
  await expect(page.getByRole('tab')).toHaveText([/^Sunday/, /^Friday/]);
});
