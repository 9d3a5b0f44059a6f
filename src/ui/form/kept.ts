/*
 * What a browser keeps for itself between visits. Where it keeps nothing (blocked, full, broken), it is kept until the tab is
 * closed: no page leans on it.
 */
const meanwhile = new Map<string, string>();

export function kept(key: string): string | null {
  try {
    // What found no room is newer than what lies there.
    return meanwhile.get(key) ?? localStorage.getItem(key) ?? null;
  } catch {
    return meanwhile.get(key) ?? null;
  }
}

/** @param text null takes it away */
export function keep(key: string, text: string | null): void {
  if (text === null) meanwhile.delete(key);
  else meanwhile.set(key, text);
  try {
    if (text === null) localStorage.removeItem(key);
    else localStorage.setItem(key, text);
    // In the browser’s keeping: another tab may change it there.
    meanwhile.delete(key);
  } catch {
    // Kept until the tab is closed.
  }
}

/** Whether something is kept only until the tab is closed. */
export const isKeptInTab = (key: string): boolean => meanwhile.has(key);
