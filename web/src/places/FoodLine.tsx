import { useId, useState } from 'react';
import type { Problem } from '../api/client';
import { Button } from '../pieces/Button';
import { inputLook } from '../pieces/Field';
import { ProblemNote } from '../pieces/ProblemNote';
import { useFoods } from './recipes/queries';

/**
 * "150 g skyr", "1 banana": a food as it is eaten, read as it is typed; the foods found for the words stand below, packets first.
 * `onAdd` gets the key of the food that was chosen, or null where the words decide, and clears the field when it is done.
 */
export function FoodLine({
  label,
  word,
  problem,
  onAdd,
}: {
  label: string;
  word: string;
  problem?: Problem | null;
  onAdd: (line: string, food: string | null, done: () => void) => void;
}) {
  const field = useId();
  const [line, setLine] = useState('');
  const words = line.replace(/^[\d\s.,/½¼¾⅓⅔]+/, '').replace(/^(g|kg|ml|l|oz|tbsp|tsp|cups?|pieces?|slices?|pots?)\s+/i, '');
  const found = useFoods(words.trim().length > 1 ? words : '');
  const add = (food: string | null) => onAdd(line, food, () => setLine((now) => (now === line ? '' : now)));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        add(null);
      }}
    >
      <label htmlFor={field} className="block text-sm font-semibold">
        {label}
      </label>
      <span className="mt-1 flex gap-2 text-sm">
        <input
          id={field}
          value={line}
          onChange={(event) => setLine(event.target.value)}
          placeholder="150 g skyr"
          autoComplete="off"
          className={`${inputLook} min-w-0 flex-1`}
        />
        <Button type="submit" disabled={!line.trim()}>
          {word}
        </Button>
      </span>
      {problem && line.trim() && <ProblemNote of={problem} />}
      {line.trim() && (found.data ?? []).length > 0 && (
        <ul aria-label="Foods of this name" className="mt-1 max-h-40 overflow-y-auto text-sm">
          {(found.data ?? []).slice(0, 6).map((food) => (
            <li key={food.key}>
              <button type="button" className="min-h-9 w-full border-t border-line text-left hover:bg-tray" onClick={() => add(food.key)}>
                {food.name}
                {food.key.startsWith('packet-') && <span className="text-steel"> your packet</span>}
              </button>
            </li>
          ))}
        </ul>
      )}
    </form>
  );
}
