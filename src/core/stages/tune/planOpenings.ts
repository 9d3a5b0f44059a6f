/* The corners of a stretcher: what was opened, what is wanted, what it takes and what it does. */
import { CORNERS } from '../../frame/square/corners';
import { JOINTS } from '../../frame/joints';
import { assumed } from '../../house/houseRules';
import { fabricOf } from '../../house/materials';
import type { JobInputs } from '../../job/job';
import { byId } from '../../house/schools';
import {
  type OpenedFrame,
  type Opener,
  type Openings,
  type OpeningStep,
  eachCorner,
  openCorners,
  openingSteps,
} from '../../tension/openCorners';
import type { PlanContext } from '../planContext';
import type { JobHistory } from '../../log/jobHistory';

export interface OpeningsPlan {
  /** The frame as wanted, from closed, and the openings made so far, mm. */
  opened: OpenedFrame;
  soFar: Openings;
  wanted: Openings;
  /** What the rest of the way adds to the tension, N/m. */
  addsWidthNPerM: number;
  addsHeightNPerM: number;
  opener: Opener | null;
  /** From so far to wanted; empty when nothing is to go, or a corner is open further than is wanted. */
  steps: OpeningStep[];
  /** Stiffness along the width and along the height, kN/m, as this cloth taught where it did. */
  stiffness: readonly [width: number, height: number];
}

/** What the openings that are wanted do, from closed and from what is open already. */
export function planOpenings(
  { brief, bars, cloth, tune }: JobInputs,
  { rules, taught }: PlanContext,
  history: JobHistory,
): OpeningsPlan {
  const fabric = fabricOf(rules, cloth.fabric);
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const found = taught?.stiffness?.value ?? 1;
  const [warp, weft] = [fabric.stiffnessWarpKNPerM * found, fabric.stiffnessWeftKNPerM * found];
  const stiffness = cloth.warp === 'width' ? ([warp, weft] as const) : ([weft, warp] as const);
  const soFar = history.opened;
  const typed = eachCorner((corner) => tune.corners[corner].mm);
  // Nothing is wanted: they stay as they are.
  const wanted = CORNERS.every((corner) => typed[corner] === 0) ? soFar : typed;
  const opened = openCorners(wanted, face, stiffness);
  const before = openCorners(soFar, face, stiffness);
  const kind = byId(JOINTS, bars.joint).opener;
  const opener: Opener | null =
    kind === 'key'
      ? { kind, taper: assumed(rules, 'keyTaper') }
      : kind === 'bolt'
        ? { kind, pitchMm: assumed(rules, 'boltPitch') }
        : null;
  const back = CORNERS.some((corner) => wanted[corner] < soFar[corner] - 1e-9);
  return {
    opened,
    soFar,
    wanted,
    addsWidthNPerM: opened.riseWidthNPerM - before.riseWidthNPerM,
    addsHeightNPerM: opened.riseHeightNPerM - before.riseHeightNPerM,
    opener,
    steps: opener && !back ? openingSteps(soFar, wanted, opener) : [],
    stiffness,
  };
}
