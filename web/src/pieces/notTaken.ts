import { Problem } from '../api/client';
import type { Waiting } from './outbox';

export type NotTaken = { problem: Problem; act: Waiting };

/** What was kept on this device and is not taken, by the words it was done with, and each reason once. */
export function notTaken(lost: readonly NotTaken[]): Problem {
  const once = (words: string[]) => [...new Set(words.filter(Boolean))];
  const acts = once(lost.map(({ act }) => act.say.replace(/\.$/, '')));
  const { status, code, field, value } = lost[0]?.problem ?? new Problem(0, '', '', '', '', '');
  return new Problem(
    status,
    `Kept on this device, and not taken: ${acts.join('; ')}.`,
    once(lost.flatMap(({ problem }) => [problem.title, problem.cure])).join(' '),
    code,
    field,
    value,
  );
}
