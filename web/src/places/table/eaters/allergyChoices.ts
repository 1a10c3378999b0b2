import type { Schemas } from '../../../api/client';

type FoodClass = Schemas['TableClass'];

/** Wheat stands alone on the label rules of the US, where the EU's group is all cereals containing gluten. */
const onlyInTheUnitedStates = ['wheat'];

const firstWord = (name: string) => name.split(' ')[0];

/** What an allergy may be to: the groups of the label rules first, each named as on labels; then narrower ones, said as narrower; then any other class. */
export function allergyChoices(classes: FoodClass[]): { key: string; name: string }[] {
  const byKey = new Map(classes.map((one) => [one.key, one]));
  const groupOf = (one: FoodClass): FoodClass | undefined => {
    for (let at = one.parent ? byKey.get(one.parent) : undefined; at; at = at.parent ? byKey.get(at.parent) : undefined) {
      if (at.allergen) return at;
    }
    return undefined;
  };
  // Nobody is allergic to cream and not to milk: what means its whole family is not offered apart.
  const offered = classes.filter((one) => !one.allergyTo);
  const groups = offered.filter((one) => one.allergen);
  const narrower = offered.filter((one) => !one.allergen && groupOf(one));
  const others = offered.filter((one) => !one.allergen && !groupOf(one));
  return [
    ...groups.map((one) => ({
      key: one.key,
      name: !one.allergen || firstWord(one.allergen) === firstWord(one.name) ? (one.allergen ?? one.name) : `${one.allergen} (${one.name})`,
    })),
    ...narrower
      .filter((one) => onlyInTheUnitedStates.includes(one.key))
      .map((one) => ({ key: one.key, name: `${one.name} (US list; of ${groupOf(one)?.name} only this)` })),
    ...narrower
      .filter((one) => !onlyInTheUnitedStates.includes(one.key))
      .map((one) => ({ key: one.key, name: `${one.name} (narrower: of ${groupOf(one)?.name} only this)` })),
    ...others.map((one) => ({ key: one.key, name: one.name })),
  ];
}
