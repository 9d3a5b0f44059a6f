/**
 * Bessel function of the first kind, order 0; at most 5e-8 off (Abramowitz & Stegun, Handbook of Mathematical Functions,
 * 1964, 9.4.1 and 9.4.3).
 *
 * @example besselJ0(1) // 0.765197…
 */
export function besselJ0(x: number): number {
  const size = Math.abs(x);
  if (size <= 3) {
    const t = (size / 3) ** 2;
    return 1 + t * (-2.2499997 + t * (1.2656208 + t * (-0.3163866 + t * (0.0444479 + t * (-0.0039444 + t * 0.00021)))));
  }
  const t = 3 / size;
  const modulus =
    0.79788456 + t * (-0.00000077 + t * (-0.0055274 + t * (-0.00009512 + t * (0.00137237 + t * (-0.00072805 + t * 0.00014476)))));
  const phase =
    size -
    0.78539816 +
    t * (-0.04166397 + t * (-0.00003954 + t * (0.00262573 + t * (-0.00054125 + t * (-0.00029333 + t * 0.00013558)))));
  return (modulus * Math.cos(phase)) / Math.sqrt(size);
}
