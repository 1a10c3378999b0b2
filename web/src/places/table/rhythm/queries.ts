import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, kept, type Schemas, take } from '../../../api/client';
import { dayKeys } from '../../../pieces/show';
import { useEdit } from '../../../pieces/useEdit';

export type Rhythm = Pick<Schemas['RhythmSheet'], 'firstDay' | 'meals' | 'prepDays'>;
export type PrepDay = Schemas['PrepDay'];
export type Meal = Schemas['SaidMeal'];
export type Day = Schemas['DayOfWeek'];

export const dayWord = (day: Day) => `${day[0]?.toUpperCase()}${day.slice(1)}`;

export const dayChoices: [Day, string][] = dayKeys.map((day) => [day, dayWord(day)]);

/** The weekday so many days after another. */
export const dayAfter = (day: Day, days: number): Day => dayKeys[(dayKeys.indexOf(day) + days) % 7] ?? day;

/** A day of cooking like any other, of which the first is eaten on the day after. */
export const newPrepDay = (day: Day): PrepDay => ({ day, start: '14:00:00', cooks: 1, name: 'prep', eatenAfter: 1 });

export const useRhythm = () => useQuery({ queryKey: ['table', 'rhythm'], queryFn: () => take(api.GET('/api/table/rhythm')) });

/** Changes how the week goes; every place is drawn by it, so everything is asked anew. */
export function useRhythmEdit() {
  const queries = useQueryClient();
  const edit = useEdit();
  return {
    problem: edit.problem,
    isPending: edit.isPending,
    keep: ({ firstDay, meals, prepDays }: Rhythm, say: string) =>
      edit.run({
        say,
        ask: () => kept(api.PUT('/api/table/rhythm', { body: { firstDay, meals, prepDays } })),
        isTold: true,
        settle: async () => {
          // Weeks are told by their first day: what was drawn under another must not flash up.
          queries.removeQueries({ queryKey: ['week'] });
          await queries.invalidateQueries();
        },
      }),
  };
}
