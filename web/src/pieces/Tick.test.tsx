import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Tick } from './Tick';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

describe('a tick', () => {
  let root: Root;
  let host: HTMLDivElement;
  const draw = (isTicked: boolean, onTick = vi.fn()) => act(() => root.render(<Tick isTicked={isTicked} onTick={onTick} className="" />));
  const box = () => host.querySelector('input') as HTMLInputElement;

  beforeEach(() => {
    host = document.body.appendChild(document.createElement('div'));
    root = createRoot(host);
  });
  afterEach(() => {
    act(() => root.unmount());
    host.remove();
  });

  it('shows at once and says so, though nothing has confirmed it', () => {
    const onTick = vi.fn();
    draw(false, onTick);
    act(() => box().click());
    expect(box().checked).toBe(true);
    expect(onTick).toHaveBeenCalledExactlyOnceWith(true);
  });

  it('falls back when what it stands for falls back', () => {
    draw(false);
    act(() => box().click());
    draw(true);
    draw(false);
    expect(box().checked).toBe(false);
  });
});
