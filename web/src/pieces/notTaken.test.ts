import { expect, it } from 'vitest';
import { Problem } from '../api/client';
import { notTaken } from './notTaken';
import type { Waiting } from './outbox';

const gone = new Problem(409, 'Somebody took it off the bench.', 'Load the session again.', 'batch-gone', 'batch', 'x');
const act = (say: string): Waiting => ({ kind: 'fill', week: '', batch: null, day: '', say, id: say, at: 0 });

it('names everything that was lost, and says a reason once', () => {
  const said = notTaken([
    { problem: gone, act: act('A, Slice the leeks, is done.') },
    { problem: gone, act: act('A, Boil the oats, is done.') },
    { problem: new Problem(409, 'It is eaten already.', 'Go on.', 'eaten-before', '', ''), act: act('B is eaten.') },
  ]);
  expect(said.title).toBe('Kept on this device, and not taken: A, Slice the leeks, is done; A, Boil the oats, is done; B is eaten.');
  expect(said.cure).toBe('Somebody took it off the bench. Load the session again. It is eaten already. Go on.');
  expect(said.status).toBe(409);
});
