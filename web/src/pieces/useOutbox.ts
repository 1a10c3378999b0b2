import { type QueryKey, useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { api, kept, Problem, type Schemas, withId } from '../api/client';
import { useNotices } from './Notice';
import { inOutbox, openOutbox, takeFromOutbox, type Waiting, watchOutbox } from './outbox';

/** What this device has still to tell the server, oldest first. */
export const useWaiting = () => useSyncExternalStore(watchOutbox, inOutbox);

const retryAfter = 4_000;

function send(act: Waiting) {
  const path = { params: { path: { date: act.week } }, ...withId(act.id) };
  return act.kind === 'shop'
    ? kept(api.PUT('/api/weeks/{date}/shop/tick', { ...path, body: act.body }))
    : kept(api.PUT('/api/weeks/{date}/sessions/tick', { ...path, body: act.body }));
}

/** Where an act shows, and how. */
function shownIn(act: Waiting): [QueryKey, (page: never) => unknown] {
  return act.kind === 'shop'
    ? [['shop', act.week], (page: Schemas['ShopPage']) => withShopTicks(page, [act])]
    : [['session', act.week], (page: Schemas['SessionPage'][]) => withTaskTicks(page, [act])];
}

/** A refusal would be the same the next time; without an answer, or with a server that is busy, it may go. */
const isFinal = (problem: Problem) => problem.status >= 400 && problem.status < 500 && ![401, 403, 408, 429].includes(problem.status);

/** Sends what waits, one after the other, as soon as there is a network. */
export function useSender(person: Schemas['PersonState']) {
  const queries = useQueryClient();
  const { refused } = useNotices();
  const whose = `${person.household} ${person.email}`;
  useEffect(() => {
    openOutbox(whose);
    let isSending = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const flush = async () => {
      clearTimeout(timer);
      if (isSending) return;
      isSending = true;
      try {
        for (let act = inOutbox()[0]; act; act = inOutbox()[0]) {
          const [key, draw] = shownIn(act);
          try {
            await send(act);
          } catch (problem) {
            if (!(problem instanceof Problem && isFinal(problem))) {
              timer = setTimeout(() => void flush(), retryAfter);
              return;
            }
            takeFromOutbox(act.id);
            refused(problem);
            void queries.invalidateQueries({ queryKey: key });
            continue;
          }
          await queries.cancelQueries({ queryKey: key });
          queries.setQueryData(key, (page: unknown) => (page === undefined ? page : draw(page as never)));
          takeFromOutbox(act.id);
        }
      } finally {
        isSending = false;
      }
    };
    const watch = watchOutbox(() => void flush());
    const online = () => void flush();
    window.addEventListener('online', online);
    void flush();
    return () => {
      watch();
      clearTimeout(timer);
      window.removeEventListener('online', online);
    };
  }, [queries, refused, whose]);
}

/** The list with the ticks that are on their way. */
export function withShopTicks(page: Schemas['ShopPage'], waiting: readonly Waiting[]): Schemas['ShopPage'] {
  const ticks = new Map(
    waiting.flatMap((act) => (act.kind === 'shop' && act.week === page.start ? [[act.body.key, act.body.isTicked]] : [])),
  );
  if (ticks.size === 0) return page;
  const aisles = page.aisles.map((aisle) => ({
    ...aisle,
    items: aisle.items.map((one) => ({ ...one, isTicked: ticks.get(one.key) ?? one.isTicked })),
  }));
  return { ...page, aisles, ticked: aisles.flatMap((aisle) => aisle.items).filter((one) => one.isTicked).length };
}

/** The sessions with the ticks that are on their way. */
export function withTaskTicks(pages: Schemas['SessionPage'][], waiting: readonly Waiting[]): Schemas['SessionPage'][] {
  const ticks = new Map(
    waiting.flatMap((act) => (act.kind === 'task' ? [[`${act.body.batchId} ${act.body.taskId}`, act.body.isTicked] as const] : [])),
  );
  if (ticks.size === 0) return pages;
  return pages.map((page) => ({
    ...page,
    tasks: page.tasks.map((task) => ({ ...task, isTicked: ticks.get(`${task.batchId} ${task.taskId}`) ?? task.isTicked })),
  }));
}
