import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Kept, kept, type Schemas, take, withId } from '../../api/client';
import { askAnew } from '../../api/keys';
import { longDate, mealName } from '../../pieces/show';
import { guess, useEdit } from '../../pieces/useEdit';

export type Board = Schemas['WeekBoard'];
export type Batch = Schemas['BoardBatch'];
export type Serving = Schemas['BoardServing'];
export type Item = Schemas['BoardItem'];
export type Size = Schemas['BoardSize'];
export type FreezeShare = Schemas['FreezeShare'];
export type VariantPortions = Schemas['VariantPortions'];
export type Place = Schemas['BoardPlace'];

export const lotName = (lot: { variant: string | null }) => lot.variant ?? 'as written';

const weekKey = (date: string) => ['week', date] as const;

export const useWeek = (date: string) =>
  useQuery({ queryKey: weekKey(date), queryFn: () => take(api.GET('/api/weeks/{date}', { params: { path: { date } } })) });

export const samePlace = (one: Place | null, other: Place | null) =>
  one?.date === other?.date && one?.meal === other?.meal && one?.eaterId === other?.eaterId;

const plain = (place: Place, items: Item[]): Serving => ({ place, items, state: 'planned', isLocked: false, note: '' });

/** The board with a thing put last into a meal, before the server has confirmed it; rulers wait for the answer. */
function put(board: Board, item: Item, to: Place): Board {
  const isThere = board.servings.some((serving) => samePlace(serving.place, to));
  return {
    ...board,
    servings: isThere
      ? board.servings.map((serving) => (samePlace(serving.place, to) ? { ...serving, items: [...serving.items, item] } : serving))
      : [...board.servings, plain(to, [item])],
  };
}

/** The board with a thing moved, or with null taken back. */
export function moved(board: Board, itemId: string, to: Place | null): Board {
  const item = board.servings.flatMap((serving) => serving.items).find((one) => one.id === itemId);
  const without = {
    ...board,
    servings: board.servings.map((serving) => ({ ...serving, items: serving.items.filter((one) => one.id !== itemId) })),
  };
  return item && to ? put(without, item, to) : without;
}

/** The board with a portion of the batch drawn for a meal; the answer brings its numbers. */
export function drawn(board: Board, batch: Batch, id: string, to: Place, wanted: number | null = null): Board {
  const usual = wanted ?? board.eaters.find((eater) => eater.id === to.eaterId)?.usualPortion ?? 1;
  const size = usual <= batch.loose ? usual : Math.min(1, batch.loose);
  const item: Item = {
    id,
    kind: 'draw',
    batchId: batch.id,
    // Which of several it is the server says.
    lotId: batch.lots[0]?.id ?? null,
    name: batch.name,
    text: null,
    portions: size,
    size: { amount: size, isInGrams: false },
    parts: null,
    keptIn: null,
    eatBy: null,
    thaw: null,
    freezing: null,
    isEaten: false,
    doubt: null,
    numbers: [],
  };
  return {
    ...put(board, item, to),
    batches: board.batches.map((one) => (one.id === batch.id ? { ...one, loose: one.loose - size, placed: one.placed + size } : one)),
  };
}

/** The board with one portion of another size. */
export function sized(board: Board, itemId: string, size: Size): Board {
  return {
    ...board,
    servings: board.servings.map((serving) => ({
      ...serving,
      items: serving.items.map((item) =>
        item.id === itemId ? { ...item, size, portions: size.isInGrams ? item.portions : size.amount } : item,
      ),
    })),
  };
}

type Saying = Pick<Serving, 'state' | 'isLocked' | 'note'>;

/** The board with something said of a meal. */
export function said(board: Board, place: Place, saying: Saying): Board {
  return board.servings.some((serving) => samePlace(serving.place, place))
    ? { ...board, servings: board.servings.map((serving) => (samePlace(serving.place, place) ? { ...serving, ...saying } : serving)) }
    : { ...board, servings: [...board.servings, { ...plain(place, []), ...saying }] };
}

/** Every edit of the board. It shows at once, the server's answer replaces it, a refusal rolls it back and says why. */
export function useBoardEdits(date: string) {
  const queries = useQueryClient();
  const edit = useEdit();
  const key = weekKey(date);
  const run = (act: {
    ask: () => Promise<Kept<Board>>;
    say: string | ((board: Board) => string);
    guess?: (board: Board) => Board;
    last?: () => void;
    isTold?: boolean;
  }) =>
    edit.run({
      ...act,
      guess: act.guess && guess(key, act.guess),
      settle: (board) => {
        queries.setQueryData(key, board);
        void askAnew(queries, ['shop', 'session', 'portioning', 'shelf', 'larder', 'log']);
      },
    });
  const week = { params: { path: { date } } };
  const path = (batch: Batch) => ({ params: { path: { date, batch: batch.id } } });
  const at = (item: Item) => ({ params: { path: { date, item: item.id } } });
  const size = (item: Item, to: Size) =>
    run({
      say: `The portion of ${item.name} is changed.`,
      ask: () =>
        kept(
          api.PUT('/api/weeks/{date}/items/{item}/size', {
            ...at(item),
            body: { from: item.size ?? { amount: 1, isInGrams: false }, to },
          }),
        ),
      guess: (board: Board) => sized(board, item.id, to),
    });
  return {
    isBusy: edit.isPending,
    undo: () => edit.undo(null),
    make: (recipeId: string, cookedOn: string, portions: number, variants: VariantPortions[]) =>
      run({
        say: 'The batch is on the bench.',
        ask: () =>
          kept(api.POST('/api/weeks/{date}/batches', { params: { path: { date } }, body: { recipeId, cookedOn, portions, variants } })),
        isTold: true,
      }),
    /** What the days of an eater are shown with. */
    pin: (eater: { id: string; name: string }, measures: string[]) =>
      edit.run({
        say: `${eater.name}’s days are shown so.`,
        guess: guess<Board>(key, (board) => ({
          ...board,
          eaters: board.eaters.map((one) => (one.id === eater.id ? { ...one, pinned: measures } : one)),
        })),
        ask: () => kept(api.PUT('/api/table/eaters/{eater}/pinned', { params: { path: { eater: eater.id } }, body: { measures } })),
      }),
    renewProtocols: () =>
      run({
        say: 'The week is judged by the rules as they are now.',
        ask: () => kept(api.POST('/api/weeks/{date}/protocols/renew', { params: { path: { date } } })),
      }),
    cookOn: (batch: Batch, on: string) =>
      run({
        say: `${batch.letter} is cooked on ${longDate(on)}.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/batches/{batch}/session', { ...path(batch), body: { date: on } })),
      }),
    /** What would be past its time becomes a batch of the later session. */
    cookLater: (batch: Batch, on: string) =>
      run({
        say: `What ${batch.letter} is too old for is cooked on ${longDate(on)}.`,
        ask: () => kept(api.POST('/api/weeks/{date}/batches/{batch}/later', path(batch))),
      }),
    resize: (batch: Batch, portions: number) =>
      run({
        say: `${batch.letter} makes ${portions} portions.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/batches/{batch}/portions', { ...path(batch), body: { portions } })),
      }),
    /** How many portions are cooked in which variant; the others are as written. */
    split: (batch: Batch, portions: number, variants: VariantPortions[]) =>
      run({
        say: `${batch.letter} is cooked so.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/batches/{batch}/portions', { ...path(batch), body: { portions, variants } })),
      }),
    freeze: (item: Item, isFrozen: boolean) =>
      run({
        say: isFrozen ? `${item.name} goes into the freezer.` : `${item.name} stays in the fridge.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/items/{item}/freezing', { ...at(item), body: { isFrozen } })),
      }),
    freezeBatch: (batch: Batch, share: FreezeShare) =>
      run({
        say:
          share === 'nothing'
            ? `${batch.letter} stays in the fridge as long as it keeps.`
            : `${share === 'half' ? 'The later half of ' : ''}${batch.letter} goes into the freezer.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/batches/{batch}/freezing', { ...path(batch), body: { share } })),
      }),
    /** The same dish in another variant. */
    changeLot: (item: Item, to: string) =>
      run({
        say: `${item.name} is another variant now.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/items/{item}/lot', { ...at(item), body: { from: item.lotId ?? to, to } })),
      }),
    remove: (batch: Batch) =>
      run({
        say: `${batch.letter} is off the bench.`,
        ask: () => kept(api.DELETE('/api/weeks/{date}/batches/{batch}', path(batch))),
      }),
    place: (
      batch: Batch,
      to: Place,
      { parts = null, lotId = null, portions = null }: { parts?: string[] | null; lotId?: string | null; portions?: number | null } = {},
    ) => {
      // The portion bears the edit's id, so that it can be spoken of before the answer is there.
      const id = crypto.randomUUID();
      return run({
        say: `${batch.letter} is placed.`,
        ask: () =>
          kept(
            api.POST('/api/weeks/{date}/batches/{batch}/place', { ...path(batch), ...withId(id), body: { to, parts, lotId, portions } }),
          ),
        ...(batch.loose > 0 && !parts ? { guess: (board: Board) => drawn(board, batch, id, to, portions) } : {}),
      });
    },
    /** Portions of a batch or something bought, instead of what stands there or beside it; a planned batch grows by what it lacks. */
    put: (to: Place, thing: Schemas['BestThing'], instead: Item | null) =>
      run({
        say: instead ? `${thing.name} instead of ${instead.name}.` : `${thing.name} is on the board.`,
        ask: () =>
          kept(
            api.POST('/api/weeks/{date}/put', {
              ...week,
              body: {
                place: to,
                instead: instead?.id ?? null,
                batchId: thing.batchId,
                lotId: thing.lotId,
                portions: thing.portions,
                ready: thing.ready,
              },
            }),
          ),
      }),
    move: (item: Item, from: Place, to: Place | null) => {
      if (samePlace(from, to)) return;
      void run({
        say: to ? `${item.name} is moved.` : item.kind === 'draw' ? `${item.name} is back on the bench.` : `${item.text} is off the board.`,
        ask: () => kept(api.POST('/api/weeks/{date}/items/{item}/move', { ...at(item), body: { from, to } })),
        guess: (board: Board) => moved(board, item.id, to),
      });
    },
    size,
    /** By steps from what shows now, however quickly it is pressed. */
    sizeBy: (itemId: string, more: number) => {
      const item = queries
        .getQueryData<Board>(key)
        ?.servings.flatMap((serving) => serving.items)
        .find((one) => one.id === itemId);
      if (item?.size && !item.size.isInGrams) void size(item, { amount: item.size.amount + more, isInGrams: false });
    },
    /** The size at which the tightest ruler of the day is full. */
    fit: (item: Item) =>
      run({ say: `${item.name} fits the day.`, ask: () => kept(api.POST('/api/weeks/{date}/items/{item}/fit', at(item))) }),
    placeRow: (batch: Batch, meal: string, eaterId: string) =>
      run({
        say: `${batch.letter} stands in each ${mealName(meal)} that was open.`,
        ask: () => kept(api.POST('/api/weeks/{date}/batches/{batch}/row', { ...path(batch), body: { meal, eaterId } })),
      }),
    repeatDay: (from: string, to: string, say: string) =>
      run({ say, ask: () => kept(api.POST('/api/weeks/{date}/days/repeat', { ...week, body: { from, to } })) }),
    swapDays: (from: string, to: string, say: string) =>
      run({ say, ask: () => kept(api.POST('/api/weeks/{date}/days/swap', { ...week, body: { from, to } })) }),
    /** Makes a portion of one meal smaller and one of another larger. */
    shift: (body: Schemas['ShiftRequest']) =>
      run({
        say: (board: Board) => `${board.undo?.summary ?? 'It went over'}.`,
        ask: () => kept(api.POST('/api/weeks/{date}/days/shift', { ...week, body })),
      }),
    copyWeek: (to: string, withMeals: boolean, last: (start: string) => void) =>
      edit.run({
        ask: () => kept(api.POST('/api/weeks/{date}/copy', { ...week, body: { to, withMeals } })),
        say: ({ batches, placed, left }) =>
          `${batches} ${batches === 1 ? 'batch' : 'batches'} copied${placed > 0 ? `, ${placed} things placed` : ''}${left > 0 ? `; ${left} could not stand there` : ''}.`,
        last: ({ start }) => last(start),
      }),
    addReady: (to: Place, line: string, food: string | null, last: () => void) =>
      run({
        say: `${line.trim()} is on the board.`,
        ask: () => kept(api.POST('/api/weeks/{date}/ready', { ...week, body: { to, line, food } })),
        last,
        isTold: true,
      }),
    reword: (item: Item, to: string) =>
      run({
        say: `It is ${to.trim()} now.`,
        ask: () => kept(api.PUT('/api/weeks/{date}/items/{item}/text', { ...at(item), body: { from: item.text ?? '', to, food: null } })),
      }),
    order: (place: Place, items: string[]) =>
      run({
        say: 'The meal has another order.',
        ask: () => kept(api.PUT('/api/weeks/{date}/order', { ...week, body: { place, items } })),
      }),
    say: (place: Place, saying: Saying, say: string) =>
      run({
        say,
        ask: () => kept(api.PUT('/api/weeks/{date}/serving', { ...week, body: { place, ...saying } })),
        guess: (board: Board) => said(board, place, saying),
      }),
    problem: edit.problem,
  };
}

export type BoardEdits = ReturnType<typeof useBoardEdits>;
