import { useEffect, useRef } from 'react';

function beep() {
  try {
    const sound = new AudioContext();
    for (const at of [0, 0.35, 0.7]) {
      const tone = sound.createOscillator();
      tone.frequency.value = 880;
      tone.connect(sound.destination);
      tone.start(sound.currentTime + at);
      tone.stop(sound.currentTime + at + 0.2);
    }
    setTimeout(() => void sound.close(), 2_000);
  } catch {
    // A device without sound still shows it.
  }
}

/** Rings once for each thing that is over; what was over before somebody looked rings no more. */
export function useRing(over: readonly string[]) {
  const rung = useRef<Set<string> | null>(null);
  const all = over.join('\n');
  useEffect(() => {
    const known = rung.current;
    const now = all.split('\n').filter(Boolean);
    rung.current = new Set([...(known ?? []), ...now]);
    if (known && now.some((one) => !known.has(one))) {
      beep();
      navigator.vibrate?.([300, 150, 300]);
    }
  }, [all]);
}
