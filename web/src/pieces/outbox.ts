import type { Schemas } from '../api/client';

/** What is done with wet hands or in a shop without a network: it is kept on the device until the server has it. */
export type Act =
  | { kind: 'shop'; week: string; body: Schemas['ShopTickRequest'] }
  | { kind: 'task'; week: string; body: Schemas['StepRequest'] }
  | { kind: 'box'; batch: string; box: string; body: Schemas['BoxEventRequest']; say: string };

/**
 * `id` is the edit's, so that what is sent twice is done once. What was tried may have arrived though no answer came; taken back after
 * that, it has the id of the edit that undoes it.
 */
export type Waiting = Act & { id: string; isTried?: true; undoId?: string };

const listeners = new Set<() => void>();
let key = '';
let waiting: readonly Waiting[] = [];

const read = (): readonly Waiting[] => {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '[]') as Waiting[];
  } catch {
    return [];
  }
};

// Another tab may have put or sent something since: what is stored counts.
function change(draw: (there: readonly Waiting[]) => readonly Waiting[]) {
  waiting = draw(read());
  localStorage.setItem(key, JSON.stringify(waiting));
  for (const listener of listeners) listener();
}

/** Each person of a household has their own, also on a shared device. */
export function openOutbox(whose: string) {
  const next = `merienda.outbox ${whose}`;
  if (next === key) return;
  key = next;
  waiting = read();
  for (const listener of listeners) listener();
}

export const putIntoOutbox = (act: Act) => change((there) => [...there, { ...act, id: crypto.randomUUID() }]);

export const takeFromOutbox = (id: string) => change((there) => there.filter((one) => one.id !== id));

export const tried = (id: string) => change((there) => there.map((one) => (one.id === id ? { ...one, isTried: true } : one)));

/** As if it had never been said; what the server may have by now is undone there. */
export const takeBack = (id: string) =>
  change((there) =>
    there.flatMap((one) => (one.id !== id ? [one] : one.isTried ? [{ ...one, undoId: one.undoId ?? crypto.randomUUID() }] : [])),
  );

export const inOutbox = () => waiting;

export function watchOutbox(listener: () => void) {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}
