/* What is typed on the large keypad, read as the field of its step reads it. */
import type { BenchReading, JobPatch } from '@/core/bench/benchStep';
import { type Tape, printTyped } from '@/core/units/length';
import { decimal } from '@/core/units/numeral';
import { readLength, readNumber } from '@/ui/readField';

/** A reading as it was understood, and what it changes; or the error to show. */
export type TypedReading = { ok: true; words: string; patch: JobPatch } | { ok: false; says: string };

export function typedReading(typed: string, reading: BenchReading, tape: Tape): TypedReading {
  if (reading.kind === 'length') {
    const read = readLength(typed, reading.value, tape, reading);
    return read.ok
      ? { ok: true, words: printTyped(read.value), patch: reading.put(read.value) }
      : { ok: false, says: read.error };
  }
  const read = readNumber(typed, { ...reading, mayBeEmpty: false });
  if (!read.ok || read.value === null) return { ok: false, says: read.ok ? 'Type a number.' : read.error };
  return { ok: true, words: `${decimal(read.value, 2)} ${reading.unit}`, patch: reading.put(read.value) };
}
