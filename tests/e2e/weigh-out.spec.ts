import { addRecipe, beginWeekToday, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

test('weighed out on the simulated scale: the pot, then box by box, over a reload, until the boxes are filled', async ({ page }) => {
  await signUp(page, 'Ilse Marrow');
  await beginWeekToday(page);
  await addRecipe(page, 'Lentil soup\nServes 5\n1.5 kg carrots\n\nSimmer for 25 minutes.', 'Lentil soup');
  await makeBatch(page, 'Lentil soup', '5');
  await page.getByRole('link', { name: 'Session', exact: true }).click();
  await page.getByRole('link', { name: 'Portion', exact: true }).tap();

  const pot = page.getByRole('form', { name: 'Weigh A, All of it' });
  await page.getByRole('main').getByRole('combobox', { name: 'Scale' }).selectOption('the simulated one');
  await page.getByLabel('lies on it').fill('2958');
  await pot.getByRole('button', { name: 'Take 2,958 g' }).tap();
  await pot.getByLabel('Weight of the empty vessel').fill('1100');
  await pot.getByRole('button', { name: 'Weigh and share' }).tap();
  await expect(pot).toContainText('1,858 g, 3 g over');
  // A vessel that weighs less than nothing is no vessel.
  await pot.getByLabel('Weight of the empty vessel').fill('-20');
  await pot.getByRole('button', { name: 'Weigh again' }).tap();
  await pot.getByLabel('Weight of the empty vessel').fill('1100');
  await expect(page.getByRole('region', { name: 'A Lentil soup' }).getByRole('listitem').first()).toContainText('371 g');

  await page.getByRole('button', { name: 'Weigh out' }).tap();
  const sheet = page.getByRole('dialog', { name: 'Fill A Lentil soup' });
  await expect(sheet).toContainText('Box 1 of 5');
  await expect(sheet).toContainText('1,858 g in the pot');
  const lies = sheet.getByLabel('lies on it');
  await lies.fill('310');
  // It swings first.
  await expect(sheet).toContainText('61 g to go');
  await sheet.getByRole('button', { name: 'Zero' }).tap();
  await expect(sheet.getByLabel('On the scale now')).toHaveText('0 g');
  await lies.fill('600');
  await expect(sheet).toContainText('81 g to go');
  await lies.fill('700');
  await expect(sheet).toContainText('19 g too much');
  await lies.fill('682');
  await expect(sheet).toContainText('That is right');
  await expectAxeClean(page);
  await sheet.getByRole('button', { name: 'Filled, next' }).tap();
  // What is on the scale already counts for nothing: the next one is weighed from there.
  await expect(sheet).toContainText('Box 2 of 5');
  await expect(sheet).toContainText('1,487 g in the pot');
  await lies.fill('1053');
  await expect(sheet).toContainText('That is right');
  await sheet.getByRole('button', { name: 'Filled, next' }).tap();
  await expect(sheet).toContainText('Box 3 of 5');

  await page.reload();
  await page.getByRole('button', { name: 'Weigh out' }).tap();
  await expect(sheet).toContainText('Box 3 of 5');
  // Without a scale on a cable the target is read.
  await expect(sheet.getByLabel('On the scale now')).toHaveText('371 g');
  for (let box = 3; box <= 5; box++) await sheet.getByRole('button', { name: 'Filled, next' }).tap();
  await expect(sheet).toContainText('All 5 boxes are filled, 3 g are over.');
  await sheet.getByRole('button', { name: 'Close' }).tap();
  await expect(page.getByText('in boxes since')).toBeVisible();
});
