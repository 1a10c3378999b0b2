import { useFood } from '../../larder/queries';

/** A food of a document by its name: a packet stands there by a key that nobody can read. */
export function FoodName({ of }: { of: string }) {
  return <span>{useFood(of).data?.name ?? of}</span>;
}
