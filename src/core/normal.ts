/**
 * A normal deviate from two uniform ones (Box & Muller 1958).
 *
 * @param random uniform in [0, 1)
 * @param sd one standard deviation
 */
export const normal = (random: () => number, sd = 1): number =>
  sd * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
