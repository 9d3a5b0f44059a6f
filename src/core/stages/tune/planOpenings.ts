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
import { leftOnceGrown } from '../../painting/planRebate';
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
  /** Opened as wanted it no longer goes into its frame. */
  binds: boolean;
  /** From so far to wanted; empty when nothing is to go, a corner is open further than is wanted, or it would bind in its frame. */
  steps: OpeningStep[];
  /** Stiffness along the width and along the height, kN/m, as this cloth taught where it did. */
  stiffness: readonly [width: number, height: number];
}

/** What the openings that are wanted do, from closed and from what is open already. */
export function planOpenings(inputs: JobInputs, context: PlanContext, history: JobHistory): OpeningsPlan {
  const { brief, bars, cloth, tune } = inputs;
  const { rules, taught } = context;
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
  const left = leftOnceGrown(inputs, context, opened);
  const binds = left !== null && left.mm < 0;
  return {
    opened,
    soFar,
    wanted,
    addsWidthNPerM: opened.riseWidthNPerM - before.riseWidthNPerM,
    addsHeightNPerM: opened.riseHeightNPerM - before.riseHeightNPerM,
    opener,
    binds,
    steps: opener && !back && !binds ? openingSteps(soFar, wanted, opener) : [],
    stiffness,
  };
}
