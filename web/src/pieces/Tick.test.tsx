import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Tick } from './Tick';

describe('a tick', () => {
  const drawn = (isTicked: boolean, onTick = vi.fn()) => <Tick isTicked={isTicked} onTick={onTick} className="" />;
  const isShown = () => (screen.getByRole('checkbox') as HTMLInputElement).checked;

  it('shows at once and says so, though nothing has confirmed it', () => {
    const onTick = vi.fn();
    render(drawn(false, onTick));
    fireEvent.click(screen.getByRole('checkbox'));
    expect(isShown()).toBe(true);
    expect(onTick).toHaveBeenCalledExactlyOnceWith(true);
  });

  it('falls back when what it stands for falls back', () => {
    const { rerender } = render(drawn(false));
    fireEvent.click(screen.getByRole('checkbox'));
    rerender(drawn(true));
    rerender(drawn(false));
    expect(isShown()).toBe(false);
  });
});
