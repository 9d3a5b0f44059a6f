/*
 * Whether a recording is a tap that can be read: quiet before, one short knock, not cut off, and quiet again. Times are
 * samples of the recording.
 */
import { humOf, withoutHum } from './tapSignal';

export type TapRefusal = 'silence' | 'tooEarly' | 'tooLate' | 'clipped' | 'notQuiet' | 'notShort';

export type TapCheck =
  { ok: true; onset: number; noise: number; peak: number } | { ok: false; why: TapRefusal; says: string; doThis: string };

/** Silence needed before the tap, and sound after it, s. */
export const SILENCE_BEFORE = 0.2;
const SOUND_AFTER = 0.9;
/** Quieter than this is nothing: parts of full scale. */
const QUIETEST = 0.004;
const CLIPPED_AT = 0.97;
/** What hum alone may be to blame for. */
const HIDDEN_BY_HUM: readonly TapRefusal[] = ['notQuiet', 'notShort', 'tooEarly'];
/** Overtones of hum are looked for so far up, Hz. */
const HUM_TO_HZ = 400;
/** Levels are taken over so long, s. */
const BLOCK = 0.005;

const refusal = (why: TapRefusal, says: string, doThis: string): TapCheck => ({ ok: false, why, says, doThis });

/**
 * The moment of the tap, or why there is none to read.
 *
 * @param samples between −1 and 1
 * @param rate samples a second
 */
export function checkTap(samples: Float32Array, rate: number): TapCheck {
  const check = checked(samples, rate);
  if (check.ok || !HIDDEN_BY_HUM.includes(check.why)) return check;
  // Mains hum is taken off before the taps are read: what is loud by hum alone is quiet enough.
  const hum = humOf(Float64Array.from(samples.subarray(0, SILENCE_BEFORE * rate)), rate, HUM_TO_HZ);
  return hum ? checked(Float32Array.from(withoutHum(Float64Array.from(samples), hum, rate)), rate) : check;
}

function checked(samples: Float32Array, rate: number): TapCheck {
  const block = Math.max(1, Math.round(rate * BLOCK));
  const levels = blockLevels(samples, block);
  const peak = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  if (!(peak > QUIETEST))
    return refusal('silence', 'No tap was heard.', 'Bring the microphone nearer, 2 to 5 cm from the cloth, and tap again.');
  if (clippedRuns(samples) > 2)
    return refusal(
      'clipped',
      'The tap was too loud: its peaks are cut off.',
      'Tap more softly, or move the microphone a little away.',
    );
  const noise = quietLevel(levels);
  if (peak < 8 * noise) return refusal('notQuiet', 'The room is as loud as the tap.', 'Wait until it is quiet, and tap again.');
  const loud = Math.max(0.12 * peak, 6 * noise);
  const first = samples.findIndex((value) => Math.abs(value) > loud);
  const onset = walkBack(samples, first, Math.max(0.02 * peak, 4 * noise), block);
  if (onset < SILENCE_BEFORE * rate)
    return refusal('tooEarly', 'The tap came before there was silence.', 'Start, wait half a second without a sound, then tap.');
  if (samples.length - onset < SOUND_AFTER * rate)
    return refusal('tooLate', 'The recording ends before the tap has died away.', 'Tap earlier, and keep still after it.');
  return onset > 0 && isShort(levels, onset / block, 1 / BLOCK, noise)
    ? { ok: true, onset, noise, peak }
    : refusal(
        'notShort',
        'This is not one short tap: it goes on, or others follow.',
        'One tap with a fingertip, no voices, nothing else.',
      );
}

/** Root mean square of blocks of 5 ms. */
function blockLevels(samples: Float32Array, block: number): number[] {
  return Array.from({ length: Math.floor(samples.length / block) }, (_, at) => {
    let sum = 0;
    for (let index = at * block; index < (at + 1) * block; index += 1) sum += samples[index]! ** 2;
    return Math.sqrt(sum / block);
  });
}

/** Level of the room: the quieter one of the recording’s beginning and its end. */
function quietLevel(levels: readonly number[]): number {
  const few = Math.max(1, Math.round(0.15 / BLOCK));
  const mean = (part: readonly number[]) => Math.sqrt(part.reduce((sum, one) => sum + one * one, 0) / Math.max(1, part.length));
  return Math.min(mean(levels.slice(0, few)), mean(levels.slice(-few)));
}

/** Places where the sound stays at its utmost: a browser that changes the rate leaves a little ripple on what was cut off. */
function clippedRuns(samples: Float32Array): number {
  let [runs, length] = [0, 0];
  for (const value of samples) {
    length = Math.abs(value) >= CLIPPED_AT ? length + 1 : 0;
    if (length >= 3) runs += 1;
  }
  return runs;
}

/** From a loud sample back to where the tap begins to stand out of the room. */
function walkBack(samples: Float32Array, from: number, above: number, block: number): number {
  let onset = from;
  for (let quiet = 0, index = from; index > 0 && quiet < block; index -= 1) {
    if (Math.abs(samples[index]!) > above) [onset, quiet] = [index, 0];
    else quiet += 1;
  }
  return onset;
}

/** Most of the sound lies in the first 0.6 s after the tap, and nothing nearly as loud comes again. */
function isShort(levels: readonly number[], onset: number, perSecond: number, noise: number): boolean {
  const at = Math.floor(onset);
  const energy = (from: number, to: number) =>
    levels
      .slice(at + Math.round(from * perSecond), at + Math.round(to * perSecond))
      .reduce((sum, one) => sum + Math.max(0, one * one - noise * noise), 0);
  const loudest = Math.max(...levels.slice(at, at + Math.round(0.12 * perSecond)));
  const late = levels.slice(at + Math.round(0.6 * perSecond));
  return energy(0.6, 1.6) < 0.15 * energy(0, 0.6) && late.every((one) => one < 0.4 * loudest);
}
