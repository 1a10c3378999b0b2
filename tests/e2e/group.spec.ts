import type { Browser, Page } from '@playwright/test';
import { addRecipe, expect, expectAxeClean, follow, signUp, test } from './kitchen';

/** A group whose desk the page works at. */
async function foundGroup(page: Page) {
  await signUp(page, 'Odalys Brandt');
  await page.getByRole('link', { name: 'Group', exact: true }).click();
  await expect(page.getByText('You belong to no group.')).toBeVisible();
  await expectAxeClean(page);
  await page.getByLabel('The group’s name').fill('Supper Circle');
  await page.getByRole('button', { name: 'Found it' }).click();
  await expect(page.getByRole('heading', { name: 'Supper Circle' })).toBeVisible();
}

async function linkFor(page: Page, many: string) {
  await page.getByLabel('For how many', { exact: true }).fill(many);
  await page.getByRole('button', { name: 'Make a link' }).click();
  return page.getByLabel('Link to join').inputValue();
}

/** Farah has no account yet: she signs up on a phone with a kitchen of her own and joins. */
async function join(browser: Browser, baseURL: string | undefined, link: string) {
  const context = await browser.newContext({ baseURL: baseURL ?? '', viewport: { width: 390, height: 844 }, hasTouch: true });
  const farah = await context.newPage();
  await farah.goto(link);
  await expect(farah.getByText(/You are asked to join this group/)).toBeVisible();
  await expectAxeClean(farah);
  await farah.getByRole('tab', { name: 'Sign up' }).tap();
  await farah.getByLabel('Your name').fill('Farah Quillon');
  await farah.getByLabel('Your kitchen’s name').fill('Quillon');
  await farah.getByLabel('E-mail address').fill(`f${Date.now()}@port-ansel.example`);
  await farah.getByLabel('Password').fill('a long enough one');
  await farah.getByRole('button', { name: 'Sign up' }).tap();
  await farah.getByRole('button', { name: 'Join as Farah Quillon' }).tap();
  await expect(farah.getByRole('heading', { name: 'Supper Circle' })).toBeVisible();
  return { context, farah };
}

const cell = (page: Page, name: RegExp) => page.getByRole('region', { name }).first();

/** A menu of two days at the desk, with one dish on the first supper. */
async function beginMenu(page: Page, dish: string) {
  await page.getByRole('link', { name: 'Group', exact: true }).click();
  await page.getByRole('button', { name: 'Begin a menu' }).click();
  await page.getByLabel('Name').fill('Harbour week');
  await page.getByLabel('Days').fill('2');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await cell(page, /^supper/i).getByRole('button', { name: 'Dish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: dish }).click();
}

test('a menu is planned at a desk, published, joined by a link, taken home and corrected', async ({ page, browser, baseURL }) => {
  await foundGroup(page);
  // At a desk nobody shops or cooks.
  await expect(page.getByRole('link', { name: 'Shop', exact: true })).toHaveCount(0);

  await addRecipe(page, 'Cod and swede\nServes 2\n300 g cod fillet\n400 g swede', 'Cod and swede');
  await addRecipe(page, 'Barley bowl\nServes 2\n200 g pearl barley\n2 carrots', 'Barley bowl');
  await page.getByRole('link', { name: 'Group', exact: true }).click();
  await page.getByRole('button', { name: 'Begin a menu' }).click();
  await page.getByLabel('Name').fill('Harbour week');
  await page.getByLabel('Days').fill('0');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('dialog').getByText(/1 to 28 days/)).toBeVisible();
  await page.getByLabel('Days').fill('2');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await cell(page, /^supper/i).getByRole('button', { name: 'Dish' }).click();
  await expectAxeClean(page);
  await page.getByLabel('A part of its name').fill('cod');
  await page.getByRole('dialog').getByRole('button', { name: 'Cod and swede' }).press('Enter');
  await expect(cell(page, /^supper/i).getByRole('link', { name: 'Cod and swede' })).toBeVisible();
  // Some eat less a day: the menu says so, and each dish how much of it they have.
  await page.getByRole('button', { name: 'Change …' }).click();
  await page.getByRole('button', { name: 'Add a tier' }).click();
  await page.getByLabel('Name of tier 1').fill('small');
  await page.getByLabel('Energy of tier 1, kcal').fill('1100');
  await expect(page.getByText(/nobody should eat without professional advice/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('row', { name: /^small/ })).toBeVisible();
  await cell(page, /^supper/i).getByRole('button', { name: /whom Cod and swede suits/ }).press('Enter');
  await page.getByLabel('small (1,100 kcal)').selectOption('0.5 portions');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Cod and swede is changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByText('Version 1', { exact: false })).toBeVisible();
  await page.getByLabel('For how many it is written').fill('12');
  const handed = page.waitForEvent('download');
  await page.getByRole('link', { name: 'For a word processor' }).click();
  expect((await handed).suggestedFilename()).toBe('Harbour week.docx');
  const link = await linkFor(page, '1');
  await expectAxeClean(page);

  const { context, farah } = await join(browser, baseURL, link);
  await expect(farah.getByRole('heading', { name: 'Harbour week' })).toBeVisible();
  await farah.getByRole('button', { name: /^Cod and swede/ }).tap();
  await expect(farah.getByText(/^Farah: /).last()).toBeVisible();
  await expect(farah.getByText('small: 0.5 portions')).toBeVisible();
  await expectAxeClean(farah);
  await farah.getByRole('button', { name: 'Take home', exact: true }).tap();
  await expect(farah.getByText('Now in your library: Cod and swede.')).toBeVisible();
  await farah.getByRole('button', { name: 'Take all of it home' }).tap();
  await expect(farah.getByText('All of it is in your library already: Cod and swede.')).toBeVisible();

  // All of it into the week after this one, looked at first.
  await farah.getByRole('button', { name: 'Into your week …' }).tap();
  const into = farah.getByRole('dialog');
  await into.getByLabel('Farah eats').selectOption('by the tier small');
  await expect(into.getByText(/Farah: \w+ supper, 0.5 portions/)).toBeVisible();
  await expectAxeClean(farah);
  await into.getByRole('button', { name: 'Put it on the week' }).tap();
  await expect(farah.getByText('Harbour week is on the week: 1 batch.')).toBeVisible();
  await expect(farah).toHaveURL(/\/week\//);
  await farah.getByRole('link', { name: 'Group', exact: true }).tap();

  // A correction says what is different.
  await cell(page, /^lunch/i).getByRole('button', { name: 'Dish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Barley bowl' }).click();
  await expect(page.getByText('Barley bowl is on the menu.')).toBeVisible();
  await page.getByLabel('What is different').fill('Barley for the first lunch');
  await page.getByRole('button', { name: 'Publish the correction' }).click();
  await expect(page.getByText('Version 2', { exact: false })).toBeVisible();
  await farah.reload();
  await expect(farah.getByText(/, as version 1\. Corrected since: Barley for the first lunch/)).toBeVisible();
  await farah.getByRole('button', { name: 'See what that changes there' }).tap();
  await expect(farah.getByRole('dialog').getByText('Barley bowl').first()).toBeVisible();
  // What was answered is not asked again.
  await expect(farah.getByRole('dialog').getByLabel('Farah eats').locator('option:checked')).toHaveText('by the tier small');
  await farah.keyboard.press('Escape');
  await expect(farah.getByRole('button', { name: /^Barley bowl/ })).toBeVisible();

  // The same days once more, a week later.
  await page.getByRole('button', { name: 'Once more …' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Harbour week again');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('combobox', { name: 'Menu' })).toContainText('Harbour week again');
  await expect(cell(page, /^lunch/i).getByRole('link', { name: 'Barley bowl' })).toBeVisible();

  // The link is used up; the desk counts two.
  await page.reload();
  await expect(page.getByText(/^2 members\./)).toBeVisible();
  await page.goto(link);
  await expect(page.getByText(/used up, withdrawn or is older/)).toBeVisible();
  await context.close();
});

test('what goes with a menu is taken over, and a correction takes off the week what it replaces', async ({ page, browser, baseURL }) => {
  await foundGroup(page);
  await addRecipe(page, 'Cod and swede\nServes 2\n300 g cod fillet\n400 g swede', 'Cod and swede');
  await addRecipe(page, 'Barley bowl\nServes 2\n200 g pearl barley\n2 carrots', 'Barley bowl');
  // What the swede costs goes with the menu; what the milk costs is of no dish on it.
  await page.goto('/larder/prices');
  await page
    .getByLabel('CSV file')
    .setInputFiles({ name: 'prices.csv', mimeType: 'text/csv', buffer: Buffer.from('food,pack,price\nswede,1 kg,1.10\nmilk,1 l,0.90\n') });
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('row', { name: /Swede 1.10/ })).toBeVisible();
  await beginMenu(page, 'Cod and swede');
  await expect(page.getByRole('checkbox', { name: /1 price/ })).toBeChecked();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByText('Version 1', { exact: false })).toBeVisible();

  const { context, farah } = await join(browser, baseURL, await linkFor(page, '1'));
  await expect(farah.getByText(/With its menus come 1 price that your kitchen has not/)).toBeVisible();
  await farah.getByRole('button', { name: 'Look at them' }).tap();
  await expect(farah.getByRole('checkbox', { name: /Swede.*1\.10 for 1 kg/ })).toBeChecked();
  await expectAxeClean(farah);
  await farah.getByRole('button', { name: 'Take over 1 price' }).tap();
  await expect(farah.getByText('All that comes with its menus is in your kitchen.')).toBeVisible();

  await farah.getByRole('button', { name: 'Into your week …' }).tap();
  await farah.getByRole('dialog').getByRole('button', { name: 'Put it on the week' }).tap();
  await expect(farah).toHaveURL(/\/week\//);
  await farah.getByRole('link', { name: 'Group', exact: true }).tap();

  // The cod is replaced by barley; the correction does so on her week, once she has looked at it.
  await cell(page, /^supper/i).getByRole('button', { name: 'Take Cod and swede off' }).click();
  await cell(page, /^supper/i).getByRole('button', { name: 'Dish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Barley bowl' }).click();
  await page.getByLabel('What is different').fill('Barley in place of cod');
  await page.getByRole('button', { name: 'Publish the correction' }).click();
  await expect(page.getByText('Version 2', { exact: false })).toBeVisible();
  await farah.reload();
  await farah.getByRole('button', { name: 'See what that changes there' }).tap();
  const into = farah.getByRole('dialog');
  await expect(into.getByText(/A Cod and swede: Farah \w+ supper/)).toBeVisible();
  await expectAxeClean(farah);
  await into.getByRole('button', { name: 'Change the week so' }).tap();
  await expect(farah.getByText('Harbour week is on the week: 1 batch.')).toBeVisible();
  await expect(farah.getByText('Cod and swede')).toHaveCount(0);
  await context.close();
});

test('a menu says whom it fails, is mended by a variant, and comes so to a household that follows it', async ({ page, browser, baseURL }) => {
  await foundGroup(page);
  await addRecipe(page, 'Cod with curd\nServes 2\n300 g cod fillet\n60 g feta', 'Cod with curd');
  await beginMenu(page, 'Cod with curd');

  // Farah goes without dairy, and says so to the circle.
  const { context, farah } = await join(browser, baseURL, await linkFor(page, '1'));
  await farah.getByRole('link', { name: 'Table', exact: true }).tap();
  await follow(farah.getByLabel('Dairy-free', { exact: true }));
  await farah.getByRole('link', { name: 'Group', exact: true }).tap();
  await farah.getByRole('button', { name: 'Change that' }).tap();
  await farah.getByRole('button', { name: 'Share this' }).tap();
  await expect(farah.getByText(/You share, without your name: Dairy-free/)).toBeVisible();

  await page.reload();
  await cell(page, /^supper/i)
    .getByRole('button', { name: /whom Cod with curd suits/ })
    .click();
  const dish = page.getByRole('dialog');
  await expect(dish.getByText(/Breaks: a few/).first()).toBeVisible();
  await dish.getByRole('button', { name: 'What would mend most?' }).click();
  await dish.getByRole('button', { name: 'Make it a variant' }).first().click();
  const made = dish.getByLabel('Dairy-free');
  await expect(made).toBeVisible();
  await made.selectOption({ index: 1 });
  await expectAxeClean(page);
  await dish.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Cod with curd is changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByText('Version 1', { exact: false })).toBeVisible();

  await farah.reload();
  await farah.getByRole('button', { name: /^Cod with curd/ }).tap();
  await expect(farah.getByText(/^Farah, .+: Fits\./)).toBeVisible();
  // By the keyboard alone: into the week, and fitted there.
  await farah.getByRole('button', { name: 'Into your week …' }).press('Enter');
  await expect(farah.getByRole('dialog').getByText(/Farah: \w+ supper, /)).toBeVisible();
  await farah.getByRole('button', { name: '… and fit it to your allowances' }).press('Enter');
  await expect(farah).toHaveURL(/\/week\//);
  await context.close();
});

test('a member brings a recipe, is asked back, sends it again; a question is asked by two, answered and pinned', async ({
  page,
  browser,
  baseURL,
}) => {
  await foundGroup(page);
  const { context, farah } = await join(browser, baseURL, await linkFor(page, '1'));
  await addRecipe(farah, 'Quay pan\nServes 2\n300 g cod fillet\n2 tbsp harbour paste', 'Quay pan');
  await farah.getByRole('link', { name: 'Group', exact: true }).tap();
  await farah.getByRole('link', { name: 'What you bring' }).tap();
  await farah.getByRole('button', { name: 'Bring a recipe' }).tap();
  await farah.getByLabel('A word to the desk').fill('It cures gout');
  await farah.getByLabel('With my name').check();
  await expectAxeClean(farah);
  await farah.getByRole('button', { name: 'Send it', exact: true }).tap();
  await expect(farah.getByText(/waits at the desk/)).toBeVisible();

  // The desk hears of it by itself.
  await page.getByRole('link', { name: /^Brought/ }).click();
  await page.getByRole('button', { name: /^Quay pan/ }).press('Enter');
  await expect(page.getByText('A health claim:')).toBeVisible();
  await expect(page.getByText('2 tbsp harbour paste:')).toBeVisible();
  await expectAxeClean(page);
  await page.getByLabel('One line to who sent it').fill('Which paste is it?');
  await page.getByRole('button', { name: 'Ask back' }).click();
  await expect(page.getByText('It is asked back.')).toBeVisible();

  await farah.reload();
  await expect(farah.getByText('The desk: Which paste is it?')).toBeVisible();
  await farah.getByRole('button', { name: 'Send it again' }).tap();
  await farah.getByLabel('A word to the desk').fill('It is tomato paste, I looked.');
  await farah.getByRole('button', { name: 'Send it', exact: true }).tap();
  await expect(farah.getByText(/waits at the desk/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Quay pan/ }).click();
  await expect(page.getByText('You asked: Which paste is it?')).toBeVisible();
  await page.getByLabel('Its name in the library').fill('Harbour pan');
  await page.getByRole('button', { name: 'Take it up' }).click();
  await expect(page.getByText('Harbour pan is in the library.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Answered' })).toBeVisible();

  await farah.getByRole('link', { name: 'Questions' }).tap();
  await farah.getByRole('button', { name: 'Ask something' }).tap();
  await farah.getByLabel('Your question').fill('Can the pan be frozen?');
  await farah.getByRole('button', { name: 'Ask', exact: true }).tap();
  await expect(farah.getByText('Can the pan be frozen?')).toBeVisible();
  await page.getByRole('link', { name: /^Asked/ }).click();
  await page.getByLabel('The answer').fill('On the day it is cooked.');
  await page.getByRole('button', { name: 'Answer', exact: true }).click();
  await page.getByRole('button', { name: 'Pin on top' }).click();
  await expect(page.getByText('It is pinned on top.')).toBeVisible();
  await page.getByLabel('Where help is found near you').fill('The quay surgery');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expectAxeClean(page);
  await farah.reload();
  await expect(farah.getByText('On the day it is cooked.')).toBeVisible();
  // Before it is asked again it is found.
  await farah.getByRole('button', { name: 'Ask something' }).tap();
  await farah.getByLabel('Your question').fill('freezing the pan?');
  await expect(farah.getByText('Asked before:')).toBeVisible();
  await farah.getByLabel('Your question').fill('I fainted, is that usual?');
  await farah.getByRole('button', { name: 'Ask', exact: true }).tap();
  await expect(farah.getByText('The quay surgery')).toBeVisible();
  await expectAxeClean(farah);
  await context.close();
});

test('people are asked by a list of addresses, come by the link in their mail, and end the mails they get', async ({ page, browser, baseURL }) => {
  await foundGroup(page);
  await page.getByLabel('Or by their addresses').fill('Name,E-mail\nFarah,farah@port-ansel.example\nnobody\nrune@port-ansel.example');
  await page.getByRole('button', { name: 'Ask them to join' }).press('Enter');
  await expect(page.getByText('2 mails lie in the outbox, under Mail.')).toBeVisible();
  await expect(page.getByText('Row 3, nobody: there is no address in it')).toBeVisible();
  await expect(page.getByLabel('Or by their addresses')).toHaveValue('nobody');
  await expect(page.getByText('Asked by mail and not come yet: 2 people')).toBeVisible();
  await page.getByRole('link', { name: 'Mail', exact: true }).click();
  await page.getByRole('button', { name: /asked to join farah@/ }).click();
  await expectAxeClean(page);
  const { context, farah } = await join(browser, baseURL, (await page.getByRole('link', { name: /join-group/ }).getAttribute('href')) ?? '');

  await farah.getByRole('link', { name: 'Mail', exact: true }).tap();
  await expect(farah.getByText('Nothing was written yet.')).toBeVisible();
  await farah.getByLabel('Mail me what is new').tap();
  await expect(farah.getByLabel('Mail me what is new')).not.toBeChecked();
  await farah.reload();
  await expect(farah.getByLabel('Mail me what is new')).not.toBeChecked();
  await expectAxeClean(farah);
  await context.close();

  await page.getByRole('link', { name: 'Menus', exact: true }).click();
  await page.reload();
  await expect(page.getByText('Asked by mail and not come yet: one person')).toBeVisible();
  await page.getByRole('button', { name: 'Withdraw those' }).click();
  await expect(page.getByText('Those links lead nowhere now.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Asked by mail and not come yet: one person')).toBeVisible();
});

test('open meals of a menu are filled as offered, ticked or not, and taken back as one', async ({ page }) => {
  await foundGroup(page);
  await addRecipe(page, 'Cod and swede\nServes 2\n300 g cod fillet\n400 g swede', 'Cod and swede');
  await addRecipe(page, 'Barley bowl\nServes 2\n200 g pearl barley\n2 carrots', 'Barley bowl');
  await page.getByRole('link', { name: 'Group', exact: true }).click();
  await page.getByRole('button', { name: 'Begin a menu' }).click();
  await page.getByLabel('Name').fill('Harbour week');
  await page.getByRole('textbox', { name: 'Days' }).fill('2');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);

  await page.getByRole('button', { name: 'Fill or mend …' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Put these 4 dishes there' })).toBeVisible();
  await expectAxeClean(page);
  await page.getByRole('checkbox', { name: /lunch Cod and swede|lunch Barley bowl/ }).first().press(' ');
  await page.getByRole('button', { name: 'Put these 3 dishes there' }).press('Enter');
  await expect(page.getByText('3 dishes are on the menu.')).toBeVisible();
  await expect(page.getByRole('link', { name: /Cod and swede|Barley bowl/ })).toHaveCount(3);

  await page.getByRole('button', { name: 'Fill or mend …' }).click();
  await page.getByLabel('Better dishes for what stands there').check();
  await expect(page.getByText('Nothing of this library suits more than two members better.', { exact: false })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /Cod and swede|Barley bowl/ })).toHaveCount(0);
});
