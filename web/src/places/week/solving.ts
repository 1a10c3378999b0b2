import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, kept, Problem, type Schemas, take } from '../../api/client';
import { askAnew } from '../../api/keys';
import { useEdit } from '../../pieces/useEdit';
import type { Board, Place } from './queries';
import { placeKey } from './selection';

export type SolvePage = Schemas['SolvePage'];
export type SolveRequest = Schemas['SolveRequest'];
export type ProposedMeal = Schemas['ProposedMeal'];
export type Goal = Schemas['SolveGoal'];

/** How often a search is looked at while it runs, ms. */
const lookEvery = 500;

const taken: Record<SolvePage['kind'], string> = {
  fill: 'The week is filled.',
  mend: 'The week is mended.',
  more: 'The bites are on the board.',
  less: 'The bites are left out.',
};

const isAtWork = (page: SolvePage | undefined) => page?.state === 'waiting' || page?.state === 'running';

export type Loosening = Schemas['Loosening'];

export const asUsual = (kind: SolveRequest['kind']): SolveRequest => ({
  kind,
  eaters: null,
  days: null,
  goals: null,
  isCertainOnly: false,
  mostTimes: null,
  minutesASession: null,
  withoutReady: null,
});

export const useChoices = (date: string) =>
  useQuery({
    queryKey: ['solve', date, 'choices'],
    queryFn: () => take(api.GET('/api/weeks/{date}/solve/choices', { params: { path: { date } } })),
    // What there is for a meal may have come since.
    refetchOnMount: 'always',
  });

/** What is sought and proposed for a week: the board as it would be, which of its meals are left alone, and what can be done with it. */
export function useSolving(board: Board) {
  const date = board.start;
  const week = { params: { path: { date } } };
  const queries = useQueryClient();
  const edit = useEdit();
  const [without, setWithout] = useState<ReadonlyMap<string, Place>>(new Map());
  const key = ['solve', date] as const;
  const now = useQuery({
    queryKey: key,
    queryFn: () => take(api.GET('/api/weeks/{date}/solve', week)),
    refetchInterval: ({ state }) => (isAtWork(state.data) ? lookEvery : false),
  });
  const page = now.data?.jobId ? now.data : null;
  const proposed = useQuery({
    queryKey: ['solve', date, 'board', page?.jobId, page?.revision, [...without.keys()], board.undo?.sequence],
    queryFn: () => take(api.POST('/api/weeks/{date}/solve/board', { ...week, body: { without: [...without.values()] } })),
    enabled: page !== null && page.meals > 0,
    placeholderData: keepPreviousData,
  });
  /** As it was asked for last; after a reload, as it is usually asked for. */
  const [last, setLast] = useState<SolveRequest | null>(null);
  const settle = (answer: SolvePage) => queries.setQueryData(key, answer);
  const ask = useMutation({
    mutationFn: (request: SolveRequest) => {
      setLast(request);
      return take(api.POST('/api/weeks/{date}/solve', { ...week, body: request }));
    },
    onSuccess: (answer) => {
      setWithout(new Map());
      settle(answer);
    },
  });
  const stop = useMutation({ mutationFn: () => take(api.POST('/api/weeks/{date}/solve/stop', week)), onSuccess: settle });
  const forget = useMutation({
    mutationFn: () => api.DELETE('/api/weeks/{date}/solve', week),
    onSuccess: () => queries.invalidateQueries({ queryKey: key }),
  });
  const meals = new Map((page && proposed.data ? proposed.data.meals : []).map((meal) => [placeKey(meal.place), meal]));
  return {
    page,
    isAtWork: isAtWork(page ?? undefined),
    /** The board as it would be; null while nothing is proposed. */
    board: page && page.meals > 0 && proposed.data && !proposed.data.problem ? proposed.data.board : null,
    newBatches: proposed.data?.newBatches ?? [],
    problem: proposed.data?.problem ?? null,
    refused: ask.error instanceof Problem ? ask.error : null,
    /** What was refused is read. */
    dismiss: () => ask.reset(),
    isAsking: ask.isPending,
    meals,
    isLeft: (place: Place) => without.has(placeKey(place)),
    left: [...without.keys()].filter((place) => meals.has(place)).length,
    ask: (request: SolveRequest) =>
      ask.mutateAsync(request).then(
        () => true,
        () => false,
      ),
    stop: () => stop.mutate(),
    forget: () => forget.mutate(),
    /** States a number for this week only, and seeks again. */
    loosen: async ({ eater, protocol, rule, atLeast, atMost, says }: Loosening) => {
      const until = board.days.at(-1) ?? date;
      const isDone = await edit.run({
        say: `${says} holds this week; afterwards what held before.`,
        ask: () =>
          kept(
            api.PUT('/api/table/eaters/{eater}/allowance', {
              params: { path: { eater } },
              body: { protocol, rule, atLeast, atMost, clinicalTeam: false, from: date, until },
            }),
          ),
      });
      if (isDone) ask.mutate(last ?? asUsual(page?.kind ?? 'fill'));
    },
    toggle: (place: Place) => {
      const next = new Map(without);
      if (!next.delete(placeKey(place))) next.set(placeKey(place), place);
      setWithout(next);
    },
    take: () =>
      page?.jobId
        ? edit.run({
            say: taken[page.kind],
            ask: () =>
              kept(
                api.POST('/api/weeks/{date}/solve/take', { ...week, body: { jobId: page.jobId ?? '', without: [...without.values()] } }),
              ),
            settle: async (answer) => {
              queries.setQueryData(['week', date], answer);
              await askAnew(queries, ['solve', 'shop', 'session', 'portioning', 'shelf', 'larder', 'log']);
            },
          })
        : Promise.resolve(false),
  };
}

export type Solving = ReturnType<typeof useSolving>;
