import type { Schemas } from '../../api/client';
import { putIntoOutbox, type Waiting } from '../../pieces/outbox';
import { dayMonth } from '../../pieces/show';

export type Page = Schemas['LogPage'];
export type Meal = Schemas['LogMeal'];
/** `waits`: it is on this device only, under this id. */
export type Item = Schemas['LogItem'] & { waits?: string };

/** When something of a meal was eaten: now, or at the meal's time on a day that is over. */
export function eatenAt(page: Page, meal: Meal, now: Date): string {
  const then = page.day < page.today ? new Date(`${page.day}T${meal.at}`) : now;
  return (then < now ? then : now).toISOString();
}

const placeOf = (page: Page, meal: Meal) => ({ date: page.day, meal: meal.key, eaterId: page.eaterId });

/** `share` of what was planned; null takes back what was said. */
export const sayEaten = (page: Page, meal: Meal, items: { item: string; share: number | null }[]) =>
  putIntoOutbox({
    kind: 'eaten',
    week: page.start,
    say: `What was eaten of ${meal.name.toLowerCase()} on ${dayMonth(page.day)}`,
    body: { place: placeOf(page, meal), at: eatenAt(page, meal, new Date()), items },
  });

type Besides = Pick<Schemas['ExtraRequest'], 'line' | 'food' | 'batchId' | 'lotId' | 'boxId' | 'portions'>;

export const sayBesides = (page: Page, meal: Meal, say: string, besides: Besides) =>
  putIntoOutbox({
    kind: 'extra',
    week: page.start,
    say,
    body: { place: placeOf(page, meal), at: eatenAt(page, meal, new Date()), ...besides },
  });

/** The day with what is said of it and on its way. */
export function withWhatWaits(page: Page, waiting: readonly Waiting[]): Page {
  const isHere = (place: Schemas['BoardPlace'], meal: Meal) =>
    place.date === page.day && place.eaterId === page.eaterId && place.meal === meal.key;
  const shares = new Map(
    waiting.flatMap((act) => (act.kind === 'eaten' ? act.body.items.map((one) => [one.item, one.share] as const) : [])),
  );
  return {
    ...page,
    meals: page.meals.map((meal) => ({
      ...meal,
      items: [
        ...meal.items.flatMap((item) => {
          const share = shares.has(item.id) ? (shares.get(item.id) ?? null) : item.share;
          // What nobody had planned and nobody ate is not there.
          return item.isExtra && !share ? [] : [{ ...item, share }];
        }),
        ...waiting.flatMap((act) =>
          act.kind === 'extra' && isHere(act.body.place, meal) && !act.undoId && !meal.items.some((item) => item.id === act.id)
            ? [besides(act.id, act.say)]
            : [],
        ),
      ],
    })),
  };
}

const besides = (id: string, says: string): Item => ({
  id,
  letter: '',
  tape: '',
  name: says,
  says: '',
  keptIn: null,
  atEating: '',
  isExtra: true,
  share: 1,
  numbers: [],
  waits: id,
});

/** The meal that is next: the first of today of which something is open. */
export const nextMeal = (page: Page): string | null =>
  page.day === page.today
    ? (page.meals.find((meal) => meal.state !== 'out' && meal.items.some((item) => item.share === null))?.key ?? null)
    : null;
