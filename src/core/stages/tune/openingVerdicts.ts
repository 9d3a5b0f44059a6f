/* What opening the corners of a stretcher is judged by: how far, how square, how it fits its rebate. */
import { CORNERS } from '../../frame/corners';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { EDGES, byId } from '../../house/schools';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import { printFine } from '../../units/length';
import type { Opener } from '../../tension/openCorners';
import { decimal } from '../../units/numeral';
import type { PlanContext } from '../planContext';
import type { OpeningsPlan } from './planOpenings';

export function openingVerdicts(plan: OpeningsPlan, inputs: JobInputs, context: PlanContext): Verdict[] {
  const { opened, wanted, soFar, opener, steps } = plan;
  if (CORNERS.every((corner) => wanted[corner] === 0 && soFar[corner] === 0)) return [];
  if (!opener)
    return [
      verdict({
        id: 'corners',
        about: 'corners',
        level: 'stop',
        says: 'This is a strainer: its corners do not open.',
        because: 'Glue, staples or screws hold them.',
        doThis: 'Set the openings to 0, or re-stretch.',
      }),
    ];
  const list = [openingVerdict(plan, context), ...closingVerdict(plan, context)];
  const skew = Math.abs(opened.skewMm);
  if (skew > 0.005) list.push(skewVerdict(plan, inputs, context));
  if (byId(EDGES, inputs.brief.edges).inRebate) list.push(rebateVerdict(plan, inputs, context));
  if (steps.length > 0) list.push(careVerdict(opener));
  return list;
}

/** Stands while something is still to be opened. */
const careVerdict = (opener: Opener): Verdict =>
  verdict({
    id: 'cornerCare',
    about: 'care at the corners',
    level: 'watch',
    says: 'Slide card between cloth and bar at each corner; loosen fasteners near it if they bind.',
    because: 'Key and hammer work a hand’s width from the cloth.',
    doThis:
      opener.kind === 'bolt'
        ? 'A quarter turn at each corner in turn, then measure.'
        : 'Tap each key lightly in turn, then measure.',
  });

function openingVerdict(
  { opened, wanted, addsWidthNPerM, addsHeightNPerM }: OpeningsPlan,
  { tape, rules, taught: lessons }: PlanContext,
): Verdict {
  const most = Math.max(...CORNERS.map((corner) => wanted[corner]));
  const alike = CORNERS.every((corner) => wanted[corner] === most);
  const level = levelAtMost(most, assumed(rules, 'keyWatch'), assumed(rules, 'keyEnd'));
  const taught = lessons?.stiffness
    ? `; stiffness ${decimal(lessons.stiffness.value, 2)} of the table’s, as ${lessons.stiffness.records === 1 ? 'your last record' : `your last ${lessons.stiffness.records} records`} taught`
    : ': an upper estimate, nothing slips';
  return verdict({
    id: 'corners',
    about: 'corners',
    level,
    measured: most,
    limit: assumed(rules, 'keyWatch'),
    unit: 'mm',
    says: `${alike ? `Open ${printFine(most, tape)} at each corner` : `Open ${printFine(most, tape)} at most`}: it grows ${printFine(opened.widthMm, tape)} across and ${printFine(opened.heightMm, tape)} down; from here tension rises about ${decimal(addsWidthNPerM, 0)} N/m across and ${decimal(addsHeightNPerM, 0)} N/m down.`,
    because: `Rise = stiffness × growth / length${taught}.`,
    doThis:
      level === 'good'
        ? 'All four alike, a little at a time.'
        : level === 'watch'
          ? 'That is a lot: re-stretching is surer.'
          : 'The joint is at its end: close it and re-stretch.',
    uses: ['keyWatch', 'keyEnd', 'keyTaper', 'boltPitch'],
  });
}

function closingVerdict({ wanted, soFar }: OpeningsPlan, { tape }: PlanContext): Verdict[] {
  const back = CORNERS.find((corner) => wanted[corner] < soFar[corner] - 1e-9);
  if (!back) return [];
  return [
    verdict({
      id: 'cornerFurther',
      about: 'corner open further',
      level: 'watch',
      measured: soFar[back],
      limit: wanted[back],
      unit: 'mm',
      says: `The ${cornerWords(back)} corner is open by ${printFine(soFar[back], tape)} already, more than is wanted.`,
      because: 'A key is not driven backwards; the cloth pulls the corner shut when the key comes out.',
      doThis: 'Want at least as much, or take the keys out, note it, and begin again.',
    }),
  ];
}

export const cornerWords = (corner: string): string => corner.replace(/([A-Z])/, ' $1').toLowerCase();

function skewVerdict({ opened }: OpeningsPlan, { brief }: JobInputs, { tape, rules }: PlanContext): Verdict {
  const diagonalM = Math.hypot(brief.width.mm, brief.height.mm) / 1000;
  const limit = assumed(rules, byId(EDGES, brief.edges).squareLimit) * diagonalM;
  const skew = Math.abs(opened.skewMm);
  return verdict({
    id: 'cornerSkew',
    about: 'skew by the corners',
    level: levelAtMost(skew, limit, 2 * limit),
    measured: skew,
    limit,
    unit: 'mm',
    says: `The corners differ: the diagonals end ${printFine(skew, tape)} apart, ${opened.skewMm > 0 ? 'top left to bottom right' : 'bottom left to top right'} the longer.`,
    because: 'Only corners opened alike leave the frame as square as it was.',
    doThis: 'Open the other corners as far, or do it on purpose and measure the diagonals.',
  });
}

function rebateVerdict({ opened }: OpeningsPlan, { brief }: JobInputs, { tape }: PlanContext): Verdict {
  const clearanceMm = brief.rebateClearance.mm;
  const grows = Math.max(opened.widthMm, opened.heightMm);
  const fits = grows <= clearanceMm;
  return verdict({
    id: 'rebate',
    about: 'rebate',
    level: fits ? 'good' : 'stop',
    measured: grows,
    limit: clearanceMm,
    unit: 'mm',
    says: `Grows ${printFine(grows, tape)} into ${printFine(clearanceMm, tape)} of clearance.`,
    because: 'A keyed frame may no longer fit its rebate.',
    doThis: fits ? '' : 'Open less, or widen the rebate.',
  });
}
