import type { QueryClient } from '@tanstack/react-query';

/** The first word of a query's key: what an edit, a live message or the outbox asks anew by it. A word that is not here does not compile. */
export type Asked =
  | 'account'
  | 'check'
  | 'diary'
  | 'exchange'
  | 'foods'
  | 'group'
  | 'join'
  | 'keeping'
  | 'larder'
  | 'log'
  | 'members'
  | 'packet'
  | 'portioning'
  | 'recipes'
  | 'rule-kinds'
  | 'session'
  | 'shelf'
  | 'shop'
  | 'solve'
  | 'table'
  | 'week';

declare module '@tanstack/react-query' {
  interface Register {
    queryKey: readonly [Asked, ...unknown[]];
  }
}

/** Everything under these words is read again; what nobody looks at, when it is next looked at. */
export const askAnew = (queries: QueryClient, words: readonly Asked[]) =>
  Promise.all(words.map((word) => queries.invalidateQueries({ queryKey: [word] })));
