import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { api, type Schemas, take } from '../../api/client';
import type { operations } from '../../api/schema';

export type Row = Schemas['LibraryRow'];
export type Sort = 'name' | 'energy' | 'protein' | 'netCarbohydrate' | 'handsOn' | 'minutes' | 'keeps' | 'number';

/** Numbers of a portion that have a column of their own. */
export const shownNumbers = ['energy', 'protein', 'netCarbohydrate'];

/** What is looked for, as it stands in the address. */
export const filterNames = [
  'search',
  'meal',
  'eater',
  'verdict',
  'handsOn',
  'minutes',
  'appliance',
  'keeps',
  'freezes',
  'liked',
  'collection',
  'number',
  'atLeast',
  'atMost',
] as const;
export type Filters = Partial<Record<(typeof filterNames)[number] | 'sort' | 'down', string>>;

/** Filters live in the address: they can be kept as a bookmark and sent to somebody. */
export function useFilters(): [Filters, (change: Filters) => void] {
  const [params, setParams] = useSearchParams();
  const filters: Filters = Object.fromEntries(params);
  // What was chosen a moment ago may not be drawn yet: the address knows it.
  const now = (): Filters => Object.fromEntries(new URLSearchParams(window.location.search));
  const set = (change: Filters) =>
    setParams(
      Object.entries({ ...now(), ...change }).filter((one): one is [string, string] => one[1] !== undefined && one[1] !== ''),
      { replace: true },
    );
  return [filters, set];
}

const count = (text: string | undefined) => (text ? Number(text) : undefined);

type Query = NonNullable<operations['GetLibrary']['parameters']['query']>;

/** What is not looked for is not said. */
const asked = (filters: Filters, skip: number) =>
  Object.fromEntries(
    Object.entries({
      Search: filters.search,
      Meal: filters.meal,
      Eater: filters.eater,
      Verdict: filters.verdict,
      HandsOn: count(filters.handsOn),
      Minutes: count(filters.minutes),
      Appliance: filters.appliance,
      Keeps: count(filters.keeps),
      Freezes: filters.freezes === 'yes' || undefined,
      Liked: filters.liked === 'yes' || undefined,
      Collection: filters.collection,
      Number: filters.number,
      AtLeast: count(filters.atLeast),
      AtMost: count(filters.atMost),
      Sort: filters.sort,
      Down: filters.down === 'yes' || undefined,
      Skip: skip,
    }).filter(([, value]) => value !== undefined && value !== ''),
  ) as Query;

/** Rows a page at a time. */
export const useLibrary = (filters: Filters) =>
  useInfiniteQuery({
    queryKey: ['recipes', 'library', filters],
    placeholderData: keepPreviousData,
    initialPageParam: 0,
    queryFn: ({ pageParam }: { pageParam: number }) =>
      take(
        api.GET('/api/recipes/library', {
          params: { query: asked(filters, pageParam) },
        }),
      ),
    getNextPageParam: (last, pages) => {
      const shown = pages.reduce((sum, page) => sum + page.rows.length, 0);
      return shown < last.found ? shown : undefined;
    },
  });
