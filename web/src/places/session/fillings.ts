import type { Schemas } from '../../api/client';

type Batch = Schemas['PortioningBatch'];

/** One thing to weigh into a box. */
export type Weighing = { box: Batch['boxes'][number]; part: string; grams: number; onThePlate: number };

/** Box by box and part by part. What lies in a box already is said for a scale that is not set to zero in between. */
export function fillingsOf(batch: Batch): Weighing[] {
  return batch.boxes.flatMap((box) => {
    let before = 0;
    return box.parts.flatMap((part) => {
      if (part.grams === null) return [];
      before += part.grams;
      return [{ box, part: part.name, grams: part.grams, onThePlate: before }];
    });
  });
}

/** What is still in the pots when so many are weighed out, g; null where one of them was not weighed. */
export function leftAfter(batch: Batch, weighings: readonly Weighing[], done: number): number | null {
  let left = 0;
  for (const part of batch.parts) {
    if (part.grossG === null) return null;
    left += part.grossG - (part.tareG ?? 0);
  }
  return left - weighings.slice(0, done).reduce((sum, one) => sum + one.grams, 0);
}

export type Near = 'less' | 'right' | 'more';

/** Within 3 g, or 2 % of a large portion, it is right. */
export function nearness(grams: number, target: number): Near {
  const slack = Math.max(3, target * 0.02);
  return grams < target - slack ? 'less' : grams > target + slack ? 'more' : 'right';
}
