import { ChevronDown, ChevronRight, X } from 'lucide-react';
import { useState } from 'react';
import { Choice, Field, inputLook } from '../../pieces/Field';
import { NumberInput } from '../../pieces/NumberInput';
import type { DraftPart } from './queries';
import { useKeepingClasses } from './queries';

const kinds: [string, string][] = [
  ['no', 'with the rest'],
  ['wet', 'apart, wet'],
  ['dry', 'apart, dry'],
  ['crunchy', 'apart, crunchy'],
  ['sauce', 'in a small pot'],
];

const units: [string, string][] = [
  ['grams', 'g'],
  ['millilitres', 'ml'],
  ['pieces', 'pieces'],
];

/** Name of a part, and on demand how it is kept, what is done to it at eating and what it was measured to make. */
export function PartHead({
  part,
  isOnly,
  onChange,
  onRemove,
}: {
  part: DraftPart;
  isOnly: boolean;
  onChange: (change: Partial<DraftPart>) => void;
  onRemove: () => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const keeping = useKeepingClasses();
  const Mark = isOpen ? ChevronDown : ChevronRight;
  const called = part.name || 'main part';
  return (
    <div className="mt-3 mb-1">
      <div className="flex items-center gap-2">
        {!isOnly && (
          <input
            aria-label={`Name of the part ${called}`}
            data-part
            value={part.name}
            maxLength={60}
            placeholder="Main part"
            onChange={(event) => onChange({ name: event.target.value })}
            className={`${inputLook} w-56 font-semibold`}
          />
        )}
        <button
          type="button"
          aria-expanded={isOpen}
          aria-label={`Box, keeping and yield of the ${called}`}
          onClick={() => setOpen(!isOpen)}
          className="flex min-h-9 items-center gap-0.5 text-sm font-semibold text-cobalt hover:underline"
        >
          <Mark size={15} className="shrink-0" /> <span className="sm:hidden">More</span>
          <span className="max-sm:hidden">Box, keeping and yield</span>
        </button>
        {!isOnly && part.name !== '' && (
          <button
            type="button"
            aria-label={`Put the part ${called} together with the one before it`}
            className="ml-auto flex size-8 items-center justify-center text-steel hover:text-rim"
            onClick={onRemove}
          >
            <X size={16} />
          </button>
        )}
      </div>
      {isOpen && (
        <div className="mt-1 mb-2 flex flex-wrap items-end gap-x-5 gap-y-3 border-l-2 border-line bg-tray px-3 py-2 text-sm">
          <Choice
            label="In the box"
            value={part.apart}
            onChange={(apart) => onChange({ apart: apart as DraftPart['apart'] })}
            options={kinds}
          />
          <Choice
            label="Keeps"
            value={part.keeping}
            onChange={(key) => onChange({ keeping: key })}
            options={[
              ['', 'as the dish'],
              ...(keeping.data ?? []).map((one): [string, string] => [one.key, `${one.name} (${one.fridgeDays} days)`]),
            ]}
            className="max-w-72"
          />
          {part.keeping && <Field label="Because" value={part.keepingReason} onChange={(reason) => onChange({ keepingReason: reason })} />}
          <label className="flex min-h-9 items-center gap-2">
            <input type="checkbox" checked={part.takesOff} onChange={(event) => onChange({ takesOff: event.target.checked })} />
            comes off before reheating
          </label>
          <label className="flex min-h-9 items-center gap-2">
            <input type="checkbox" checked={part.goesOn} onChange={(event) => onChange({ goesOn: event.target.checked })} />
            goes on when eating
          </label>
          <span className="flex items-end gap-2">
            <div className="flex flex-col gap-1 font-semibold">
              <span aria-hidden="true">Makes, as measured</span>
              <NumberInput
                label={`What the ${called} makes`}
                unit=""
                value={part.madeAmount}
                onChange={(madeAmount) => onChange({ madeAmount })}
                className="w-24"
              />
            </div>
            <select
              aria-label={`Unit of what the ${called} makes`}
              value={part.madeUnit}
              onChange={(event) => onChange({ madeUnit: event.target.value as DraftPart['madeUnit'] })}
              className={inputLook}
            >
              {units.map(([key, word]) => (
                <option key={key} value={key}>
                  {word}
                </option>
              ))}
            </select>
          </span>
        </div>
      )}
    </div>
  );
}
