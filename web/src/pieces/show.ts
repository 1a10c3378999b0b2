import type { Schemas, Verdict } from '../api/client';

type Estimate = Schemas['ShownEstimate'];

/** Weekdays as the server names them, Sunday first. */
export const dayKeys = [
  'sunday',
  'monday',
  'tuesday',
  'wednesday',
  'thursday',
  'friday',
  'saturday',
] as const satisfies Schemas['DayOfWeek'][];

/** How the household writes numbers and measures, and how its weeks go; set once the account is known. */
const habit = { locale: 'en-GB', isUs: false, firstDay: 0, meals: [] as { key: string; name: string; isFormer: boolean }[] };

type Habit = Pick<Schemas['PersonState'], 'numberFormat' | 'units' | 'firstDay' | 'meals'>;

export function showAs({ numberFormat, units, firstDay, meals }: Habit) {
  habit.locale = numberFormat === 'comma' ? 'de-DE' : 'en-GB';
  habit.isUs = units === 'us';
  habit.firstDay = dayKeys.indexOf(firstDay);
  habit.meals = meals;
}

/** The meals that are planned. */
export const plannedMeals = () => habit.meals.filter((meal) => !meal.isFormer);

/** What the household calls a meal. */
export const mealName = (key: string) => habit.meals.find((meal) => meal.key === key)?.name ?? key;

/** Keys of its meals in the order of the day, former ones last. */
export const mealOrder = () => habit.meals.map((meal) => meal.key);

/** The meals that are planned, as a choice shows them. */
export const mealChoices = (): [string, string][] => habit.meals.filter((meal) => !meal.isFormer).map((meal) => [meal.key, meal.name]);

/** Places of the weekdays from Sunday, in the order of the household's week. */
export const weekOrder = () => dayKeys.map((_, at) => (habit.firstDay + at) % 7);

export const countsInOunces = () => habit.isUs;

/** "180 °C", or "356 °F" where the household counts so. */
export const temperature = (celsius: number) => (habit.isUs ? `${Math.round((celsius * 9) / 5 + 32)} °F` : `${celsius} °C`);

/** A number with at most so many decimals, trailing zeros dropped. */
export function number(value: number, decimals = 2): string {
  return value.toLocaleString(habit.locale, { maximumFractionDigits: decimals });
}

/** Of the household's money: always with its hundredths. */
export const money = (amount: number) => amount.toLocaleString(habit.locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 });

/**
 * Reads a typed number with either decimal mark; null for nothing, NaN for no number. Three digits behind the mark that the household
 * writes thousands with are thousands: "1,858" is what the page itself shows.
 */
export function typedNumber(typed: string): number | null {
  const text = typed.trim().replace(/(?<=\d)[ \u00a0\u202f’'](?=\d{3}(\D|$))/g, '');
  if (text === '') return null;
  const thousands = habit.locale === 'de-DE' ? '.' : ',';
  const isGrouped = new RegExp(`^[1-9]\\d{0,2}(\\${thousands}\\d{3})+(\\D|$)`).test(text);
  return Number((isGrouped ? text.replaceAll(thousands, '') : text).replace(',', '.'));
}

/** Portions as people say them: ½, 1, 1½, 2.25 */
export function portions(size: number): string {
  const whole = Math.floor(size);
  const part = { 0: '', 0.25: '¼', 0.5: '½', 0.75: '¾' }[size - whole];
  if (part === undefined) return number(size);
  return whole === 0 && part ? part : `${whole}${part}`;
}

/** "6.5 g", "1 point", or "at least 6.5 g" when a part is unknown. */
export function amount(value: Estimate, unit: string, decimals: number): string {
  const best = number(value.best, decimals);
  return `${value.high === null ? 'at least ' : ''}${best} ${unit === 'points' && best === '1' ? 'point' : unit}`;
}

/** A container's numbers on one line: "323 kcal · protein 40.1 g · net carbs 14.7 g · 4.5 points". */
export function numbersLine(measures: Schemas['ShownMeasure'][]): string {
  const saysItself = ['kcal', 'points'];
  const whose = (one: Schemas['ShownMeasure']) => (one.name.includes(', ') ? ` (${one.name.split(', ')[1]})` : '');
  return measures
    .map(
      (one) =>
        `${saysItself.includes(one.unit) ? '' : `${one.name.toLowerCase()} `}${amount(one.value, one.unit, one.decimals)}${whose(one)}`,
    )
    .join(' · ');
}

/** "6.2 to 6.9 g"; empty when there is no width to speak of. */
export function range(value: Estimate, unit: string, decimals: number): string {
  if (value.high === null) return 'a part unknown';
  const [low, high] = [number(value.low, decimals), number(value.high, decimals)];
  return low === high ? '' : `${low} to ${high} ${unit}`;
}

export const verdictWord: Record<Verdict, string> = {
  fits: 'Fits',
  tooClose: 'Too close to call',
  cannotTell: 'Can’t tell',
  breaks: 'Breaks',
};

const day = (date: string) => new Date(`${date}T00:00:00Z`);
const dateFormat = (options: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' });
  return (date: string) => format.format(day(date));
};

export const weekday = dateFormat({ weekday: 'short' });
export const dayMonth = dateFormat({ day: 'numeric', month: 'short' });
export const longDate = dateFormat({ weekday: 'long', day: 'numeric', month: 'long' });

export function addDays(date: string, days: number): string {
  const moved = day(date);
  moved.setUTCDate(moved.getUTCDate() + days);
  return moved.toISOString().slice(0, 10);
}

/** The first day of a date's week. */
export function weekStart(date: string): string {
  return addDays(date, -((day(date).getUTCDay() - habit.firstDay + 7) % 7));
}

/** The week that an address names; what is no date falls back to the one of today. */
export function weekNamed(date: string | undefined, today: string): string {
  return weekStart(date !== undefined && /^\d{4}-\d{2}-\d{2}$/.test(date) && !Number.isNaN(Date.parse(date)) ? date : today);
}

/** "2 h 05" of minutes. */
export function minutes(total: number): string {
  return total < 60 ? `${total} min` : `${Math.floor(total / 60)} h ${String(total % 60).padStart(2, '0')}`;
}
