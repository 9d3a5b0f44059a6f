/*
 * What gives off water (size, PVA, acrylic ground, wetted cloth) follows the vapour pressure deficit of the air:
 * time = label time × VPD(reference) / VPD(room), never under a part of the label, for a film must still form. Oil does not
 * dry, it takes up oxygen: its time goes with warmth, about half for 10 °C more, hardly with humidity.
 * Saturation pressure after Tetens (1930): 0.6108 e^(17.27 T / (T + 237.3)) kPa, T in °C, good to 1 % from 0 to 50 °C.
 */
export interface Air {
  celsius: number;
  /** Relative humidity, 0 to 100 %. */
  rh: number;
}

/**
 * Vapour pressure deficit, kPa.
 *
 * @throws RangeError for air outside 0–50 °C or 0–100 %
 * @example vapourDeficit({ celsius: 20, rh: 50 }) // 1.169…
 */
export function vapourDeficit({ celsius, rh }: Air): number {
  if (!(celsius >= 0 && celsius <= 50)) throw new RangeError(`room must be 0 to 50 °C, got ${celsius}`);
  if (!(rh >= 0 && rh <= 100)) throw new RangeError(`humidity must be 0 to 100 %, got ${rh}`);
  return 0.6108 * Math.exp((17.27 * celsius) / (celsius + 237.3)) * (1 - rh / 100);
}

/** The most a damp room is believed to lengthen drying; beyond, the coat is not expected to dry. */
export const LONGEST_FACTOR = 8;

/**
 * How many times longer than on the label drying takes, or null where the air is too damp to dry anything.
 *
 * @example dryingFactor({ celsius: 20, rh: 50 }, { celsius: 20, rh: 50 }) // 1
 */
export function dryingFactor(room: Air, reference: Air): number | null {
  const deficit = vapourDeficit(room);
  const factor = vapourDeficit(reference) / deficit;
  return deficit <= 0 || factor > LONGEST_FACTOR ? null : factor;
}

/** How a substance becomes hard. */
export type Hardens = 'givingOffWater' | 'takingUpOxygen';

/** Warmth that halves the time of oil, °C. */
const OIL_HALVES_C = 10;
/** Oil is told as a wide range: light, moving air and the layer’s thickness are not known. */
const OIL_RANGE = [0.7, 1.5] as const;

/**
 * Drying time in a room, minutes, shortest and longest; null where the air is too damp to dry it.
 *
 * @param labelMinutes at the reference climate
 * @param floorPart least part of the label time that a water-borne film needs
 * @example dryingMinutes('takingUpOxygen', [1000, 1000], { celsius: 30, rh: 90 }, { celsius: 20, rh: 50 }, 0.25) // [350, 750]
 * @example dryingMinutes('givingOffWater', [60, 180], { celsius: 40, rh: 5 }, { celsius: 20, rh: 50 }, 0.25) // [15, 45]
 */
export function dryingMinutes(
  hardens: Hardens,
  [from, to]: readonly [number, number],
  room: Air,
  reference: Air,
  floorPart: number,
): [number, number] | null {
  if (hardens === 'takingUpOxygen') {
    const part = 2 ** ((reference.celsius - room.celsius) / OIL_HALVES_C);
    return [from * part * OIL_RANGE[0], to * part * OIL_RANGE[1]];
  }
  const factor = dryingFactor(room, reference);
  if (factor === null) return null;
  const part = Math.max(floorPart, factor);
  return [from * part, to * part];
}
