import { type UseQueryResult, useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Lozenge } from '../../pieces/Lozenge';
import { minutes, number, portions, verdictWord, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import type { Board, BoardEdits, Item, Place } from './queries';

type Thing = Schemas['BestThing'];

/** What would be best for a meal, or instead of something of it. */
export const useBest = (board: Board, place: Place, isAsked: boolean, instead?: string) =>
  useQuery({
    queryKey: ['week', board.start, 'best', place, instead],
    queryFn: () =>
      take(
        api.GET('/api/weeks/{date}/best', {
          params: {
            path: { date: board.start },
            query: { day: place.date, meal: place.meal, eater: place.eaterId, ...(instead ? { instead } : {}) },
          },
        }),
      ),
    staleTime: 0,
    enabled: isAsked,
  });

/** The five things that do the day most good: portions are placed by one press, instead of what stands there or on an open meal; a recipe opens its batch. */
export function BestThings({
  board,
  best,
  place,
  edits,
  instead = null,
  onPlaced,
}: {
  board: Board;
  best: UseQueryResult<Thing[]>;
  place: Place;
  edits: BoardEdits;
  instead?: Item | null;
  onPlaced: () => void;
}) {
  const [, setParams] = useSearchParams();
  const title = instead ? 'Better here' : 'Best for this meal';
  const choose = (thing: Thing) => {
    const batch = board.batches.find((one) => one.id === thing.batchId);
    if (instead || thing.isMore) {
      void edits.put(place, thing, instead);
      onPlaced();
    } else if (batch) {
      void edits.place(batch, place, { lotId: thing.lotId, portions: thing.portions });
      onPlaced();
    } else if (thing.ready) void edits.addReady(place, thing.ready, null, onPlaced);
    else setParams({ make: thing.recipeId, on: thing.cookedOn ?? place.date });
  };
  return (
    <Asked of={best}>
      {(things) =>
        things.length === 0 ? null : (
          <section className="mb-4">
            <h3 className="text-base">{title}</h3>
            <ol aria-label={title}>
              {things.map((thing) => (
                <li key={`${thing.batchId} ${thing.lotId} ${thing.recipeId} ${thing.name}`}>
                  <button
                    type="button"
                    className="grid w-full grid-cols-[auto_minmax(0,1fr)_auto] items-start gap-x-2 border-t border-line py-1.5 text-left hover:bg-tray"
                    onClick={() => choose(thing)}
                  >
                    <span className="mt-0.5">
                      <Lozenge verdict={thing.verdict} size={13} />
                      <span className="sr-only">{verdictWord[thing.verdict]}: </span>
                    </span>
                    <span className="text-sm leading-tight">
                      {thing.letter && <Tape letter={thing.letter} />} {thing.ready ?? thing.name}
                      <span className="figures block text-xs text-steel">{effect(thing)}</span>
                    </span>
                    <span className="figures text-xs whitespace-nowrap text-steel">
                      {!thing.ready && `${portions(thing.portions)}×`}
                      <span className="block">
                        {thing.cookedOn
                          ? `cook ${weekday(thing.cookedOn)}`
                          : thing.ready
                            ? 'bought'
                            : thing.isMore
                              ? 'cook more'
                              : 'is there'}
                      </span>
                      {thing.minutes > 0 && <span className="block">{minutes(thing.minutes)}</span>}
                    </span>
                  </button>
                </li>
              ))}
            </ol>
          </section>
        )
      }
    </Asked>
  );
}

/** "Energy 820 to 1,240 of 1,300–1,500 kcal · net carbs 12 to 21 of 25 g". */
export const effect = (thing: Thing) =>
  thing.rulers
    .map((ruler) => {
      const show = (value: number) => number(value, ruler.decimals);
      const bounds =
        ruler.atLeast !== null && ruler.atMost !== null
          ? `of ${show(ruler.atLeast)}–${show(ruler.atMost)}`
          : ruler.atMost !== null
            ? `of ${show(ruler.atMost)}`
            : `of at least ${show(ruler.atLeast ?? 0)}`;
      return `${ruler.name} ${show(ruler.before)} to ${show(ruler.after)} ${bounds} ${ruler.unit}`.trim();
    })
    .join(' · ');
