import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Lozenge } from '../../pieces/Lozenge';
import { mealName, portions, verdictWord, weekday } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { FoodLine } from '../FoodLine';
import { shelfQuery } from '../kept';
import { effect } from '../week/BestThings';
import { type Meal, type Page, sayBesides } from './eating';

/** What was eaten that nobody had planned: typed, one of the usual small things, or what of the fridge fits the day best. */
export function Besides({ page, meal }: { page: Page; meal: Meal }) {
  const say = (line: string, food: string | null = null) => void sayBesides(page, meal, line.trim(), { line: line.trim(), food });
  return (
    <div className="border-b border-line px-3 py-2">
      <FoodLine
        label={`Eaten at ${meal.name}, besides`}
        word="Eaten"
        onAdd={(line, food, done) => {
          say(line, food);
          done();
        }}
      />
      {page.extras.length > 0 && (
        <ul aria-label="As on other days" className="mt-2 flex flex-wrap gap-1">
          {page.extras.map((line) => (
            <li key={line}>
              <Button className="min-h-11 sm:min-h-9" onClick={() => say(line)}>
                {line}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <There page={page} meal={meal} />
      <OfOtherMeals page={page} meal={meal} />
    </div>
  );
}

/** What is there and fits what is left of the day, the best in front. */
function There({ page, meal }: { page: Page; meal: Meal }) {
  const best = useQuery({
    queryKey: ['week', page.start, 'there', page.day, meal.key, page.eaterId],
    queryFn: () =>
      take(
        api.GET('/api/weeks/{date}/best', {
          params: {
            path: { date: page.start },
            query: { day: page.day, meal: meal.key, eater: page.eaterId, isEaten: true },
          },
        }),
      ),
    staleTime: 0,
  });
  const choose = (thing: Schemas['BestThing']) =>
    thing.ready
      ? void sayBesides(page, meal, thing.ready, { line: thing.ready })
      : void sayBesides(page, meal, `${thing.letter} ${thing.name}`, {
          batchId: thing.batchId,
          lotId: thing.lotId,
          portions: thing.portions,
        });
  if (best.isError)
    return <p className="mt-2 text-sm text-steel">What is there and fits the day is asked of the kitchen: it needs the network.</p>;
  return (
    <Asked of={best}>
      {(things) =>
        things.length === 0 ? null : (
          <section className="mt-3">
            <h4 className="text-sm font-semibold">There, and what it makes of the day</h4>
            <ol>
              {things.map((thing) => (
                <li key={`${thing.batchId} ${thing.lotId} ${thing.name}`}>
                  <button
                    type="button"
                    className="grid min-h-11 w-full grid-cols-[auto_minmax(0,1fr)_auto] items-start gap-x-2 border-t border-line py-1.5 text-left text-sm hover:bg-tray"
                    onClick={() => choose(thing)}
                  >
                    <span className="mt-0.5">
                      <Lozenge verdict={thing.verdict} size={13} />
                      <span className="sr-only">{verdictWord[thing.verdict]}: </span>
                    </span>
                    <span className="leading-tight">
                      {thing.letter && <Tape letter={thing.letter} />} {thing.ready ?? thing.name}
                      <span className="figures block text-xs text-steel">{effect(thing)}</span>
                    </span>
                    <span className="figures text-xs whitespace-nowrap text-steel">{!thing.ready && `${portions(thing.portions)}×`}</span>
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

/** Boxes that wait for another meal: who takes one leaves that meal open. */
function OfOtherMeals({ page, meal }: { page: Page; meal: Meal }) {
  const shelf = useQuery(shelfQuery(page.start));
  const boxes = (shelf.data?.boxes ?? [])
    .filter(
      ({ place, keptIn, madeOn }) =>
        place &&
        keptIn !== 'pastItsTime' &&
        madeOn <= page.day &&
        place.date >= page.day &&
        !(place.date === page.day && place.meal === meal.key && place.eaterId === page.eaterId),
    )
    .sort((one, other) => (one.place?.date ?? '').localeCompare(other.place?.date ?? ''));
  if (boxes.length === 0) return null;
  return (
    <Disclosure as="section" className="mt-2">
      <DisclosureButton className="min-h-11 text-sm font-semibold text-cobalt hover:underline">A box of another meal</DisclosureButton>
      <DisclosurePanel as="ul">
        {boxes.map((box) => (
          <li key={box.id}>
            <button
              type="button"
              className="flex min-h-11 w-full items-center gap-2 border-t border-line py-1 text-left text-sm hover:bg-tray"
              onClick={() => void sayBesides(page, meal, `${box.tape} ${box.dish}`, { batchId: box.batchId, boxId: box.id })}
            >
              <Tape letter={box.tape} />
              <span className="min-w-0 flex-1 leading-tight">
                {box.dish}
                <span className="block text-xs text-steel">
                  {box.eater}’s {box.place && `${weekday(box.place.date)} ${mealName(box.place.meal)}`}
                  {box.keptIn === 'freezer' && ', frozen'}
                </span>
              </span>
              {box.size !== 1 && <span className="figures text-xs text-steel">{portions(box.size)}×</span>}
            </button>
          </li>
        ))}
      </DisclosurePanel>
    </Disclosure>
  );
}
