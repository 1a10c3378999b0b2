import type { Page } from '@playwright/test';
import { addRecipe, enter, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

async function type(page: Page, country: string, serving: string, values: Record<string, string>) {
  await page.getByLabel('Country of the label').selectOption(country);
  await page.getByLabel('Values are for').fill(serving);
  for (const [label, value] of Object.entries(values)) await page.getByLabel(label, { exact: true }).fill(value);
}

async function larder(page: Page, part?: string) {
  await page.getByRole('link', { name: 'Larder', exact: true }).first().click();
  if (part) await page.getByRole('navigation', { name: 'Parts of the Larder' }).getByRole('link', { name: part }).click();
}

async function keepPacket(page: Page, name: string, statement: string, country = 'europeanUnion', serving = '100 g', values: Record<string, string> = {}) {
  await larder(page);
  await page.getByRole('link', { name: 'Read a packet' }).first().click();
  await page.getByLabel('Name').fill(name);
  await type(page, country, serving, values);
  await page.getByLabel('Ingredients, as printed').fill(statement);
  await page.getByRole('button', { name: 'Keep this packet' }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

const says = (page: Page) => page.getByRole('complementary', { name: 'What it says' });

test('a food is found by word, by class and by verdict, and has a calm sheet', async ({ page }) => {
  await enter(page, 'Rune Halvard');
  await larder(page);
  await expect(page.getByText(/^[\d,]+ found, the first 60 shown/)).toBeVisible();
  await page.getByLabel('Search foods and packets').fill('zucchini');
  const courgette = page.getByRole('listitem').filter({ hasText: 'Courgette' }).first();
  await expect(courgette).toContainText('Fits');
  await page.getByLabel('Search foods and packets').fill('');
  await page.getByLabel('Class of food').selectOption('hazelnut');
  await expect(page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'Hazelnuts', exact: true }) }).first()).toContainText('Allergy: Hazelnuts (tree nuts)');
  await page.getByLabel('Class of food').selectOption('');
  await page.getByLabel('Eater').selectOption('for Signe');
  await page.getByLabel('Verdict').selectOption('breaks');
  await expect(page.getByText('Allergy: Almonds (tree nuts).')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Courgette' })).toBeHidden();
  await expectAxeClean(page);
  await page.getByLabel('Eater').selectOption('for anybody');
  await page.getByLabel('Search foods and packets').fill('no such thing at all');
  await expect(page.getByText('Nothing is called so')).toBeVisible();

  await page.keyboard.press('Control+k');
  await page.getByLabel('Go to').fill('chicken breast');
  await page.getByRole('option', { name: /^Chicken breast food/ }).first().click();
  await expect(page.getByRole('heading', { name: 'Chicken breast', level: 1 })).toBeVisible();
  await expect(page.getByText(/1 day in the fridge as raw poultry/)).toBeVisible();
  await expect(page.getByText('73 g roasted')).toBeVisible();
  await expectAxeClean(page);
});

test('a packet typed as printed says what it hides, what its words leave out and what cannot be on it', async ({ page }) => {
  await enter(page, 'Rune Halvard');
  await larder(page);
  await page.getByRole('link', { name: 'Read a packet' }).click();
  await type(page, 'unitedStates', '2 pieces or 50 g', { Carbohydrate: '10', Fibre: '7', 'Added sugars': '0' });
  await expect(says(page)).toContainText('Values for 50 g; 1 piece is 25 g.');
  await expect(says(page)).toContainText('Net carbs 6 g in 100 g');
  await page.getByLabel('A batch takes').fill('14');
  await expect(page.getByRole('row', { name: /Added sugars/ })).toContainText('0 to 7');
  await page.getByLabel('Ingredients, as printed').fill('Sugar, HAZELNUTS 13 %, whey powder, spices');
  await page.getByLabel('May contain').fill('sesame');
  await expect(says(page)).toContainText('Allergy: This packet (tree nuts).');
  await expect(says(page).locator('mark', { hasText: 'HAZELNUTS' })).toHaveClass(/text-beet/);
  await expect(says(page).locator('mark', { hasText: 'spices' })).toHaveClass(/border-dotted/);
  await expect(says(page)).toContainText('May contain sesame');
  await expectAxeClean(page);

  await type(page, 'unitedStates', '100 g', { Carbohydrate: '3', Fibre: '7' });
  await expect(says(page)).toContainText('There is more fibre than the total carbohydrate of 3 g that holds it.');
  await type(page, 'unitedStates', '0 g', { Fibre: '1' });
  await expect(says(page)).toContainText('A serving weighs above 0 and at most 2,000 g.');
  await type(page, 'unitedStates', '100 g', { Fibre: 'seven' });
  await expect(says(page)).toContainText('This is not a value as packets print it.');
  await type(page, 'unitedStates', '100 g', { Fibre: '1', Protein: '10', Fat: '10', Energy: '300' });
  await expect(says(page)).toContainText('Energy and macros do not go together.');
  await page.getByRole('button', { name: 'Keep this packet' }).click();
  await expect(page.getByRole('alert')).toContainText('A packet’s name has 1 to 120 characters.'.replace('’', "'"));
  await expect(page.getByLabel('Carbohydrate', { exact: true })).toHaveValue('3');
});

test('a US and an EU packet of the same thing stand side by side with the same net carbs', async ({ page }) => {
  await signUp(page);
  await keepPacket(page, 'Seed bread', 'Sunflower seeds, salt', 'unitedStates', '2 slices (50 g)', { Carbohydrate: '10', Fibre: '6', Energy: '150' });
  await keepPacket(page, 'Seed bread, export', 'Sunflower seeds, salt', 'europeanUnion', '100 g', { Carbohydrate: '8.0', Fibre: '12.0', Energy: '1255 kJ' });
  await larder(page);
  await page.getByLabel('Kind').selectOption('packets');
  await page.getByRole('listitem').filter({ hasText: 'Seed bread, export' }).getByLabel('side by side').check();
  await page.getByRole('listitem').filter({ hasText: /^Seed breadpacket/ }).getByLabel('side by side').check();
  await page.getByRole('link', { name: 'side by side', exact: true }).click();
  const net = page.getByRole('row', { name: /^Net carbs/ });
  await expect(net.getByRole('cell').nth(1)).toHaveText('8 g');
  await expect(net.getByRole('cell').nth(3)).toHaveText('8 g');
  await expect(page.getByRole('columnheader', { name: '50 g', exact: true })).toBeVisible();
  await expectAxeClean(page);
});

test('a rejected packet is met again in a recipe and in Shop; a newer one waits to be taken', async ({ page }) => {
  await signUp(page, 'Idris Quillon');
  await keepPacket(page, 'Quay crackers', 'Oats, salt', 'europeanUnion', '100 g; 1 cracker = 10 g', { Carbohydrate: '60', Fibre: '10', Energy: '300' });
  await page.getByRole('button', { name: /^Reject for/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Reject' }).click();
  await expect(dialog.getByText('A decision has a reason of 1 to 200 characters.')).toBeVisible();
  await dialog.getByLabel('Reason').fill('far too salty');
  await dialog.getByRole('button', { name: 'Reject' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText(/rejected on .* far too salty/)).toBeVisible();
  await expectAxeClean(page);

  await addRecipe(page, 'Cracker plate\nServes 2\n6 Quay crackers\n100 g cottage cheese', 'Cracker plate');
  const verdicts = page.getByRole('complementary', { name: 'Verdicts' });
  await expect(verdicts).toContainText('Packets: Quay crackers, rejected on');
  await expect(verdicts).toContainText('far too salty');
  await makeBatch(page, 'Cracker plate', '2');
  await page.getByRole('link', { name: 'Shop' }).click();
  await expect(page.getByText(/rejected it on .* far too salty/)).toBeVisible();

  await larder(page);
  await page.getByLabel('Kind').selectOption('packets');
  await page.getByRole('link', { name: 'Quay crackers' }).click();
  await page.getByRole('link', { name: 'Change', exact: true }).click();
  await page.getByLabel('Carbohydrate', { exact: true }).fill('30');
  await page.getByRole('button', { name: 'Keep as a new version' }).click();
  await expect(page.getByText('packet, version 2')).toBeVisible();
  await page.getByRole('link', { name: 'Cracker plate' }).click();
  await expect(page.getByText('was printed anew since.')).toBeVisible();
  await page.getByRole('button', { name: 'Take the new one' }).click();
  await expect(page.getByText('Cracker plate has the newest packets.')).toBeVisible();
  await expect(page.getByText('was printed anew since.')).toBeHidden();
});

test('things come into stock, are opened, frozen, used up, and taken back', async ({ page }) => {
  await signUp(page, 'Nerea Etxarte');
  await larder(page, 'Stock');
  await expect(page.getByText('Nothing stands in the larder yet.')).toBeVisible();
  const takeIn = async (line: string, place: string) => {
    await page.getByLabel('What came in').fill(line);
    await page.getByLabel('Where').selectOption(place);
    await page.getByRole('button', { name: 'Put in stock' }).click();
    await expect(page.getByLabel('What came in')).toHaveValue('');
  };
  await takeIn('500 g red lentils', 'pantry');
  await takeIn('300 g chicken breast', 'fridge');
  await page.getByLabel('What came in').fill('-2 eggs');
  await page.getByRole('button', { name: 'Put in stock' }).click();
  await expect(page.getByText('Nothing, and less than nothing, stands on no shelf.').first()).toBeVisible();
  await page.getByLabel('What came in').fill('');

  const must = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Must go this week' }) });
  await expect(must).toContainText('Chicken breast in the fridge');
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Chicken breast: frozen today' }).click();
  await expect(page.getByRole('heading', { name: 'Freezer' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Must go this week' })).toBeHidden();
  await page.getByRole('button', { name: 'Red lentils, dry: say what is left' }).click();
  await page.getByLabel('Red lentils, dry, grams left').fill('120');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Red lentils, dry: say what is left' })).toHaveText('120 g');
  await page.getByRole('button', { name: 'Red lentils, dry: used up' }).click();
  await expect(page.getByText('Red lentils, dry is used up.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Pantry' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Pantry' })).toBeVisible();

  // What is there already stands beside what is needed.
  await addRecipe(page, 'Lentil pot\nServes 2\n200 g red lentils\n1 l vegetable stock', 'Lentil pot');
  await makeBatch(page, 'Lentil pot', '2');
  await page.getByRole('link', { name: 'Shop' }).click();
  await expect(page.getByText('there already: 120 g in the pantry')).toBeVisible();
});

test('a file is read in a dry run that names what is wrong, and comes in whole', async ({ page }) => {
  await signUp(page, 'Corin Marrow');
  await larder(page, 'In and out');
  const choose = (text: string | Buffer) => page.getByLabel('CSV file').setInputFiles({ name: 'packets.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await choose('name,country,serving,fat,fibre,carbohydrate\nCrackers,EU,100 g,1.6,16,64\nBar,US,0 g,13,9,17\nPaste,US,40 g,3,9,3\n');
  await expect(page.getByText('3 rows: 1 new, 0 changed, 0 as they are, 2 wrong.')).toBeVisible();
  await expect(page.getByRole('row', { name: /3 serving 0 g/ })).toContainText('a serving weighs above 0');
  await expect(page.getByRole('row', { name: /4 fibre 9 g/ })).toContainText('Check both values');
  await expect(page.getByRole('button', { name: 'Bring it in' })).toBeHidden();
  await expectAxeClean(page);
  await choose(Buffer.from('name,country,serving\nCr\xe8me,EU,100 g\n', 'latin1'));
  await expect(page.getByRole('alert')).toContainText('The file is not UTF-8 text');
  await expect(page.getByRole('alert')).toContainText('row 2');
  await choose('name,country,serving,fat,carbohydrate,ingredients\nCrackers,EU,100 g,"1,6",64,"Rye flour, salt"\nBar,US,1 bar (40 g),13,17,Hazelnuts\n');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText('All of it came in.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await larder(page);
  await page.getByLabel('Kind').selectOption('packets');
  await expect(page.getByText('0 found; numbers and verdicts for 100 g.')).toBeVisible();
  await larder(page, 'In and out');
  await choose('name,country,serving,fat,carbohydrate,ingredients\nCrackers,EU,100 g,"1,6",64,"Rye flour, salt"\nBar,US,1 bar (40 g),13,17,Hazelnuts\n');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText('All of it came in.')).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the file' }).click();
  expect((await saved).suggestedFilename()).toBe('merienda-packets.csv');
  await larder(page);
  await page.getByLabel('Kind').selectOption('packets');
  await expect(page.getByText('2 found; numbers and verdicts for 100 g.')).toBeVisible();
});

test('prices are typed, come in by a file and go out again', async ({ page }) => {
  await signUp(page, 'Corin Marrow');
  await larder(page, 'Prices');
  await page.getByLabel('Food or packet').fill('red lentils');
  await page.getByLabel('Pack', { exact: true }).fill('some');
  await page.getByLabel('Price', { exact: true }).fill('1,90');
  await page.getByLabel('Shop').fill('Quay');
  await page.getByLabel('Shop').press('Enter');
  await expect(page.getByText('Nobody can tell what that weighs of Red lentils, dry.').first()).toBeVisible();
  await page.getByLabel('Pack', { exact: true }).fill('500 g');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByRole('row', { name: /Red lentils, dry 1.90 500 g 3.80 Quay/ })).toBeVisible();
  await expect(page.getByLabel('Shop')).toHaveValue('Quay');
  await expectAxeClean(page);
  await page
    .getByLabel('CSV file')
    .setInputFiles({ name: 'prices.csv', mimeType: 'text/csv', buffer: Buffer.from('food;pack;price\ncarrots;1 kg;1,10\neggs;12;3,30\n') });
  await expect(page.getByText('2 rows: 2 new, 0 changed, 0 as they are, 0 wrong.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('row', { name: /Egg 3.30 12/ })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the file' }).click();
  expect((await saved).suggestedFilename()).toBe('merienda-prices.csv');
  await page.getByRole('button', { name: 'Forget the price of Egg' }).click();
  await expect(page.getByRole('row', { name: /Egg 3.30 12/ })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('row', { name: /Egg 3.30 12/ })).toBeVisible();
});

test('the Larder works on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await enter(page, 'Teun Brandt');
  for (const part of ['Foods', 'Stock', 'Prices', 'Side by side', 'In and out']) {
    await larder(page, part);
    await expect(page.getByRole('heading', { name: 'Larder', level: 1 })).toBeVisible();
    await expectAxeClean(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});
