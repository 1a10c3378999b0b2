import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import { type Document, freeId, rulesAt, tokens, withRules } from './document';

// Tests run in web/; what is shipped and published stands beside it.
const root = join(process.cwd(), '..');
const read = (path: string) => JSON.parse(readFileSync(join(root, path), 'utf8'));
const shipped = readdirSync(join(root, 'data/protocols')).map((file) => read(`data/protocols/${file}`) as Document);
const points = shipped.find((protocol) => protocol.id === 'points') as Document;

describe('the published schema, judged by a schema library from outside', () => {
  const accepts = new Ajv2020({ strict: false }).compile(read('docs/protocol.schema.json'));
  const changed = (change: (draft: Document) => void) => {
    const draft = structuredClone(points);
    change(draft);
    return draft;
  };

  it.each(shipped.map((protocol) => [protocol.id, protocol] as const))('accepts %s', (_, protocol) => {
    expect(accepts(protocol), JSON.stringify(accepts.errors)).toBe(true);
  });

  it.each([
    ['a step of zero', changed((draft) => Object.assign(draft.scheme ?? {}, { step: 0 }))],
    ['a negative step', changed((draft) => Object.assign(draft.scheme ?? {}, { step: -0.5 }))],
    ['an unknown rounding', changed((draft) => Object.assign(draft.scheme ?? {}, { rounding: 'never' }))],
    ['an unknown kind', changed((draft) => Object.assign(draft, { rules: [{ kind: 'moon', id: 'a' }] }))],
    ['an unknown field', changed((draft) => Object.assign(draft, { colour: 'red' }))],
    ['a limit without a measure', changed((draft) => Object.assign(draft, { rules: [{ kind: 'limit', id: 'a', per: 'day', atMost: 5 }] }))],
    [
      'a bound that is a text',
      changed((draft) => Object.assign(draft, { rules: [{ kind: 'limit', id: 'a', measure: 'fat', per: 'day', atMost: '5' }] })),
    ],
    ['no name', changed((draft) => Reflect.deleteProperty(draft, 'name'))],
  ])('refuses %s', (_, broken) => {
    expect(accepts(broken)).toBe(false);
  });
});

describe('a document in the editor', () => {
  it('takes a pattern apart into words and fields', () => {
    expect(tokens('{measure}: at most {atMost} a day')).toEqual([
      { field: 'measure' },
      { text: ': at most ' },
      { field: 'atMost' },
      { text: ' a day' },
    ]);
  });

  it('finds an id that is free in every list of rules', () => {
    expect(freeId(points, 'fibre')).toBe('fibre');
    expect(freeId(points, 'points')).toBe('points-2');
  });

  it('changes the rules of one option and nothing else', () => {
    const at = { choice: 0, option: 1 };
    const changed = withRules(points, at, []);
    expect(rulesAt(changed, at)).toEqual([]);
    expect(rulesAt(changed, { choice: 0, option: 0 })).toEqual(rulesAt(points, { choice: 0, option: 0 }));
    expect(rulesAt(withRules(points, null, [{ kind: 'limit', id: 'a' }]), null)).toHaveLength(1);
    expect(points.choices[0]?.options[1]?.rules).toHaveLength(1);
  });
});
