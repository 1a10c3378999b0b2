import { useEffect, useState } from 'react';
import type { Schemas } from '../../api/client';
import type { Board, BoardEdits } from './queries';

/** As many as a day is read with in one sweep. */
const most = 3;

/** What an eater's days are shown with: some measures, or whichever limit is tightest. */
export function PinnedMeasures({ board, eater, edits }: { board: Board; eater: Schemas['BoardEater']; edits: BoardEdits }) {
  // As it was pressed, before anything else has heard of it: the next press counts from it.
  const [pinned, setPinned] = useState(eater.pinned);
  useEffect(() => setPinned(eater.pinned), [eater.pinned]);
  const pin = (key: string, isPinned: boolean) => {
    const next = isPinned ? [...pinned, key] : pinned.filter((one) => one !== key);
    setPinned(next);
    void edits.pin(eater, next);
  };
  return (
    <details className="mt-2 text-sm">
      <summary className="cursor-pointer text-cobalt hover:underline">
        Under the days:{' '}
        {pinned.length === 0
          ? 'the tightest limit'
          : pinned.map((key) => board.measures.find((one) => one.key === key)?.name.toLowerCase()).join(', ')}
      </summary>
      <fieldset className="mt-1 grid grid-cols-2 gap-x-3">
        <legend className="text-xs text-steel">At most three, whether or not something limits them. What breaks is always seen.</legend>
        {board.measures.map(({ key, name }) => (
          <label key={key} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={pinned.includes(key)}
              disabled={!pinned.includes(key) && pinned.length >= most}
              onChange={({ target }) => pin(key, target.checked)}
            />
            {name}
          </label>
        ))}
      </fieldset>
    </details>
  );
}
