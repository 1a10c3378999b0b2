import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Schemas, Verdict } from '../api/client';
import { VerdictMark } from './Lozenge';
import { Ruler, rulerReading } from './Ruler';

const finding = (change: Partial<Schemas['ShownFinding']> = {}): Schemas['ShownFinding'] => ({
  rule: 'net-carbs',
  title: 'Net carbs',
  verdict: 'fits',
  unit: 'g',
  decimals: 1,
  isQuotient: false,
  value: { low: 20, best: 21.44, high: 23 },
  atLeast: null,
  atMost: 25,
  per: 'day',
  contributors: [],
  because: '',
  cure: null,
  notes: [],
  isHardStop: false,
  needsAllowance: false,
  ...change,
});

describe('the ruler', () => {
  it('reads value of limit with the unit', () => {
    expect(rulerReading(finding())).toBe('21.4 of 25 g');
    expect(rulerReading(finding({ value: { low: 20, best: 20, high: null } }))).toBe('≥ 20 of 25 g');
    expect(rulerReading(finding({ unit: 'points', value: { low: 20, best: 20.5, high: 21 }, atMost: 24 }))).toBe('20.5 of 24');
    expect(rulerReading(finding({ atMost: null, atLeast: 90 }))).toBe('21.4 of at least 90 g');
    expect(rulerReading(finding({ atMost: null }))).toBe('21.4 g');
  });
  it('says floor and ceiling at once, and of a share what it is', () => {
    const energy = { unit: 'kcal', decimals: 0, value: { low: 1200, best: 1236, high: 1260 } };
    expect(rulerReading(finding({ ...energy, atLeast: 1330, atMost: 1470 }))).toBe('1,236 of 1,330–1,470 kcal');
    const share = { isQuotient: true, unit: '%', decimals: 0, value: { low: 70, best: 75, high: 80 } };
    expect(rulerReading(finding({ ...share, atMost: 55 }))).toBe('75 %, at most 55 %');
    expect(rulerReading(finding({ ...share, atMost: null, atLeast: 55 }))).toBe('75 %, at least 55 %');
    const ratio = { isQuotient: true, unit: '', decimals: 2, value: { low: 1, best: 1.03, high: 1.1 } };
    expect(rulerReading(finding({ ...ratio, atLeast: 0.8, atMost: 1.2 }))).toBe('1.03, 0.8–1.2');
  });
  it('says verdict and reading to those who do not see it', () => {
    expect(renderToStaticMarkup(<Ruler finding={finding({ verdict: 'breaks' })} />)).toContain(
      'aria-label="Net carbs: 21.4 of 25 g, Breaks"',
    );
  });
  it('hatches the range only where there is one, and marks each limit', () => {
    expect(renderToStaticMarkup(<Ruler finding={finding()} />)).toContain('hatched');
    expect(renderToStaticMarkup(<Ruler finding={finding({ value: { low: 21, best: 21, high: 21 } })} />)).not.toContain('hatched');
    expect(renderToStaticMarkup(<Ruler finding={finding({ atLeast: 10 })} />).match(/viewBox="0 0 8 12"/g)).toHaveLength(2);
  });
});

describe('what nothing limits', () => {
  it('has a number and neither stick nor verdict', () => {
    const drawn = renderToStaticMarkup(<Ruler finding={finding({ atMost: null })} />);
    expect(drawn).toContain('21.4 g');
    expect(drawn).not.toContain('svg');
    expect(drawn).not.toContain('role="img"');
  });
});

describe('the verdict mark', () => {
  it('has a word and a shape of its own for each verdict', () => {
    const marks = (['fits', 'tooClose', 'cannotTell', 'breaks'] as Verdict[]).map((verdict) =>
      renderToStaticMarkup(<VerdictMark verdict={verdict} />),
    );
    expect(new Set(marks.map((mark) => mark.match(/<svg.*<\/svg>/)?.[0])).size).toBe(4);
    for (const word of ['Fits', 'Too close to call', 'Can’t tell', 'Breaks']) expect(marks.some((mark) => mark.includes(word))).toBe(true);
  });
});
