import { describe, expect, it } from 'vitest';
import { rulerScale } from './rulerScale';

const finding = (best: number, high: number | null, atMost: number | null, atLeast: number | null = null) => ({
  value: { low: best, best, high },
  atMost,
  atLeast,
});

describe('the ruler’s scale', () => {
  it('ends past the value, its range and the limit, whichever lies farthest', () => {
    for (const [best, high, most] of [
      [20, 22, 25],
      [57.5, 61, 50],
      [0, 0, 24],
      [1400, 1500, 1400],
      [3, 9, 4],
    ] as const) {
      const { end } = rulerScale(finding(best, high, most));
      expect(end).toBeGreaterThan(Math.max(high, most));
      expect(end).toBeLessThan(Math.max(high, most) * 1.5);
    }
  });
  it('has evenly spaced ticks, a handful, all inside', () => {
    for (const most of [4, 24, 25, 50, 1700, 90]) {
      const { end, ticks } = rulerScale(finding(most / 2, most / 2, most));
      expect(ticks.length).toBeGreaterThanOrEqual(3);
      expect(ticks.length).toBeLessThanOrEqual(12);
      expect(Math.max(...ticks)).toBeLessThan(end);
    }
  });
  it('draws a stick even when nothing is known', () => {
    expect(rulerScale({ value: null, atMost: null, atLeast: null }).end).toBeGreaterThan(0);
  });
});
