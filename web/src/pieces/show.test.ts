import { afterEach, describe, expect, it } from 'vitest';
import {
  addDays,
  amount,
  countsInOunces,
  mealChoices,
  mealName,
  minutes,
  number,
  numbersLine,
  portions,
  range,
  showAs,
  temperature,
  typedNumber,
  weekday,
  weekNamed,
  weekOrder,
  weekStart,
} from './show';

describe('dates', () => {
  it('start the week on the Sunday of any of its days', () => {
    for (let day = 22; day <= 28; day++) expect(weekStart(`2026-11-${day}`)).toBe('2026-11-22');
    expect(weekStart('2026-11-29')).toBe('2026-11-29');
  });
  it('fall back to this week where an address names no date', () => {
    const today = '2026-11-26';
    expect(['2026-11-18', 'now', undefined, '2026-13-40', '18 Nov'].map((date) => weekNamed(date, today))).toEqual([
      '2026-11-15',
      '2026-11-22',
      '2026-11-22',
      '2026-11-22',
      '2026-11-22',
    ]);
  });
  it('step over months, years and the hour that summer time takes', () => {
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(addDays('2026-03-28', 2)).toBe('2026-03-30');
    expect(weekday('2026-11-22')).toBe('Sun');
  });
});

describe('numbers', () => {
  it('show portions as people say them', () => {
    expect([0.25, 0.5, 0.75, 1, 1.5, 2.25, 6].map(portions)).toEqual(['¼', '½', '¾', '1', '1½', '2¼', '6']);
  });
  it('never show an unknown part as a bare number', () => {
    expect(amount({ low: 5, best: 6.54, high: null }, 'g', 1)).toBe('at least 6.5 g');
    expect(amount({ low: 5, best: 6.54, high: 7 }, 'g', 1)).toBe('6.5 g');
    expect(amount({ low: 1, best: 1, high: 1 }, 'points', 1)).toBe('1 point');
    expect(amount({ low: 1.5, best: 1.5, high: 1.5 }, 'points', 1)).toBe('1.5 points');
    expect(range({ low: 5, best: 6, high: null }, 'g', 1)).toBe('a part unknown');
  });
  it('leave out a range without width', () => {
    expect(range({ low: 6, best: 6, high: 6 }, 'g', 1)).toBe('');
    expect(range({ low: 5.5, best: 6, high: 7 }, 'g', 1)).toBe('5.5 to 7 g');
  });
  it('stand on one line for a container, each with what it is', () => {
    const measure = (name: string, unit: string, best: number) => ({
      key: name,
      name,
      unit,
      decimals: 1,
      value: { low: best, best, high: best },
    });
    expect(numbersLine([measure('Energy', 'kcal', 323), measure('Net carbs', 'g', 14.7), measure('Points', 'points', 4.5)])).toBe(
      '323 kcal · net carbs 14.7 g · 4.5 points',
    );
  });
  it('show long minutes in hours', () => {
    expect([45, 60, 125].map(minutes)).toEqual(['45 min', '1 h 00', '2 h 05']);
  });
});

describe('a household’s own way to count', () => {
  const usual = { numberFormat: 'point', units: 'metric', firstDay: 'sunday' as const, meals: [] };
  afterEach(() => showAs(usual));

  it('writes a comma where the household does', () => {
    showAs({ ...usual, numberFormat: 'comma' });
    expect(number(1234.5)).toBe('1.234,5');
    expect(temperature(180)).toBe('180 °C');
  });

  it('says degrees Fahrenheit where the household counts in ounces', () => {
    // 350 °F = 177 °C, 400 °F = 204 °C: domain.md section 11, value 12.
    showAs({ ...usual, units: 'us' });
    expect([temperature(177), temperature(204)]).toEqual(['351 °F', '399 °F']);
    expect(countsInOunces()).toBe(true);
  });

  it('begins the week on the day it chose', () => {
    showAs({ ...usual, firstDay: 'monday' });
    expect(['2026-11-22', '2026-11-23', '2026-11-29'].map(weekStart)).toEqual(['2026-11-16', '2026-11-23', '2026-11-23']);
    expect(weekOrder()).toEqual([1, 2, 3, 4, 5, 6, 0]);
  });

  it('calls its meals by their names, also one that is planned no more', () => {
    showAs({
      ...usual,
      meals: [
        { key: 'bite', name: 'merienda', isFormer: false },
        { key: 'tea', name: 'tea', isFormer: true },
      ],
    });
    expect(['bite', 'tea', 'brunch'].map(mealName)).toEqual(['merienda', 'tea', 'brunch']);
    expect(mealChoices()).toEqual([['bite', 'merienda']]);
  });

  it('reads numbers as the page writes them, thousands too', () => {
    const as = (numberFormat: 'point' | 'comma') => showAs({ numberFormat, units: 'metric', firstDay: 'sunday', meals: [] });
    const read = (...typed: string[]) => typed.map(typedNumber);
    as('point');
    expect(read('1,858', '1,858.5', '12,345,678', '1 858', '1’858', '1\u202f858')).toEqual([1858, 1858.5, 12345678, 1858, 1858, 1858]);
    expect(read('1.5', '1,5', '0,125', '1.858', '12,34', '1234,5')).toEqual([1.5, 1.5, 0.125, 1.858, 12.34, 1234.5]);
    expect(read('', ' ', '7')).toEqual([null, null, 7]);
    expect(read('1,85 8', 'two', '1,2,3', '1,8585')).toEqual([Number.NaN, Number.NaN, Number.NaN, 1.8585]);
    as('comma');
    expect(read('1.858', '1.858,5', '1,858', '1.5', '1,5')).toEqual([1858, 1858.5, 1.858, 1.5, 1.5]);
    as('point');
  });
});
