/* A canvas made here beside one that is bought ready made, and from which size on making it pays. */
import { isTyped } from '../quantities/quantities';
import { byId, USES } from '../house/schools';
import type { JobInputs } from '../job/job';
import type { CostSettings } from './costSettings';

/** One size of the curve: width and height together, and what it costs here. */
export interface SizeCost {
  widthMm: number;
  heightMm: number;
  /** Minor units, of what is known. */
  minor: number;
}

/** Two faces are of one size within this, mm. */
const SAME_MM = 3;

/** What a ready-made canvas of a face costs; null where none of this size was typed. Turned ones count. */
export function readyPrice(
  { readyMade }: Pick<CostSettings, 'readyMade'>,
  face: { widthMm: number; heightMm: number },
): number | null {
  const [long, short] = [Math.max(face.widthMm, face.heightMm), Math.min(face.widthMm, face.heightMm)];
  const found = readyMade.find(
    (one) =>
      Math.abs(Math.max(one.widthMm, one.heightMm) - long) <= SAME_MM &&
      Math.abs(Math.min(one.widthMm, one.heightMm) - short) <= SAME_MM,
  );
  return found?.priceMinor ?? null;
}

/**
 * Price of a ready-made canvas of any size between those that were typed, along width and height together; null beyond them.
 *
 * @example readyAlong({ readyMade: [{ widthMm: 300, heightMm: 300, priceMinor: 600 }, { widthMm: 500, heightMm: 500, priceMinor: 1000 }] }, 800) // 800
 */
export function readyAlong({ readyMade }: Pick<CostSettings, 'readyMade'>, sumMm: number): number | null {
  const rows = readyMade.map((one) => ({ sum: one.widthMm + one.heightMm, minor: one.priceMinor })).sort((a, b) => a.sum - b.sum);
  const below = rows.findLast(({ sum }) => sum <= sumMm);
  const above = rows.find(({ sum }) => sum >= sumMm);
  if (!below || !above) return null;
  if (above.sum === below.sum) return below.minor;
  return below.minor + ((above.minor - below.minor) * (sumMm - below.sum)) / (above.sum - below.sum);
}

/**
 * The size from which on making costs no more than buying, as far as ready-made prices are known: width and height together, mm.
 * Null where it never pays there, or nothing can be compared.
 *
 * @param curve ascending by size
 */
export function paysFrom(curve: readonly SizeCost[], settings: Pick<CostSettings, 'readyMade'>): number | null {
  const gains = curve.flatMap(({ widthMm, heightMm, minor }) => {
    const ready = readyAlong(settings, widthMm + heightMm);
    return ready === null ? [] : [{ sum: widthMm + heightMm, gain: ready - minor }];
  });
  // From the last size at which it does not pay, on to the next.
  const lastLoss = gains.findLastIndex(({ gain }) => gain < 0);
  if (gains.length === 0 || lastLoss === gains.length - 1) return null;
  if (lastLoss < 0) return gains[0]!.sum;
  const [loss, win] = [gains[lastLoss]!, gains[lastLoss + 1]!];
  return loss.sum + ((win.sum - loss.sum) * -loss.gain) / (win.gain - loss.gain);
}

/** The sizes that a curve is worked out for, as parts of the long side of this canvas. */
const PARTS = [0.35, 0.5, 0.7, 0.85, 1, 1.2, 1.5, 1.9, 2.4];

/** Faces of one shape, from small to large, within what is stretched at all. Paintings have the size they have. */
export function scaledFaces({ brief }: JobInputs): { widthMm: number; heightMm: number }[] {
  if (byId(USES, brief.use).painted) return [];
  return PARTS.map((part) => ({
    widthMm: Math.round(brief.width.mm * part),
    heightMm: Math.round(brief.height.mm * part),
  })).filter(({ widthMm, heightMm }) => isTyped('faceLength', widthMm) && isTyped('faceLength', heightMm));
}
