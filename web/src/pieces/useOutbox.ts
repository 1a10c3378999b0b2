import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { api, kept, Problem, type Schemas, withId } from '../api/client';
import type { Asked } from '../api/keys';
import { useNotices } from './Notice';
import { type NotTaken, notTaken } from './notTaken';
import { inOutbox, openOutbox, type Waiting, watchOutbox } from './outbox';
import { sendAll } from './sender';
import { useEdit } from './useEdit';

/** What this device has still to tell the server, oldest first. */
export const useWaiting = () => useSyncExternalStore(watchOutbox, inOutbox);

const retryAfter = 4_000;

function send(act: Waiting): Promise<{ sequence: number | null }> {
  const id = withId(act.id);
  switch (act.kind) {
    case 'shop':
      return kept(api.PUT('/api/weeks/{date}/shop/tick', { params: { path: { date: act.week } }, ...id, body: act.body }));
    case 'task':
      return kept(api.PUT('/api/weeks/{date}/sessions/tick', { params: { path: { date: act.week } }, ...id, body: act.body }));
    case 'fill':
      return act.batch === null
        ? kept(api.PUT('/api/weeks/{date}/sessions/{day}/portioned', { params: { path: { date: act.week, day: act.day } }, ...id }))
        : kept(api.PUT('/api/weeks/{date}/batches/{batch}/portioned', { params: { path: { date: act.week, batch: act.batch } }, ...id }));
    case 'weigh': {
      const path = { date: act.week, batch: act.batch };
      return kept(api.PUT('/api/weeks/{date}/batches/{batch}/yield', { params: { path }, ...id, body: act.body }));
    }
    case 'eaten':
      return kept(api.PUT('/api/weeks/{date}/log', { params: { path: { date: act.week } }, ...id, body: act.body }));
    case 'extra':
      return kept(api.POST('/api/weeks/{date}/log/extra', { params: { path: { date: act.week } }, ...id, body: act.body }));
    case 'box': {
      const path = { batch: act.batch, box: act.box };
      return kept(api.POST('/api/batches/{batch}/boxes/{box}/events', { params: { path }, ...id, body: act.body }));
    }
  }
}

/** Where an act shows. */
const shownIn: Record<Waiting['kind'], Asked[]> = {
  shop: ['shop'],
  task: ['session'],
  box: ['shelf', 'week', 'larder', 'portioning', 'log'],
  fill: ['portioning', 'shelf', 'week', 'larder', 'log'],
  weigh: ['portioning', 'shelf', 'week', 'larder', 'log'],
  eaten: ['log', 'week', 'shelf', 'larder', 'portioning', 'shop'],
  extra: ['log', 'week', 'shelf', 'larder', 'portioning', 'shop'],
};

async function seenAnew(queries: QueryClient, words: readonly Asked[]): Promise<boolean> {
  try {
    await Promise.all(words.map((word) => queries.invalidateQueries({ queryKey: [word], refetchType: 'all' }, { throwOnError: true })));
    return true;
  } catch (problem) {
    return problem instanceof Problem && problem.status > 0;
  }
}

/** Sends what waits, one after the other, as soon as there is a network. */
export function useSender(person: Schemas['PersonState']) {
  const queries = useQueryClient();
  const { done, refused } = useNotices();
  const { undo } = useEdit();
  const undoing = useRef(undo);
  useEffect(() => {
    undoing.current = undo;
  });
  const whose = `${person.household} ${person.email}`;
  useEffect(() => {
    let isSending = false;
    const lost: NotTaken[] = [];
    let timer: ReturnType<typeof setTimeout> | undefined;
    const flush = async () => {
      clearTimeout(timer);
      if (isSending) return;
      isSending = true;
      try {
        const isAllSent = await sendAll({
          send,
          undo: (sequence, id) => kept(api.POST('/api/undo', { ...withId(id), body: { sequence } })),
          settled: (act) => seenAnew(queries, shownIn[act.kind]),
          done: (act, sequence) => {
            if (act.kind === 'box' || act.kind === 'fill' || act.kind === 'weigh')
              done(act.say, sequence === null ? undefined : () => undoing.current(sequence));
          },
          refused: (problem, act) => lost.push({ problem, act }),
        });
        if (lost.length > 0) refused(notTaken(lost.splice(0)));
        if (!isAllSent) timer = setTimeout(() => void flush(), retryAfter);
      } finally {
        isSending = false;
      }
    };
    const watch = watchOutbox(() => void flush());
    const online = () => void flush();
    window.addEventListener('online', online);
    void openOutbox(whose);
    return () => {
      watch();
      clearTimeout(timer);
      window.removeEventListener('online', online);
    };
  }, [queries, done, refused, whose]);
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

/** The sessions with what is said of their steps and on its way. */
export function withTaskTicks(pages: Schemas['SessionPage'][], waiting: readonly Waiting[]): Schemas['SessionPage'][] {
  const said = new Map(
    waiting.flatMap((act) => (act.kind === 'task' ? [[`${act.body.batchId} ${act.body.taskId}`, act.body] as const] : [])),
  );
  if (said.size === 0) return pages;
  return pages.map((page) => ({
    ...page,
    tasks: page.tasks.map((task) => {
      const body = said.get(`${task.batchId} ${task.taskId}`);
      return body
        ? {
            ...task,
            isTicked: body.isTicked,
            put: body.put ?? null,
            handsOffAt: body.handsOffAt ?? null,
            untilAt: body.untilAt ?? null,
            doneAt: body.doneAt ?? null,
            isSkipped: body.isSkipped ?? false,
          }
        : task;
    }),
  }));
}
