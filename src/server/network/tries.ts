/*
 * How often a passphrase may be tried: five wrong ones, then a pause that doubles with every further one; for each address, and,
 * with more room, for all together that nobody signed in from. An address that is known waits for nobody’s tries but its own.
 */
const ALLOWED = 5;
const ALLOWED_ALL = 40;
const FIRST_PAUSE_MS = 60_000;
const LONGEST_PAUSE_MS = 3_600_000;
/** Wrong ones are forgotten after so long without another. */
const FORGOTTEN_MS = 3_600_000;
const MOST_ADDRESSES = 2000;

interface Tried {
  wrong: number;
  lastMs: number;
  until: number;
}

export class Tries {
  private readonly by = new Map<string, Tried>();
  private readonly all: Tried = { wrong: 0, lastMs: 0, until: 0 };

  /**
   * Begins a try: it counts as wrong until it is said to be right, so that many at once are no more than one after the other.
   *
   * @param known somebody is signed in from there
   * @returns how long to wait, ms; 0 where it may be tried now
   */
  begin(address: string, nowMs: number, known = false): number {
    const own = this.of(address, nowMs);
    if (nowMs - this.all.lastMs > FORGOTTEN_MS) this.all.wrong = 0;
    const wait = Math.max(own.until, known ? 0 : this.all.until) - nowMs;
    if (wait > 0) return wait;
    count(own, ALLOWED, nowMs);
    if (!known) count(this.all, ALLOWED_ALL, nowMs);
    return 0;
  }

  right(address: string): void {
    if (this.by.delete(address)) this.all.wrong -= 1;
  }

  private of(address: string, nowMs: number): Tried {
    for (const [key, { lastMs, until }] of this.by)
      if (nowMs - lastMs > FORGOTTEN_MS && nowMs > until) this.by.delete(key);
      else break;
    // The oldest gives way: all together still have one measure.
    if (this.by.size >= MOST_ADDRESSES && !this.by.has(address)) this.by.delete(this.by.keys().next().value!);
    const there = this.by.get(address) ?? { wrong: 0, lastMs: nowMs, until: 0 };
    // The latest stands last.
    this.by.delete(address);
    this.by.set(address, there);
    return there;
  }
}

function count(tried: Tried, allowed: number, nowMs: number): void {
  tried.wrong += 1;
  tried.lastMs = nowMs;
  const beyond = tried.wrong - allowed;
  if (beyond >= 0) tried.until = nowMs + Math.min(FIRST_PAUSE_MS * 2 ** beyond, LONGEST_PAUSE_MS);
}
