import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Asked } from '../../pieces/Asked';
import { Button } from '../../pieces/Button';
import { ProblemNote } from '../../pieces/ProblemNote';
import type { Door } from './useDoor';

/** What a link leads to: into it with one press for who is signed in, the doors for who is not. */
export function LinkPage<T>({
  invited,
  title,
  words,
  come,
  door,
  doors,
}: {
  invited: UseQueryResult<T>;
  title: (invited: T) => string;
  words: (invited: T) => ReactNode;
  /** Null for who is not signed in. */
  come: { word: string; run: () => void; note?: string } | null;
  door: Door;
  doors: ReactNode;
}) {
  return (
    <main className="mx-auto max-w-md p-6 pt-[12vh]">
      <Asked of={invited}>
        {(found) => (
          <>
            <h1 className="text-2xl">{title(found)}</h1>
            <p className="mt-1 mb-6 text-lg text-steel">{words(found)}</p>
            {come ? (
              <div className="space-y-3">
                <Button look="main" disabled={door.isBusy} onClick={come.run}>
                  {come.word}
                </Button>
                {come.note && <p className="text-sm text-steel">{come.note}</p>}
                <ProblemNote of={door.problem} />
              </div>
            ) : (
              doors
            )}
          </>
        )}
      </Asked>
      {invited.isError && (
        <a href="/" className="m-6 font-semibold text-cobalt hover:underline">
          To the first page
        </a>
      )}
    </main>
  );
}
