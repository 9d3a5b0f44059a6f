import { EDGES, byId } from '../house/schools';
import type { JobInputs } from '../job/job';
import { type Verdict, verdict } from '../job/verdict';
import type { PlanContext } from '../stages/planContext';
import { printFine } from '../units/length';
import { wholeDepth } from './canvasDepth';

/** How deep the canvas is against its rebate, at Place and again at Bars; none where the rebate’s depth was not read. */
export function depthVerdicts({ brief, bars, cloth }: JobInputs, { rules, tape }: PlanContext): Verdict[] {
  const depth = byId(EDGES, brief.edges).inRebate ? (brief.rebate.depth?.mm ?? null) : null;
  if (depth === null) return [];
  const { bodyMm, cornerMm } = wholeDepth({ brief, bars, cloth }, rules);
  const [proud, corner] = [bodyMm - depth, cornerMm - depth];
  const toBuild =
    brief.rebate.fixing === 'clips'
      ? 'Spring clips press it the harder the prouder it stands: build the back of the frame up, or take offset plates.'
      : 'Build the back of the frame up, take a shallower bar, or plates that are offset.';
  const corners = corner > 0 && corner - proud > 0.05 ? `, ${printFine(corner, tape)} at its folded corners` : '';
  return [
    verdict({
      id: 'rebateDepth',
      about: 'depth of the rebate',
      level: corner > 0 ? 'watch' : 'good',
      measured: cornerMm,
      limit: depth,
      of: 'rebateDepthTaken',
      says:
        proud > 0
          ? `The canvas stands ${printFine(proud, tape)} proud of the back of the frame${corners}.`
          : corner > 0
            ? `The canvas lies ${printFine(-proud, tape)} below the back of the frame; its folded corners stand ${printFine(corner, tape)} proud.`
            : `The canvas lies ${printFine(-corner, tape)} below the back of the frame, its folded corners too.`,
      because: `Bar, bead and cloth on both faces are ${printFine(bodyMm, tape)} deep, ${printFine(cornerMm, tape)} at a folded corner; a slip takes its thickness besides.`,
      doThis: corner > 0 ? toBuild : '',
    }),
  ];
}
