import { useState } from 'react';
import { inputLook } from '../../pieces/Field';
import { addDays } from '../../pieces/show';

/** A day on which a week can be cooked for; what is no such day is not taken over. */
export function DayInput({
  label,
  start,
  value = '',
  onChange,
}: {
  label: string;
  start: string;
  value?: string;
  onChange: (date: string) => void;
}) {
  const [typed, setTyped] = useState(value);
  const [first, last] = [addDays(start, -6), addDays(start, 6)];
  const isDay = (date: string) => date >= first && date <= last;
  return (
    <input
      type="date"
      aria-label={label}
      aria-invalid={(typed !== '' && !isDay(typed)) || undefined}
      min={first}
      max={last}
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
        if (isDay(event.target.value)) onChange(event.target.value);
      }}
      className={`figures ${inputLook}`}
    />
  );
}
