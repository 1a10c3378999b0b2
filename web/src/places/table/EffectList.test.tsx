import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { typedNumber } from '../../pieces/show';
import { EffectList } from './EffectList';
import type { Effect } from './queries';

const effect = (change: Partial<Effect> = {}): Effect => ({
  isDay: true,
  eater: 'Rune',
  what: 'Mon 23 Nov, supper',
  from: 'fits',
  to: 'breaks',
  because: 'Net carbs: 60 g, over 50 g a day.',
  ...change,
});

describe('what a change turns', () => {
  it('says so when it turns nothing', () => {
    expect(renderToStaticMarkup(<EffectList changes={[]} nothing="Nothing turns." />)).toContain('Nothing turns.');
  });

  it('names what, whose, from and to in words, not only by shapes', () => {
    const text = renderToStaticMarkup(<EffectList changes={[effect()]} nothing="" />).replace(/<[^>]+>/g, ' ');
    expect(text).toMatch(/Mon 23 Nov, supper\s+Rune\s+Fits\s+becomes\s+Breaks/);
  });

  it('keeps every change, also of two eaters on one day', () => {
    const html = renderToStaticMarkup(<EffectList changes={[effect(), effect({ eater: 'Signe', to: 'cannotTell' })]} nothing="" />);
    expect(html.match(/<li/g)).toHaveLength(2);
    expect(html).toContain('Can’t tell');
  });
});

describe('a typed number', () => {
  it.each([
    ['', null],
    ['  ', null],
    ['12', 12],
    ['12.5', 12.5],
    ['12,5', 12.5],
    ['0', 0],
  ])('reads %j as %j', (typed, value) => expect(typedNumber(typed)).toBe(value));

  it.each(['twelve', '1.2.3', '1,2,3', '12 g'])('does not take %j for a number', (typed) => expect(typedNumber(typed)).toBeNaN());
});
