import type { Batch, Board, Item, Place, Serving } from './queries';

/** What lies in the hand, on its way to a meal: the next loose portion of a batch, or a thing that is picked up from a meal. */
export type Held = { batchId: string | null; itemId: string | null } | null;

/** What the inspector shows. */
export type Selected =
  | { kind: 'meal'; place: Place; itemId: string | null }
  | { kind: 'batch'; batchId: string }
  | { kind: 'day'; date: string }
  | null;

/** A thing of a meal with where it is and the batch it comes from. */
export type Found = { item: Item; place: Place; batch: Batch | null };

export function findItem(board: Board, itemId: string): Found | null {
  for (const serving of board.servings)
    for (const item of serving.items)
      if (item.id === itemId)
        return { item, place: serving.place, batch: board.batches.find((batch) => batch.id === item.batchId) ?? null };
  return null;
}

/** A place in one word, as the board's cells carry it. */
export const placeKey = (place: Place) => `${place.date}|${place.meal}|${place.eaterId}`;

export function placeOf(key: string): Place | null {
  const [date, meal, eaterId] = key.split('|');
  return date && meal && eaterId ? { date, meal, eaterId } : null;
}

/** Where on the page a press began. */
export function pointOf(event: Event) {
  const press = event instanceof MouseEvent ? event : 'touches' in event ? (event as TouchEvent).touches[0] : undefined;
  return press ? { x: press.clientX, y: press.clientY } : null;
}

/** Meals by cell. */
export function byCell(board: Board): (place: Place) => Serving | null {
  const cells = new Map(board.servings.map((serving) => [placeKey(serving.place), serving]));
  return (place) => cells.get(placeKey(place)) ?? null;
}

/** Whether a portion of the batch can be on the table on that date at all; what comes from no batch always can. */
export const isCookedBy = (batch: Batch | null, date: string) => batch === null || date >= batch.cookedOn;
