import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, kept, take } from '../../api/client';
import { Button } from '../../pieces/Button';
import { inputLook } from '../../pieces/Field';
import { mealName } from '../../pieces/show';
import { useEdit } from '../../pieces/useEdit';
import { newReady } from '../table/kitchen/ReadyChoices';
import type { Board } from './queries';

/** What is bought and may stand on a meal: ticked for this time, and one more added where it comes to mind. */
export function BoughtThings({ board, without, onChange }: { board: Board; without: string[]; onChange: (without: string[]) => void }) {
  const sheet = useQuery({ queryKey: ['table', 'kitchen'], queryFn: () => take(api.GET('/api/table/kitchen')) });
  const [text, setText] = useState('');
  const [meal, setMeal] = useState(board.meals.find(({ key }) => key === 'bite')?.key ?? '');
  const edit = useEdit();
  if (!sheet.data) return null;
  const { kitchen } = sheet.data;
  const ready = kitchen.ready ?? [];
  const add = () =>
    void edit
      .run({
        say: `${text.trim()} may fill a meal.`,
        ask: () => kept(api.PUT('/api/table/kitchen', { body: { ...kitchen, ready: [...ready, newReady(text.trim(), meal || null)] } })),
      })
      .then((isDone) => isDone && setText(''));
  return (
    <fieldset className="mt-3 min-w-0">
      <legend className="font-semibold">Bought things that may fill a meal or come beside a dish</legend>
      {ready.map((one) => (
        <label key={one.id} className="mt-0.5 flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={!without.includes(one.id)}
            onChange={({ target }) => onChange(target.checked ? without.filter((id) => id !== one.id) : [...without, one.id])}
          />
          {one.text}
          <span className="figures text-steel">
            {one.meal ? `for ${mealName(one.meal)}, ` : ''}at most {one.mostAWeek} a week
          </span>
        </label>
      ))}
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <input
          aria-label="Another bought thing with its amount"
          placeholder="150 g skyr"
          value={text}
          onChange={({ target }) => setText(target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || text.trim() === '') return;
            event.preventDefault();
            add();
          }}
          className={`${inputLook} min-w-0 flex-[1_1_9rem]`}
        />
        <select aria-label="For which meal" value={meal} onChange={({ target }) => setMeal(target.value)} className={inputLook}>
          <option value="">any meal</option>
          {board.meals.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
        <Button disabled={text.trim() === '' || edit.isPending} onClick={add}>
          Add
        </Button>
      </div>
    </fieldset>
  );
}
