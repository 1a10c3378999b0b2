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
    expect(rulerReading(finding({ atMost: null, atLeast: 90 }))).toBe('21.4 of 90 g');
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

describe('the verdict mark', () => {
  it('has a word and a shape of its own for each verdict', () => {
    const marks = (['fits', 'tooClose', 'cannotTell', 'breaks'] as Verdict[]).map((verdict) =>
      renderToStaticMarkup(<VerdictMark verdict={verdict} />),
    );
    expect(new Set(marks.map((mark) => mark.match(/<svg.*<\/svg>/)?.[0])).size).toBe(4);
    for (const word of ['Fits', 'Too close to call', 'Can’t tell', 'Breaks']) expect(marks.some((mark) => mark.includes(word))).toBe(true);
  });
});
