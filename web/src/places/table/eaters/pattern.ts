import type { Schemas } from '../../../api/client';

export type Source = Schemas['MealSource'];

export const weekdays = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

export const sourceWord: Record<Source, string> = {
  prep: 'from the prep',
  fresh: 'bought or made fresh',
  out: 'eats out',
  nothing: 'nothing',
};

const sources: Source[] = ['prep', 'fresh', 'out', 'nothing'];

/** What a press makes of it. */
export const next = (source: Source): Source => sources[(sources.indexOf(source) + 1) % sources.length] ?? 'prep';
