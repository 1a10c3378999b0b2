import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import type { Waiting } from '../../pieces/outbox';
import { fillingsOf, leftAfter, nearness, withWhatWaits } from './fillings';

const batch = (gross: number, tare: number, boxes: (number | null)[][]) =>
  ({
    parts: [{ name: '', grossG: gross, tareG: tare }],
    boxes: boxes.map((parts, at) => ({ number: at + 1, parts: parts.map((grams, part) => ({ name: `${part}`, grams })) })),
  }) as unknown as Schemas['PortioningBatch'];

describe('what is weighed out', () => {
  it.each([
    [2958, 1100, 371, 3],
    [2198, 1100, 219, 3],
  ])('%s g in a pot of %s g go into five boxes of %s g, %s over', (gross, tare, grams, over) => {
    const pot = batch(
      gross,
      tare,
      Array.from({ length: 5 }, () => [grams]),
    );
    const weighings = fillingsOf(pot);
    expect(weighings.map((one) => one.grams)).toEqual(Array(5).fill(grams));
    expect([leftAfter(pot, weighings, 0), leftAfter(pot, weighings, 5)]).toEqual([gross - tare, over]);
  });

  it('says nothing of a pot that nobody weighed', () => {
    const planned = { ...batch(0, 0, [[371]]), parts: [{ name: '', grossG: null, tareG: null }] } as unknown as Schemas['PortioningBatch'];
    expect(leftAfter(planned, fillingsOf(planned), 0)).toBeNull();
  });

  it('goes on where the last thing on the plate ended, and begins anew with the next box', () => {
    expect(fillingsOf(batch(400, 0, [[57, 57, 56], [null], [57]])).map((one) => [one.box.number, one.grams, one.onThePlate])).toEqual([
      [1, 57, 57],
      [1, 57, 114],
      [1, 56, 170],
      [3, 57, 57],
    ]);
  });

  it('is right within three grams, or two in a hundred', () => {
    expect([nearness(53, 57), nearness(54, 57), nearness(60, 57), nearness(61, 57), nearness(363, 371), nearness(364, 371)]).toEqual([
      'less',
      'right',
      'right',
      'more',
      'less',
      'right',
    ]);
  });
});

describe('batches with what is on its way', () => {
  const batch = (id: string) =>
    ({
      id,
      parts: [
        { name: '', grossG: null },
        { name: 'Sauce', grossG: 90, tareG: 0 },
      ],
    }) as unknown as Schemas['PortioningBatch'];
  const weigh = (id: string, grossG: number): Waiting => ({
    kind: 'weigh',
    week: '',
    id: `${grossG}`,
    at: grossG,
    batch: id,
    say: '',
    body: { part: '', grossG, tareG: 100, vessel: 'pot' },
  });
  const fill = (id: string | null): Waiting => ({ kind: 'fill', week: '', id: 'f', at: 0, batch: id, day: '2026-11-28', say: '' });
  const waits = (acts: Waiting[], day = '2026-11-28') => withWhatWaits([batch('a'), batch('b')], day, acts).map((one) => one.waits);

  it('show the last weight of a part and leave the others alone', () => {
    const [shown] = withWhatWaits([batch('a')], '2026-11-28', [weigh('a', 1000), weigh('a', 1200), weigh('b', 5)]);
    expect(shown?.parts.map(({ name, grossG }) => [name, grossG])).toEqual([
      ['', 1200],
      ['Sauce', 90],
    ]);
  });

  it('wait for a weight, for their own boxes, and for those of their day', () => {
    expect(waits([])).toEqual([false, false]);
    expect(waits([weigh('b', 1000)])).toEqual([false, true]);
    expect(waits([fill('a')])).toEqual([true, false]);
    expect(waits([fill(null)])).toEqual([true, true]);
    expect(waits([fill(null)], '2026-11-29')).toEqual([false, false]);
  });
});
