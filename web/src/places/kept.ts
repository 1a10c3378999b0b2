import { type QueryClient, queryOptions } from '@tanstack/react-query';
import { api, take } from '../api/client';
import { seen } from '../pieces/seen';
import { chosenEater } from './log/chosenEater';

/** What is looked at in the shop, at the stove and at the fridge, also where there is no network. */
export const shopQuery = (date: string, session: string | null) =>
  queryOptions({
    queryKey: ['shop', date, session],
    queryFn: (asked) =>
      seen(`shop ${date} ${session ?? ''}`, asked, () =>
        take(api.GET('/api/weeks/{date}/shop', { params: { path: { date }, query: session === null ? {} : { session } } })),
      ),
  });

export const sessionQuery = (date: string) =>
  queryOptions({
    queryKey: ['session', date],
    queryFn: (asked) => seen(`session ${date}`, asked, () => take(api.GET('/api/weeks/{date}/sessions', { params: { path: { date } } }))),
  });

export const shelfQuery = (date: string) =>
  queryOptions({
    queryKey: ['shelf', date],
    queryFn: (asked) => seen(`shelf ${date}`, asked, () => take(api.GET('/api/weeks/{date}/shelf', { params: { path: { date } } }))),
  });

export const portioningQuery = (date: string) =>
  queryOptions({
    queryKey: ['portioning', date],
    queryFn: (asked) =>
      seen(`portioning ${date}`, asked, () => take(api.GET('/api/weeks/{date}/portioning', { params: { path: { date } } }))),
  });

export const logQuery = (date: string, day: string | null, eater: string | null) =>
  queryOptions({
    queryKey: ['log', date, day, eater],
    queryFn: (asked) =>
      seen(`log ${date} ${day ?? ''} ${eater ?? ''}`, asked, () =>
        take(
          api.GET('/api/weeks/{date}/log', {
            params: { path: { date }, query: { ...(day ? { day } : {}), ...(eater ? { eater } : {}) } },
          }),
        ),
      ),
  });

/** Asks for them beforehand on a device that is carried about: the week to plan next, and what is eaten now. */
export function keepAhead(queries: QueryClient, date: string, now: string) {
  if (!matchMedia('(pointer: coarse)').matches) return;
  void queries.prefetchQuery(shopQuery(date, null));
  void queries.prefetchQuery(sessionQuery(date));
  void queries.prefetchQuery(shelfQuery(now));
  void queries.prefetchQuery(logQuery(now, null, chosenEater()));
}
