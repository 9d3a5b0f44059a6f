/*
 * Cloth that is narrower than what is to be cut: every way out that is not a seam, best first.
 */
import type { Profile } from '../frame/profiles';
import { type HouseRules, assumed } from '../house/houseRules';
import type { ClothInputs } from '../stages/cloth/clothInputs';
import { fabricOf } from '../house/materials';
import type { Tape } from '../units/length';
import { cutSize } from './cutSize';
import { MARGIN_STYLES, type MarginStyleId } from './marginStyles';
import { rollFit } from './rollFit';

export interface WaysToFit {
  /** With the warp along the other side of the face. */
  turned: boolean;
  /** Leaner margins that lie across, as the warp runs now, the most generous first. */
  styles: MarginStyleId[];
  /** Widths this cloth is sold in that would do, mm, ascending. */
  rollsMm: number[];
  /** What the two margins across the roll can be at most, together, mm; below 0 when not even the face lies across. */
  marginsAcrossMm: number;
  /** The least both together can be and still go round and be held with pliers, mm. */
  leastAcrossMm: number;
}

/** Ways to get a face out of a roll that is too narrow for the margin chosen. */
export function waysToFit(
  face: { widthMm: number; heightMm: number },
  cloth: ClothInputs,
  profile: Profile,
  rules: HouseRules,
  tape: Tape,
): WaysToFit {
  const fabric = fabricOf(rules, cloth.fabric);
  const across = (style: MarginStyleId, one: ClothInputs) => {
    const cut = cutSize(face, one, style, profile, rules, tape);
    return { cut, fit: rollFit(cut, one.warp, one.rollWidth.mm) };
  };
  const chosen = across(cloth.marginStyle, cloth);
  const plain: ClothInputs = { ...cloth, ownMargin: { top: null, right: null, bottom: null, left: null } };
  const lean = MARGIN_STYLES.map(({ id }) => ({ id, ...across(id, plain) }))
    .filter(({ id, fit }) => id !== cloth.marginStyle && fit.fits)
    .sort((a, b) => b.cut.margin.totalMm - a.cut.margin.totalMm);
  const warpOnWidth = cloth.warp === 'width';
  const shrink = cloth.washFirst ? 1 - fabric.shrinkWeft : 1;
  return {
    turned: chosen.fit.fitsTurned,
    styles: lean.map(({ id }) => id),
    rollsMm: fabric.rolls
      .map(({ mm }) => mm)
      .filter((mm) => mm >= chosen.fit.acrossMm)
      .sort((a, b) => a - b),
    marginsAcrossMm: cloth.rollWidth.mm * shrink - (warpOnWidth ? face.heightMm : face.widthMm),
    leastAcrossMm: 2 * (profile.depthMm + profile.beadMm + 2 * fabric.thicknessMm + assumed(rules, 'pliersGrip')),
  };
}
