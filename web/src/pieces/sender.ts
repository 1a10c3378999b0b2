import { Problem } from '../api/client';
import { inOutbox, takeFromOutbox, tried, type Waiting } from './outbox';

type Wire = {
  /** Tells the server of an act under its id, and gives the sequence that takes it back. */
  send: (act: Waiting) => Promise<{ sequence: number | null }>;
  undo: (sequence: number, id: string) => Promise<unknown>;
  /**
   * The server has it, or does not want it: what shows it is asked anew before it leaves the outbox.
   * @returns false when the network was gone again: what is on the screen knows nothing of it yet
   */
  settled: (act: Waiting) => Promise<boolean>;
  done: (act: Waiting, sequence: number | null) => void;
  refused: (problem: Problem, act: Waiting) => void;
};

/** A refusal would be the same the next time; without an answer, or with a server that is busy, it may go. */
const isFinal = (problem: unknown): problem is Problem =>
  problem instanceof Problem && problem.status >= 400 && problem.status < 500 && ![401, 403, 408, 429].includes(problem.status);

/**
 * Sends what waits, one after the other.
 * @returns false when it has to be tried again later
 */
export async function sendAll({ send, undo, settled, done, refused }: Wire): Promise<boolean> {
  for (let act = inOutbox()[0]; act; act = inOutbox()[0]) {
    if (!navigator.onLine) return false;
    const { id } = act;
    await tried(id);
    try {
      const { sequence } = await send(act);
      // It may have been taken back while it was on its way, or while what shows it was asked anew.
      const undoId = () => inOutbox().find((one) => one.id === id)?.undoId;
      // Sent once more it is the same edit, so that it may stay in sight until the screen knows of it.
      if (!undoId() && !(await settled(act))) return false;
      const takenBack = undoId();
      if (takenBack) {
        if (sequence !== null) await undo(sequence, takenBack);
        await settled(act);
      } else done(act, sequence);
    } catch (problem) {
      if (!isFinal(problem)) return false;
      refused(problem, act);
      void settled(act);
    }
    await takeFromOutbox(id);
  }
  return true;
}
