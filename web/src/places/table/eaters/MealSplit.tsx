import { type FormEvent, Fragment, useState } from 'react';
import { api, kept, type Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { mealName, weekOrder } from '../../../pieces/show';
import type { TableEdit } from '../queries';
import { next, sourceWord, weekdays } from './pattern';

/** How the day is split over the meals, and where each comes from on each weekday. */
export function MealSplit({ eater, edit }: { eater: Schemas['TableEater']; edit: TableEdit }) {
  const [shares, setShares] = useState(() => eater.meals.map((meal) => String(Math.round(meal.dayShare * 100))));
  const [patterns, setPatterns] = useState(() => eater.meals.map((meal) => meal.pattern));
  const days = weekOrder();
  const sum = shares.reduce((total, share) => total + (Number(share) || 0), 0);
  const changed = eater.meals.some(
    (meal, at) => Math.round(meal.dayShare * 100) !== Number(shares[at]) || meal.pattern.join() !== patterns[at]?.join(),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const meals = eater.meals.map((meal, at) => ({
      meal: meal.meal,
      dayShare: Number(shares[at]) / 100,
      pattern: patterns[at] ?? meal.pattern,
    }));
    edit.run({
      say: `${eater.name}’s meals are changed.`,
      ask: () => kept(api.PUT('/api/table/eaters/{eater}/meals', { params: { path: { eater: eater.id } }, body: { meals } })),
    });
  };
  /** A press on a day changes it, one on the meal's name the whole row. */
  const turn = (at: number, day: number | null) =>
    setPatterns(
      patterns.map((pattern, row) => {
        if (row !== at) return pattern;
        const to = next(pattern[day ?? 0] ?? 'prep');
        return pattern.map((source, index) => (day === null || index === day ? to : source));
      }),
    );
  return (
    <form onSubmit={submit}>
      <h3 className="mb-1 text-base">The day’s meals</h3>
      <div className="grid grid-cols-[minmax(0,1fr)_repeat(7,25px)] items-center gap-x-0.5 gap-y-1 text-xs">
        {!eater.isGuest && (
          <>
            <span className="text-steel">share, %</span>
            {days.map((day) => (
              <span key={day} aria-hidden="true" className="text-center text-steel">
                {weekdays[day]?.[0]}
              </span>
            ))}
          </>
        )}
        {eater.meals.map((meal, at) => (
          <Fragment key={meal.meal}>
            <span className="flex items-center gap-1">
              {!eater.isGuest && (
                <input
                  inputMode="numeric"
                  aria-label={`Share of the day at ${mealName(meal.meal)}, percent`}
                  value={shares[at]}
                  onChange={(event) => setShares(shares.map((share, index) => (index === at ? event.target.value : share)))}
                  className="figures min-h-8 w-8 shrink-0 rounded-sm border border-slate bg-enamel px-0.5 text-right text-rim"
                />
              )}
              <button
                type="button"
                onClick={() => turn(at, null)}
                aria-label={`${mealName(meal.meal)}, all days: ${sourceWord[next(patterns[at]?.[0] ?? 'prep')]}`}
                className="min-w-0 truncate first-letter:uppercase hover:text-cobalt"
              >
                {mealName(meal.meal)}
              </button>
            </span>
            {days.map((index) => {
              const day = weekdays[index];
              const source = patterns[at]?.[index] ?? 'prep';
              return (
                <button
                  key={day}
                  type="button"
                  aria-label={`${day} ${mealName(meal.meal)}: ${sourceWord[source]}`}
                  title={`${day} ${mealName(meal.meal)}: ${sourceWord[source]}`}
                  onClick={() => turn(at, index)}
                  className={`flex h-8 items-center justify-center border font-semibold ${looks[source]}`}
                >
                  {marks[source]}
                </button>
              );
            })}
          </Fragment>
        ))}
      </div>
      <p className="mt-1 flex flex-wrap gap-x-3 text-xs text-steel">
        {(Object.keys(marks) as (keyof typeof marks)[]).map((source) => (
          <span key={source} className="flex items-center gap-1">
            <span aria-hidden="true" className={`flex size-4 items-center justify-center border ${looks[source]}`}>
              {marks[source]}
            </span>
            {sourceWord[source]}
          </span>
        ))}
      </p>
      {(changed || sum !== 100) && (
        <Button type="submit" className="mt-2" disabled={!changed || sum !== 100 || edit.isPending}>
          Split it so
        </Button>
      )}
      {sum !== 100 && <p className="mt-1 text-xs text-beet">The shares make {sum} %; change them until they make 100 %.</p>}
    </form>
  );
}

const marks = { prep: '▬', fresh: 'f', out: 'o', nothing: '' };

const looks = {
  prep: 'border-rim bg-tape text-ink',
  fresh: 'border-line bg-enamel text-rim',
  out: 'border-line bg-enamel text-rim',
  nothing: 'border-dotted border-line bg-enamel text-steel',
};
