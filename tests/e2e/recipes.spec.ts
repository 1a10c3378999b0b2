import { expect, signUp, test } from './kitchen';

test('lines are read while they are typed, a wrong match is changed, an unreadable line is kept', async ({ page }) => {
  await signUp(page);
  await page.getByRole('link', { name: 'Recipes' }).click();
  await page.getByRole('link', { name: 'Paste the first recipe' }).click();
  await page.getByLabel('Name').fill('Plate');
  await page.getByLabel('Portions').fill('2');
  await page.getByLabel('Ingredient 1', { exact: true }).fill('400 g tin chickpeas, drained');
  await expect(page.getByText('1 tin = 240 g')).toBeVisible();
  await page.getByLabel('Ingredient 1', { exact: true }).press('Enter');
  await page.getByLabel('Ingredient 2', { exact: true }).fill('200 g moonfruit');
  await expect(page.getByText('No food matches these words')).toBeVisible();
  await expect(page.getByText('a part unknown').first()).toBeVisible();

  const food = page.getByLabel('Food of “200 g moonfruit”');
  await food.fill('water');
  await page.getByRole('option', { name: /Watermelon/ }).click();
  await expect(page.getByText('200 g = 200 g')).toBeVisible();
  await expect(page.getByText('a part unknown')).toHaveCount(0);
  await page.getByLabel('Keeps as').selectOption('cooked');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Plate', level: 1 })).toBeVisible();
  await expect(page.getByRole('cell', { name: '200 g moonfruit' })).toBeVisible();
});

test('a paste of two megabytes is refused in words and what was typed stays', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Kept');
  await page.getByLabel('Paste a recipe as it is written').evaluate((box, text) => {
    const data = new DataTransfer();
    data.setData('text/plain', text);
    box.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  }, 'x\n'.repeat(1_000_000));
  await expect(page.getByRole('alert')).toContainText(/too much at once|has at most/);
  await expect(page.getByLabel('Name')).toHaveValue('Kept');
});

test('a recipe left unsaved is there again until it is saved or started afresh', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Half a curry');
  await page.getByLabel('Portions').fill('3');
  await page.getByLabel('Ingredient 1', { exact: true }).fill('1 tbsp oyster sauce');
  await page.getByRole('link', { name: 'read yours' }).click();
  await expect(page.getByRole('heading', { name: 'Read a packet' })).toBeVisible();
  await page.getByLabel('Name').fill('Sauce of oysters');
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'New recipe' })).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue('Half a curry');
  await expect(page.getByLabel('Portions')).toHaveValue('3');
  await page.reload();
  await expect(page.getByLabel('Ingredient 1', { exact: true })).toHaveValue('1 tbsp oyster sauce');
  await page.getByRole('button', { name: 'Start afresh' }).click();
  await expect(page.getByLabel('Name')).toHaveValue('');
  await expect(page.getByText('You left this unsaved')).toHaveCount(0);
  // The packet that was begun meanwhile waits too.
  await page.goto('/larder/packet');
  await expect(page.getByLabel('Name')).toHaveValue('Sauce of oysters');
});

test('a hasty double click saves one recipe, and without a network saving says so', async ({ page, context }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Hasty');
  await page.getByLabel('Portions').fill('2');
  await page.getByLabel('Ingredient 1', { exact: true }).fill('2 eggs');
  await page.getByLabel('Keeps as').selectOption('cooked');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('The kitchen’s server cannot be reached.').first()).toBeVisible();
  // The check of what is typed says so too: the press itself has failed once it can be pressed again.
  await expect(page.getByRole('button', { name: 'Save' })).toBeEnabled();
  await context.setOffline(false);
  await expect(page.getByLabel('Name')).toHaveValue('Hasty');
  await page.getByRole('button', { name: 'Save' }).dblclick();
  await expect(page.getByRole('heading', { name: 'Hasty', level: 1 })).toBeVisible();
  await page.getByRole('link', { name: 'Recipes' }).click();
  await expect(page.getByRole('link', { name: 'Hasty' })).toHaveCount(1);
});

test('a recipe put away comes back with undo', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Gone');
  await page.getByLabel('Portions').fill('2');
  await page.getByLabel('Keeps as').selectOption('cooked');
  await page.getByLabel('Ingredient 1', { exact: true }).fill('2 eggs');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Put away' }).click();
  await expect(page.getByText('No recipes yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Gone' })).toBeVisible();
});

test('a choice is settled by one click, the nearest food by one key, and the kitchen remembers its word', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Noodle bowl');
  await page.getByLabel('Portions').fill('2');
  const first = page.getByLabel('Ingredient 1', { exact: true });
  await first.fill('2 tbsp tahini or peanut butter');
  await page.getByRole('button', { name: 'peanut butter', exact: true }).click();
  await expect(first).toHaveValue('2 tbsp peanut butter');
  await first.press('Enter');
  const second = page.getByLabel('Ingredient 2', { exact: true });
  await second.fill('150 g nonna’s salmn');
  await expect(page.getByRole('list', { name: 'Foods that come nearest' }).getByRole('button')).toHaveCount(5);
  await second.press('Alt+Digit1');
  await expect(page.getByLabel('Food of “150 g nonna’s salmn”')).toHaveValue(/Salmon/);
  await page.getByLabel('Keeps as').selectOption('cooked');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Noodle bowl', level: 1 })).toBeVisible();

  await page.goto('/recipes/new');
  await page.getByLabel('Ingredient 1', { exact: true }).fill('1 kg nonna’s salmn');
  await expect(page.getByText('Your kitchen’s word for it.')).toBeVisible();
  await page.goto('/larder/words');
  await page.getByRole('button', { name: /Forget nonna/ }).click();
  await expect(page.getByText('No words yet.')).toBeVisible();
});

test('a saved recipe asks what its lines leave open, and one press makes its next version', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Morning bowl');
  await page.getByLabel('Portions').fill('2');
  await page.getByLabel('Ingredient 1', { exact: true }).fill('100 g almonds, walnuts, or pecans');
  await page.getByLabel('Ingredient 1', { exact: true }).press('Enter');
  await page.getByLabel('Ingredient 2', { exact: true }).fill('1 tbsp oyster sauce');
  await page.getByLabel('Keeps as').selectOption('cooked');
  await page.getByRole('button', { name: 'Save' }).click();
  // The editor asks the same: only the saved sheet's question is meant.
  await expect(page.getByRole('heading', { name: 'Morning bowl', level: 1 })).toBeVisible();

  const choice = page.getByRole('group', { name: 'Which one goes in?' });
  await expect(choice.getByRole('button')).toHaveText(['almonds', 'walnuts', 'pecans']);
  await expect(page.getByRole('link', { name: 'read yours' })).toBeVisible();
  await choice.getByRole('button', { name: 'walnuts' }).click();
  await expect(page.getByRole('cell', { name: '100 g walnuts' })).toBeVisible();
  await expect(choice).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(choice).toBeVisible();
});

test('a page without a recipe and a foreign recipe are refused in words, and what was typed stays', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  await page.getByLabel('Name').fill('Kept');
  const paste = async (text: string) => {
    await page.getByLabel('Paste a recipe as it is written').fill(text);
    await page.getByRole('button', { name: 'Read it' }).click();
  };
  await paste('<!doctype html><html><head><title>My garden</title></head><body><p>Roses in May.</p></body></html>');
  await expect(page.getByText(/No recipe is marked in this page/)).toBeVisible();
  await paste(
    'Ensalada de patatas\n4 personas\n500 g de patatas\n2 dientes de ajo picados\n3 cucharadas de aceite de oliva\nsal y pimienta',
  );
  await expect(page.getByText(/looks like Spanish; Merienda reads English/i)).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue('Kept');
});

test('a list that is pasted into one field is as many lines, and two recipes in one text are told apart', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes/new');
  const box = page.getByLabel('Paste a recipe as it is written');
  await box.fill('Cod pot\nServes 2\n400 g cod\n\nRice bowl\nServes 4\n200 g basmati rice');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByText('“Rice bowl” is another recipe in it.')).toBeVisible();
  await expect(box).toHaveValue(/Rice bowl/);

  const field = (at: number) => page.getByLabel(`Ingredient ${at}`, { exact: true });
  const paste = (at: number, text: string) =>
    field(at).evaluate((input, text) => {
      const data = new DataTransfer();
      data.setData('text/plain', text);
      input.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, text);
  await paste(1, '400 g cod\n\n200 g basmati rice\r\n');
  await expect(field(1)).toHaveValue('400 g cod');
  await expect(field(2)).toHaveValue('200 g basmati rice');
  await expect(field(2)).toBeFocused();
  await paste(1, '1 onion\n2 carrots');
  await expect(field(1)).toHaveValue('400 g cod');
  await expect(field(3)).toHaveValue('2 carrots');
  await expect(field(4)).toHaveValue('200 g basmati rice');
});
