import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import type { Waiting } from '../../pieces/outbox';
import { inCompartments, momentOf, sayings, withWhatWaits } from './boxes';

const box = (part: Partial<Schemas['ShelfBox']>): Schemas['ShelfBox'] =>
  ({
    id: 'a',
    tape: 'B·21',
    dish: 'Soup',
    number: 1,
    isThere: true,
    isEarlier: false,
    size: 1,
    place: null,
    eater: null,
    madeOn: '2026-11-21',
    eatBy: '2026-11-25',
    keptIn: 'fridge',
    freezes: true,
    ...part,
  }) as Schemas['ShelfBox'];

const meal = (date: string, name = 'supper') => ({ date, meal: name, eaterId: 'e' });
const words = (part: Partial<Schemas['ShelfBox']>, today = '2026-11-23') => sayings(box(part), today).map((one) => one.word);

describe('what can be said of a box', () => {
  it('follows where it stands', () => {
    expect(words({})).toEqual(['Eaten', 'Half eaten', 'Freeze', 'Given away']);
    expect(words({ keptIn: 'freezer' })).toContain('To the fridge');
    expect(words({ keptIn: 'freezer', isThere: false })).toContain('Freeze');
  });

  it('leaves freezing out where it would not be safe or is not done', () => {
    expect(words({ freezes: false })).not.toContain('Freeze');
    expect(words({}, '2026-11-25')).toContain('Freeze');
    expect(words({}, '2026-11-26')).not.toContain('Freeze');
  });

  it('is nothing while its session is still to come', () => {
    expect(words({ isThere: false, madeOn: '2026-11-24' })).toEqual([]);
    expect(words({ isThere: false, madeOn: '2026-11-23' })).not.toEqual([]);
  });

  it('happened at its meal when the meal has been, else now', () => {
    const now = new Date('2026-11-24T18:00');
    expect(momentOf(box({ place: meal('2026-11-23') }), 'eaten', now)).toBe(new Date('2026-11-23T12:00').toISOString());
    expect(momentOf(box({ place: meal('2026-11-25') }), 'eaten', now)).toBe(now.toISOString());
    expect(momentOf(box({ place: meal('2026-11-23') }), 'discarded', now)).toBe(now.toISOString());
  });
});

describe('the shelf', () => {
  it('puts boxes where they stand, earlier weeks first, then as they are eaten; what has been stands by itself', () => {
    const boxes = [
      box({ id: 'late', place: meal('2026-11-26') }),
      box({ id: 'morrow', place: meal('2026-11-24') }),
      box({ id: 'thaws', place: meal('2026-11-24'), keptIn: 'freezer', thaw: '2026-11-23' }),
      box({ id: 'planned', place: meal('2026-11-24'), keptIn: 'freezer', thaw: '2026-11-23', isThere: false }),
      box({ id: 'lunch', place: meal('2026-11-23', 'lunch') }),
      box({ id: 'supper', place: meal('2026-11-23') }),
      box({ id: 'old', isEarlier: true }),
      box({ id: 'been', place: meal('2026-11-22'), keptIn: 'pastItsTime' }),
      box({ id: 'ice', keptIn: 'freezer' }),
    ];
    const shown = inCompartments(withWhatWaits(boxes, []), ['lunch', 'supper'], '2026-11-23');
    expect(shown.map((one) => [one.key, ...one.boxes.map((inIt) => inIt.id)])).toEqual([
      ['passed', 'been'],
      ['thaw', 'thaws'],
      ['next', 'lunch', 'supper', 'morrow', 'planned'],
      ['fridge', 'old', 'late'],
      ['freezer', 'ice'],
    ]);
  });

  it('shows what is on its way, the last thing said', () => {
    const act = (id: string, say: string): Waiting => ({
      kind: 'box',
      at: 0,
      id,
      batch: 'b',
      box: 'a',
      say,
      body: { kind: 'eaten', at: '', portions: null, reason: '' },
    });
    const shown = withWhatWaits([box({}), box({ id: 'c' })], [act('1', 'frozen'), act('2', 'eaten')]);
    expect(shown.map((one) => one.waits)).toEqual([{ id: '2', say: 'eaten' }, null]);
  });
});
