import { useState } from 'react';
import { typedNumber } from '../../pieces/show';

/** A number as it is typed: the text stays as it is, the number goes on when it is one. */
export function useTypedNumber(initial: number | null, onNumber: (value: number | null) => void) {
  const [value, setValue] = useState(initial === null ? '' : String(initial));
  const number = typedNumber(value);
  return {
    value,
    problem: Number.isNaN(number) ? 'Type a number.' : undefined,
    onChange: (typed: string) => {
      setValue(typed);
      const next = typedNumber(typed);
      if (!Number.isNaN(next)) onNumber(next);
    },
  };
}
