import { ChevronDown, ChevronUp, Trash2 } from 'lucide-react';
import { Button } from '../../../pieces/Button';
import { inputLook } from '../../../pieces/Field';
import type { Meal } from './queries';

const most = 8;
const roleWord: Record<Meal['role'], string> = {
  breakfast: 'a breakfast',
  lunch: 'a lunch',
  bite: 'something small',
  supper: 'a supper',
};
const nudge = 'flex size-9 items-center justify-center text-steel hover:text-rim disabled:opacity-30';

/** The meals of a day in order. Rules that name a meal go by what it is, not by what it is called. */
export function Meals({ meals, roles, onChange }: { meals: Meal[]; roles: Meal['role'][]; onChange: (meals: Meal[]) => void }) {
  const change = (at: number, part: Partial<Meal>) => onChange(meals.map((meal, index) => (index === at ? { ...meal, ...part } : meal)));
  const shift = (at: number, by: number) => {
    const order = [...meals];
    const [one, other] = [order[at], order[at + by]];
    if (one && other) [order[at], order[at + by]] = [other, one];
    onChange(order);
  };
  return (
    <section>
      <h2 className="text-base">Meals of a day</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        Rules that name a meal go by what it is, whatever it is called. A new meal has no share of anybody’s day until the eater’s page says
        so; the share of one that goes is given to the others.
      </p>
      <ol>
        {meals.map((meal, at) => (
          <li
            key={meal.key ?? `new ${at}`}
            className="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-line py-1.5 last:border-b"
          >
            <span className="figures w-4 text-sm text-steel">{at + 1}</span>
            <input
              aria-label={`Name of meal ${at + 1}`}
              value={meal.name}
              onChange={(event) => change(at, { name: event.target.value })}
              className={`${inputLook} w-44`}
            />
            <select
              aria-label={`What ${meal.name || `meal ${at + 1}`} is`}
              value={meal.role}
              onChange={(event) => change(at, { role: event.target.value as Meal['role'] })}
              className={inputLook}
            >
              {roles.map((role) => (
                <option key={role} value={role}>
                  {roleWord[role]}
                </option>
              ))}
            </select>
            <label className="flex items-center gap-1 text-sm text-steel">
              about
              <input
                type="time"
                aria-label={`When ${meal.name || `meal ${at + 1}`} is eaten`}
                value={meal.at.slice(0, 5)}
                onChange={(event) => event.target.value && change(at, { at: `${event.target.value}:00` })}
                className={`figures ${inputLook}`}
              />
            </label>
            <span className="flex">
              <button type="button" aria-label={`${meal.name} earlier`} disabled={at === 0} onClick={() => shift(at, -1)} className={nudge}>
                <ChevronUp size={16} />
              </button>
              <button
                type="button"
                aria-label={`${meal.name} later`}
                disabled={at === meals.length - 1}
                onClick={() => shift(at, 1)}
                className={nudge}
              >
                <ChevronDown size={16} />
              </button>
              <button
                type="button"
                aria-label={`Take ${meal.name || 'it'} away`}
                disabled={meals.length === 1}
                onClick={() => onChange(meals.filter((_, index) => index !== at))}
                className={nudge}
              >
                <Trash2 size={16} />
              </button>
            </span>
          </li>
        ))}
      </ol>
      <Button
        className="mt-2"
        disabled={meals.length >= most}
        onClick={() => onChange([...meals, { key: null, name: '', role: 'bite', at: '22:00:00' }])}
      >
        Add a meal
      </Button>
    </section>
  );
}
