import { type HouseRules, assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { profileOf } from '../house/materials';
import { EDGES, byId } from '../house/schools';
import { SIDES } from '../job/sides';
import type { Tape } from '../units/length';
import { type MarginParts, cutSize } from './cutSize';
import type { Fabric } from './fabrics';
import { type ClothPiece, lying } from './layout/rollLayout';

/** Cloth lost between two pieces, whole mm: a tear frays, a blade does not. */
export const tearOf = (fabric: Fabric, rules: HouseRules): number =>
  Math.ceil(assumed(rules, fabric.tearsTrue ? 'tearLoss' : 'cutLoss'));

/**
 * The piece a job needs, as it lies on the roll with its warp along it: whole mm, its size up and its margins down,
 * so that what is kept clear of flaws is never smaller than it is: the face, and the edges where they are seen.
 */
export function clothPieceOf(id: string, inputs: JobInputs, rules: HouseRules, tape: Tape): Omit<ClothPiece, 'pin'> {
  const { brief, bars, cloth } = inputs;
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const cut = cutSize(face, cloth, cloth.marginStyle, profileOf(rules, bars.profile), rules, tape);
  const [w, h] = [Math.ceil(cut.widthMm - 1e-6), Math.ceil(cut.heightMm - 1e-6)];
  // Shrinkage, give and rounding lie half on each side of the margins.
  const over = { x: (w - cut.netWidthMm) / 2, y: (h - cut.netHeightMm) / 2 };
  const { sidesShow } = byId(EDGES, brief.edges);
  const unseen = ({ totalMm, edgeMm }: MarginParts) => (sidesShow ? totalMm - edgeMm : totalMm);
  const [top, right, bottom, left] = SIDES.map((side) =>
    Math.max(0, Math.floor(unseen(cut.margins[side]) + (side === 'top' || side === 'bottom' ? over.y : over.x))),
  );
  const upright: ClothPiece = {
    id,
    w,
    h,
    mayTurn: cloth.mayTurn,
    flawRule: cloth.flawRule,
    margin: [left!, top!, right!, bottom!],
  };
  return cloth.warp === 'height' ? upright : { ...upright, ...lying(upright, true) };
}
