import { type ComponentType, type LazyExoticComponent, lazy } from 'react';

const waits = [500, 1_500, 4_000];
const reloaded = 'loaded-anew';

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

const network = () =>
  navigator.onLine ? Promise.resolve() : new Promise<void>((resolve) => window.addEventListener('online', () => resolve(), { once: true }));

/** Whether the page has not been loaded anew for this reason a moment ago: then it would go round in a circle. */
function mayReload() {
  const isNew = Date.now() - Number(sessionStorage.getItem(reloaded) ?? 0) > 60_000;
  if (isNew) sessionStorage.setItem(reloaded, String(Date.now()));
  return isNew;
}

/**
 * A part of the program, however long the network takes to come back. What the server no longer has belongs to an older program: the
 * page is loaded anew.
 */
export async function fetched<T>(load: () => Promise<T>, reload = () => location.reload()): Promise<T> {
  for (const wait of waits) {
    try {
      return await load();
    } catch {
      await network();
      await pause(wait);
    }
  }
  return load().catch((lost) => {
    if (!mayReload()) throw lost;
    reload();
    return new Promise<T>(() => {});
  });
}

const pages: (() => Promise<unknown>)[] = [];

/** A page that is fetched when it is opened, or before by {@link fetchTheRest}. */
export function later<P>(load: () => Promise<ComponentType<P>>): LazyExoticComponent<ComponentType<P>> {
  pages.push(load);
  return lazy(() => fetched(load).then((page) => ({ default: page })));
}

/**
 * Fetches what was not opened yet, one page after the other: in the kitchen and in the shop the network drops. The browser keeps what it
 * has, and what does not come now is asked for again when it is opened.
 */
export async function fetchTheRest() {
  for (const load of pages) {
    if (navigator.onLine) await load().catch(() => {});
  }
}
