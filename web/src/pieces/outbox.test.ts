import { beforeEach, describe, expect, it, vi } from 'vitest';
import { inOutbox, openOutbox, putIntoOutbox, takeFromOutbox, watchOutbox } from './outbox';

const tick = (key: string, isTicked = true) => putIntoOutbox({ kind: 'shop', week: '2026-11-22', body: { key, isTicked } });

describe('the outbox', () => {
  beforeEach(() => {
    localStorage.clear();
    openOutbox(`somebody ${crypto.randomUUID()}`);
  });

  it('keeps acts in order, each with an id of its own, and tells who watches', () => {
    const heard = vi.fn();
    const stop = watchOutbox(heard);
    tick('leek');
    tick('leek', false);
    expect(inOutbox().map((act) => act.body)).toEqual([
      { key: 'leek', isTicked: true },
      { key: 'leek', isTicked: false },
    ]);
    expect(new Set(inOutbox().map((act) => act.id)).size).toBe(2);
    takeFromOutbox(inOutbox()[0]?.id ?? '');
    expect(inOutbox()).toHaveLength(1);
    stop();
    tick('swede');
    expect(heard).toHaveBeenCalledTimes(3);
  });

  it('is there again when the page is loaded anew, for the same person only', () => {
    openOutbox('Odalys');
    tick('leek');
    openOutbox('Teun');
    expect(inOutbox()).toEqual([]);
    openOutbox('Odalys');
    expect(inOutbox()).toHaveLength(1);
  });

  it('counts what another tab has put or sent since', () => {
    openOutbox('Odalys');
    tick('leek');
    const key = Object.keys(localStorage)[0] ?? '';
    localStorage.setItem(key, '[]');
    tick('swede');
    expect(inOutbox().map((act) => (act.body as { key: string }).key)).toEqual(['swede']);
  });

  it('begins empty when what is stored cannot be read', () => {
    localStorage.setItem('merienda.outbox Rune', '{"broken');
    openOutbox('Rune');
    expect(inOutbox()).toEqual([]);
  });
});
