/*
 * Cut size: face + margins. A margin is edge + return + grip + hem + reserve, each its own visible part:
 * edge = bar depth + bead + one cloth thickness a bend; grip fills up what a hand or pliers need beyond the
 * last fold. Each side stands on its own: a margin that is typed takes from the reserve, the grip, the hem and the
 * return in that order. Rounding is always up to the tape's step, after everything is added.
 */
import { assumed, type HouseRules } from '../house/houseRules';
import type { ClothInputs } from '../stages/cloth/clothInputs';
import { fabricOf } from '../house/materials';
import { byId } from '../house/schools';
import { SIDES, type Side } from '../job/sides';
import type { Profile } from '../frame/profiles';
import { type Tape, roundToStep } from '../units/length';
import type { Fabric } from './fabrics';
import { MARGIN_STYLES, type MarginStyleId } from './marginStyles';

export interface MarginParts {
  edgeMm: number;
  returnMm: number;
  gripMm: number;
  hemMm: number;
  reserveMm: number;
  totalMm: number;
  /** Cloth beyond the last fold, to be held while pulling. */
  toHoldMm: number;
  /** Middle of the fasteners, from the front fold for edge-fastened work, else from the back fold. */
  fastenerAtMm: number;
  /** Fastener to the raw (or hemmed) edge. */
  fastenerToEdgeMm: number;
  onEdge: boolean;
}

/** The margin on one side for a style, mm. */
export function marginParts(
  styleId: MarginStyleId,
  profile: Profile,
  fabric: Fabric,
  grip: ClothInputs['grip'],
  rules: HouseRules,
): MarginParts {
  const style = byId(MARGIN_STYLES, styleId);
  const full = profile.depthMm + profile.beadMm;
  const edgeMm = style.onEdge
    ? assumed(rules, 'edgeShare') * profile.depthMm + fabric.thicknessMm
    : full + 2 * fabric.thicknessMm;
  const returnMm = style.returnMm(profile.widthMm, rules);
  const hemMm = style.hem ? assumed(rules, 'hem') : 0;
  const reserveMm = style.reserve ? Math.max(assumed(rules, 'handGrip'), assumed(rules, 'reserveTotal') - edgeMm - returnMm) : 0;
  const beyondFold = (style.onEdge ? edgeMm : returnMm) + hemMm + reserveMm;
  const gripMm = Math.max(0, assumed(rules, grip === 'hand' ? 'handGrip' : 'pliersGrip') - beyondFold);
  const covered = style.onEdge ? edgeMm : returnMm;
  const fastenerAtMm = Math.min(
    style.onEdge ? full / 2 : profile.widthMm / 2,
    Math.max(covered / 2, covered - assumed(rules, 'rawEdge')),
  );
  return {
    edgeMm,
    returnMm,
    gripMm,
    hemMm,
    reserveMm,
    totalMm: edgeMm + returnMm + gripMm + hemMm + reserveMm,
    toHoldMm: beyondFold + gripMm,
    fastenerAtMm,
    fastenerToEdgeMm: covered - fastenerAtMm,
    onEdge: style.onEdge,
  };
}

/**
 * A margin of another total: what is missing comes off the reserve, then the grip, the hem, the return and last the
 * edge; what is over goes to the reserve.
 *
 * @param totalMm at least 0
 */
export function marginOf(totalMm: number, margin: MarginParts, rules: HouseRules): MarginParts {
  let missing = margin.totalMm - totalMm;
  const take = (mm: number) => {
    const taken = Math.min(mm, Math.max(0, missing));
    missing -= taken;
    return mm - taken;
  };
  const reserveMm = missing < 0 ? margin.reserveMm - missing : take(margin.reserveMm);
  const gripMm = take(margin.gripMm);
  const hemMm = take(margin.hemMm);
  const returnMm = take(margin.returnMm);
  const edgeMm = take(margin.edgeMm);
  const covered = margin.onEdge ? edgeMm : returnMm;
  const fastenerAtMm = Math.min(margin.fastenerAtMm, Math.max(covered / 2, covered - assumed(rules, 'rawEdge')));
  return {
    edgeMm,
    returnMm,
    gripMm,
    hemMm,
    reserveMm,
    totalMm,
    toHoldMm: totalMm - (margin.onEdge ? 0 : edgeMm),
    fastenerAtMm,
    fastenerToEdgeMm: covered - fastenerAtMm,
    onEdge: margin.onEdge,
  };
}

export interface CutSize {
  /** The margin of the style, before a side departs from it. */
  margin: MarginParts;
  margins: Record<Side, MarginParts>;
  /** Face and margins, before anything is added or taken off, mm. */
  netWidthMm: number;
  netHeightMm: number;
  /** Added because the cloth is wetted before it is cut to its final size, mm. */
  shrinkWidthMm: number;
  shrinkHeightMm: number;
  /** Taken off because the cloth gives at working tension, mm; 0 unless asked for. */
  giveWidthMm: number;
  giveHeightMm: number;
  /** To cut, rounded up to the tape's step, mm. */
  widthMm: number;
  heightMm: number;
  areaM2: number;
}

/**
 * Size to cut for a face.
 *
 * @param face mm, above 0
 * @param tape the cut is rounded up to its step
 * @throws RangeError for a face that is none
 */
export function cutSize(
  face: { widthMm: number; heightMm: number },
  cloth: ClothInputs,
  styleId: MarginStyleId,
  profile: Profile,
  rules: HouseRules,
  tape: Tape,
): CutSize {
  if (!(face.widthMm > 0 && face.heightMm > 0))
    throw new RangeError(`face must be above 0, got ${face.widthMm} × ${face.heightMm} mm`);
  const fabric = fabricOf(rules, cloth.fabric);
  const margin = marginParts(styleId, profile, fabric, cloth.grip, rules);
  const margins = Object.fromEntries(
    SIDES.map((side) => {
      const own = cloth.ownMargin[side];
      return [side, own ? marginOf(own.mm, margin, rules) : margin];
    }),
  ) as Record<Side, MarginParts>;
  const along = (faceMm: number, one: Side, other: Side, isWarp: boolean) => {
    const net = faceMm + margins[one].totalMm + margins[other].totalMm;
    const shrink = cloth.washFirst ? net / (1 - (isWarp ? fabric.shrinkWarp : fabric.shrinkWeft)) - net : 0;
    const give = cloth.takeOffStretch ? faceMm * (isWarp ? fabric.stretchWarp : fabric.stretchWeft) : 0;
    return { net, shrink, give, cut: roundToStep(net + shrink - give, tape.stepMm, 'up') };
  };
  const width = along(face.widthMm, 'left', 'right', cloth.warp === 'width');
  const height = along(face.heightMm, 'top', 'bottom', cloth.warp === 'height');
  return {
    margin,
    margins,
    netWidthMm: width.net,
    netHeightMm: height.net,
    shrinkWidthMm: width.shrink,
    shrinkHeightMm: height.shrink,
    giveWidthMm: width.give,
    giveHeightMm: height.give,
    widthMm: width.cut,
    heightMm: height.cut,
    areaM2: (width.cut * height.cut) / 1e6,
  };
}
