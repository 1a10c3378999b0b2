import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { MarkedStatement, StatementWords } from './Statement';

const said = (change: Partial<Schemas['ReadStatement']> = {}): Schemas['ReadStatement'] => ({
  text: 'Oats, whey powder, spices.',
  mayContainText: '',
  marks: [
    { start: 6, length: 11, kind: 'leftOut', says: 'milk' },
    { start: 19, length: 6, kind: 'untold', says: 'nobody can tell' },
  ],
  holds: [],
  mayContain: [],
  cannotTell: [],
  ...change,
});

describe('a statement with its words marked', () => {
  it('keeps every letter as it is printed', () => {
    const html = renderToStaticMarkup(<MarkedStatement said={said()} />);
    expect(html.replace(/<[^>]+>/g, '')).toBe('Oats, whey powder, spices.');
  });

  it('marks what is left out and what nobody can tell by different lines, and says what they are', () => {
    const html = renderToStaticMarkup(<MarkedStatement said={said()} />);
    expect(html).toMatch(/<mark title="milk"[^>]*border-beet[^>]*>whey powder<\/mark>/);
    expect(html).toMatch(/<mark title="nobody can tell"[^>]*border-dotted[^>]*>spices<\/mark>/);
  });

  it('shows a text without marks whole', () => {
    expect(renderToStaticMarkup(<MarkedStatement said={said({ marks: [] })} />)).toContain('Oats, whey powder, spices.');
  });

  it('says in words what is in it, what may be, and from what nobody can tell', () => {
    const html = renderToStaticMarkup(
      <StatementWords
        said={said({
          holds: [{ class: 'milk', words: 'whey powder', allergen: 'milk' }],
          mayContain: [{ class: 'sesame', words: 'sesame', allergen: 'sesame' }],
          cannotTell: ['spices'],
        })}
      />,
    ).replace(/<[^>]+>/g, '');
    expect(html).toContain('Holds milk “whey powder”.');
    expect(html).toContain('May contain sesame.');
    expect(html).toContain('Nobody can tell from “spices”.');
  });

  it('says nothing where there is nothing to say', () => {
    expect(renderToStaticMarkup(<StatementWords said={said()} />)).toBe('');
  });
});
