import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Problem, type Schemas } from '../../api/client';
import { Asked } from '../../pieces/Asked';
import { addDays, dayMonth, longDate, weekday } from '../../pieces/show';
import { useWaiting } from '../../pieces/useOutbox';
import { logQuery } from '../kept';
import { Diary } from '../table/eaters/Diary';
import { useWeekDate } from '../useWeekDate';
import { chooseEater, chosenEater, forgetEater } from './chosenEater';
import { nextMeal, withWhatWaits } from './eating';
import { LookBack } from './LookBack';
import { MealLog } from './MealLog';
import { Rest } from './Rest';

/** The day as it goes: what was eaten, what was not, what was eaten besides, and what the rest of the day still allows. */
export function LogPage() {
  const date = useWeekDate();
  const [params, setParams] = useSearchParams();
  const [chosen, setChosen] = useState(chosenEater);
  const log = useQuery(logQuery(date, params.get('day'), params.get('eater') ?? chosen));
  const isOfAnotherKitchen = log.error instanceof Problem && log.error.code === 'eater-gone' && !params.has('eater');
  useEffect(() => {
    if (!isOfAnotherKitchen) return;
    forgetEater();
    setChosen(null);
  }, [isOfAnotherKitchen]);
  const waiting = useWaiting();
  const isBack = params.get('look') === 'week';
  const look = (change: { day?: string; eater?: string; look?: string }) =>
    setParams(
      (now) => {
        for (const [name, value] of Object.entries(change)) now.set(name, value);
        return now;
      },
      { replace: true },
    );
  return (
    <Asked of={log}>
      {(asked) => {
        const page = withWhatWaits(asked, waiting);
        const next = nextMeal(page);
        return (
          <div className="mx-auto max-w-6xl p-3 md:p-6">
            <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
              <h1 className="text-xl">Log</h1>
              <Days page={page} isBack={isBack} onChoose={(day) => look({ day, look: '' })} onLookBack={() => look({ look: 'week' })} />
              <Eaters
                page={page}
                onChoose={(eater) => {
                  chooseEater(eater);
                  look({ eater });
                }}
              />
            </div>
            {isBack ? (
              <LookBack date={page.start} eater={page.eaterId} />
            ) : (
              <div className="gap-6 md:grid md:grid-cols-[minmax(0,1fr)_20rem]">
                <div className="min-w-0">
                  <h2 className="mb-2 text-lg">{page.day === page.today ? `Today, ${longDate(page.day)}` : longDate(page.day)}</h2>
                  <Tightest page={page} />
                  {page.phases.map((phase) => (
                    <p key={phase.protocol} className="mb-2">
                      {phase.says}
                    </p>
                  ))}
                  {page.meals.map((meal) => (
                    <MealLog key={`${page.day} ${page.eaterId} ${meal.key}`} page={page} meal={meal} isNext={meal.key === next} />
                  ))}
                  {page.phases.map((phase) => (
                    <Diary
                      key={phase.protocol}
                      eater={page.eaterId}
                      protocol={phase.protocol}
                      day={page.day}
                      isToday={page.day === page.today}
                    />
                  ))}
                </div>
                <Rest page={page} />
              </div>
            )}
          </div>
        );
      }}
    </Asked>
  );
}

/** On a phone the limits stand below the meals: the one that counts first is said above them too. */
function Tightest({ page }: { page: Schemas['LogPage'] }) {
  const [first] = page.rulers;
  return first?.says ? (
    <p className="figures mb-2 md:hidden">
      {first.stands.title}: <b>{first.says}</b>
    </p>
  ) : null;
}

const chip = 'flex min-h-11 items-center justify-center rounded-sm border px-2 text-sm leading-tight sm:min-h-9';
const chosen = 'border-cobalt bg-cobalt text-on-cobalt font-semibold';
const open = 'border-line hover:border-rim';

function Days({
  page,
  isBack,
  onChoose,
  onLookBack,
}: {
  page: Schemas['LogPage'];
  isBack: boolean;
  onChoose: (day: string) => void;
  onLookBack: () => void;
}) {
  const isShown = (day: string) => !isBack && day === page.day;
  return (
    <fieldset className="flex gap-1 max-sm:w-full">
      <legend className="sr-only">Day</legend>
      {Array.from({ length: 7 }, (_, at) => addDays(page.start, at)).map((day) => (
        <button
          key={day}
          type="button"
          aria-pressed={isShown(day)}
          aria-label={`${longDate(day)}${day === page.today ? ', today' : ''}`}
          className={`${chip} flex-1 flex-col ${isShown(day) ? chosen : open} ${day === page.today ? 'underline underline-offset-4' : ''}`}
          onClick={() => onChoose(day)}
        >
          {weekday(day)}
          <span className="figures text-xs font-normal">{dayMonth(day).split(' ')[0]}</span>
        </button>
      ))}
      <button type="button" aria-pressed={isBack} className={`${chip} flex-1 ${isBack ? chosen : open}`} onClick={onLookBack}>
        Week
      </button>
    </fieldset>
  );
}

function Eaters({ page, onChoose }: { page: Schemas['LogPage']; onChoose: (eater: string) => void }) {
  if (page.eaters.length < 2) return null;
  return (
    <fieldset className="flex flex-wrap gap-1">
      <legend className="sr-only">Whose day</legend>
      {page.eaters.map((eater) => (
        <button
          key={eater.id}
          type="button"
          aria-pressed={eater.id === page.eaterId}
          className={`${chip} ${eater.id === page.eaterId ? chosen : open}`}
          onClick={() => onChoose(eater.id)}
        >
          {eater.name}
        </button>
      ))}
    </fieldset>
  );
}
