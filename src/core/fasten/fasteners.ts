/* Fasteners: leg and crown (mm), what they are for. Spacing customs are kept by cloth and size in `usualSpacing`. */
export interface Fastener {
  id: string;
  name: string;
  legMm: number;
  crownMm: number;
  /** Set with a hand stapler: each is a squeeze. */
  squeezed: boolean;
  stainless: boolean;
  seen: boolean;
}

const fastener = <const I extends string>(id: I, name: string, row: Omit<Fastener, 'id' | 'name'>) => ({ id, name, ...row });

export const FASTENERS = [
  fastener('staple6', 'Staple, fine wire, 6 mm leg', { legMm: 6, crownMm: 11, squeezed: true, stainless: false, seen: false }),
  fastener('staple8', 'Staple, 8 mm leg', { legMm: 8, crownMm: 11, squeezed: true, stainless: false, seen: false }),
  fastener('staple10', 'Staple, 10 mm leg', { legMm: 10, crownMm: 11, squeezed: true, stainless: false, seen: false }),
  fastener('stapleStainless', 'Stainless staple, 8 mm leg', {
    legMm: 8,
    crownMm: 11,
    squeezed: true,
    stainless: true,
    seen: false,
  }),
  fastener('tack', 'Tack, 10 mm', { legMm: 10, crownMm: 6, squeezed: false, stainless: false, seen: true }),
] as const;

export type FastenerId = (typeof FASTENERS)[number]['id'];

/**
 * Customary spacing, mm: close for heavy cloth or small work, wide for light cloth on large work.
 *
 * @param gsm weight of the cloth, g/m²
 * @param longestSideMm longest side of the face
 * @param splits dense or thin wood, that many holes near each other split
 * @returns the customary range and what it is for, its lengths in braces for `toldTo`; `wider`: the wood asks for more
 */
export function usualSpacing(
  gsm: number,
  longestSideMm: number,
  splits = false,
): { fromMm: number; toMm: number; because: string; wider: boolean } {
  const usual = byCloth(gsm, longestSideMm);
  const fromMm = splits ? Math.max(usual.fromMm, LEAST_IN_DENSE_MM) : usual.fromMm;
  return { ...usual, fromMm, wider: fromMm > usual.fromMm };
}

/** Nearer than this, holes run into one split in dense wood and thin bars, mm. */
const LEAST_IN_DENSE_MM = 30;

function byCloth(gsm: number, longestSideMm: number) {
  if (gsm >= 450 || longestSideMm <= 400) return { fromMm: 20, toMm: 35, because: 'heavy cloth or small work: {20 to 35 mm}' };
  if (gsm <= 280 && longestSideMm >= 1400)
    return { fromMm: 50, toMm: 100, because: 'light cloth on large work: up to {75 to 100 mm}' };
  return { fromMm: 30, toMm: 50, because: 'usual: {35 to 50 mm}' };
}
