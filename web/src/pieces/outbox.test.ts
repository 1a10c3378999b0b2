import 'fake-indexeddb/auto';
import { createStore, set } from 'idb-keyval';
import { describe, expect, it, vi } from 'vitest';
import { inOutbox, openOutbox, putIntoOutbox, takeBack, takeFromOutbox, tried, watchOutbox } from './outbox';

const tick = (key: string, isTicked = true) => putIntoOutbox({ kind: 'shop', week: '2026-11-22', say: '', body: { key, isTicked } });
const keys = () => inOutbox().map((act) => act.kind === 'shop' && act.body.key);
const first = () => inOutbox()[0]?.id ?? '';

/** Another page of this person: what it shows was read from the device. */
async function openAnew(person: string) {
  vi.resetModules();
  const page = await import('./outbox');
  await page.openOutbox(person);
  return page;
}

const somebody = async () => {
  const person = `somebody ${crypto.randomUUID()}`;
  await openOutbox(person);
  return person;
};

describe('the outbox', () => {
  it('shows an act at once, in order, each with an id of its own, and tells who watches', async () => {
    await somebody();
    const heard = vi.fn();
    const stop = watchOutbox(heard);
    void tick('leek');
    void tick('leek', false);
    expect(inOutbox().map((act) => act.kind === 'shop' && act.body)).toEqual([
      { key: 'leek', isTicked: true },
      { key: 'leek', isTicked: false },
    ]);
    expect(new Set(inOutbox().map((act) => act.id)).size).toBe(2);
    expect(heard).toHaveBeenCalledTimes(2);
    stop();
    await tick('swede');
    expect(heard.mock.calls.length).toBeLessThan(6);
  });

  it('says of each act when the device has it', async () => {
    await somebody();
    const kept = tick('leek');
    expect(inOutbox()[0]?.isKept).toBeUndefined();
    await kept;
    expect(inOutbox()[0]?.isKept).toBe(true);
  });

  it('is there again in a page that is opened anew, for the same person only, with what was tried and taken back', async () => {
    const person = await somebody();
    await tick('leek');
    await tick('swede');
    await tried(first());
    await takeBack(first());
    const again = await openAnew(person);
    expect(again.inOutbox()).toEqual(inOutbox());
    expect(again.inOutbox().map((act) => [act.isTried, typeof act.undoId])).toEqual([
      [true, 'string'],
      [undefined, 'undefined'],
    ]);
    await again.openOutbox('somebody else');
    expect(again.inOutbox()).toEqual([]);
  });

  it('forgets what was sent, and what was taken back before it was tried', async () => {
    const person = await somebody();
    for (const key of ['leek', 'swede', 'kale']) await tick(key);
    await tried(first());
    await takeFromOutbox(first());
    await takeBack(first());
    expect(keys()).toEqual(['kale']);
    expect((await openAnew(person)).inOutbox()).toEqual(inOutbox());
  });

  it('follows what another tab puts, and loses nothing when both put at once', async () => {
    const person = await somebody();
    const other = await openAnew(person);
    const both = [tick('leek'), other.putIntoOutbox({ kind: 'shop', week: '2026-11-22', say: '', body: { key: 'swede', isTicked: true } })];
    await Promise.all(both);
    await vi.waitFor(() => expect(new Set(keys())).toEqual(new Set(['leek', 'swede'])));
    await vi.waitFor(() => expect(other.inOutbox()).toEqual(inOutbox()));
  });

  it('keeps the order of the presses though the clock of the device was set back', async () => {
    const person = await somebody();
    const clock = vi.spyOn(Date, 'now').mockReturnValue(2_000);
    await tick('leek');
    clock.mockReturnValue(1_000);
    await tick('swede');
    clock.mockRestore();
    expect((await openAnew(person)).inOutbox().map((act) => act.at)).toEqual([2_000, 2_001]);
  });

  it('passes over a mark whose act is gone', async () => {
    const person = `somebody ${crypto.randomUUID()}`;
    await set([person, 1, 'gone', 1], true, createStore('merienda-outbox', 'marks'));
    expect((await openAnew(person)).inOutbox()).toEqual([]);
  });

  it('goes on as long as the page is open where the device keeps nothing', async () => {
    const closed = vi.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('Not allowed here.', 'SecurityError');
    });
    const page = await openAnew(`somebody ${crypto.randomUUID()}`);
    await page.putIntoOutbox({ kind: 'shop', week: '2026-11-22', say: '', body: { key: 'leek', isTicked: true } });
    expect(page.inOutbox().map((act) => act.isKept)).toEqual([undefined]);
    await page.takeFromOutbox(page.inOutbox()[0]?.id ?? '');
    expect(page.inOutbox()).toEqual([]);
    closed.mockRestore();
  });
});
