import { normal } from '../../normal';
import { MICROPHONE_AT, MICROPHONE_HEIGHT, type Pull, type Span, TAP_PLACES, type TapPlace } from './membraneTone';
import { type SyntheticTap, syntheticTap } from './syntheticTap';

/** How far beside their marks finger and microphone come to be, m (one standard deviation). */
const BESIDE = 0.01;

/** A usual hand, room and microphone. */
const USUAL = {
  q: 9,
  qSlope: 0.1,
  contactMs: 5,
  highPassHz: 12,
  noiseDb: -40,
  rumbleDb: -42,
  humDb: -45,
  humHz: 50,
  peak: 0.6,
  silence: 0.45,
  seconds: 1.65,
};

/**
 * An ordinary tap at one of the three places, each time a little beside it: samples between −1 and 1.
 *
 * @param cloth free span in m, mass in kg/m², tension in N/m
 * @param random uniform in [0, 1)
 * @param rate samples a second
 * @param change what is not usual about it
 */
export function ordinaryTap(
  place: TapPlace,
  cloth: { span: Span; sigma: number; pull: Pull },
  random: () => number,
  rate: number,
  change: Partial<SyntheticTap> = {},
): Float32Array {
  const near = ([x, y]: readonly [number, number]) =>
    [x * cloth.span.a + BESIDE * normal(random), y * cloth.span.b + BESIDE * normal(random)] as const;
  const strike = near(TAP_PLACES[place]);
  const microphone = [...near(MICROPHONE_AT), MICROPHONE_HEIGHT] as const;
  return syntheticTap({ ...USUAL, ...cloth, strike, microphone, rate, ...change }, random);
}
