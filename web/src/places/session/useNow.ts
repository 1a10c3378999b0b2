import { useEffect, useState } from 'react';

/** The time of now, each second; also right after a device wakes. */
export function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const look = () => setNow(Date.now());
    const timer = setInterval(look, 1_000);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return now;
}
