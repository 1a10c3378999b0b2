import { useSyncExternalStore } from 'react';

/** A scale streams what lies on it, g; what is below zero was tared with something on it. */
export type Scale = { watch: (tell: (grams: number) => void) => () => void };

export type ScaleKind = 'none' | 'simulated' | 'serial';

const factors: Record<string, number> = { g: 1, kg: 1000, oz: 28.3495, lb: 453.592 };

/** Grams of a line of a scale's wire or file: a number and its unit, grams where it has none; null for anything else. */
export function gramsOf(line: string): number | null {
  const read = /(?<sign>[+−-]?)\s*(?<number>\d+(?:[.,]\d+)?)\s*(?<unit>kg|g|oz|lb)?\b/i.exec(line);
  if (!read?.groups) return null;
  const grams = Number(read.groups.number?.replace(',', '.')) * (factors[(read.groups.unit ?? 'g').toLowerCase()] ?? 1);
  return /[-−]/.test(read.groups.sign ?? '') ? -grams : grams;
}

const lookBack = 4;
const steadyWithin = 2;

/** Whether nothing moves: the last readings are within 2 g of each other. */
export const isSteady = (readings: readonly number[]) =>
  readings.length >= lookBack && Math.max(...readings.slice(-lookBack)) - Math.min(...readings.slice(-lookBack)) <= steadyWithin;

let load = 0;

/** The scale that ships: what is put on it is said on the screen, and it swings before it is still, as a real one does. */
export const simulated: Scale & { put: (grams: number) => void; holds: () => number } = {
  put: (grams) => {
    load = Math.max(0, grams);
  },
  holds: () => load,
  watch: (tell) => {
    let [shown, swing] = [load, 0];
    const timer = setInterval(() => {
      if (shown !== load) [shown, swing] = [load, 24];
      swing = Math.trunc(-swing / 2);
      tell(shown + swing);
    }, 150);
    return () => clearInterval(timer);
  },
};

/** Lines that come one after the other: of a wire, or of a file that stands in for it. */
export function lineScale(lines: AsyncIterable<string>): Scale {
  return {
    watch: (tell) => {
      let isOver = false;
      void (async () => {
        for await (const line of lines) {
          if (isOver) return;
          const grams = gramsOf(line);
          if (grams !== null) tell(grams);
        }
      })().catch(() => {});
      return () => {
        isOver = true;
      };
    },
  };
}

type Port = { open: (options: { baudRate: number }) => Promise<void>; readable: ReadableStream<BufferSource> };

async function* linesOf(port: Port): AsyncGenerator<string> {
  let rest = '';
  const reader = port.readable.pipeThrough(new TextDecoderStream()).getReader();
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const parts = (rest + read.value).split(/\r?\n/);
    rest = parts.pop() ?? '';
    yield* parts;
  }
}

const serial = () => (navigator as { serial?: { requestPort: () => Promise<Port> } }).serial;

export const hasSerial = () => serial() !== undefined;

type Shown = { kind: ScaleKind; grams: number | null; isSteady: boolean };

let shown: Shown = { kind: 'none', grams: null, isSteady: false };
let stop: (() => void) | undefined;
const listeners = new Set<() => void>();

function show(next: Shown) {
  shown = next;
  for (const listener of listeners) listener();
}

/** Listens to another scale, or to none. */
export async function chooseScale(kind: ScaleKind) {
  stop?.();
  stop = undefined;
  show({ kind, grams: null, isSteady: false });
  let scale: Scale | null = kind === 'simulated' ? simulated : null;
  if (kind === 'serial') {
    try {
      const port = await serial()?.requestPort();
      await port?.open({ baudRate: 9600 });
      scale = port ? lineScale(linesOf(port)) : null;
    } catch {
      // Nothing was chosen, or another program has it.
    }
    if (!scale) return show({ kind: 'none', grams: null, isSteady: false });
  }
  const readings: number[] = [];
  stop = scale?.watch((grams) => {
    readings.push(grams);
    if (readings.length > lookBack) readings.shift();
    const next = { kind, grams, isSteady: isSteady(readings) };
    if (next.grams !== shown.grams || next.isSteady !== shown.isSteady) show(next);
  });
}

/** What the scale says now. */
export const useScale = () =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
    () => shown,
  );
