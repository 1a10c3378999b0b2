import type { Schemas } from '../../api/client';

type Item = Schemas['ShopItem'];
type Aisle = Schemas['ShopAisle'];

const only = (aisles: Aisle[], keeps: (item: Item) => boolean): Aisle[] =>
  aisles.map((aisle) => ({ ...aisle, items: aisle.items.filter(keeps) })).filter((aisle) => aisle.items.length > 0);

/** What is bought, by aisle; what is looked for first and what is there, in one go each. */
export function partsOf(page: Schemas['ShopPage']): { buy: Aisle[]; look: Item[]; there: Item[] } {
  const items = page.aisles.flatMap((aisle) => aisle.items);
  return {
    buy: only(page.aisles, (item) => item.part === 'buy'),
    look: items.filter((item) => item.part === 'look'),
    there: items.filter((item) => item.part === 'there'),
  };
}

/** What one gets where one stands; what was always bought at another shop is elsewhere, unless it is in the basket. */
export function inShop(aisles: Aisle[], shop: string): { here: Aisle[]; elsewhere: Item[] } {
  const same = (one: string) => one.toLowerCase() === shop.trim().toLowerCase();
  const isHere = (item: Item) => shop.trim() === '' || item.shop === '' || item.isTicked || same(item.shop);
  return { here: only(aisles, isHere), elsewhere: only(aisles, (item) => !isHere(item)).flatMap((aisle) => aisle.items) };
}
