import { describe, expect, it } from 'vitest';
import { countdown, minuteOf, type Page, timeOf } from './steps';

describe('countdown', () => {
  it.each([
    [245, '4:05'],
    [59.9, '0:59'],
    [3_605, '1:00:05'],
    [-20, '−0:20'],
    [0, '0:00'],
  ])('%s seconds are %s', (seconds, said) => expect(countdown(seconds)).toBe(said));
});

describe('timeOf', () => {
  it('shows what the clocks show, also when they change in the middle of a session', () => {
    const page = { beginsAt: '2026-10-25T00:30:00Z', timeZone: 'Europe/Lisbon' } as Page;
    expect([0, 29, 30, 60].map((minute) => timeOf(page, minute))).toEqual(['1:30', '1:59', '1:00', '1:30']);
    expect([minuteOf(page, '01:59'), minuteOf(page, '02:05'), minuteOf(page, '')]).toEqual([29, 95, null]);
  });
});
