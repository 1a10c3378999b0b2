import { useState } from 'react';

/**
 * What is typed over a value that the server may change meanwhile. It stays as it is typed, whatever arrives, until `kept` says that just
 * this was taken over; a field that nobody touched follows the value.
 */
export function useTyped(value: string) {
  const [typed, setTyped] = useState<string | null>(null);
  return {
    text: typed ?? value,
    type: setTyped,
    /** What was typed since then is not given up. */
    kept: (taken: string) => setTyped((now) => (now === taken ? null : now)),
  };
}
