/*
 * Drying follows the vapour pressure deficit of the air: time = label time × VPD(reference) / VPD(room).
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
