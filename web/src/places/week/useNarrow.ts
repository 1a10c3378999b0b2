import { useSyncExternalStore } from 'react';

const query = () => window.matchMedia('(max-width: 767px)');

/** True on a phone, where the board shows one day at a time. */
export function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = query();
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => query().matches,
  );
}
