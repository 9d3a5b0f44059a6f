/* A kitchen scale behind a small interface; the simulated one weighs what is poured by button, to the gram, as such scales do. */
export interface KitchenScale {
  /** What it shows, whole g. */
  read: () => number;
  /** Sets what it shows to 0, with what stands on it. */
  tare: () => void;
}

export interface SimulatedScale extends KitchenScale {
  /** Pours so much on to it, g; below 0 it is spooned out again. */
  pour: (grams: number) => void;
}

/**
 * A scale that is not there: every pour lands a little beside what was meant.
 *
 * @param random uniform in [0, 1)
 */
export function simulatedScale(random: () => number): SimulatedScale {
  let [load, zero] = [0, 0];
  return {
    read: () => Math.max(0, Math.round(load - zero)),
    tare: () => {
      zero = load;
    },
    pour: (grams) => {
      load = Math.max(zero, load + grams * (1 + 0.04 * (random() - 0.5)));
    },
  };
}
