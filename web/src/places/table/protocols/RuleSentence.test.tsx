import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../../api/client';
import type { Rule } from './document';
import { RuleSentence } from './RuleSentence';

const field = (key: string, type: Schemas['RuleFieldType'], change: Partial<Schemas['KindField']> = {}): Schemas['KindField'] => ({
  key,
  label: key,
  type,
  help: '',
  isRequired: false,
  unit: null,
  min: null,
  max: null,
  options: null,
  ...change,
});

const kind: Schemas['KindSheet'] = {
  key: 'sample',
  name: 'Sample',
  summary: '',
  pattern: '{measure}: at most {atMost} {per}, no {classes}',
  example: '{}',
  fields: [
    field('measure', 'choice', {
      options: [
        { key: 'fat', name: 'Fat' },
        { key: 'sodium', name: 'Sodium' },
      ],
    }),
    field('atMost', 'number', { unit: 'measure' }),
    field('per', 'choice', { options: [{ key: 'day', name: 'a day' }] }),
    field('classes', 'classes'),
    field('asks', 'switch'),
    field('tolerance', 'share'),
    field('called', 'text'),
    field('groups', 'choices', { options: [{ key: 'lactose', name: 'lactose' }] }),
    field('free', 'freeFoods'),
  ],
};
const measures = [
  { key: 'fat', name: 'Fat', unit: 'g' },
  { key: 'sodium', name: 'Sodium', unit: 'mg' },
];
const rule: Rule = {
  kind: 'sample',
  id: 'a',
  measure: 'sodium',
  atMost: 1500,
  per: 'day',
  classes: ['fish'],
  asks: true,
  tolerance: 0.05,
  called: 'Salt',
  groups: ['lactose'],
  free: [{ food: 'gherkins', upTo: 30, per: 'meal' }],
};

const draw = (shown: Rule) =>
  renderToStaticMarkup(
    <QueryClientProvider client={new QueryClient()}>
      <RuleSentence
        rule={shown}
        kind={kind}
        measures={measures}
        classes={[{ key: 'fish', name: 'fish' }]}
        onChange={() => {}}
        onRemove={() => {}}
      />
    </QueryClientProvider>,
  );

describe('a rule as a sentence', () => {
  it('draws every field of the description with its value', () => {
    const html = draw(rule);
    expect(html).toContain('value="1500"');
    expect(html).toMatch(/<option value="sodium" selected="">Sodium/);
    expect(html).toContain('Take fish off classes');
    expect(html).toContain('value="Salt"');
    expect(html).toContain('value="5"'); // five percent
    expect(html).toContain('gherkins is counted again');
    expect(html.match(/checked=""/g)).toHaveLength(2);
  });

  it('takes a number’s unit from the rule’s own measure', () => {
    expect(draw(rule)).toContain('atMost, mg');
    expect(draw({ ...rule, measure: 'fat' })).toContain('atMost, g');
  });

  it('keeps the words of the pattern between the fields, in order', () => {
    const text = draw(rule).replace(/<[^>]+>/g, '|');
    expect(text.indexOf(': at most ')).toBeGreaterThan(-1);
    expect(text.indexOf(', no ')).toBeGreaterThan(text.indexOf(': at most '));
  });

  it('leaves a missing number empty instead of zero', () => {
    const { atMost: _, ...open } = rule;
    expect(draw(open as Rule)).toMatch(/aria-label="atMost, mg"[^>]*value=""/);
  });
});
