import { type FocusEvent, useEffect, useRef, useState } from 'react';

/**
 * Whether something has the focus, or had it until the press that takes it away is over: what closes with the focus must not move what is
 * under the finger, or the press hits nothing.
 */
export function useLingeringFocus() {
  const [isActive, setActive] = useState(false);
  const stop = useRef<() => void>(() => {});
  useEffect(() => () => stop.current(), []);
  return {
    isActive,
    onFocus: () => {
      stop.current();
      setActive(true);
    },
    onBlur: (event: FocusEvent<HTMLElement>) => {
      if (event.currentTarget.contains(event.relatedTarget)) return;
      const release = () => {
        stop.current();
        setActive(false);
      };
      // A click comes right after the pointer is up; a key has moved the focus already.
      let timer: ReturnType<typeof setTimeout> | undefined;
      const later = () => {
        timer = setTimeout(release);
      };
      window.addEventListener('pointerup', later, { once: true });
      window.addEventListener('keyup', later, { once: true });
      stop.current = () => {
        clearTimeout(timer);
        window.removeEventListener('pointerup', later);
        window.removeEventListener('keyup', later);
      };
    },
  };
}
