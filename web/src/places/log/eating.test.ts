import { describe, expect, it } from 'vitest';
import type { Waiting } from '../../pieces/outbox';
import { eatenAt, type Item, type Meal, nextMeal, type Page, withWhatWaits } from './eating';

const item = (id: string, share: number | null = null, isExtra = false) => ({ id, share, isExtra }) as Item;
const meal = (key: string, ...items: Item[]) => ({ key, at: '19:00:00', state: 'planned', items }) as unknown as Meal;
const page = (...meals: Meal[]) =>
  ({ start: '2026-11-22', day: '2026-11-23', today: '2026-11-23', eaterId: 'e', meals }) as unknown as Page;

const place = { date: '2026-11-23', meal: 'supper', eaterId: 'e' };
const said = (id: string, share: number | null): Waiting => ({
  kind: 'eaten',
  say: id,
  week: '2026-11-22',
  id: `${id} ${share}`,
  at: 0,
  body: { place, at: '', items: [{ item: id, share }] },
});
const besides = (id: string, at = place): Waiting => ({
  kind: 'extra',
  week: '2026-11-22',
  id,
  at: 0,
  say: '1 banana',
  body: { place: at, at: '', line: '1 banana' },
});
const shares = (shown: Page) => shown.meals.flatMap((one) => one.items.map(({ id, share }) => [id, share]));

describe('a day with what is on its way', () => {
  it('shows the last thing said of an item, and that it was taken back', () => {
    const day = page(meal('supper', item('a'), item('b', 1)));
    expect(shares(withWhatWaits(day, [said('a', 1), said('a', 0.5), said('b', null)]))).toEqual([
      ['a', 0.5],
      ['b', null],
    ]);
  });

  it('shows what was eaten besides at its meal only, until the server shows it under the same id', () => {
    const day = page(meal('lunch'), meal('supper', item('a')));
    expect(shares(withWhatWaits(day, [besides('x'), besides('y', { ...place, eaterId: 'other' })]))).toEqual([
      ['a', null],
      ['x', 1],
    ]);
    expect(shares(withWhatWaits(page(meal('supper', item('x', 1, true))), [besides('x')]))).toEqual([['x', 1]]);
  });

  it('shows nothing that was not so after all', () => {
    const day = page(meal('supper', item('x', 1, true)));
    expect(shares(withWhatWaits(day, [said('x', null)]))).toEqual([]);
    expect(shares(withWhatWaits(page(meal('supper')), [{ ...besides('x'), undoId: 'u' }]))).toEqual([]);
  });
});

describe('the next meal', () => {
  it('is the first of today of which something is open', () => {
    const meals = [meal('breakfast', item('a', 1)), meal('lunch'), meal('supper', item('b', 0), item('c'))];
    expect(nextMeal(page(...meals))).toBe('supper');
    expect(nextMeal({ ...page(...meals), day: '2026-11-22' })).toBeNull();
    expect(nextMeal(page(meal('supper', item('a', 1))))).toBeNull();
  });
});

describe('when it was eaten', () => {
  const now = new Date('2026-11-23T20:00:00');
  it('is now on the day itself, and its meal’s time on a day that is over', () => {
    expect(eatenAt(page(), meal('supper'), now)).toBe(now.toISOString());
    expect(eatenAt({ ...page(), day: '2026-11-22' }, meal('supper'), now)).toBe(new Date('2026-11-22T19:00:00').toISOString());
    expect(eatenAt({ ...page(), day: '2026-11-24' }, meal('supper'), now)).toBe(now.toISOString());
  });
});
