/*
 * A tap that nobody gave: the sound of a finger on a stretched cloth, as a microphone close above it would take it.
 * A sum of damped modes with the place of finger and microphone, the time of contact, the high-pass of the microphone,
 * hiss, rumble, mains hum and clipping. The stand-in for a microphone; every random part comes from the source given.
 */
import { normal } from '../../normal';
import { type Mode, type Pull, type Span, airMass, modeHz, modesTo } from './membraneTone';

export interface SyntheticTap {
  span: Span;
  /** Mass of cloth and ground, kg/m². */
  sigma: number;
  pull: Pull;
  /** Sharpness of the lowest mode, usually 5 to 20, and how it changes: Q = q (f / f11)^qSlope. */
  q: number;
  qSlope: number;
  /** Where the finger and the microphone are, m. */
  strike: readonly [x: number, y: number];
  microphone: readonly [x: number, y: number, height: number];
  contactMs: number;
  highPassHz: number;
  /** Below the peak of the tap, dB: hiss, rumble of the room, mains hum. */
  noiseDb: number;
  rumbleDb: number;
  humDb: number;
  humHz: number;
  /** Peak, parts of full scale; above 1 it is cut off. */
  peak: number;
  /** Silence before the tap, and the whole, s. */
  silence: number;
  seconds: number;
  rate: number;
}

const MOST_WAVES = 6;

/**
 * Samples between −1 and 1.
 *
 * @param random uniform in [0, 1)
 */
export function syntheticTap(tap: SyntheticTap, random: () => number): Float32Array {
  const { rate, seconds, silence } = tap;
  const length = Math.round(seconds * rate);
  const clean = new Float64Array(length);
  const start = Math.round(silence * rate);
  for (const mode of modesTo(MOST_WAVES)) addMode(clean, start, tap, mode, random);
  highPass(clean, tap.highPassHz, rate);
  highPass(clean, tap.highPassHz, rate);
  const loudest = clean.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-12);
  const noise = noiseOf(tap, length, random);
  return Float32Array.from(clean, (value, index) => Math.min(1, Math.max(-1, tap.peak * (value / loudest + noise[index]!))));
}

/** One mode, set off by a half sine of contact: its complex response, added from the moment the finger leaves. */
function addMode(into: Float64Array, start: number, tap: SyntheticTap, mode: Mode, random: () => number): void {
  const { span, sigma, pull, rate } = tap;
  const lowest = modeHz(span, sigma, pull, [1, 1]);
  // The fit of the air is 1.3 % off at most, and no cloth is even: each note stands a little off its place.
  const f = modeHz(span, sigma, pull, mode) * (1 + 0.008 * normal(random));
  if (f > rate / 2.5) return;
  const q = tap.q * (f / lowest) ** tap.qSlope * Math.exp(0.15 * normal(random));
  const [m, n] = mode;
  const shape = ([x, y]: readonly number[]) => Math.sin((m * Math.PI * x!) / span.a) * Math.sin((n * Math.PI * y!) / span.b);
  const k = Math.PI * Math.hypot(m / span.a, n / span.b);
  const size = (shape(tap.strike) * shape(tap.microphone) * Math.exp(-k * tap.microphone[2])) / (sigma + airMass(span, mode));
  const omega = 2 * Math.PI * f;
  const decay = (Math.PI * f) / q;
  const contact = (tap.contactMs / 1000) * rate;
  let [level, slope] = [0, 0];
  const dt = 1 / rate;
  for (let index = start; index < into.length; index += 1) {
    const t = index - start;
    const force = t < contact ? Math.sin((Math.PI * t) / contact) : 0;
    const pushed = size * force - omega * omega * level - 2 * decay * slope;
    slope += pushed * dt;
    level += slope * dt;
    // Sound goes with the acceleration of the cloth.
    into[index] = into[index]! + pushed / k;
  }
}

function highPass(samples: Float64Array, hz: number, rate: number): void {
  const keep = 1 / (1 + (2 * Math.PI * hz) / rate);
  let [before, out] = [samples[0] ?? 0, 0];
  for (let index = 0; index < samples.length; index += 1) {
    const now = samples[index]!;
    out = keep * (out + now - before);
    before = now;
    samples[index] = out;
  }
}

function noiseOf(tap: SyntheticTap, length: number, random: () => number): Float64Array {
  const part = (db: number) => 10 ** (db / 20);
  const noise = new Float64Array(length);
  // Rumble: noise through a low-pass at 25 Hz, its size known from the share that passes.
  const pole = Math.exp((-2 * Math.PI * 25) / tap.rate);
  const spread = Math.sqrt((1 - pole) / (1 + pole));
  let rumble = 0;
  const phases = [random(), random(), random()].map((one) => 2 * Math.PI * one);
  for (let index = 0; index < length; index += 1) {
    rumble = pole * rumble + (1 - pole) * normal(random);
    const t = index / tap.rate;
    const hum = phases.reduce(
      (sum, phase, harmonic) => sum + Math.sin(2 * Math.PI * tap.humHz * (harmonic + 1) * t + phase) / (harmonic + 1),
      0,
    );
    noise[index] = part(tap.noiseDb) * normal(random) + part(tap.rumbleDb) * (rumble / spread) + part(tap.humDb) * hum;
  }
  return noise;
}
