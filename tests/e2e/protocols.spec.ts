import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { addRecipe, chooseLowCarb, enter, expect, expectAxeClean, makeBatch, signUp, test, follow } from './kitchen';

const table = (page: Page) => page.getByRole('link', { name: 'Table', exact: true }).click();

async function addEater(page: Page, name: string) {
  await page.getByLabel('Another eater').fill(name);
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const sheet = page.getByRole('region', { name });
  await expect(sheet).toBeVisible();
  return sheet;
}

async function pick(page: Page, label: string, words: string) {
  await page.getByRole('combobox', { name: label, exact: true }).fill(words);
  await page.getByRole('option', { name: new RegExp(words, 'i') }).first().click();
}

test('a household of three with three protocols, an allergy and a clinic’s sheet is built from nothing', async ({ page }) => {
  await signUp(page, 'Farah Quillon');
  await addRecipe(page, 'Cod and rice\nServes 2\n300 g cod\n150 g white rice', 'Cod and rice');
  await addRecipe(page, 'Bean stew\nServes 4\n400 g tin white beans, drained\n2 tbsp olive oil', 'Bean stew');
  await table(page);

  // A clinic's sheet: nothing is assumed, a stage has its own number.
  const farah = page.getByRole('region', { name: 'Farah' });
  await follow(farah.getByLabel('After bariatric surgery'));
  await expect(farah.getByText('Nobody stated it yet').first()).toBeVisible();
  await expect(farah.getByText('Your clinical team’s sheet comes first').or(farah.getByText("Your clinical team's sheet comes first"))).toBeVisible();
  await farah.getByLabel(/at least, g: Protein: an amount you state a day/).fill('60');
  await farah.getByLabel(/at least, g: Protein: an amount you state a day/).press('Enter');
  await expect(farah.getByText('Protein: at least 60 g a day')).toBeVisible();
  await farah.getByLabel(/at most, g: Size of a meal/).fill('120');
  await farah.getByLabel(/at most, g: Size of a meal/).press('Enter');
  await expect(farah.getByText('Size of a meal by weight: at most 120 g')).toBeVisible();
  await farah.getByRole('button', { name: /Another number from a date: Size of a meal/ }).click();
  await farah.getByLabel(/From which day/).fill('2030-01-01');
  await farah.getByLabel(/at most, g: Size of a meal/).fill('200');
  await farah.getByLabel(/at most, g: Size of a meal/).press('Enter');
  await expect(farah.getByText(/from 1 Jan: at most 200/)).toBeVisible();
  await expect(farah.getByText('Size of a meal by weight: at most 120 g')).toBeVisible();

  // Two protocols at once, with a phase.
  const rune = await addEater(page, 'Rune');
  await follow(rune.getByLabel('Low-FODMAP'));
  await follow(rune.getByLabel('Calories with macros'));
  await rune.getByLabel('Which macros are counted?').selectOption({ label: 'None: energy alone' });
  await rune.getByRole('button', { name: 'Work out a need' }).click();
  const need = page.getByRole('dialog', { name: 'An energy need for Rune' });
  await need.getByLabel('Formula for').selectOption('man');
  await need.getByLabel('Weight, kg').fill('70');
  await need.getByLabel('Height, cm').fill('175');
  await need.getByLabel('Age, years').fill('30');
  await need.getByLabel(/^Activity/).fill('1.2');
  await need.getByRole('button', { name: 'Reckon' }).click();
  await expect(need.getByText('1,649 kcal a day')).toBeVisible();
  await need.getByRole('button', { name: 'Use 1,980 kcal' }).click();
  // The three macros are asked for until the choice has arrived.
  await expect(rune.getByRole('button', { name: 'Set it' })).toHaveCount(1);
  await rune.getByRole('button', { name: 'Set it' }).click();
  await expect(rune.getByText('Energy: at most 1,980 kcal a day')).toBeVisible();
  await rune.getByRole('button', { name: 'Plan it' }).click();
  await expect(rune.getByRole('heading', { name: /^Restriction, day 1 of/ })).toBeVisible();

  // A child on no protocol with an allergy: a hard stop.
  const signe = await addEater(page, 'Signe');
  await pick(page, 'Signe’s allergies', 'fish');
  await expect(signe.getByText('A hard stop')).toBeVisible();
  await expectAxeClean(page);

  await page.getByRole('link', { name: 'Recipes', exact: true }).click();
  await page.getByRole('link', { name: 'Cod and rice' }).click();
  const margin = page.getByRole('complementary', { name: 'Verdicts' });
  await expect(margin).toContainText('Allergy: Cod fillet (fish).');
  await expect(margin).toContainText('Size of a meal by weight');
  await expect(margin).toContainText('FODMAPs: every food stays below its cut-offs.');

  await makeBatch(page, 'Cod and rice', '2');
  await page.getByLabel('Farah', { exact: true }).uncheck();
  await page.getByLabel('Signe', { exact: true }).check();
  await page.getByRole('button', { name: /^A.*Cod and rice/ }).first().click();
  await page.getByRole('gridcell', { name: /^Mon supper, Signe/ }).click();
  await expect(page.getByText(/Signe is allergic: Cod fillet \(fish\)/)).toBeVisible();
  await page.getByRole('gridcell', { name: /^Mon supper, Rune/ }).click();
  await expect(page.getByText('A is placed.')).toBeVisible();
  await page.getByRole('link', { name: 'Session' }).click();
  await expect(page.getByText(/A Cod and rice holds, or may hold, what Signe is allergic to: .*of its own/)).toBeVisible();
});

test('two protocols chosen while the first answer is on its way are both chosen', async ({ page }) => {
  await signUp(page);
  await page.getByRole('link', { name: 'Table', exact: true }).click();
  await page.route('**/protocols', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 500));
    await route.continue();
  });
  let answers = 0;
  page.on('response', (response) => {
    if (response.url().endsWith('/protocols')) answers++;
  });
  const [one, other] = [page.getByLabel('Vegan'), page.getByLabel('Gluten-free')];
  await one.click();
  await other.click();
  await expect.poll(() => answers).toBe(1);
  await expect(other).toBeChecked();
  await expect.poll(() => answers).toBe(2);
  await page.reload();
  await page.getByRole('button', { name: 'Choose other protocols' }).click();
  await expect(one).toBeChecked();
  await expect(other).toBeChecked();
});

test('a food is exchanged with the true difference', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Eggs\nServes 1\n2 eggs', 'Eggs');
  await page.getByRole('button', { name: '2 eggs' }).click();
  const dialog = page.getByRole('dialog', { name: 'Instead of 100 g Egg' });
  await dialog.getByLabel('of equal').selectOption('protein');
  await pick(page, 'Another food', 'black beans');
  await expect(dialog.getByText(/bring the same protein/)).toBeVisible();
  await expect(dialog.getByText(/kcal more/)).toBeVisible();
});

test('a rule is copied, changed with its effect in view, kept by the week, exported and imported', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Sweet\nServes 1\n40 g sugar', 'Sweet');
  await chooseLowCarb(page, '30');
  await page.getByRole('link', { name: 'Protocols' }).click();
  await page.getByRole('link', { name: 'Low-carb, net' }).click();
  await expect(page.getByText('Followed by Farah.')).toBeVisible();
  await page.getByRole('button', { name: 'Copy and change' }).click();
  await page.getByRole('dialog').getByLabel('Name of the copy').fill('Our low-carb');
  await page.getByRole('dialog').getByRole('button', { name: 'Copy it' }).click();

  await expect(page.getByText('Our low-carb is yours to change.')).toBeVisible();

  // A ceiling of the protocol's own that the dish keeps; the eater's number still wins, so another rule is added.
  const always = page.getByRole('region', { name: 'Always' });
  await always.getByLabel('Another rule: Always').selectOption({ label: 'Exclusion' });
  await always.getByLabel('called').fill('Sugar');
  await always.getByRole('button', { name: 'Take nightshades off no' }).click();
  await pick(page, 'no', 'added sugar');
  await expect(page.getByText('No recipe and no day of this week changes its verdict.')).toBeVisible();
  await always.getByLabel('Another rule: Always').selectOption({ label: 'Limit or band' });
  const fibre = always.getByRole('listitem').last();
  await fibre.getByLabel('at least, g').fill('60');
  await fibre.getByLabel('at most, g').fill('50');
  await expect(page.getByText(/the floor is above the ceiling of 50/i)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save as version 2' })).toBeDisabled();
  await fibre.getByRole('button', { name: /Take the rule/ }).click();
  await expect(page.getByRole('button', { name: 'Save as version 2' })).toBeEnabled();
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('Our low-carb is saved as version 2.')).toBeVisible();
  await expect(page.getByText('Sugar: no added sugar')).toBeVisible();
  await expect(page.getByText(/Version 2 of 2/)).toBeVisible();

  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Export' }).click()]);
  const text = await readFile(await download.path(), 'utf8');
  await page.getByRole('link', { name: 'All protocols' }).click();
  await page.getByRole('button', { name: 'Import a protocol' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('or pasted here').fill(text.replace('"Our low-carb"', '"Their low-carb"').replace('"added-sugar"', '"moon"'));
  await dialog.getByRole('button', { name: 'Import it' }).click();
  await expect(dialog.getByText('There is no such food class.')).toBeVisible();
  await expect(dialog.getByText('rules[0].excludes[0]')).toBeVisible();
  await dialog.getByLabel('or pasted here').fill(text.replace('"Our low-carb"', '"Their low-carb"'));
  await dialog.getByRole('button', { name: 'Import it' }).click();
  await expect(page.getByRole('heading', { name: 'Their low-carb' })).toBeVisible();
  await expect(page.getByText('The protocol is imported.')).toBeVisible();
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByText('Their low-carb is put away.')).toBeVisible();
});

test('a change of the points scheme shows its effect on the library before it is saved', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Beans\nServes 4\n400 g tin white beans, drained\n2 tbsp olive oil', 'Beans');
  await table(page);
  await follow(page.getByLabel('Points', { exact: true }));
  await page.getByLabel(/at most, points: Points/).fill('24');
  await page.getByRole('button', { name: 'Set it' }).click();
  await page.getByRole('link', { name: 'Protocols' }).click();
  await page.getByRole('link', { name: 'Points', exact: true }).click();
  await page.getByRole('button', { name: 'Copy and change' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Copy it' }).click();
  await page.getByLabel('units of energy for a point, kcal').fill('5');
  await expect(page.getByText('Points a portion change in 1 recipe')).toBeVisible();
  await expect(page.getByText('becomes')).toBeVisible();
  await page.getByLabel('rounding step, points').fill('0');
  await expect(page.getByText('scheme.step')).toBeVisible();
});

test('a food and a packet are free up to an amount, each by its own name', async ({ page }) => {
  await signUp(page);
  await page.goto('/larder/packet');
  await page.getByLabel('Name').fill('Harbour sauce');
  await page.getByLabel('Country of the label').selectOption('europeanUnion');
  await page.getByLabel('Values are for').fill('100 g');
  await page.getByLabel('Energy', { exact: true }).fill('40');
  await page.getByRole('button', { name: 'Keep this packet' }).click();
  await expect(page.getByRole('heading', { name: 'Harbour sauce', level: 1 })).toBeVisible();
  await table(page);
  await follow(page.getByLabel('Points', { exact: true }));
  await page.getByRole('link', { name: 'Protocols' }).click();
  await page.getByRole('link', { name: 'Points', exact: true }).click();
  await page.getByRole('button', { name: 'Copy and change' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Copy it' }).click();
  for (const [typed, name] of [
    ['harbour', 'Harbour sauce'],
    ['cucumber', 'Cucumber'],
  ] as const) {
    await page.getByRole('combobox', { name: 'Another free food' }).last().fill(typed);
    await page.getByRole('option', { name: new RegExp(`^${name}`) }).first().click();
    await expect(page.getByText(name, { exact: true }).last()).toBeVisible();
  }
  await expect(page.getByText(/packet-/)).toHaveCount(0);
  await page.getByLabel('free up to, ', { exact: false }).last().fill('60');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText(/saved as version 2/)).toBeVisible();
});

test('the kitchen is written down, and amounts are shown as it counts', async ({ page }) => {
  await signUp(page);
  await table(page);
  await page.getByRole('link', { name: 'Kitchen' }).click();
  await page.getByLabel('Amounts in').selectOption({ label: 'ounces and °F' });
  await page.getByRole('button', { name: 'Add an appliance or a vessel' }).click();
  await page.getByLabel('What', { exact: true }).selectOption('pressure-cooker');
  await page.getByLabel('Called', { exact: true }).fill('Pressure pot');
  await page.getByLabel('Holds, ml').fill('6000');
  await page.getByLabel('Filled up to, %').fill('67');
  await page.getByRole('button', { name: 'Add containers' }).click();
  await page.getByLabel('How many of this size, ×').fill('12');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Keep the kitchen' }).click();
  await expect(page.getByText('The kitchen is kept.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Filled up to, %')).toHaveValue('67');
  await addRecipe(page, 'Beans\nServes 4\n800 g white beans\n2 tbsp olive oil', 'Beans');
  await page.getByRole('link', { name: 'Week' }).click();
  await page.getByRole('button', { name: 'Make a batch' }).click();
  await page.getByRole('dialog').getByRole('radio', { name: /Beans/ }).check();
  await page.getByRole('dialog').getByLabel('Portions').fill('4');
  await page.getByRole('dialog').getByRole('button', { name: 'Make it' }).click();
  await page.getByRole('link', { name: 'Shop' }).click();
  await expect(page.getByText('1.76 lb').first()).toBeVisible();
});

test('Rune stands in the middle of a trial, notes it, and its outcome is kept', async ({ page }) => {
  await enter(page, 'Rune Halvard');
  await expect(page.getByText(/Rune Today: try lactose, 3rd day/)).toBeVisible();
  await table(page);
  await expect(page.getByRole('heading', { name: /Today: try lactose, 3rd day/ })).toBeVisible();
  await page.getByLabel('Diary of the trial, today').fill('A cup of milk, nothing to report');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText('A cup of milk, nothing to report')).toBeVisible();
  await page.getByLabel('Lactose').selectOption('tolerated');
  await expect(page.getByText('Lactose: noted.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Lactose')).toHaveValue('tolerated');
  await expectAxeClean(page);
});
