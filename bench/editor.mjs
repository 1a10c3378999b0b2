// From a letter in an ingredient line to new verdicts on the screen. usage: node bench/editor.mjs [address], with the demo running
import { chromium } from '../web/node_modules/playwright/index.mjs';

const address = process.argv[2] ?? 'http://localhost:5080';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(address);
await page.getByRole('button', { name: 'Odalys Brandt' }).click();
await page.getByRole('grid').first().waitFor();
await page.goto(`${address}/recipes`);
await page.getByRole('link', { name: /koftas/ }).first().click();
await page.getByRole('link', { name: 'Change' }).click();
await page.getByLabel('Ingredient 1', { exact: true }).waitFor();
await page.waitForTimeout(1500);

const times = [];
for (let edit = 0; edit < 120; edit++) {
  const took = await page.evaluate(async (grams) => {
    const input = document.querySelector('input[aria-label="Ingredient 1"]');
    const verdicts = document.querySelector('aside[aria-label="Verdicts"]');
    const before = verdicts.textContent;
    const start = performance.now();
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(input, `${grams} g turkey mince, 7% fat`);
    input.dispatchEvent(new Event('input', { bubbles: true }));
    await new Promise((drawn) => {
      const seen = new MutationObserver(() => {
        if (verdicts.textContent === before) return;
        seen.disconnect();
        requestAnimationFrame(drawn);
      });
      seen.observe(verdicts, { subtree: true, childList: true, characterData: true });
    });
    return performance.now() - start;
  }, 600 + edit * 10);
  if (edit >= 20) times.push(took);
  await page.waitForTimeout(150);
}
times.sort((one, other) => one - other);
console.log(`${times.length} edits: ${times[50].toFixed(0)} ms in the middle, ${times[95].toFixed(0)} ms at the 95th percentile, ${times.at(-1).toFixed(0)} ms at most`);
await browser.close();
