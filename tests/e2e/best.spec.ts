import { addRecipe, beginWeekToday, chooseLowCarb, expect, expectAxeClean, makeBatch, signUp, test } from './kitchen';

test('the best things for an open meal are ranked by what they do to the day: placed by one press, or cooked', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '25');
  const days = await beginWeekToday(page);
  await addRecipe(page, 'Cod pan\nServes 4\n600 g cod\n200 g spinach\nMethod\nBake for 20 minutes.', 'Cod pan');
  await addRecipe(page, 'Rice pan\nServes 4\n400 g white rice\nMethod\nBoil for 15 minutes.', 'Rice pan');
  await addRecipe(page, 'Beef pan\nServes 4\n600 g beef shin\nMethod\nSimmer for 90 minutes.', 'Beef pan');
  await makeBatch(page, 'Cod pan', '4', new RegExp(`^${days[0]}`));
  await makeBatch(page, 'Rice pan', '4', new RegExp(`^${days[0]}`));

  const cell = page.getByRole('gridcell', { name: /supper, Farah/ });
  await cell.nth(1).click();
  const best = page.getByRole('list', { name: 'Best for this meal' });
  await expect(best.getByRole('button')).toHaveText([/A.*Cod pan.*is there/s, /Beef pan.*cook/s, /B.*Rice pan/s]);
  await expect(best.getByRole('button').first()).toContainText('Fits');
  await expect(best.getByRole('button').last()).toContainText(/Breaks.*Net carbs 0 to \d+\.?\d* of 25 g/s);
  await expectAxeClean(page);
  await best.getByRole('button').first().press('Enter');
  await expect(cell.nth(1)).toContainText('Cod pan');

  // A recipe opens its batch, on the day that serves the meal.
  await cell.nth(2).click();
  await best.getByRole('button', { name: /Beef pan/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Make a batch' });
  await expect(dialog.getByRole('radio', { name: /Beef pan/ })).toBeChecked();
  await expect(dialog.getByLabel('Portions', { exact: true })).toHaveValue('4');
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByRole('button', { name: 'Details of C' })).toBeVisible();
});
