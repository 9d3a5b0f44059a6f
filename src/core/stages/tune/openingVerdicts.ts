/* What opening the corners of a stretcher is judged by: how far, how square, how it fits its rebate. */
import { bare, printed } from '../../quantities/printed';
import { leftOnceGrown } from '../../painting/planRebate';
import { CORNERS } from '../../frame/square/corners';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { isFragile } from '../look/care';
import { EDGES, byId, isPainted } from '../../house/schools';
import { sideWords } from '../../job/sideWords';
import { type Verdict, levelAtMost, verdict, worstLevel } from '../../job/verdict';
import { printFine } from '../../units/length';
import { FEELS, middleOf } from '../../tension/feel';
import type { Opener } from '../../tension/openCorners';
import { NO_HISTORY, lastTension } from '../../log/jobHistory';
import type { BarsPlan } from '../bars/planBars';
import type { PlanContext } from '../planContext';
import type { OpeningsPlan } from './planOpenings';

export function openingVerdicts(plan: OpeningsPlan, inputs: JobInputs, context: PlanContext, bars: BarsPlan | null): Verdict[] {
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
  const pulled = pullVerdicts(plan, inputs, context, bars);
  const list = [
    ...fragileVerdict(inputs),
    openingVerdict(plan, context, worstLevel(pulled) === 'stop'),
    ...pulled,
    ...closingVerdict(plan, context),
  ];
  const skew = Math.abs(opened.skewMm);
  if (skew > 0.005) list.push(skewVerdict(plan, inputs, context));
  list.push(...rebateVerdict(plan, inputs, context));
  if (steps.length > 0) list.push(careVerdict(opener));
  return list;
}

const fragileVerdict = (inputs: JobInputs): Verdict[] =>
  isFragile(inputs)
    ? [
        verdict({
          id: 'fragile',
          about: 'fragile painting',
          level: 'stop',
          says: 'A fragile painting is not keyed.',
          because: 'Opening the corners strains paint that is loose already.',
          doThis: 'Stop here and ask a conservator.',
        }),
      ]
    : [];

/** What the cloth pulls with once the corners are open so far: against the house’s most, and the bow of the bars under it. */
function pullVerdicts(
  { addsWidthNPerM, addsHeightNPerM }: OpeningsPlan,
  inputs: JobInputs,
  { rules, tape, history }: PlanContext,
  bars: BarsPlan | null,
): Verdict[] {
  const adds = Math.max(addsWidthNPerM, addsHeightNPerM);
  if (adds <= 0) return [];
  const last = lastTension(history ?? NO_HISTORY);
  // What the hand says now stands before what the bars were reckoned for.
  const felt = inputs.tune.feel === null ? null : middleOf(byId(FEELS, inputs.tune.feel));
  const now = last?.nPerM ?? felt ?? inputs.bars.tensionNPerM;
  const after = now + adds;
  const limit = isPainted(inputs.brief.use) ? 'paintedMost' : 'tensionMost';
  const most = assumed(rules, limit);
  const from = last
    ? `${printed('tension', now)} ${last.tool === 'hand' ? 'felt' : 'measured'}`
    : `${printed('tension', now)} ${felt === null ? 'assumed' : 'felt'}`;
  const list = [
    verdict({
      id: 'cornersPull',
      about: 'tension with the corners open',
      level: levelAtMost(after, most, 1.25 * most),
      measured: after,
      limit: most,
      of: 'tension',
      says: `${from} and ${printed('tension', adds)} by the corners make ${printed('tension', after)}; ${printed('tension', most)} is the most${limit === 'paintedMost' ? ' for a painting' : ''}.`,
      because: 'An upper estimate: nothing slips or creeps in it.',
      doThis: after > most ? 'Open less, measure, and go on only if it is still slack.' : '',
      uses: [limit],
    }),
  ];
  if (!bars) return list;
  const { topBottom, leftRight } = bars.chosen;
  const worst = [topBottom, leftRight].reduce((a, b) => (b.lastingMm / b.limitMm > a.lastingMm / a.limitMm ? b : a));
  const bowMm = (worst.lastingMm * (after + assumed(rules, 'dryRise'))) / bars.load.lastingNPerM;
  const level = levelAtMost(bowMm, worst.limitMm, 1.5 * worst.limitMm);
  if (level === 'good') return list;
  return [
    ...list,
    verdict({
      id: 'cornersBow',
      about: 'bars with the corners open',
      level,
      measured: bowMm,
      limit: worst.limitMm,
      of: 'bow',
      says: `Pulled so, the bars bow ${printFine(bowMm, tape)} in time; ${printFine(worst.limitMm, tape)} is allowed.`,
      because: 'Bow goes with the pull; dry air adds to it.',
      doThis: 'Open less, or brace the bars first.',
      uses: ['creep', 'bowLimit', 'bowRatio', 'dryRise'],
    }),
  ];
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
  pullsTooHard: boolean,
): Verdict {
  const most = Math.max(...CORNERS.map((corner) => wanted[corner]));
  const alike = CORNERS.every((corner) => wanted[corner] === most);
  const byJoint = levelAtMost(most, assumed(rules, 'keyWatch'), assumed(rules, 'keyEnd'));
  const level = pullsTooHard && byJoint === 'good' ? 'watch' : byJoint;
  const taught = lessons?.stiffness
    ? `; stiffness ${bare('stiffnessLearned', lessons.stiffness.value)} of the table’s, as ${lessons.stiffness.records === 1 ? 'your last record' : `your last ${lessons.stiffness.records} records`} taught`
    : ': an upper estimate, nothing slips';
  return verdict({
    id: 'corners',
    about: 'corners',
    level,
    measured: most,
    limit: assumed(rules, 'keyWatch'),
    of: 'openingReached',
    says: `${alike ? `Open ${printFine(most, tape)} at each corner` : `Open ${printFine(most, tape)} at most`}: it grows ${printFine(opened.widthMm, tape)} across and ${printFine(opened.heightMm, tape)} down; from here tension rises about ${printed('tension', addsWidthNPerM)} across and ${printed('tension', addsHeightNPerM)} down.`,
    because: `Rise = stiffness × growth / length${taught}.`,
    doThis:
      level === 'good'
        ? 'All four alike, a little at a time.'
        : level === 'watch'
          ? pullsTooHard
            ? 'Not so far: see what the cloth would pull with.'
            : 'That is a lot: re-stretching is surer.'
          : 'The joint is at its end: close it and re-stretch.',
    uses: ['keyWatch', 'keyEnd', 'keyTaper', 'boltPitch'],
  });
}

function closingVerdict({ wanted, soFar }: OpeningsPlan, { tape, view }: PlanContext): Verdict[] {
  const back = CORNERS.find((corner) => wanted[corner] < soFar[corner] - 1e-9);
  if (!back) return [];
  return [
    verdict({
      id: 'cornerFurther',
      about: 'corner open further',
      level: 'watch',
      measured: soFar[back],
      limit: wanted[back],
      of: 'openingReached',
      says: `The ${sideWords(view).corner(back)} corner is open by ${printFine(soFar[back], tape)} already, more than is wanted.`,
      because: 'A key is not driven backwards; the cloth pulls the corner shut when the key comes out.',
      doThis: 'Want at least as much, or take the keys out, note it, and begin again.',
    }),
  ];
}

function skewVerdict({ opened }: OpeningsPlan, { brief }: JobInputs, { tape, rules, view }: PlanContext): Verdict {
  const diagonalM = Math.hypot(brief.width.mm, brief.height.mm) / 1000;
  const limit = assumed(rules, byId(EDGES, brief.edges).squareLimit) * diagonalM;
  const skew = Math.abs(opened.skewMm);
  return verdict({
    id: 'cornerSkew',
    about: 'skew by the corners',
    level: levelAtMost(skew, limit, 2 * limit),
    measured: skew,
    limit,
    of: 'misfit',
    says: `The corners differ: the diagonals end ${printFine(skew, tape)} apart, ${sideWords(view).diagonal(opened.skewMm > 0 ? 'down' : 'up')} the longer.`,
    because: 'Only corners opened alike leave the frame as square as it was.',
    doThis: 'Open the other corners as far, or do it on purpose and measure the diagonals.',
  });
}

/** Does it still go into its frame: by the frame as it was measured, else by the clearance that is planned. */
function rebateVerdict({ opened }: OpeningsPlan, inputs: JobInputs, context: PlanContext): Verdict[] {
  const { tape } = context;
  const left = leftOnceGrown(inputs, context, opened);
  if (left === null) return [];
  const grows = `Grows ${printFine(opened.widthMm, tape)} across and ${printFine(opened.heightMm, tape)} down`;
  const where = left.measured ? 'the rebate as measured' : `${printFine(inputs.brief.rebateClearance.mm, tape)} of clearance`;
  return [
    verdict({
      id: 'rebate',
      about: 'rebate',
      level: left.mm >= 0 ? 'good' : 'stop',
      measured: left.mm,
      limit: 0,
      of: 'rebateGap',
      says:
        left.mm >= 0
          ? `${grows} in ${where}: ${printFine(left.mm, tape)} is left where it is narrowest.`
          : `${grows}: it binds in ${where}, by ${printFine(-left.mm, tape)}.`,
      because: 'A keyed frame may no longer fit its rebate.',
      doThis: left.mm >= 0 ? '' : 'Open less, or widen the rebate.',
    }),
  ];
}
