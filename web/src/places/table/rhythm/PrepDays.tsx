import { Trash2 } from 'lucide-react';
import { Button } from '../../../pieces/Button';
import { inputLook } from '../../../pieces/Field';
import { dayKeys } from '../../../pieces/show';
import { type Day, dayAfter, dayChoices, dayWord, newPrepDay, type PrepDay } from './queries';

/** The weekdays on which it is cooked, and from which day on it is eaten: that says the week a session is for. */
export function PrepDays({ days, onChange }: { days: PrepDay[]; onChange: (days: PrepDay[]) => void }) {
  const change = (at: number, part: Partial<PrepDay>) => onChange(days.map((day, index) => (index === at ? { ...day, ...part } : day)));
  const free = dayKeys.find((day) => days.every((one) => one.day !== day));
  return (
    <section>
      <h2 className="text-base">Prep days</h2>
      <p className="mb-2 max-w-prose text-sm text-steel">
        {days.length === 0
          ? 'None is said: a batch is cooked on the day you choose for it.'
          : 'A session is cooked for the week in which the first of it is eaten. A single one can be moved in Session.'}
      </p>
      <ul>
        {days.map((prep, at) => (
          <li key={prep.day} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-1.5 text-sm last:border-b">
            <select
              aria-label={`Weekday of session ${at + 1}`}
              value={prep.day}
              onChange={(event) => change(at, { day: event.target.value as Day })}
              className={`${inputLook} w-32`}
            >
              {dayChoices
                .filter(([day]) => day === prep.day || days.every((one) => one.day !== day))
                .map(([day, word]) => (
                  <option key={day} value={day}>
                    {word}
                  </option>
                ))}
            </select>
            <label className="flex items-center gap-1 text-steel">
              at
              <input
                type="time"
                aria-label={`When ${dayWord(prep.day)}’s session starts`}
                value={prep.start.slice(0, 5)}
                onChange={(event) => event.target.value && change(at, { start: `${event.target.value}:00` })}
                className={`figures ${inputLook}`}
              />
            </label>
            <input
              aria-label={`Name of ${dayWord(prep.day)}’s session`}
              value={prep.name}
              onChange={(event) => change(at, { name: event.target.value })}
              className={`${inputLook} w-40`}
            />
            <select
              aria-label={`Cooks on ${dayWord(prep.day)}`}
              value={prep.cooks}
              onChange={(event) => change(at, { cooks: Number(event.target.value) })}
              className={`${inputLook} w-26`}
            >
              {[1, 2, 3, 4].map((cooks) => (
                <option key={cooks} value={cooks}>
                  {cooks === 1 ? 'one cook' : `${cooks} cooks`}
                </option>
              ))}
            </select>
            <label className="flex items-center gap-1 text-steel">
              first eaten
              <select
                aria-label={`First day on which ${dayWord(prep.day)}’s session is eaten`}
                value={prep.eatenAfter}
                onChange={(event) => change(at, { eatenAfter: Number(event.target.value) })}
                className={`${inputLook} w-36`}
              >
                {dayKeys.map((key, after) => (
                  <option key={key} value={after}>
                    {after === 0 ? 'the same day' : dayWord(dayAfter(prep.day, after))}
                  </option>
                ))}
              </select>
            </label>
            <button
              type="button"
              aria-label={`No session on ${dayWord(prep.day)}`}
              onClick={() => onChange(days.filter((_, index) => index !== at))}
              className="flex size-9 items-center justify-center text-steel hover:text-rim"
            >
              <Trash2 size={16} />
            </button>
          </li>
        ))}
      </ul>
      <Button className="mt-2" disabled={!free} onClick={() => free && onChange([...days, newPrepDay(free)])}>
        Add a prep day
      </Button>
    </section>
  );
}
