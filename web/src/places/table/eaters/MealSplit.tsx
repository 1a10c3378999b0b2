import { type FormEvent, Fragment, useState } from 'react';
import { api, kept, type Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import type { TableEdit } from '../queries';

/** How the day is split over the meals, and which of them come from the prep. */
export function MealSplit({ eater, edit }: { eater: Schemas['TableEater']; edit: TableEdit }) {
  const [shares, setShares] = useState(() => eater.meals.map((meal) => String(Math.round(meal.dayShare * 100))));
  const [fromPrep, setFromPrep] = useState(() => eater.meals.map((meal) => meal.isFromPrep));
  const sum = shares.reduce((total, share) => total + (Number(share) || 0), 0);
  const changed = eater.meals.some(
    (meal, at) => Math.round(meal.dayShare * 100) !== Number(shares[at]) || meal.isFromPrep !== fromPrep[at],
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const meals = eater.meals.map((meal, at) => ({
      meal: meal.meal,
      dayShare: Number(shares[at]) / 100,
      isFromPrep: fromPrep[at] ?? true,
    }));
    edit.run({
      say: `${eater.name}’s day is split anew.`,
      ask: () => kept(api.PUT('/api/table/eaters/{eater}/meals', { params: { path: { eater: eater.id } }, body: { meals } })),
    });
  };
  return (
    <form onSubmit={submit}>
      <h3 className="mb-1 text-base">The day’s meals</h3>
      <div className="grid grid-cols-[auto_auto_1fr] items-center gap-x-3 gap-y-1 text-sm">
        {eater.meals.map((meal, at) => (
          <Fragment key={meal.meal}>
            <span className="first-letter:uppercase">{meal.meal}</span>
            <span className="flex items-center gap-1">
              <input
                inputMode="numeric"
                aria-label={`Share of the day at ${meal.meal}, percent`}
                value={shares[at]}
                onChange={(event) => setShares(shares.map((share, index) => (index === at ? event.target.value : share)))}
                className="figures min-h-8 w-12 rounded-sm border border-slate bg-enamel px-1.5 text-right text-rim"
              />
              <span className="text-steel">%</span>
            </span>
            <label className="flex items-center gap-1.5 text-xs text-steel">
              <input
                type="checkbox"
                aria-label={`${meal.meal} is from the prep`}
                checked={fromPrep[at]}
                onChange={(event) => setFromPrep(fromPrep.map((one, index) => (index === at ? event.target.checked : one)))}
                className="size-4 accent-cobalt"
              />
              from the prep
            </label>
          </Fragment>
        ))}
      </div>
      {(changed || sum !== 100) && (
        <Button type="submit" className="mt-2" disabled={!changed || sum !== 100 || edit.isPending}>
          Split it so
        </Button>
      )}
      {sum !== 100 && <p className="mt-1 text-xs text-beet">The shares make {sum} %; change them until they make 100 %.</p>}
    </form>
  );
}
