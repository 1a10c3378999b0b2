import { describe, expect, it } from 'vitest';
import { gramsOf, isSteady, lineScale } from './scale';

describe('a reading', () => {
  it.each([
    ['  1858 g', 1858],
    ['+0.371 kg', 371],
    ['S  - 12,5 g', -12.5],
    ['−40', -40],
    ['2 oz', 56.699],
    ['1 lb', 453.592],
    ['742', 742],
    ['overload', null],
    ['', null],
  ])('%j weighs %s', (line, grams) => {
    const read = gramsOf(line);
    if (grams === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(grams, 3);
  });
});

describe('a scale that jumps', () => {
  it('is still when four readings in a row are within two grams', () => {
    expect(isSteady([371, 371, 372])).toBe(false);
    expect(isSteady([900, 371, 371, 372, 373])).toBe(true);
    expect(isSteady([371, 380, 371, 371])).toBe(false);
  });
});

describe('a scale of lines', () => {
  it('tells what it reads and passes over what it does not', async () => {
    const told: number[] = [];
    async function* lines() {
      yield 'ready';
      yield '100 g';
      yield '0.25 kg';
    }
    lineScale(lines()).watch((grams) => told.push(grams));
    await expect.poll(() => told).toEqual([100, 250]);
  });
});
