import type { Item, Serving } from './queries';

/** Which sides of a meal's tape go on into the day before and the day after. */
export type Joins = { before: boolean; after: boolean };

/** Less than a portion is a narrower strip. */
export const isNarrowStrip = (item: Item) => (item.portions ?? 1) < 1;

/** What two neighbours have to have in common to be one strip of tape; null where no tape stands alone. */
function stripOf(serving: Serving | null): string | null {
  const item = serving?.items.length === 1 ? serving.items[0] : undefined;
  return item?.kind === 'draw' ? [item.batchId, item.lotId, item.parts, isNarrowStrip(item), item.keptIn, item.isEaten].join(' ') : null;
}

/** The meals of a row, day by day: one batch on neighbouring days is one strip. */
export function joinsOf(row: (Serving | null)[]): Joins[] {
  const strips = row.map(stripOf);
  const isOne = (at: number) => strips[at] !== undefined && strips[at] !== null && strips[at] === strips[at + 1];
  return strips.map((_, at) => ({ before: isOne(at - 1), after: isOne(at) }));
}
