import { addRecipe, beginWeekToday, chooseLowCarb, expect, makeBatch, signUp, test } from './kitchen';

test('any measure is shown under the days, whether or not something limits it', async ({ page }) => {
  await signUp(page);
  const details = page.getByRole('complementary', { name: 'Details' });
  await page.getByRole('columnheader', { name: /^Sat/ }).click();
  await details.getByText('Under the days: the tightest limit').click();
  await details.getByRole('checkbox', { name: 'Energy' }).check();
  await details.getByRole('checkbox', { name: 'Protein' }).check();
  await details.getByRole('checkbox', { name: 'Points' }).check();
  await expect(details.getByText('Under the days: energy, protein, points')).toBeVisible();
  await expect(details.getByRole('checkbox', { name: 'Fibre' })).toBeDisabled();
  const grid = page.getByRole('grid', { name: 'The week’s meals' });
  await expect(grid.getByText('Energy')).toHaveCount(7);

  // What is chosen on a late day is read from the left, and neither the bench nor the line on top hides behind it.
  await expect(page.getByRole('button', { name: 'Make a batch' })).toBeInViewport();
  await details.getByRole('button', { name: 'Move details to the other side' }).click();
  await page.keyboard.press('Escape');
  await expect(details).toHaveCount(0);
});

test('a bought thing is added where the week is filled, fills meals, and stands on the list', async ({ page }) => {
  await signUp(page);
  await beginWeekToday(page);
  await page.getByRole('button', { name: 'Fill the week …' }).click();
  const panel = page.getByRole('dialog', { name: 'Fill the week' });
  await panel.getByLabel('Another bought thing with its amount').fill('pear');
  await panel.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText('It does not say how much.')).toBeVisible();
  await panel.getByLabel('Another bought thing with its amount').fill('1 pear');
  await page.keyboard.press('Enter');
  await expect(panel.getByRole('checkbox', { name: /^1 pear/ })).toBeChecked();
  await panel.getByRole('button', { name: 'Find a week' }).click();
  await page.getByRole('button', { name: 'Take all 7 meals' }).click();
  await expect(page.getByText('The week is filled.')).toBeVisible();
  await expect(page.getByRole('gridcell', { name: /afternoon bite, Farah: 1 pear/ })).toHaveCount(7);
  await page.getByRole('link', { name: 'Shop', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: /Pear/ })).toBeVisible();
});

test('one trouble is mended by itself, from the line on top', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '25');
  const [today] = await beginWeekToday(page);
  for (const [name, line] of [
    ['Rice pan', '400 g white rice'],
    ['Cod pan', '600 g cod'],
  ])
    await addRecipe(page, `${name}\nServes 4\nCourse: supper\n${line}\nMethod\nBake for 20 minutes.`, name ?? '');
  await makeBatch(page, 'Rice pan', '4', new RegExp(`^${today}`));
  const supper = page.getByRole('gridcell', { name: new RegExp(`^${today} supper, Farah`) });
  await supper.focus();
  await page.keyboard.press('a');
  await expect(page.getByRole('button', { name: new RegExp(`^Farah, ${today}: Net carbs: .* over 25 g a day`) })).toBeVisible();
  await page.getByRole('button', { name: 'Mend this' }).click();
  const proposal = page.getByRole('region', { name: 'Proposal' });
  await expect(proposal.getByText(/1 meal changed/)).toBeVisible({ timeout: 60_000 });
  await expect(supper).toHaveAccessibleName(/Cod pan/);
  await proposal.getByRole('button', { name: 'Make this change' }).click();
  await expect(proposal).toHaveCount(0);
  await expect(page.getByText(/over 25 g a day/)).toHaveCount(0);
});

test('what breaks the day is exchanged by one press, and a box is frozen because somebody wants it so', async ({ page }) => {
  await signUp(page);
  await chooseLowCarb(page, '25');
  const days = await beginWeekToday(page);
  for (const [name, line] of [
    ['Rice pan', '400 g white rice'],
    ['Cod pan', '600 g cod'],
  ]) {
    await addRecipe(page, `${name}\nServes 4\nCourse: supper\n${line}\nMethod\nBake for 20 minutes.`, name ?? '');
    await makeBatch(page, name ?? '', '4', new RegExp(`^${days[0]}`));
  }
  const supper = page.getByRole('gridcell', { name: new RegExp(`^${days[2]} supper, Farah`) });
  const details = page.getByRole('complementary', { name: 'Details' });
  await supper.click();
  await page.getByRole('list', { name: 'Best for this meal' }).getByRole('button', { name: /Rice pan/ }).click();
  await expect(supper).toHaveAccessibleName(/Rice pan/);
  await supper.click();
  await details.getByRole('list', { name: 'Better here' }).getByRole('button', { name: /Cod pan/ }).click();
  await expect(supper).toHaveAccessibleName(/Cod pan/);
  await expect(details.getByRole('list', { name: 'Better here' })).toHaveCount(0);

  await page.keyboard.press('Escape');
  await supper.click();
  await details.getByRole('button', { name: 'Freeze this box' }).click();
  await expect(details.getByText(/^Freeze it on the day it is cooked; move it to the fridge on/)).toBeVisible();
  await expect(supper).toHaveAccessibleName(/Cod pan, frozen/);
  await details.getByRole('button', { name: 'Keep it in the fridge' }).click();
  await expect(supper).not.toHaveAccessibleName(/frozen/);

  await page.getByRole('button', { name: 'Details of B' }).click();
  await expect(details.getByText('Into the freezer: 0 of 4 boxes')).toBeVisible();
  await details.getByRole('button', { name: 'The later half' }).click();
  await expect(details.getByText('Into the freezer: 2 of 4 boxes')).toBeVisible();
});

test('a bite more and a bite less are proposed on the board, each one edit', async ({ page }) => {
  await signUp(page);
  const days = await beginWeekToday(page);
  await addRecipe(page, 'Nut cup\nServes 4\nCourse: snack\n120 g walnuts\nMethod\nMix for 5 minutes.', 'Nut cup');
  await page.getByRole('link', { name: 'Week', exact: true }).click();
  const details = page.getByRole('complementary', { name: 'Details' });
  const proposal = page.getByRole('region', { name: 'Proposal' });
  const bite = page.getByRole('gridcell', { name: new RegExp(`^${days[3]} afternoon bite, Farah`) });
  const step = async (name: string) => {
    await page.getByRole('columnheader', { name: new RegExp(`^${days[3]}`) }).click();
    await details.getByRole('button', { name }).click();
  };
  await step('A bite less');
  await expect(page.getByText(/no day that is to come has a bite/i)).toBeVisible();
  await page.keyboard.press('Escape');
  await step('A bite more');
  await expect(proposal.getByText(/^About 1\d\d kcal more a day|^About 2\d\d kcal more a day/)).toBeVisible({ timeout: 60_000 });
  await proposal.getByRole('button', { name: 'Take the meal' }).click();
  await expect(bite).toHaveAccessibleName(/Nut cup/);
  await step('A bite less');
  await expect(proposal.getByText(/kcal less a day/)).toBeVisible({ timeout: 60_000 });
  await proposal.getByRole('button', { name: 'Make this change' }).click();
  await expect(bite).toHaveAccessibleName(/skipped/);
});

test('energy goes over from one meal of the day to another', async ({ page }) => {
  await signUp(page);
  const day = (await beginWeekToday(page))[3];
  for (const [name, lines] of [
    ['Cod pan', '1.4 kg cod'],
    ['Beef pan', '1.2 kg beef shin'],
  ])
    await addRecipe(page, `${name}\nServes 4\nCourse: supper\n${lines}\nMethod\nBake for 20 minutes.`, name ?? '');
  await makeBatch(page, 'Cod pan', '4');
  await makeBatch(page, 'Beef pan', '4');
  const at = (meal: string) => page.getByRole('gridcell', { name: new RegExp(`^${day} ${meal}, Farah`) });
  await at('lunch').focus();
  await page.keyboard.press('a');
  await at('supper').focus();
  await page.keyboard.press('b');
  await expect(at('supper')).toHaveAccessibleName(/Beef pan/);
  await page.getByRole('columnheader', { name: new RegExp(`^${day}`) }).click();
  await page.getByLabel('To which meal').selectOption({ label: 'lunch' });
  await page.getByRole('button', { name: 'Shift' }).click();
  await expect(page.getByText(/^About \d+ kcal went from supper to lunch\.$/)).toBeVisible();
  await expect(at('lunch')).toHaveAccessibleName(/Cod pan, 1[¼½¾]? portions/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(at('lunch')).toHaveAccessibleName(/Cod pan(?!, )/);
});
