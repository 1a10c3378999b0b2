// Reads a JSON list of ingredient lines from standard input and writes what the package parse-ingredient makes of each: { low, high, unit }.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const web = createRequire(`${process.argv[2]}/package.json`);
const { parseIngredient } = web('parse-ingredient');

const read = JSON.parse(readFileSync(0, 'utf8')).map((line) => {
  const [first] = parseIngredient(line);
  return { low: first?.quantity ?? null, high: first?.quantity2 ?? first?.quantity ?? null, unit: first?.unitOfMeasureID ?? '' };
});
process.stdout.write(JSON.stringify(read));
