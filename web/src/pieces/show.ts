import type { Schemas, Verdict } from '../api/client';

type Estimate = Schemas['ShownEstimate'];

/** How the household writes numbers and measures; set once the account is known. */
const habit = { locale: 'en-GB', isUs: false };

export function showAs(numberFormat: string, units: string) {
  habit.locale = numberFormat === 'comma' ? 'de-DE' : 'en-GB';
  habit.isUs = units === 'us';
}

export const countsInOunces = () => habit.isUs;

/** "180 °C", or "356 °F" where the household counts so. */
export const temperature = (celsius: number) => (habit.isUs ? `${Math.round((celsius * 9) / 5 + 32)} °F` : `${celsius} °C`);

/** A number with at most so many decimals, trailing zeros dropped. */
export function number(value: number, decimals = 2): string {
  return value.toLocaleString(habit.locale, { maximumFractionDigits: decimals });
}

/** Portions as people say them: ½, 1, 1½, 2.25 */
export function portions(size: number): string {
  const whole = Math.floor(size);
  const part = { 0: '', 0.25: '¼', 0.5: '½', 0.75: '¾' }[size - whole];
  if (part === undefined) return number(size);
  return whole === 0 && part ? part : `${whole}${part}`;
}

/** "6.5 g", or "at least 6.5 g" when a part is unknown. */
export function amount(value: Estimate, unit: string, decimals: number): string {
  return `${value.high === null ? 'at least ' : ''}${number(value.best, decimals)} ${unit}`;
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

/** The Sunday that a date's week starts on. */
export function weekStart(date: string): string {
  return addDays(date, -day(date).getUTCDay());
}

/** "2 h 05" of minutes. */
export function minutes(total: number): string {
  return total < 60 ? `${total} min` : `${Math.floor(total / 60)} h ${String(total % 60).padStart(2, '0')}`;
}
