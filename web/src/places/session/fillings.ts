import type { Schemas } from '../../api/client';
import type { Waiting } from '../../pieces/outbox';

type Batch = Schemas['PortioningBatch'];

/** A batch of which something is said that has not been sent yet. */
export type ShownBatch = Batch & { waits: boolean };

/** The batches of a day with what is on its way: a weight shows at once, the grams of the boxes when the server has shared it. */
export function withWhatWaits(batches: readonly Batch[], day: string, waiting: readonly Waiting[]): ShownBatch[] {
  return batches.map((batch) => {
    const weighed = waiting.flatMap((act) => (act.kind === 'weigh' && act.batch === batch.id ? [act.body] : []));
    return {
      ...batch,
      waits:
        weighed.length > 0 || waiting.some((act) => act.kind === 'fill' && (act.batch === null ? act.day === day : act.batch === batch.id)),
      parts: batch.parts.map((part) => ({ ...part, ...weighed.findLast((one) => one.part === part.name), name: part.name })),
    };
  });
}

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
