import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import type { Waiting } from './outbox';
import { withShopTicks, withTaskTicks } from './useOutbox';

const item = (key: string, isTicked: boolean) => ({ key, isTicked }) as Schemas['ShopItem'];
const act = (key: string, isTicked: boolean, week = '2026-11-22'): Waiting => ({
  kind: 'shop',
  say: '',
  week,
  id: key,
  at: 0,
  body: { key, isTicked },
});

describe('what is on its way', () => {
  const page = {
    start: '2026-11-22',
    aisles: [{ name: 'vegetables', items: [item('leek', false), item('swede', true)] }],
    ticked: 1,
    total: 2,
  } as Schemas['ShopPage'];

  it('shows in the list, the last act of an item, and is counted', () => {
    const shown = withShopTicks(page, [act('leek', true), act('swede', false), act('leek', false), act('leek', true)]);
    expect(shown.aisles[0]?.items.map((one) => one.isTicked)).toEqual([true, false]);
    expect(shown.ticked).toBe(1);
  });

  it('leaves the list of another week alone', () => {
    expect(withShopTicks(page, [act('leek', true, '2026-11-29')])).toBe(page);
  });

  it('shows in the session by batch and task', () => {
    const task = (batchId: string, taskId: string) => ({ batchId, taskId, isTicked: false }) as Schemas['SessionTask'];
    const pages = [{ tasks: [task('b', '1'), task('c', '1')] }] as unknown as Schemas['SessionPage'][];
    const waiting: Waiting[] = [
      { kind: 'task', week: '', say: '', id: 'x', at: 0, body: { batchId: 'c', taskId: '1', isTicked: true, isSkipped: false } },
    ];
    expect(withTaskTicks(pages, waiting)[0]?.tasks.map((one) => one.isTicked)).toEqual([false, true]);
    expect(withTaskTicks(pages, [])).toBe(pages);
  });
});
