import { expect, expectAxeClean, signUp, test } from './kitchen';

test('a second adult comes by a link, works in the kitchen, and goes home to their own', async ({ page, browser, baseURL }) => {
  await signUp(page, 'Odalys Brandt');
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await page.getByRole('link', { name: 'Who signs in' }).click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByLabel('Link for one person').inputValue();
  await expect(page.getByText(/^A link of Odalys Brandt/)).toBeVisible();
  await expectAxeClean(page);

  // Somebody without an account signs up by it, and has no kitchen of their own.
  const context = await browser.newContext({ baseURL: baseURL ?? '' });
  const other = await context.newPage();
  await other.goto(link);
  await expect(other.getByText(/Odalys Brandt asks you into this kitchen/)).toBeVisible();
  await expectAxeClean(other);
  await other.getByLabel('Your name').fill('Teun Brandt');
  await other.getByLabel('E-mail address').fill(`t${Date.now()}@port-ansel.example`);
  await other.getByLabel('Password').fill('a long enough one');
  await other.getByRole('button', { name: 'Sign up' }).click();
  await expect(other.getByRole('grid', { name: 'The week’s meals' })).toBeVisible();
  await other.goto('/table/members');
  await expect(other.getByText('Odalys Brandt', { exact: true })).toBeVisible();

  // They open one for the boat, and go back and forth.
  await other.getByLabel('Its name').fill('The boat');
  await other.getByRole('button', { name: 'Open it' }).click();
  await expect(other.getByRole('banner').getByText('The boat')).toBeVisible();
  await other.getByRole('button', { name: 'Teun Brandt' }).click();
  // The answer takes its time, and they have gone to the table meanwhile: there they stay.
  let answer = () => {};
  const asked = new Promise<void>((resolve) => {
    answer = resolve;
  });
  await other.route('**/api/account/household', async (route) => {
    await asked;
    await route.continue();
  });
  await other.getByRole('menuitem', { name: 'Go to Quillon' }).click();
  await other.getByRole('link', { name: 'Table', exact: true }).click();
  await expect(other.getByText(/^The boat · /)).toBeVisible();
  await other.getByRole('link', { name: 'Week', exact: true }).click();
  await expect(other.getByRole('banner').getByText('The boat')).toBeVisible();
  await other.getByRole('link', { name: 'Table', exact: true }).click();
  answer();
  await expect(other.getByText(/^Quillon · /)).toBeVisible();

  // The link is used up.
  await page.reload();
  await expect(page.getByText('Teun Brandt', { exact: true })).toBeVisible();
  await page.goto(link);
  await expect(page.getByText('This link was used, taken back or is older than a week.')).toBeVisible();

  // Sent away, they are out at once and land in the kitchen that is left to them.
  await page.goto('/table/members');
  await page.getByRole('listitem').filter({ hasText: 'Teun Brandt' }).getByRole('button', { name: 'Take access away' }).click();
  await expect(page.getByText('Teun Brandt has no more access.')).toBeVisible();
  await other.goto('/recipes');
  await expect(other.getByRole('banner').getByText('The boat')).toBeVisible();
  await context.close();
});
