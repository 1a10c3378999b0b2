import { useEffect } from 'react';

/** Keeps the screen lit while somebody cooks, where the device lets us. */
export function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (isOver) void lock.release();
      } catch {
        // A low battery or an old device: the screen goes dark as it always does.
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}
