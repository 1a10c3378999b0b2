import { useState } from 'react';
import { Button } from '../../pieces/Button';

/** What about 200 kcal more or less would change: proposed on the board like any search. */
export function BiteStep({ onStep }: { onStep: (kind: 'more' | 'less', isEveryDay: boolean) => void }) {
  const [isEveryDay, setEveryDay] = useState(false);
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-2 text-sm">
      <legend className="sr-only">About 200 kcal more or less</legend>
      <Button onClick={() => onStep('less', isEveryDay)}>A bite less</Button>
      <Button onClick={() => onStep('more', isEveryDay)}>A bite more</Button>
      <label className="flex items-center gap-1.5">
        <input type="checkbox" checked={isEveryDay} onChange={(event) => setEveryDay(event.target.checked)} />
        every day
      </label>
      <span className="text-steel">A bite is about 200 kcal.</span>
    </fieldset>
  );
}
