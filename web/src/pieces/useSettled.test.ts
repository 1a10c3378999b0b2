import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useSettled } from './useSettled';

describe('what is typed, settled', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('is told once, a moment after the last letter', () => {
    const told: string[] = [];
    const { rerender } = renderHook(
      ({ text }) => {
        const settled = useSettled(text, 250);
        if (told.at(-1) !== settled) told.push(settled);
      },
      { initialProps: { text: '' } },
    );
    for (const text of ['l', 'le', 'lee', 'leek']) {
      rerender({ text });
      act(() => void vi.advanceTimersByTime(249));
    }
    expect(told).toEqual(['']);
    act(() => void vi.advanceTimersByTime(1));
    expect(told).toEqual(['', 'leek']);
  });
});
