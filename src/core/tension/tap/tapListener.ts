/*
 * Listens to a stream of sound for single taps, so that the hands stay on the canvas: keeps the last seconds, hears when
 * something stands out of the quiet, waits until it has died away, and gives the stretch around it with its check.
 */
import { type TapCheck, checkTap } from './tapCheck';

export type Heard =
  | { kind: 'level'; peak: number }
  /** Sound around a tap that can be read. */
  | { kind: 'tap'; samples: Float32Array }
  /** Something was loud, and is no tap. */
  | { kind: 'noTap'; check: Extract<TapCheck, { ok: false }> };

/** What is kept before and after the moment it became loud, s. */
const BEFORE = 0.45;
const AFTER = 1.2;
/** Loud stands so far above the quiet, and above this part of full scale. */
const STANDS_OUT = 8;
const LOUD = 0.02;
/** How fast the quiet is followed: upwards slowly, downwards at once. */
const RISES = 1.06;

export class TapListener {
  private kept: Float32Array;
  private filled = 0;
  /** Samples since it became loud, or null while it is quiet. */
  private since: number | null = null;
  /** Level of the room; what is heard first is taken for it. */
  private quiet: number | null = null;

  constructor(private readonly rate: number) {
    this.kept = new Float32Array(Math.round((BEFORE + AFTER) * rate));
  }

  /** Takes the next samples, some tens of milliseconds of them, and says what was heard. */
  hear(chunk: Float32Array): Heard {
    this.keep(chunk);
    let [sum, peak] = [0, 0];
    for (const value of chunk) {
      sum += value * value;
      peak = Math.max(peak, Math.abs(value));
    }
    const level = Math.sqrt(sum / Math.max(1, chunk.length));
    if (this.since !== null) {
      this.since += chunk.length;
      return this.since >= AFTER * this.rate ? this.ended() : { kind: 'level', peak };
    }
    const loud = this.quiet !== null && peak > Math.max(LOUD, STANDS_OUT * this.quiet);
    const ready = this.filled >= BEFORE * this.rate;
    if (loud && ready) this.since = chunk.length;
    // What is loud before there was quiet is the end of something else: the quiet begins anew.
    else if (loud) this.filled = 0;
    if (this.since === null) this.quiet = Math.max(1e-4, Math.min(level, (this.quiet ?? level) * RISES));
    return { kind: 'level', peak };
  }

  private ended(): Heard {
    this.since = null;
    const samples = this.kept.slice();
    this.filled = 0;
    const check = checkTap(samples, this.rate);
    return check.ok ? { kind: 'tap', samples } : { kind: 'noTap', check };
  }

  private keep(chunk: Float32Array): void {
    const size = this.kept.length;
    const part = chunk.length > size ? chunk.subarray(chunk.length - size) : chunk;
    this.kept.copyWithin(0, part.length);
    this.kept.set(part, size - part.length);
    this.filled = Math.min(size, this.filled + part.length);
  }
}
