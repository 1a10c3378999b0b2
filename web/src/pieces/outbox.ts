import { createStore, promisifyRequest, type UseStore } from 'idb-keyval';
import type { Schemas } from '../api/client';

/**
 * What is done with wet hands or in a shop without a network: it is kept on the device until the server has it. `say` names it where it
 * was done, or could not be.
 */
export type Act = { say: string } & (
  | { kind: 'shop'; week: string; body: Schemas['ShopTickRequest'] }
  | { kind: 'task'; week: string; body: Schemas['StepRequest'] }
  | { kind: 'eaten'; week: string; body: Schemas['LogRequest'] }
  | { kind: 'extra'; week: string; body: Schemas['ExtraRequest'] }
  /** Fills the boxes of a batch, or of all batches of a day. */
  | { kind: 'fill'; week: string; batch: string | null; day: string }
  | { kind: 'weigh'; week: string; batch: string; body: Schemas['YieldRequest'] }
  | { kind: 'box'; batch: string; box: string; body: Schemas['BoxEventRequest'] }
);

/**
 * `id` is the edit's, so that what is sent twice is done once. What was tried may have arrived though no answer came; taken back after
 * that, it has the id of the edit that undoes it. `at` orders the acts, in ms. `isKept` says that the device has it: it outlives the page.
 */
export type Waiting = Act & { id: string; at: number; isKept?: true; isTried?: true; undoId?: string };

/** What is stored of an act: the act itself, that it was tried, the id that undoes it. Each is written once and never read before. */
type Mark = 0 | 1 | 2;
type Row = { key: [string, number, string, Mark]; value: unknown };

let opened: UseStore | undefined;
async function store<T>(mode: IDBTransactionMode, work: (marks: IDBObjectStore) => Promise<T>): Promise<T> {
  opened ??= createStore('merienda-outbox', 'marks');
  return opened(mode, work);
}

const listeners = new Set<() => void>();
const underWay = new Set<Promise<boolean>>();
const tabs = new BroadcastChannel('merienda.outbox');
let whose = '';
let waiting: readonly Waiting[] = [];
let turn = 0;

function show(acts: readonly Waiting[]) {
  turn++;
  waiting = acts;
  for (const listener of listeners) listener();
}

/**
 * Shown at once; written in one step that needs no answer, so that a page that is left in the next moment has it under way already.
 * @returns whether the device has it
 */
function change(acts: readonly Waiting[], write: (marks: IDBObjectStore) => void): Promise<boolean> {
  show(acts);
  const written = store('readwrite', (marks) => {
    write(marks);
    marks.transaction.commit();
    return promisifyRequest(marks.transaction);
  }).then(
    () => true,
    () => false,
  );
  underWay.add(written);
  void written.then((isWritten) => {
    underWay.delete(written);
    if (isWritten) tabs.postMessage(whose);
  });
  return written;
}

const marksOf = (person: string) => IDBKeyRange.bound([person], [person, []]);
const marksOfAct = ({ at, id }: Waiting) => IDBKeyRange.bound([whose, at, id], [whose, at, id, []]);

async function readRows(person: string): Promise<Row[]> {
  return store('readonly', async (marks) => {
    const [keys, values] = await Promise.all([
      promisifyRequest(marks.getAllKeys(marksOf(person))),
      promisifyRequest(marks.getAll(marksOf(person))),
    ]);
    return keys.map((key, at) => ({ key: key as Row['key'], value: values[at] }));
  });
}

function fold(rows: readonly Row[]): Waiting[] {
  const acts: Waiting[] = [];
  for (const { key, value } of rows) {
    const [, at, id, mark] = key;
    const last = acts.at(-1);
    if (mark === 0) acts.push({ ...(value as Act), id, at, isKept: true });
    // A mark whose act is gone was written by a tab that did not know it yet.
    else if (last?.id === id) acts[acts.length - 1] = mark === 1 ? { ...last, isTried: true } : { ...last, undoId: value as string };
  }
  return acts;
}

/** What is stored counts: another tab may have put or sent something. What this device could not keep stays as long as the page. */
async function look(): Promise<void> {
  await Promise.all(underWay);
  const [person, began] = [whose, turn];
  const rows = await readRows(person).catch(() => null);
  if (rows === null || person !== whose) return;
  if (began !== turn) return look();
  show([...fold(rows), ...waiting.filter((one) => !one.isKept)].sort((a, b) => a.at - b.at));
}

tabs.onmessage = ({ data }) => {
  if (data === whose) void look();
};

/** Each person of a household has their own, also on a shared device. */
export async function openOutbox(person: string): Promise<void> {
  if (person !== whose) {
    whose = person;
    show([]);
  }
  await look();
}

const withChange = (id: string, draw: (act: Waiting) => Waiting) => waiting.map((one) => (one.id === id ? draw(one) : one));

/** @returns when it is kept; a device that keeps nothing has it as long as the page is open. */
export async function putIntoOutbox(act: Act): Promise<void> {
  // The order is the presses', also when the device's clock was set back between two of them.
  const at = Math.max(Date.now(), (waiting.at(-1)?.at ?? 0) + 1);
  const put: Waiting = { ...act, id: crypto.randomUUID(), at };
  if (await change([...waiting, put], (marks) => marks.put(act, [whose, at, put.id, 0])))
    show(withChange(put.id, (one) => ({ ...one, isKept: true })));
}

const find = (id: string) => waiting.find((one) => one.id === id);

export async function takeFromOutbox(id: string): Promise<void> {
  const act = find(id);
  const rest = waiting.filter((one) => one.id !== id);
  if (act) await change(rest, (marks) => marks.delete(marksOfAct(act)));
}

export async function tried(id: string): Promise<void> {
  const act = find(id);
  if (act && !act.isTried)
    await change(
      withChange(id, (one) => ({ ...one, isTried: true })),
      (marks) => marks.put(true, [whose, act.at, id, 1]),
    );
}

/** As if it had never been said; what the server may have by now is undone there. */
export async function takeBack(id: string): Promise<void> {
  const act = find(id);
  if (!act?.isTried) return takeFromOutbox(id);
  const undoId = act.undoId ?? crypto.randomUUID();
  await change(
    withChange(id, (one) => ({ ...one, undoId })),
    (marks) => marks.put(undoId, [whose, act.at, id, 2]),
  );
}

export const inOutbox = () => waiting;

export function watchOutbox(listener: () => void) {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}
