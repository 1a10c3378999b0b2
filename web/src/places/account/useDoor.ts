import { useState } from 'react';
import { Problem } from '../../api/client';

/** Ways in, one at a time: what comes after it, and what the server refused. */
export function useDoor(onEntered: () => Promise<unknown>) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, setBusy] = useState(false);
  const enter = (way: Promise<unknown>) => {
    setBusy(true);
    way
      .then(onEntered)
      .catch((error: unknown) =>
        setProblem(error instanceof Problem ? error : new Problem(0, 'Something went wrong on this page.', 'Load it again.', '', '', '')),
      )
      .finally(() => setBusy(false));
  };
  return { enter, problem, isBusy, forgetProblem: () => setProblem(null) };
}

export type Door = ReturnType<typeof useDoor>;
