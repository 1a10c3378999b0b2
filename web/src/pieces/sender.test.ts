import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Problem } from '../api/client';
import { inOutbox, openOutbox, putIntoOutbox, takeBack, type Waiting } from './outbox';
import { sendAll } from './sender';

const eat = (box: string) =>
  putIntoOutbox({ kind: 'box', batch: 'b', box, say: `${box} is eaten.`, body: { kind: 'eaten', at: '', portions: null, reason: '' } });
const boxes = () => inOutbox().map((act) => act.kind === 'box' && act.box);
const lost = new Problem(0, 'No network.', '', 'offline', '', '');

/** A server that knows each edit by its id, whether its answers arrive or not. */
function server() {
  const log: string[] = [];
  const known = new Map<string, number>();
  const once = (id: string, said: string) => {
    if (!known.has(id)) {
      known.set(id, known.size + 1);
      log.push(said);
    }
    return known.get(id) ?? 0;
  };
  return {
    log,
    wire: {
      send: async (act: Waiting) => ({ sequence: once(act.id, `eaten ${act.kind === 'box' && act.box}`) }),
      undo: async (sequence: number, id: string) => once(id, `undone ${sequence}`),
      settled: vi.fn(async () => true),
      done: vi.fn(),
      refused: vi.fn(),
    },
  };
}

describe('what is sent later', () => {
  beforeEach(() => openOutbox(`somebody ${crypto.randomUUID()}`));

  it('goes in order, and leaves when what shows it has been asked anew', async () => {
    const { log, wire } = server();
    await eat('A');
    await eat('B');
    wire.settled.mockImplementationOnce(async () => {
      expect(boxes()).toEqual(['A', 'B']);
      return true;
    });
    expect(await sendAll(wire)).toBe(true);
    expect([log, boxes(), wire.done.mock.calls.length]).toEqual([['eaten A', 'eaten B'], [], 2]);
  });

  it('stays in sight when the network is gone before the screen knows of it, and is done once', async () => {
    const { log, wire } = server();
    await eat('A');
    wire.settled.mockImplementationOnce(async () => false);
    expect([await sendAll(wire), boxes()]).toEqual([false, ['A']]);
    expect([await sendAll(wire), log, boxes()]).toEqual([true, ['eaten A'], []]);
  });

  it('never leaves the device when it is taken back before it was tried', async () => {
    const { log, wire } = server();
    await eat('A');
    await takeBack(inOutbox()[0]?.id ?? '');
    await sendAll(wire);
    expect([log, boxes()]).toEqual([[], []]);
  });

  it('is undone at the server when it is taken back on its way', async () => {
    const { log, wire } = server();
    await eat('A');
    const { id } = inOutbox()[0] as Waiting;
    await sendAll({
      ...wire,
      send: async (act) => {
        await takeBack(id);
        return wire.send(act);
      },
    });
    expect([log, boxes(), wire.done.mock.calls.length]).toEqual([['eaten A', 'undone 1'], [], 0]);
  });

  it('is undone when it is taken back while what shows it is asked anew', async () => {
    const { log, wire } = server();
    await eat('A');
    const { id } = inOutbox()[0] as Waiting;
    wire.settled.mockImplementationOnce(async () => {
      await takeBack(id);
      return true;
    });
    await sendAll(wire);
    expect([log, boxes()]).toEqual([['eaten A', 'undone 1'], []]);
  });

  it('is done once and undone once though every first answer is lost', async () => {
    const { log, wire } = server();
    const lose = <A extends unknown[], T>(ask: (...given: A) => Promise<T>) => {
      let isLost = false;
      return async (...given: A) => {
        const answer = await ask(...given);
        if (isLost) return answer;
        isLost = true;
        throw lost;
      };
    };
    const flaky = { ...wire, send: lose(wire.send), undo: lose(wire.undo) };
    await eat('A');
    await eat('B');
    expect(await sendAll(flaky)).toBe(false);
    await takeBack(inOutbox()[0]?.id ?? '');
    expect(boxes()).toEqual(['A', 'B']);
    expect(await sendAll(flaky)).toBe(false);
    expect(await sendAll(flaky)).toBe(true);
    expect([log, boxes()]).toEqual([['eaten A', 'undone 1', 'eaten B'], []]);
  });

  it('is given up when it is refused, and said; a busy server is asked again', async () => {
    const { wire } = server();
    const answers = [new Problem(409, 'It is gone.', '', 'box-gone', '', ''), new Problem(503, 'Busy.', '', '', '', '')];
    await eat('A');
    await eat('B');
    expect(await sendAll({ ...wire, send: () => Promise.reject(answers.shift()) })).toBe(false);
    expect([boxes(), wire.refused.mock.calls.length]).toEqual([['B'], 1]);
  });

  it('waits for a network without being tried', async () => {
    const { log, wire } = server();
    const online = vi.spyOn(navigator, 'onLine', 'get').mockReturnValue(false);
    await eat('A');
    expect(await sendAll(wire)).toBe(false);
    expect([log, inOutbox()[0]?.isTried]).toEqual([[], undefined]);
    online.mockRestore();
    expect(await sendAll(wire)).toBe(true);
  });
});
