import { readFileSync } from 'node:fs';
import { addRecipe, expect, expectAxeClean, signUp, test } from './kitchen';

test('files are read and looked over, what is missing is filled in, and one undo takes all of them back', async ({ page }) => {
  await signUp(page);
  await page.goto('/recipes');
  await page.getByRole('link', { name: 'bring in a folder of them' }).click();
  const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await page
    .getByLabel('Files or a zip')
    .setInputFiles([
      file('soup.txt', 'Leek soup\nServes 4\n500 g leeks\n1 l vegetable stock\nMethod\nSimmer for 20 minutes.'),
      file('rice.md', '# Rice\n\n## Ingredients\n\n- 200 g basmati rice\n\n## Method\n\n1. Boil for 12 minutes.'),
      file('photo.jpg', 'x'),
    file('list.pdf', 'x'),
      file('list.json', '{"@graph":[{"@type":"Recipe","name":"Egg cups","recipeYield":6,"recipeIngredient":["6 eggs"]},{"@type":"Recipe","name":"Nothing"}]}'),
    ]);
  await expect(page.getByRole('button', { name: 'Bring 1 recipe in' })).toBeVisible();
  await expect(page.getByText('It is no recipe file')).toBeVisible();
  await expect(page.getByText('It is a picture')).toBeVisible();
  await expectAxeClean(page);
  await page.getByLabel('Portions of Rice').fill('2');
  await expect(page.getByRole('checkbox', { name: 'Bring in Rice' })).toBeChecked();
  await page.getByLabel('How Egg cups keeps').selectOption({ label: 'Hard-cooked eggs, unpeeled' });
  await page.getByRole('button', { name: 'Bring 3 recipes in' }).press('Enter');
  await expect(page.getByText('3 recipes came in.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Leek soup' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('No recipes yet.')).toBeVisible();
});

test('a recipe is saved as a file that another kitchen brings in, and as Markdown', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Cod and rice\nServes 4\n400 g cod\n200 g basmati rice', 'Cod and rice');
  const save = async (word: string) => {
    await page.getByRole('button', { name: 'More', exact: true }).press('Enter');
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: word }).click()]);
    return readFileSync(await download.path(), 'utf8');
  };
  expect(await save('Save as Markdown')).toContain('- 400 g cod');
  const json = await save('Save as a recipe file');
  await page.goto('/recipes/import');
  await page.getByLabel('Files or a zip').setInputFiles([{ name: 'cod.json', mimeType: 'application/json', buffer: Buffer.from(json) }]);
  // It is there already, and stays out until the cook says otherwise.
  await expect(page.getByText('A recipe of this name is in the library')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Bring in Cod and rice' }).press('Space');
  await page.getByRole('button', { name: 'Bring 1 recipe in' }).click();
  await expect(page.getByRole('link', { name: 'Cod and rice' })).toHaveCount(2);
});
