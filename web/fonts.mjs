// Cuts the two fonts to what the pages write: the first look is a fifth smaller for it. Run after a change of a font's version:
//   npm run fonts
// What is not in them (other alphabets) comes from the whole fonts when a page needs it. Both are under the SIL Open Font License 1.1.
import { readFile, writeFile } from 'node:fs/promises';
import subset from 'subset-font';

const range = (from, to) => String.fromCodePoint(...Array.from({ length: to - from + 1 }, (_, at) => from + at));
const written = `${range(0x20, 0x7e)}${range(0xa0, 0xff)}–—‘’“”…•−€`;

const fonts = [
  // Headings and letters on tape have one weight.
  ['bricolage-grotesque', 660],
  ['hanken-grotesk', { min: 400, max: 700 }],
];

for (const [name, wght] of fonts) {
  const whole = await readFile(`node_modules/@fontsource-variable/${name}/files/${name}-latin-wght-normal.woff2`);
  const cut = await subset(whole, written, { targetFormat: 'woff2', variationAxes: { wght } });
  await writeFile(`src/fonts/${name}.woff2`, cut);
  console.log(`${name}: ${whole.length} → ${cut.length} bytes`);
}
