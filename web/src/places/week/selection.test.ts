import { describe, expect, it } from 'vitest';
import { type Board, moved, samePlace } from './queries';
import { byCell, findContainer, isCookedBy, placeKey, placeOf, pointOf } from './selection';

const place = { date: '2026-11-23', meal: 'lunch', eaterId: 'o' };
const other = { ...place, meal: 'supper' };
const board = {
  batches: [
    {
      id: 'b',
      letter: 'B',
      cookedOn: '2026-11-21',
      containers: [
        { id: '1', place },
        { id: '2', place: null },
      ],
    },
  ],
} as unknown as Board;

describe('the board', () => {
  it('finds what stands on a cell', () => {
    expect(byCell(board)(place).map((found) => found.container.id)).toEqual(['1']);
    expect(byCell(board)(other)).toEqual([]);
    expect(findContainer(board, 'b', '9')).toBeNull();
  });
  it('shows a move before it is confirmed and leaves the rest alone', () => {
    const after = moved(board, 'b', '1', other);
    expect(byCell(after)(other)).toHaveLength(1);
    expect(byCell(board)(place)).toHaveLength(1);
    expect(byCell(moved(after, 'b', '1', null))(other)).toHaveLength(0);
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
