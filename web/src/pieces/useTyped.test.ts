import { act, renderHook } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useTyped } from './useTyped';

const over = (start: string) => renderHook(({ value }) => useTyped(value), { initialProps: { value: start } });

describe('what is typed over a value', () => {
  it('follows the value while nobody types', () => {
    const { result, rerender } = over('120');
    rerender({ value: '150' });
    expect(result.current.text).toBe('150');
  });

  it('stays when the value changes meanwhile, an emptied field too', () => {
    for (const typed of ['90', '']) {
      const { result, rerender } = over('120');
      act(() => result.current.type(typed));
      rerender({ value: '150' });
      expect(result.current.text).toBe(typed);
    }
  });

  it('gives way once it is kept, but not what was typed since', () => {
    const { result, rerender } = over('120');
    act(() => result.current.type('90'));
    act(() => result.current.type('95'));
    act(() => result.current.kept('90'));
    rerender({ value: '90' });
    expect(result.current.text).toBe('95');
    act(() => result.current.kept('95'));
    rerender({ value: '95.0' });
    expect(result.current.text).toBe('95.0');
  });
});
