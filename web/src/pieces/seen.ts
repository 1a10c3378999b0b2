import type { QueryFunctionContext } from '@tanstack/react-query';
import { clear, createStore, get, set, type UseStore } from 'idb-keyval';
import { Problem } from '../api/client';

/** What was last seen, on this device: Shop, Session and Shelf are looked at where there is no network. */
let opened: UseStore | undefined;
let whose = '';

const store = () => {
  opened ??= createStore('merienda', 'seen');
  return opened;
};

/** Each person of a household has their own. */
export function openSeen(person: string) {
  whose = person;
}

/**
 * Asks the server and keeps the answer; where there is no network, what was last seen. What is on the screen already is newer than that, and
 * stays.
 */
export async function seen<T>(key: string, { client, queryKey }: QueryFunctionContext, ask: () => Promise<T>): Promise<T> {
  const isThere = client.getQueryData(queryKey) !== undefined;
  const place = `${key === 'account' ? '' : whose} ${key}`;
  try {
    const answer = await ask();
    // A full or locked device keeps nothing; what is on the screen is there all the same.
    void keep(place, answer).catch(() => {});
    return answer;
  } catch (error) {
    if (isThere || (error instanceof Problem && error.status > 0)) throw error;
    const kept = await get<T>(place, store()).catch(() => undefined);
    if (kept === undefined) throw error;
    return kept;
  }
}

const keep = async (place: string, answer: unknown) => set(place, answer, store());

/** Nobody else who uses this device sees it. */
export const forgetSeen = async () => clear(store()).catch(() => {});
