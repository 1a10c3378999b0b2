import { expect, test } from 'vitest';
import { allergyChoices } from './allergyChoices';

const one = (key: string, name: string, parent: string | null, allergen: string | null, allergyTo: string | null = null) => ({
  key,
  name,
  parent,
  allergen,
  allergyTo,
});

const classes = [
  one('grain', 'grains', null, null),
  one('gluten-cereal', 'cereals with gluten', 'grain', 'cereals containing gluten'),
  one('wheat', 'wheat', 'gluten-cereal', null),
  one('dairy', 'dairy', null, 'milk'),
  one('cream', 'cream', 'dairy', null, 'dairy'),
  one('tree-nut', 'tree nuts', null, 'nuts'),
  one('almond', 'almond', 'tree-nut', null),
  one('fish', 'fish', null, 'fish'),
];

test('groups of the label rules come first, under the names on labels', () => {
  expect(
    allergyChoices(classes)
      .slice(0, 4)
      .map((choice) => choice.name),
  ).toEqual(['cereals containing gluten', 'milk (dairy)', 'nuts (tree nuts)', 'fish']);
});

test('narrower ones say that they are, the US wheat before the others', () => {
  const names = allergyChoices(classes).map((choice) => choice.name);
  expect(names.indexOf('wheat (US list; of cereals with gluten only this)')).toBe(4);
  expect(names).toContain('almond (narrower: of tree nuts only this)');
});

test('a part of milk is not offered apart from milk', () => {
  expect(allergyChoices(classes).map((choice) => choice.key)).not.toContain('cream');
});
