import type { Batch, Board, Container, Place } from './queries';

/** What lies in the hand, on its way to a meal: the next loose portion of a batch, or one that is picked up. */
export type Held = { batchId: string; containerId: string | null } | null;

/** What the inspector shows. */
export type Selected =
  | { kind: 'portion'; batchId: string; containerId: string }
  | { kind: 'batch'; batchId: string }
  | { kind: 'day'; date: string }
  | { kind: 'cell'; place: Place }
  | null;

export type Found = { batch: Batch; container: Container };

export function findContainer(board: Board, batchId: string, containerId: string): Found | null {
  const batch = board.batches.find((one) => one.id === batchId);
  const container = batch?.containers.find((one) => one.id === containerId);
  return batch && container ? { batch, container } : null;
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

/** Placed portions by cell. */
export function byCell(board: Board): (place: Place) => Found[] {
  const cells = new Map<string, Found[]>();
  for (const batch of board.batches) {
    for (const container of batch.containers) {
      if (container.place) cells.set(placeKey(container.place), [...(cells.get(placeKey(container.place)) ?? []), { batch, container }]);
    }
  }
  return (place) => cells.get(placeKey(place)) ?? [];
}

/** Whether a portion of the batch can be on the table on that date at all. */
export const isCookedBy = (batch: Batch, date: string) => date >= batch.cookedOn;
