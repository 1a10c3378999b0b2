import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useLingeringFocus } from './useLingeringFocus';

function Row() {
  const { isActive, onFocus, onBlur } = useLingeringFocus();
  return (
    <>
      <fieldset onFocus={onFocus} onBlur={onBlur}>
        <input aria-label="inside" />
        <input aria-label="beside" />
      </fieldset>
      <output>{isActive ? 'active' : 'idle'}</output>
      <button type="button">outside</button>
    </>
  );
}

describe('what has the focus', () => {
  const said = () => screen.getByRole('status').textContent;

  it('stays open while it moves inside, and until the press that takes the focus away is over', async () => {
    render(<Row />);
    act(() => screen.getByLabelText('inside').focus());
    act(() => screen.getByLabelText('beside').focus());
    expect(said()).toBe('active');
    act(() => screen.getByRole('button').focus());
    expect(said()).toBe('active');
    fireEvent.pointerUp(window);
    await waitFor(() => expect(said()).toBe('idle'));
  });

  it('closes once a key has moved the focus, and not when the focus has come back', async () => {
    render(<Row />);
    act(() => screen.getByLabelText('inside').focus());
    act(() => screen.getByRole('button').focus());
    act(() => screen.getByLabelText('inside').focus());
    fireEvent.keyUp(window);
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect(said()).toBe('active');
    act(() => screen.getByRole('button').focus());
    fireEvent.keyUp(window);
    await waitFor(() => expect(said()).toBe('idle'));
  });
});
