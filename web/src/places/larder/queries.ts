import { useQuery } from '@tanstack/react-query';
import { api, type Schemas, take } from '../../api/client';

export type FoodSheet = Schemas['FoodSheet'];
export type Draft = Schemas['PacketDraft'];
export type Nutrient = Schemas['LabelNutrient'];
export type Country = Schemas['LabelCountry'];

export const useFood = (key: string) =>
  useQuery({
    queryKey: ['larder', 'food', key],
    queryFn: () => take(api.GET('/api/larder/foods/{key}', { params: { path: { key } } })),
    enabled: key !== '',
    retry: false,
  });

export const countries: [Country, string][] = [
  ['europeanUnion', 'European Union'],
  ['unitedKingdom', 'United Kingdom'],
  ['unitedStates', 'United States'],
  ['canada', 'Canada'],
  ['australia', 'Australia'],
  ['newZealand', 'New Zealand'],
  ['other', 'elsewhere'],
];

export const bases: [string, string][] = [
  ['total', 'fibre is in the carbohydrate'],
  ['available', 'fibre is listed apart'],
  ['availableWithoutPolyols', 'fibre and polyols are listed apart'],
];

export const nutrients: [Nutrient, string, string][] = [
  ['energy', 'Energy', 'kcal'],
  ['fat', 'Fat', 'g'],
  ['saturatedFat', 'Saturated fat', 'g'],
  ['carbohydrate', 'Carbohydrate', 'g'],
  ['fibre', 'Fibre', 'g'],
  ['sugars', 'Sugars', 'g'],
  ['addedSugars', 'Added sugars', 'g'],
  ['polyols', 'Polyols', 'g'],
  ['allulose', 'Allulose', 'g'],
  ['protein', 'Protein', 'g'],
  ['sodium', 'Sodium', 'mg'],
  ['salt', 'Salt', 'g'],
];

export const emptyPacket: Draft = {
  name: '',
  country: 'europeanUnion',
  basis: null,
  serving: '100 g',
  values: [],
  statement: '',
  mayContain: '',
  pack: '',
  price: null,
  points: null,
  openedDays: null,
  classes: [],
  aisle: '',
  basedOn: null,
};
