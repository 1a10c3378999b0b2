import { describe, expect, it } from 'vitest';
import type { Item, Serving } from './queries';
import { isNarrowStrip, joinsOf } from './strips';

const draw = (batchId: string, change: Partial<Item> = {}) =>
  ({ id: 'x', kind: 'draw', batchId, parts: null, portions: 1, keptIn: 'fridge', isEaten: false, ...change }) as Item;
const food = { id: 'y', kind: 'ready', batchId: null } as Item;
const meal = (...items: Item[]) => ({ items }) as unknown as Serving;
const sides = (...row: (Serving | null)[]) => joinsOf(row).map(({ before, after }) => `${before ? '<' : ''}${after ? '>' : ''}`);

describe('the tape of a row', () => {
  it('is one strip over neighbouring days of a batch', () => {
    expect(sides(meal(draw('a')), meal(draw('a')), meal(draw('a')), meal(draw('b')))).toEqual(['>', '<>', '<', '']);
  });
  it('ends where the day between holds something else, or nothing', () => {
    expect(sides(meal(draw('a')), null, meal(draw('a')))).toEqual(['', '', '']);
    expect(sides(null, null)).toEqual(['', '']);
    expect(sides(meal(draw('a')), meal(), meal(draw('a')))).toEqual(['', '', '']);
  });
  it('stands by itself beside other things of a meal', () => {
    expect(sides(meal(draw('a'), food), meal(draw('a')))).toEqual(['', '']);
    expect(sides(meal(food), meal(food))).toEqual(['', '']);
  });
  it('changes where the portion is of another kind', () => {
    for (const other of [{ portions: 0.5 }, { keptIn: 'freezer' as const }, { isEaten: true }, { parts: ['Sauce'] }])
      expect(sides(meal(draw('a')), meal(draw('a', other)))).toEqual(['', '']);
    expect(sides(meal(draw('a')), meal(draw('a', { portions: 1.25 })))).toEqual(['>', '<']);
  });
  it('is narrower for less than a portion', () => {
    expect([0.5, 0.75, 1, 1.5].map((portions) => isNarrowStrip(draw('a', { portions })))).toEqual([true, true, false, false]);
    expect(isNarrowStrip(draw('a', { portions: null }))).toBe(false);
  });
});
