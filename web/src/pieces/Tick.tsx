import { useEffect, useState } from 'react';

/** A checkbox that shows its tick under the finger, before anything else has heard of it; what is refused falls back. */
export function Tick({ isTicked, onTick, className = '' }: { isTicked: boolean; onTick: (isTicked: boolean) => void; className?: string }) {
  const [shown, setShown] = useState(isTicked);
  useEffect(() => setShown(isTicked), [isTicked]);
  return (
    <input
      type="checkbox"
      checked={shown}
      onChange={(event) => {
        setShown(event.target.checked);
        onTick(event.target.checked);
      }}
      className={`accent-cobalt ${className}`}
    />
  );
}
