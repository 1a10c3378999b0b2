import { type FormEvent, useState } from 'react';
import { api, type Schemas, take } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import type { TableEdit } from './TablePage';

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
    edit.mutate({
      say: `${eater.name}’s day is split anew.`,
      ask: () => take(api.PUT('/api/table/eaters/{eater}/meals', { params: { path: { eater: eater.id } }, body: { meals } })),
    });
  };
  return (
    <form onSubmit={submit}>
      <h3 className="mb-1 text-base">The day’s meals</h3>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2 text-sm">
        {eater.meals.map((meal, at) => (
          <div key={meal.meal} className="space-y-1">
            <label className="flex items-center gap-1.5 first-letter:uppercase">
              {meal.meal}
              <input
                inputMode="numeric"
                aria-label={`Share of the day at ${meal.meal}, percent`}
                value={shares[at]}
                onChange={(event) => setShares(shares.map((share, index) => (index === at ? event.target.value : share)))}
                className={`${inputLook} figures w-14 text-right`}
              />
              <span className="text-steel">%</span>
            </label>
            <label className="flex items-center gap-1.5 text-xs text-steel">
              <input
                type="checkbox"
                checked={fromPrep[at]}
                onChange={(event) => setFromPrep(fromPrep.map((one, index) => (index === at ? event.target.checked : one)))}
                className="accent-cobalt"
              />
              from the prep
            </label>
          </div>
        ))}
        <Button type="submit" disabled={!changed || sum !== 100 || edit.isPending}>
          Change
        </Button>
      </div>
      {sum !== 100 && <p className="mt-1 text-xs text-beet">The shares make {sum} %; change them until they make 100 %.</p>}
    </form>
  );
}
