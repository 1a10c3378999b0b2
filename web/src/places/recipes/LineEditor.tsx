import { Combobox, ComboboxButton, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { Plus, X } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../pieces/Button';
import { drawThenFocus } from '../../pieces/drawThenFocus';
import { inputLook } from '../../pieces/Field';
import { number } from '../../pieces/show';
import { Choices, NearestFoods, PacketsDiffer } from './LineQuestions';
import { shareOf, useFoods } from './queries';

type Line = Schemas['DraftLine'];
type Read = Schemas['SheetLine'];

/** Ingredient lines as typed, and beside each how it was read. */
export function LineEditor({ lines, onChange, read }: { lines: Line[]; onChange: (lines: Line[]) => void; read: Read[] }) {
  const list = useRef<HTMLOListElement>(null);
  const replace = (at: number, line: Line) => onChange(lines.map((one, index) => (index === at ? line : one)));
  const insertAfter = (at: number) =>
    drawThenFocus(
      () => onChange([...lines.slice(0, at + 1), { part: lines[at]?.part ?? '', text: '', food: null }, ...lines.slice(at + 1)]),
      () => list.current?.querySelectorAll<HTMLInputElement>('input[data-line]')[at + 1],
    );
  const written = lines.filter((line) => line.text.trim());
  return (
    <section>
      <h2 className="mb-1 text-lg">Ingredients</h2>
      <ol ref={list} className="space-y-1">
        {lines.map((line, at) => {
          const reading = line.text.trim() ? read[written.indexOf(line)] : undefined;
          return (
            <li
              key={at}
              className="group grid grid-cols-[minmax(0,1fr)_2rem] items-start gap-x-2 gap-y-0.5 sm:grid-cols-[minmax(0,1fr)_minmax(0,17rem)_2rem]"
            >
              <input
                data-line
                aria-label={`Ingredient ${at + 1}`}
                value={line.text}
                maxLength={300}
                onChange={(event) => replace(at, { ...line, text: event.target.value })}
                onKeyDown={(event) => {
                  if (event.key === 'Enter') {
                    event.preventDefault();
                    insertAfter(at);
                  }
                  const near = event.altKey ? reading?.nearest[Number(event.code.replace('Digit', '')) - 1] : undefined;
                  if (near) {
                    event.preventDefault();
                    replace(at, { ...line, food: near.key });
                  }
                }}
                className={`${inputLook} w-full`}
              />
              <div className="order-last col-span-2 sm:order-none sm:col-span-1">
                {reading && reading.text === line.text.trim() && (
                  <Reading
                    line={line}
                    read={reading}
                    onFood={(food) => replace(at, { ...line, food })}
                    onText={(text) => replace(at, { ...line, text })}
                  />
                )}
              </div>
              <button
                type="button"
                aria-label={`Remove ingredient ${at + 1}`}
                className="flex h-9 items-center justify-center text-steel hover:text-rim"
                onClick={() => onChange(lines.length > 1 ? lines.filter((_, index) => index !== at) : [{ part: '', text: '', food: null }])}
              >
                <X size={16} />
              </button>
            </li>
          );
        })}
      </ol>
      <Button look="bare" className="mt-1" onClick={() => insertAfter(lines.length - 1)}>
        <Plus size={15} /> Another line
      </Button>
    </section>
  );
}

/** How a line was read, and the food to change when it is the wrong one. */
function Reading({
  line,
  read,
  onFood,
  onText,
}: {
  line: Line;
  read: Read;
  onFood: (food: string | null) => void;
  onText: (text: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const foods = useFoods(typed, true);
  return (
    <div className="min-w-0 text-xs">
      <Combobox<string | null> value={line.food} onChange={onFood} onClose={() => setTyped('')} immediate>
        <div
          className={`flex items-center border-b ${read.match === 'none' ? 'border-dotted border-slate' : read.match === 'likely' ? 'border-dashed border-rim' : 'border-line'}`}
        >
          <ComboboxInput
            aria-label={`Food of “${line.text}”`}
            className="min-w-0 flex-1 bg-transparent py-0.5 font-semibold outline-offset-1"
            displayValue={() => read.foodName ?? ''}
            placeholder="choose a food"
            onChange={(event) => setTyped(event.target.value)}
          />
          <span className="figures pl-1 whitespace-nowrap text-steel">
            {read.uses ? shareOf(read.uses.batches) : read.amount}
            {read.grams && ` = ${number(read.grams.best, read.grams.best < 10 ? 1 : 0)} g`}
          </span>
          <ComboboxButton className="pl-1 text-steel" aria-label="Foods">
            ▾
          </ComboboxButton>
        </div>
        <ComboboxOptions
          anchor="bottom start"
          className="rimmed z-30 max-h-60 w-72 overflow-auto border-x border-b border-line p-1 text-sm shadow-lg empty:invisible"
        >
          {line.food !== null && (
            <ComboboxOption value={null} className="px-2 py-1 text-steel data-focus:bg-tray">
              Let the words decide
            </ComboboxOption>
          )}
          {(typed.trim() ? (foods.data ?? []) : []).map((food) => (
            <ComboboxOption key={food.key} value={food.key} className="flex justify-between gap-2 px-2 py-1 data-focus:bg-tray">
              <span>{food.name}</span>
              <span className="text-xs text-steel">{food.aisle}</span>
            </ComboboxOption>
          ))}
        </ComboboxOptions>
      </Combobox>
      <Choices read={read} onText={onText} onFood={onFood} />
      {read.choices.length === 0 && read.doubt && <p className="text-steel">{read.doubt.endsWith('?') ? read.doubt : `${read.doubt}.`}</p>}
      {read.match === 'learnt' && <p className="text-steel">Your kitchen’s word for it.</p>}
      <PacketsDiffer read={read} />
      <NearestFoods read={read} onFood={onFood} />
    </div>
  );
}
