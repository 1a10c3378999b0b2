import { Trash2 } from 'lucide-react';
import type { Schemas } from '../../../api/client';
import { Button } from '../../../pieces/Button';
import { inputLook } from '../../../pieces/Field';
import { NumberInput } from '../../../pieces/NumberInput';
import { plannedMeals } from '../../../pieces/show';

type Ready = Schemas['ReadyChoice'];

export const newReady = (text = '', meal: string | null = null): Ready => ({ id: crypto.randomUUID(), text, meal, mostAWeek: 7 });

/** What is bought and may fill a meal as it is: how much, at which meal, how often. */
export function ReadyChoices({ ready, onChange }: { ready: Ready[]; onChange: (ready: Ready[]) => void }) {
  const change = (id: string, part: Partial<Ready>) => onChange(ready.map((one) => (one.id === id ? { ...one, ...part } : one)));
  return (
    <section>
      <h2 className="mb-1 text-base">Bought things that may fill a meal or come beside a dish</h2>
      <ul className="text-sm">
        {ready.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-1">
            <input
              aria-label="Bought thing with its amount"
              placeholder="150 g skyr"
              value={one.text}
              onChange={({ target }) => change(one.id, { text: target.value })}
              className={`${inputLook} w-52`}
            />
            <label className="flex items-center gap-2">
              for
              <select
                value={one.meal ?? ''}
                onChange={({ target }) => change(one.id, { meal: target.value || null })}
                className={inputLook}
              >
                <option value="">any meal</option>
                {plannedMeals().map(({ key, name }) => (
                  <option key={key} value={key}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <span>at most</span>
            <NumberInput
              label={`Times a week: ${one.text}`}
              unit="times a week"
              value={one.mostAWeek}
              onChange={(mostAWeek) => change(one.id, { mostAWeek: mostAWeek ?? 0 })}
              className="w-12"
            />
            <Button
              look="bare"
              className="ml-auto"
              aria-label={`Take ${one.text} away`}
              onClick={() => onChange(ready.filter((other) => other.id !== one.id))}
            >
              <Trash2 size={15} />
            </Button>
          </li>
        ))}
      </ul>
      {ready.length === 0 && (
        <p className="text-sm text-steel">A pot of yoghurt, a banana, a slice of bread: what may stand on a meal when a week is filled.</p>
      )}
      <Button className="mt-2" onClick={() => onChange([...ready, newReady()])}>
        Add a bought thing
      </Button>
    </section>
  );
}
