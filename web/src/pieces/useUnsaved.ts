import { useEffect, useState } from 'react';

const prefix = 'unsaved:';

/**
 * What is typed and not saved yet, kept in this tab: following a link, going back or reloading loses nothing.
 * `forget` when it is saved or given up; `isTakenUp` says that it was left earlier.
 */
export function useUnsaved<T>(what: string, start: T) {
  const name = prefix + what;
  const [kept] = useState(() => sessionStorage.getItem(name));
  const [first] = useState<T>(() => (kept === null ? start : JSON.parse(kept)));
  const [value, setValue] = useState(first);
  useEffect(() => {
    if (value !== first) sessionStorage.setItem(name, JSON.stringify(value));
  }, [name, value, first]);
  return { value, setValue, isTakenUp: kept !== null, forget: () => sessionStorage.removeItem(name) };
}

/** Who signs out leaves nothing of it behind. */
export function forgetUnsaved() {
  for (const name of Object.keys(sessionStorage)) if (name.startsWith(prefix)) sessionStorage.removeItem(name);
}
