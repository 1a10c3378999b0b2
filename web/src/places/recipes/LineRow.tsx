import { Combobox, ComboboxButton, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { SlidersHorizontal, X } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';
import type { Schemas } from '../../api/client';
import { inputLook } from '../../pieces/Field';
import { number } from '../../pieces/show';
import { useLingeringFocus } from '../../pieces/useLingeringFocus';
import { LineFields, saidOfLine } from './LineFields';
import { Choices, NearestFoods, PacketsDiffer } from './LineQuestions';
import { type DraftLine, shareOf, useFoods } from './queries';

type Read = Schemas['SheetLine'];

/** What may be done to the lines; always the same, so that a row is drawn again only when its own line is another. */
export type LineEdits = {
  change: (at: number, change: Partial<DraftLine>) => void;
  next: (at: number, part: string) => void;
  remove: (at: number) => void;
  paste: (at: number, line: DraftLine, rows: string[]) => void;
};

const longest = 300;
const corner = 'flex h-9 w-8 items-center justify-center text-steel hover:text-rim';

/** One ingredient line as typed, beside it how it was read, and on demand what is said of it beside its words. */
export function LineRow({
  line,
  at,
  read,
  parts,
  edits,
}: {
  line: DraftLine;
  at: number;
  read: Read | undefined;
  parts: string[];
  edits: LineEdits;
}) {
  const onChange = (change: Partial<DraftLine>) => edits.change(at, change);
  const [isOpen, setOpen] = useState(false);
  const active = useLingeringFocus();
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      edits.next(at, line.part);
    }
    const near = event.altKey ? read?.nearest[Number(event.code.replace('Digit', '')) - 1] : undefined;
    if (near) {
      event.preventDefault();
      onChange({ food: near.key });
    }
  };
  const said = saidOfLine(line);
  return (
    <li
      data-active={active.isActive || undefined}
      onFocus={active.onFocus}
      onBlur={active.onBlur}
      className="group grid grid-cols-[minmax(0,1fr)_4rem] items-start gap-x-2 gap-y-0.5 sm:grid-cols-[minmax(0,1fr)_minmax(0,17rem)_4rem]"
    >
      <input
        data-line
        aria-label={`Ingredient ${at + 1}`}
        value={line.text}
        maxLength={longest}
        onChange={(event) => onChange({ text: event.target.value })}
        onKeyDown={onKeyDown}
        onPaste={(event) => {
          const rows = event.clipboardData
            .getData('text/plain')
            .split(/\r?\n/)
            .map((row) => row.trim().slice(0, longest))
            .filter(Boolean);
          if (rows.length < 2) return;
          event.preventDefault();
          edits.paste(at, line, rows);
        }}
        className={`${inputLook} w-full`}
      />
      <div className="order-last col-span-2 min-w-0 text-xs sm:order-none sm:col-span-1">
        {read && read.text === line.text.trim() && <Reading line={line} read={read} onChange={onChange} />}
        {said.length > 0 && !isOpen && <p className="text-steel first-letter:uppercase">{said.join(', ')}.</p>}
      </div>
      <div className="flex">
        <button
          type="button"
          aria-label={`More about ingredient ${at + 1}`}
          aria-expanded={isOpen}
          title="How it was measured, how much of it is eaten"
          className={`${corner} ${isOpen ? 'text-rim' : ''}`}
          onClick={() => setOpen(!isOpen)}
        >
          <SlidersHorizontal size={15} />
        </button>
        <button type="button" aria-label={`Remove ingredient ${at + 1}`} className={corner} onClick={() => edits.remove(at)}>
          <X size={16} />
        </button>
      </div>
      {isOpen && <LineFields line={line} parts={parts} onChange={onChange} />}
    </li>
  );
}

/** How a line was read, and the food to change when it is the wrong one. */
function Reading({ line, read, onChange }: { line: DraftLine; read: Read; onChange: (change: Partial<DraftLine>) => void }) {
  const [typed, setTyped] = useState('');
  const foods = useFoods(typed, true);
  const onFood = (food: string | null) => onChange({ food });
  return (
    <>
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
      <Choices read={read} onText={(text) => onChange({ text })} onFood={onFood} />
      {read.choices.length === 0 && read.doubt && <p className="text-steel">{read.doubt.endsWith('?') ? read.doubt : `${read.doubt}.`}</p>}
      {read.match === 'learnt' && <p className="text-steel">Your kitchen’s word for it.</p>}
      <PacketsDiffer read={read} />
      <NearestFoods read={read} onFood={onFood} />
    </>
  );
}
