/* What is typed on the large keypad, read as the field of its step reads it. */
import { printed } from '@/core/quantities/printed';
import type { BenchReading, JobPatch } from '@/core/bench/benchStep';
import { type Tape, printTyped } from '@/core/units/length';
import { limitsOf } from '@/core/quantities/quantities';
import { readLength, readNumber } from '@/core/quantities/readQuantity';

/** A reading as it was understood, and what it changes; or the error to show. */
export type TypedReading = { ok: true; words: string; patch: JobPatch } | { ok: false; says: string };

export function typedReading(typed: string, reading: BenchReading, tape: Tape): TypedReading {
  if (reading.kind === 'length') {
    const read = readLength(typed, reading.value, tape, limitsOf(reading.of));
    return read.ok
      ? { ok: true, words: printTyped(read.value), patch: reading.put(read.value) }
      : { ok: false, says: read.error };
  }
  const read = readNumber(reading.of, typed, tape);
  return read.ok
    ? { ok: true, words: printed(reading.of, read.value, tape), patch: reading.put(read.value) }
    : { ok: false, says: read.error };
}
