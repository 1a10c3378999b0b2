import { describe, expect, it } from 'vitest';
import { type Board, drawn, moved, said, samePlace, sized } from './queries';
import { byCell, findItem, isCookedBy, placeKey, placeOf, pointOf } from './selection';

const place = { date: '2026-11-23', meal: 'lunch', eaterId: 'o' };
const other = { ...place, meal: 'supper' };
const draw = { id: '1', kind: 'draw', batchId: 'b', name: 'Beans', portions: 1, size: { amount: 1, isInGrams: false } };
const board = {
  eaters: [{ id: 'o', usualPortion: 1.25 }],
  batches: [{ id: 'b', letter: 'B', name: 'Beans', cookedOn: '2026-11-21', loose: 1.5, placed: 1, lots: [{ id: 'lot', loose: 1.5 }] }],
  servings: [{ place, state: 'planned', isLocked: false, note: '', items: [draw] }],
} as unknown as Board;
const at = (shown: Board, where: typeof place) => byCell(shown)(where)?.items ?? [];

describe('the board', () => {
  it('finds what stands on a cell', () => {
    expect(at(board, place).map((item) => item.id)).toEqual(['1']);
    expect(at(board, other)).toEqual([]);
    expect(findItem(board, '1')?.batch?.letter).toBe('B');
    expect(findItem(board, '9')).toBeNull();
  });
  it('shows a move before it is confirmed and leaves the rest alone', () => {
    const after = moved(board, '1', other);
    expect([at(after, other).length, at(after, place).length, at(board, place).length]).toEqual([1, 0, 1]);
    expect(at(moved(after, '1', null), other)).toHaveLength(0);
  });
  it('draws the next portion beside what is there, and counts it off', () => {
    const batch = board.batches[0];
    if (!batch) throw new Error('no batch');
    const once = drawn(board, batch, 'n', place);
    expect([at(once, place).length, once.batches[0]?.loose, once.batches[0]?.placed]).toEqual([2, 0.25, 2.25]);
    const rest = once.batches[0];
    expect(rest && at(drawn(once, rest, 'm', other), other)[0]?.portions).toBe(0.25);
  });
  it('shows another size at once, so that the next press counts from it', () => {
    expect(at(sized(board, '1', { amount: 1.25, isInGrams: false }), place)[0]?.size?.amount).toBe(1.25);
    expect(at(sized(board, '1', { amount: 300, isInGrams: true }), place)[0]?.portions).toBe(1);
  });
  it('shows what is said of a meal, whether something stands there or not', () => {
    const saying = { state: 'out', isLocked: true, note: 'x' } as const;
    expect(byCell(said(board, place, saying))(place)).toMatchObject({ ...saying, items: [{ id: '1' }] });
    expect(byCell(said(board, other, saying))(other)).toMatchObject({ ...saying, items: [] });
  });
  it('tells places apart and knows that nothing is eaten before it is cooked', () => {
    expect(samePlace(place, { ...place })).toBe(true);
    expect(samePlace(place, other)).toBe(false);
    const batch = board.batches[0];
    expect(batch && [isCookedBy(batch, '2026-11-20'), isCookedBy(batch, '2026-11-21')]).toEqual([false, true]);
  });
  it('names a place in one word and finds it again', () => {
    expect(placeOf(placeKey(place))).toEqual(place);
    for (const odd of ['', '2026-11-23', '2026-11-23|lunch', '||']) expect(placeOf(odd)).toBeNull();
  });
  it('knows where a press began, by mouse and by touch', () => {
    expect(pointOf(new MouseEvent('mousedown', { clientX: 3, clientY: 4 }))).toEqual({ x: 3, y: 4 });
    expect(pointOf(Object.assign(new Event('touchstart'), { touches: [{ clientX: 5, clientY: 6 }] }))).toEqual({ x: 5, y: 6 });
    expect(pointOf(Object.assign(new Event('touchstart'), { touches: [] }))).toBeNull();
    expect(pointOf(new Event('keydown'))).toBeNull();
  });
});
