import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Kept, kept, type Schemas, take } from '../../api/client';
import { guess, useEdit } from '../../pieces/useEdit';

export type Board = Schemas['WeekBoard'];
export type Batch = Schemas['BoardBatch'];
export type Container = Schemas['BoardContainer'];
export type Place = Schemas['BoardPlace'];

export const useWeek = (date: string) =>
  useQuery({ queryKey: ['week', date], queryFn: () => take(api.GET('/api/weeks/{date}', { params: { path: { date } } })) });

export const samePlace = (one: Place | null, other: Place | null) =>
  one?.date === other?.date && one?.meal === other?.meal && one?.eaterId === other?.eaterId;

/** The board with one portion moved, before the server has confirmed it; rulers wait for the answer. */
export function moved(board: Board, batchId: string, containerId: string, to: Place | null): Board {
  return {
    ...board,
    batches: board.batches.map((batch) =>
      batch.id === batchId
        ? { ...batch, containers: batch.containers.map((box) => (box.id === containerId ? { ...box, place: to } : box)) }
        : batch,
    ),
  };
}

/** The board with one portion of another size, before the server has confirmed it. */
export function sized(board: Board, batchId: string, containerId: string, size: number): Board {
  return {
    ...board,
    batches: board.batches.map((batch) =>
      batch.id === batchId
        ? { ...batch, containers: batch.containers.map((box) => (box.id === containerId ? { ...box, size } : box)) }
        : batch,
    ),
  };
}

/** Every edit of the board. It shows at once, the server's answer replaces it, a refusal rolls it back and says why. */
export function useBoardEdits(date: string) {
  const queries = useQueryClient();
  const edit = useEdit();
  const key = ['week', date];
  const run = (act: { ask: () => Promise<Kept<Board>>; say: string; guess?: (board: Board) => Board }) =>
    edit.run({
      ask: act.ask,
      say: act.say,
      guess: act.guess && guess(key, act.guess),
      settle: (board) => {
        queries.setQueryData(key, board);
        for (const place of ['shop', 'session', 'shelf', 'larder']) void queries.invalidateQueries({ queryKey: [place] });
      },
    });

  const path = (batch: Batch, container?: Container) => ({ params: { path: { date, batch: batch.id, container: container?.id ?? '' } } });
  return {
    isBusy: edit.isPending,
    undo: () => edit.undo(null),
    make: (recipeId: string, cookedOn: string, portions: number) =>
      run({
        say: 'The batch is on the bench.',
        ask: () => kept(api.POST('/api/weeks/{date}/batches', { params: { path: { date } }, body: { recipeId, cookedOn, portions } })),
      }),
    renewProtocols: () =>
      run({
        say: 'The week is judged by the rules as they are now.',
        ask: () => kept(api.POST('/api/weeks/{date}/protocols/renew', { params: { path: { date } } })),
      }),
    resize: (batch: Batch, portions: number) =>
      run({
        say: `${batch.letter} makes ${portions} portions.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/batches/{batch}/portions', { ...path(batch), body: { portions } })),
      }),
    remove: (batch: Batch) =>
      run({
        say: `${batch.letter} is off the bench.`,
        ask: () => kept(api.DELETE('/api/weeks/{date}/batches/{batch}', path(batch))),
      }),
    place: (batch: Batch, to: Place) => {
      const loose = batch.containers.find((box) => box.place === null && box.goneOn === null);
      return run({
        say: `${batch.letter} is placed.`,
        ask: () => kept(api.POST('/api/weeks/{date}/batches/{batch}/place', { ...path(batch), body: { to } })),
        ...(loose ? { guess: (board: Board) => moved(board, batch.id, loose.id, to) } : {}),
      });
    },
    move: (batch: Batch, container: Container, to: Place | null) => {
      const from = container.place;
      if (!from || samePlace(from, to)) return;
      void run({
        say: to ? `${batch.letter} is moved.` : `${batch.letter} is back on the bench.`,
        ask: () =>
          kept(
            api.POST('/api/weeks/{date}/batches/{batch}/containers/{container}/move', { ...path(batch, container), body: { from, to } }),
          ),
        guess: (board: Board) => moved(board, batch.id, container.id, to),
      });
    },
    size: (batch: Batch, container: Container, to: number) =>
      run({
        say: `The portion of ${batch.letter} is changed.`,
        ask: () =>
          kept(
            api.PUT('/api/weeks/{date}/batches/{batch}/containers/{container}/size', {
              ...path(batch, container),
              body: { from: container.size, to },
            }),
          ),
        guess: (board: Board) => sized(board, batch.id, container.id, to),
      }),
  };
}

export type BoardEdits = ReturnType<typeof useBoardEdits>;
