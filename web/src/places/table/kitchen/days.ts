import type { Schemas } from '../../../api/client';

export type Day = Schemas['DayOfWeek'];

/** Weekdays in the order of a week that is cooked for on the evening before. */
export const days: [Day, string][] = [
  ['saturday', 'Saturday, the evening before'],
  ['sunday', 'Sunday'],
  ['monday', 'Monday'],
  ['tuesday', 'Tuesday'],
  ['wednesday', 'Wednesday'],
  ['thursday', 'Thursday'],
  ['friday', 'Friday'],
];
