import { beforeEach, describe, expect, it, vi } from 'vitest';

/** Only what the module touches of a browser. */
const page = new EventTarget();
const kept = new Map<string, string>();
vi.stubGlobal('window', page);
vi.stubGlobal('sessionStorage', {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => kept.set(key, value),
});
const { reloadWhenPartsAreGone } = await import('../src/shell/update/partsGone');

describe('a page whose parts are gone', () => {
  const reload = vi.fn();
  let now = 1_000_000;
  let online = true;
  reloadWhenPartsAreGone(
    reload,
    () => now,
    () => online,
  );
  const gone = () => {
    const event = new Event('vite:preloadError', { cancelable: true });
    page.dispatchEvent(event);
    return event;
  };
  beforeEach(() => reload.mockClear());

  it('loads itself anew, and not over and over', () => {
    expect(gone().defaultPrevented).toBe(true);
    expect(reload).toHaveBeenCalledOnce();
    now += 10_000;
    expect(gone().defaultPrevented).toBe(false);
    expect(reload).toHaveBeenCalledOnce();
  });

  it('stays as it is without signal: what cannot be fetched is not gone', () => {
    now += 3_600_000;
    online = false;
    expect(gone().defaultPrevented).toBe(false);
    expect(reload).not.toHaveBeenCalled();
    online = true;
  });

  it('does so again at the next update', () => {
    now += 3_600_000;
    gone();
    expect(reload).toHaveBeenCalledOnce();
  });
});
