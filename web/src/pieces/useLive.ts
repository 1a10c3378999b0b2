import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { isOwnEdit } from '../api/client';
import { type Asked, askAnew } from '../api/keys';

/** Kinds after which only these are asked anew; after any other everything is. */
const touched: Record<string, Asked[]> = {
  tick: ['shop', 'session'],
  diary: ['diary'],
  batch: ['week', 'shop', 'session', 'portioning', 'shelf', 'larder', 'log'],
  box: ['week', 'portioning', 'shelf', 'larder', 'log'],
  log: ['week', 'portioning', 'shelf', 'larder', 'log', 'shop'],
};

/** Long enough for the answer to an own edit to arrive, short enough to feel at once, ms. */
const settling = 200;

/**
 * Follows what others of the household do: what they change is asked anew within a second. A hidden page does not listen (browsers give
 * a site few connections) and catches up when it is looked at.
 */
export function useLive() {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource | null = null;
    let last: number | null = null;
    const waiting = new Map<number, string>();
    let timer: ReturnType<typeof setTimeout> | undefined;

    const settle = () => {
      // An edit of this page that is on its way brings its own answer; what shows already must not flicker back.
      if (queries.isMutating() > 0) {
        timer = setTimeout(settle, settling);
        return;
      }
      const kinds = new Set([...waiting].filter(([sequence]) => !isOwnEdit(sequence)).map(([, kind]) => kind));
      waiting.clear();
      timer = undefined;
      for (const kind of kinds) {
        const keys = touched[kind];
        void (keys ? askAnew(queries, keys) : queries.invalidateQueries());
      }
    };
    const hear = (event: MessageEvent<string>) => {
      const { sequence, kind } = JSON.parse(event.data) as { sequence: number; kind: string };
      last = sequence;
      if (kind === 'here') return;
      waiting.set(sequence, kind);
      timer ??= setTimeout(settle, settling);
    };
    const listen = () => {
      if (document.visibilityState === 'hidden') {
        source?.close();
        source = null;
      } else if (!source) {
        source = new EventSource(last === null ? '/api/live' : `/api/live?since=${last}`);
        source.addEventListener('edit', hear);
      }
    };
    listen();
    document.addEventListener('visibilitychange', listen);
    return () => {
      document.removeEventListener('visibilitychange', listen);
      clearTimeout(timer);
      source?.close();
    };
  }, [queries]);
}
