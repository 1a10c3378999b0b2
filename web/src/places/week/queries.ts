import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';
import { useNotices } from '../../pieces/Notice';

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

/** Every edit of the board. It shows at once, the server's answer replaces it, a refusal rolls it back and says why. */
export function useBoardEdits(date: string) {
  const queries = useQueryClient();
  const { done, refused } = useNotices();
  const key = ['week', date];

  const settle = (board: Board) => {
    queries.setQueryData(key, board);
    for (const place of ['shop', 'session', 'shelf']) queries.invalidateQueries({ queryKey: [place, date] });
  };
  // Edits and undo go one after the other: an undo pressed at once must not overtake the edit it is meant for.
  const scope = { id: 'week' };
  const undo = useMutation({
    scope,
    mutationFn: (sequence: number | null) => take(api.POST('/api/undo', { body: { sequence } })),
    onSuccess: (undone) => {
      done(`Taken back: ${undone.summary}.`);
      return queries.invalidateQueries();
    },
    onError: refused,
  });

  type Edit = { ask: () => Promise<Board>; say: string; guess?: (board: Board) => Board };
  const edit = useMutation({
    scope,
    mutationFn: ({ ask }: Edit) => ask(),
    onMutate: ({ guess }) => {
      // Not awaited: a move has to show in the same moment.
      void queries.cancelQueries({ queryKey: key });
      const before = queries.getQueryData<Board>(key);
      if (before && guess) queries.setQueryData(key, guess(before));
      return before;
    },
    onSuccess: (board, { say }) => {
      settle(board);
      const sequence = board.undo?.sequence;
      done(say, sequence === undefined ? undefined : () => undo.mutate(sequence));
    },
    onError: (error, _, before) => {
      if (before) queries.setQueryData(key, before);
      queries.invalidateQueries({ queryKey: key });
      refused(error);
    },
  });

  const path = (batch: Batch, container?: Container) => ({ params: { path: { date, batch: batch.id, container: container?.id ?? '' } } });
  return {
    isBusy: edit.isPending,
    undo: () => undo.mutate(null),
    make: (recipeId: string, cookedOn: string, portions: number) =>
      edit.mutateAsync({
        say: 'The batch is on the bench.',
        ask: () => take(api.POST('/api/weeks/{date}/batches', { params: { path: { date } }, body: { recipeId, cookedOn, portions } })),
      }),
    renewProtocols: () =>
      edit.mutate({
        say: 'The week is judged by the newest rules.',
        ask: () => take(api.POST('/api/weeks/{date}/protocols/renew', { params: { path: { date } } })),
      }),
    resize: (batch: Batch, portions: number) =>
      edit.mutate({
        say: `${batch.letter} makes ${portions} portions.`,
        ask: () => take(api.PUT('/api/weeks/{date}/batches/{batch}/portions', { ...path(batch), body: { portions } })),
      }),
    remove: (batch: Batch) =>
      edit.mutate({
        say: `${batch.letter} is off the bench.`,
        ask: () => take(api.DELETE('/api/weeks/{date}/batches/{batch}', path(batch))),
      }),
    place: (batch: Batch, to: Place) => {
      const loose = batch.containers.find((box) => box.place === null && box.goneOn === null);
      edit.mutate({
        say: `${batch.letter} is placed.`,
        ask: () => take(api.POST('/api/weeks/{date}/batches/{batch}/place', { ...path(batch), body: { to } })),
        ...(loose ? { guess: (board: Board) => moved(board, batch.id, loose.id, to) } : {}),
      });
    },
    move: (batch: Batch, container: Container, to: Place | null) => {
      const from = container.place;
      if (!from || samePlace(from, to)) return;
      edit.mutate({
        say: to ? `${batch.letter} is moved.` : `${batch.letter} is back on the bench.`,
        ask: () =>
          take(
            api.POST('/api/weeks/{date}/batches/{batch}/containers/{container}/move', { ...path(batch, container), body: { from, to } }),
          ),
        guess: (board: Board) => moved(board, batch.id, container.id, to),
      });
    },
    size: (batch: Batch, container: Container, to: number) =>
      edit.mutate({
        say: `The portion of ${batch.letter} is changed.`,
        ask: () =>
          take(
            api.PUT('/api/weeks/{date}/batches/{batch}/containers/{container}/size', {
              ...path(batch, container),
              body: { from: container.size, to },
            }),
          ),
      }),
  };
}

export type BoardEdits = ReturnType<typeof useBoardEdits>;
