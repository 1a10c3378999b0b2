import { type QueryKey, useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Kept, kept, Problem } from '../api/client';
import { edits, useNotices } from './Notice';

/** What shows at once, before the server has confirmed it. */
export type Guess = { key: QueryKey; draw: (seen: unknown) => unknown };

export function guess<Page>(key: QueryKey, draw: (seen: Page) => Page): Guess {
  return { key, draw: (seen) => (seen === undefined ? seen : draw(seen as Page)) };
}

export type Edit<T> = {
  ask: () => Promise<Kept<T>>;
  /** What the notice says once it is done; nothing is said without it. */
  say?: string | ((answer: T) => string);
  guess?: Guess | undefined;
  /** What comes before anything is asked anew, such as leaving a page that is no more. */
  first?: (answer: T) => void | Promise<void>;
  /** Puts the answer where it is drawn from; without it everything is asked anew. */
  settle?: (answer: T) => void | Promise<void>;
  last?: (answer: T) => void;
  /** What else undo has to do before everything is asked anew. */
  onUndone?: () => void | Promise<void>;
  /** True where a form shows a refusal itself: then no notice says it. */
  isTold?: boolean;
};

type Work = { run: () => Promise<unknown>; takeBack?: (() => void) | undefined; refuse: (error: unknown) => void };

/** Whether everything is to be asked anew once no edit waits: asked sooner, an answer would draw away what is pressed meanwhile. */
let isOwed = false;

/** Every edit of the household: it shows at once, waits its turn, is done once, and is taken back by its own sequence. */
export function useEdit() {
  const queries = useQueryClient();
  const { done, refused } = useNotices();

  const [problem, setProblem] = useState<Problem | null>(null);
  const work = useMutation({
    scope: edits,
    mutationFn: ({ run }: Work) => run(),
    onError: (error, { takeBack, refuse }) => {
      takeBack?.();
      refuse(error);
      if (isLast()) void payOwed();
    },
  });

  /** Draws a guess in the same moment, so that a second press in a hurry counts from it; gives back what takes it back. */
  const show = ({ key, draw }: Guess) => {
    void queries.cancelQueries({ queryKey: key });
    const before = queries.getQueryData(key);
    queries.setQueryData(key, draw(before));
    return () => {
      queries.setQueryData(key, before);
      void queries.invalidateQueries({ queryKey: key });
    };
  };

  /** Whether other edits wait behind the one that is answered: their answers hold its own too. */
  const isLast = () => queries.isMutating() <= 1;

  const payOwed = async () => {
    if (!isOwed) return;
    isOwed = false;
    await queries.invalidateQueries();
  };

  const undo = (sequence: number | null, onUndone?: () => void | Promise<void>) =>
    work.mutate({
      refuse: refused,
      run: async () => {
        const { data } = await kept(api.POST('/api/undo', { body: { sequence } }));
        await onUndone?.();
        done(`Taken back: ${data.summary}.`);
        await queries.invalidateQueries();
      },
    });

  /** @returns whether it was done; a refusal is said, and kept as `problem` */
  const run = async <T>({ ask, say, guess: shown, first, settle, last, onUndone, isTold = false }: Edit<T>): Promise<boolean> => {
    setProblem(null);
    try {
      await work.mutateAsync({
        takeBack: shown ? show(shown) : () => void queries.invalidateQueries(),
        refuse: (error) => {
          setProblem(error instanceof Problem ? error : null);
          if (!isTold || !(error instanceof Problem)) refused(error);
        },
        run: async () => {
          const { data, sequence } = await ask();
          await first?.(data);
          if (!settle) isOwed = true;
          else if (isLast()) await settle(data);
          if (isLast()) await payOwed();
          last?.(data);
          if (say !== undefined)
            done(typeof say === 'string' ? say : say(data), sequence === null ? undefined : () => undo(sequence, onUndone));
        },
      });
      return true;
    } catch {
      return false;
    }
  };

  return { run, undo, problem, isPending: work.isPending };
}
