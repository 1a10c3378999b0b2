import { addRecipe, expect, expectAxeClean, signUp, test } from './kitchen';

/** Drawn by the browser itself, so that no file has to stand beside the test. */
const drawn = (page: import('@playwright/test').Page, side: number, type: string) =>
  page.evaluate(
    async ([side, type]) => {
      const canvas = document.createElement('canvas');
      canvas.width = side;
      canvas.height = side;
      const pixels = new ImageData(side, side);
      // Noise keeps its size in every format.
      for (let at = 0; at < pixels.data.length; at += 65536) crypto.getRandomValues(pixels.data.subarray(at, at + 65536));
      for (let at = 3; at < pixels.data.length; at += 4) pixels.data[at] = 255;
      canvas.getContext('2d')?.putImageData(pixels, 0, 0);
      const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, type));
      const reader = new FileReader();
      return new Promise<string>((done) => {
        reader.onload = () => done(String(reader.result).split(',')[1] ?? '');
        reader.readAsDataURL(blob as Blob);
      });
    },
    [side, type] as const,
  );

test('a recipe gets a picture, another one and none, each with its undo; one that is none is refused in words', async ({ page }) => {
  await signUp(page);
  await addRecipe(page, 'Cod and rice\nServes 4\n400 g cod\n200 g basmati rice', 'Cod and rice');
  const file = async (name: string, side: number, mimeType: string) => ({
    name,
    mimeType,
    buffer: Buffer.from(await drawn(page, side, mimeType), 'base64'),
  });
  const more = page.getByRole('button', { name: 'More', exact: true });
  const choose = async (item: string, picture: Awaited<ReturnType<typeof file>>) => {
    await more.press('Enter');
    const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByRole('menuitem', { name: item }).click()]);
    await chooser.setFiles(picture);
  };
  const width = (of: string) => page.getByRole('img', { name: of }).evaluate((image: HTMLImageElement) => image.naturalWidth);

  await choose('Add a picture', {
    name: 'x.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('400 g cod'),
  });
  await expect(page.getByText(/no picture that can be read here/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'Cod and rice' })).toHaveCount(0);

  await choose('Add a picture', await file('plate.png', 800, 'image/png'));
  await expect(page.getByText('Cod and rice has a picture.')).toBeVisible();
  await expect.poll(() => width('Cod and rice')).toBe(400);
  await expectAxeClean(page);
  await page.getByRole('button', { name: 'Show the picture large' }).press('Enter');
  await expect.poll(() => width('Cod and rice')).toBe(800);

  // What is too large for the server is made smaller on the way.
  const large = await file('large.png', 1400, 'image/png');
  expect(large.buffer.length).toBeGreaterThan(5_000_000);
  await choose('Take another picture', large);
  await expect.poll(() => width('Cod and rice')).toBe(1400);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => width('Cod and rice')).toBe(800);

  await more.press('Enter');
  await page.getByRole('menuitem', { name: 'Take the picture away' }).press('Enter');
  await expect(page.getByRole('img', { name: 'Cod and rice' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('img', { name: 'Cod and rice' })).toBeVisible();
  await page.goto('/recipes');
  await expect(page.getByRole('row', { name: /Cod and rice/ }).locator('img')).toBeVisible();
});
