import { useEffect, useState } from 'react';

/** What is typed as it was a moment ago, so that not every letter asks the server. */
export function useSettled<T>(value: T, milliseconds = 250): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return settled;
}
