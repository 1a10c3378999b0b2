import { useState } from 'react';
import { typedNumber } from './show';

/** A small number in a sentence. What cannot be read as a number stays typed and is not taken over. */
export function NumberInput({
  label,
  unit,
  value,
  onChange,
  isPossible = () => true,
  className = 'w-16',
}: {
  label: string;
  unit: string;
  value: number | null;
  onChange: (value: number | null) => void;
  /** Numbers that are none of it stay typed, are marked, and are not taken over. */
  isPossible?: (value: number) => boolean;
  className?: string;
}) {
  const [typed, setTyped] = useState(value === null ? '' : String(value));
  const isWrong = (value: number | null) => value !== null && (Number.isNaN(value) || !isPossible(value));
  const read = typedNumber(typed);
  return (
    <span className="inline-flex items-center gap-1">
      <input
        aria-label={unit ? `${label}, ${unit}` : label}
        aria-invalid={isWrong(read) || undefined}
        inputMode="decimal"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          const next = typedNumber(event.target.value);
          if (!isWrong(next)) onChange(next);
        }}
        className={`figures min-h-8 rounded-sm border bg-enamel px-1.5 text-right text-rim ${isWrong(read) ? 'border-beet' : 'border-slate'} ${className}`}
      />
      {unit && <span className="text-steel">{unit}</span>}
    </span>
  );
}
