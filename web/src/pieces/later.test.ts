import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fetched } from './later';

const lost = () => Promise.reject(new TypeError('Failed to fetch dynamically imported module'));

describe('a part of the program that is fetched later', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    sessionStorage.clear();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
  });

  it('comes after the second try', async () => {
    const load = vi.fn().mockImplementationOnce(lost).mockResolvedValue('the Shop');
    const page = fetched(load);
    await vi.advanceTimersByTimeAsync(600);
    expect(await page).toBe('the Shop');
  });

  it('waits for the network, however long, and is there when it is back', async () => {
    const online = vi.spyOn(navigator, 'onLine', 'get').mockReturnValue(false);
    const load = vi.fn().mockImplementationOnce(lost).mockResolvedValue('the Shop');
    const page = fetched(load);
    await vi.advanceTimersByTimeAsync(3_600_000);
    expect(load).toHaveBeenCalledTimes(1);
    online.mockReturnValue(true);
    window.dispatchEvent(new Event('online'));
    await vi.advanceTimersByTimeAsync(600);
    expect(await page).toBe('the Shop');
  });

  it('is loaded anew with the page when the server no longer has it, and not again a moment later', async () => {
    const reload = vi.fn();
    void fetched(lost, reload);
    await vi.advanceTimersByTimeAsync(10_000);
    expect(reload).toHaveBeenCalledTimes(1);
    const again = expect(fetched(lost, reload)).rejects.toThrow('Failed to fetch');
    await vi.advanceTimersByTimeAsync(10_000);
    await again;
    expect(reload).toHaveBeenCalledTimes(1);
  });
});
