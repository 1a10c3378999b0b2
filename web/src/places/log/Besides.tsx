import { useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { Lozenge } from '../../pieces/Lozenge';
import { portions, verdictWord } from '../../pieces/show';
import { Tape } from '../../pieces/Tape';
import { FoodLine } from '../FoodLine';
import { effect } from '../week/BestThings';
import { type Meal, type Page, sayBesides } from './eating';

/** What was eaten that nobody had planned: typed, one of the usual small things, or what of the fridge fits the day best. */
export function Besides({ page, meal, onDone }: { page: Page; meal: Meal; onDone: () => void }) {
  const say = (line: string, food: string | null = null) => void sayBesides(page, meal, line.trim(), { line: line.trim(), food });
  return (
    <div className="border-t border-line px-3 py-2">
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
      <Button look="bare" className="min-h-11" onClick={onDone}>
        Close
      </Button>
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
  return (
    <Asked of={best}>
      {(things) =>
        things.length === 0 ? (
          <p className="mt-2 text-sm text-steel">Nothing loose in fridge or freezer fits here.</p>
        ) : (
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
