import { afterEach, describe, expect, it, vi } from 'vitest';
import { isKeptInTab, keep, kept } from './kept';

afterEach(() => vi.unstubAllGlobals());

describe('what a browser keeps', () => {
  it('is kept until the tab is closed where storage is blocked, full or gone', () => {
    const throws = () => {
      throw new Error('SecurityError');
    };
    const full = { getItem: () => null, setItem: throws, removeItem: throws };
    for (const storage of [{ getItem: throws, setItem: throws, removeItem: throws }, full, undefined]) {
      vi.stubGlobal('localStorage', storage);
      keep('a', '1');
      expect(kept('a')).toBe('1');
      keep('a', null);
      expect(kept('a')).toBeNull();
    }
  });

  it('is the browser’s own where it keeps it: what another tab wrote is read', () => {
    const rows = new Map<string, string>();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => rows.get(key) ?? null,
      setItem: (key: string, text: string) => rows.set(key, text),
      removeItem: (key: string) => rows.delete(key),
    });
    keep('a', '1');
    rows.set('a', '2');
    expect(kept('a')).toBe('2');
    rows.delete('a');
    expect(kept('a')).toBeNull();
  });

  it('is the newer text where there is no room for it, for as long as the tab is open', () => {
    const rows = new Map<string, string>();
    let full = false;
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => rows.get(key) ?? null,
      setItem: (key: string, text: string) => {
        if (full) throw new DOMException('full', 'QuotaExceededError');
        rows.set(key, text);
      },
      removeItem: (key: string) => rows.delete(key),
    });
    keep('a', 'older');
    expect(isKeptInTab('a')).toBe(false);
    full = true;
    keep('a', 'newer');
    expect([kept('a'), isKeptInTab('a')]).toEqual(['newer', true]);
    full = false;
    keep('a', 'newest');
    expect([kept('a'), isKeptInTab('a'), rows.get('a')]).toEqual(['newest', false, 'newest']);
    keep('a', null);
  });
});
