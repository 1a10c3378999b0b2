import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { type Kept, Problem } from '../api/client';
import { NoticeBoard } from './Notice';
import { guess, useEdit } from './useEdit';

type Count = { many: number };
const key = ['check', 'count'] as const;

/** A server's answer that comes when it is let go. */
function later<T>() {
  let answer: (value: T) => void = () => {};
  let refuse: (problem: unknown) => void = () => {};
  const promise = new Promise<T>((resolve, reject) => {
    answer = resolve;
    refuse = reject;
  });
  return { promise, answer, refuse };
}

const refusal = new Problem(409, 'It was moved.', 'Look again.', 'item-gone', 'item', '1');
const more = (by: number) => guess<Count>(key, ({ many }) => ({ many: many + by }));

describe('the one hook for edits', () => {
  let queries: QueryClient;
  const shown = () => queries.getQueryData<Count>(key)?.many;
  const edits = () =>
    renderHook(() => useEdit(), {
      wrapper: ({ children }: { children: ReactNode }) => (
        <QueryClientProvider client={queries}>
          <NoticeBoard>{children}</NoticeBoard>
        </QueryClientProvider>
      ),
    }).result;

  beforeEach(() => {
    queries = new QueryClient();
    queries.setQueryData<Count>(key, { many: 1 });
  });

  it('shows at once, draws the answer when it comes, and says that it is done', async () => {
    const edit = edits();
    const server = later<Kept<Count>>();
    let done: Promise<boolean> = Promise.resolve(false);
    act(() => {
      done = edit.current.run({
        ask: () => server.promise,
        guess: more(1),
        settle: (count) => void queries.setQueryData(key, count),
        say: ({ many }) => `${many} now.`,
      });
    });
    expect(shown()).toBe(2);
    await act(async () => {
      server.answer({ data: { many: 7 }, sequence: null });
      expect(await done).toBe(true);
    });
    expect(shown()).toBe(7);
    expect(screen.getByText('7 now.')).toBeTruthy();
    // Nothing was written, so there is nothing to take back.
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull();
  });

  it('cannot be taken back by name of the edit before it while it is under way', async () => {
    const edit = edits();
    const undo = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Undo' });
    await act(async () => void (await edit.current.run({ ask: async () => ({ data: 1, sequence: 1 }), say: 'First.' })));
    expect(undo().disabled).toBe(false);
    const server = later<Kept<number>>();
    act(() => void edit.current.run({ ask: () => server.promise, say: 'Second.' }));
    await waitFor(() => expect(undo().disabled).toBe(true));
    await act(async () => server.answer({ data: 2, sequence: 2 }));
    await waitFor(() => expect(undo().disabled).toBe(false));
    expect(screen.getByText('Second.')).toBeTruthy();
  });

  it('falls back when it is refused, says why once, and keeps the problem for the form', async () => {
    const edit = edits();
    let done = true;
    await act(async () => {
      done = await edit.current.run({ ask: () => Promise.reject(refusal), guess: more(1), settle: () => {} });
    });
    expect([done, shown()]).toEqual([false, 1]);
    expect(edit.current.problem).toBe(refusal);
    expect(screen.getByText('It was moved.')).toBeTruthy();
  });

  it('says nothing at the foot where the form tells it, except what is no refusal', async () => {
    const edit = edits();
    await act(async () => void (await edit.current.run({ ask: () => Promise.reject(refusal), isTold: true })));
    expect(edit.current.problem).toBe(refusal);
    expect(screen.queryByText('It was moved.')).toBeNull();
    await act(async () => void (await edit.current.run({ ask: () => Promise.reject(new Error('torn')), isTold: true })));
    expect(edit.current.problem).toBeNull();
    expect(screen.getByText('Something went wrong on this page.')).toBeTruthy();
  });

  it('sends one after the other, and only the last answer is drawn', async () => {
    const edit = edits();
    const [first, second] = [later<Kept<Count>>(), later<Kept<Count>>()];
    const asked: string[] = [];
    const settle = vi.fn((count: Count) => void queries.setQueryData(key, count));
    const run = (name: string, server: typeof first) =>
      void edit.current.run({
        ask: () => {
          asked.push(name);
          return server.promise;
        },
        guess: more(1),
        settle,
      });
    act(() => {
      run('first', first);
      run('second', second);
    });
    await waitFor(() => expect(asked).toEqual(['first']));
    expect(shown()).toBe(3);
    await act(async () => first.answer({ data: { many: 2 }, sequence: 1 }));
    await waitFor(() => expect(asked).toEqual(['first', 'second']));
    // The first answer does not know of the second edit: drawn, it would take it back for a moment.
    expect([settle.mock.calls.length, shown()]).toEqual([0, 3]);
    await act(async () => second.answer({ data: { many: 3 }, sequence: 2 }));
    await waitFor(() => expect(settle).toHaveBeenCalledExactlyOnceWith({ many: 3 }));
  });

  it('asks everything anew where no answer is drawn', async () => {
    const edit = edits();
    const asked = vi.spyOn(queries, 'invalidateQueries');
    await act(async () => void (await edit.current.run({ ask: () => Promise.resolve({ data: null, sequence: 4 }), say: 'Done.' })));
    expect(asked).toHaveBeenCalledOnce();
    expect(screen.getByRole('button', { name: 'Undo' })).toBeTruthy();
  });
});
