import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { NumberInput } from './NumberInput';

describe('a small number in a sentence', () => {
  const field = () => screen.getByLabelText('Width, mm') as HTMLInputElement;
  const type = (text: string) => fireEvent.change(field(), { target: { value: text } });
  const draw = (value: number | null = 4) => {
    const onChange = vi.fn();
    render(<NumberInput label="Width" unit="mm" value={value} onChange={onChange} />);
    return onChange;
  };

  it('is taken over as it is typed, with a comma or a point, and emptied', () => {
    const onChange = draw();
    for (const text of ['1,5', '2.5', ' 30 ', '']) type(text);
    expect(onChange.mock.calls.map(([value]) => value)).toEqual([1.5, 2.5, 30, null]);
  });

  it('keeps what cannot be read typed, marks it, and takes nothing over', () => {
    const onChange = draw();
    type('4 or 5');
    expect(onChange).not.toHaveBeenCalled();
    expect([field().value, field().getAttribute('aria-invalid')]).toEqual(['4 or 5', 'true']);
    type('5');
    expect([onChange.mock.lastCall, field().hasAttribute('aria-invalid')]).toEqual([[5], false]);
  });

  it('marks what is a number and cannot be, and takes nothing over', () => {
    const onChange = vi.fn();
    render(<NumberInput label="Width" unit="mm" value={4} isPossible={(value) => value > 0 && value <= 10} onChange={onChange} />);
    for (const text of ['0', '11']) {
      type(text);
      expect([onChange.mock.calls.length, field().getAttribute('aria-invalid')]).toEqual([0, 'true']);
    }
    type('10');
    expect([onChange.mock.lastCall, field().hasAttribute('aria-invalid')]).toEqual([[10], false]);
  });

  it('is empty where nothing is said, not nought', () => {
    draw(null);
    expect(field().value).toBe('');
  });
});
