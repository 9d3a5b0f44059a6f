/*
 * Fastening, a place at a time: margins with the frame lying on the cloth, what to look at before which fastener, every
 * fastener of the route with its pull, and each corner folded step by step before it is fixed.
 */
import type { JobCase } from '../case/jobCase';
import { checksBefore } from '../fasten/routeChecks';
import type { RouteStep } from '../fasten/routeSteps';
import type { Corner } from '../frame/square/corners';
import { type NewtonWords, newtonWordsOf } from '../fasten/newtonWords';
import { isLevel } from '../job/sides';
import type { SideWords } from '../job/sideWords';
import { type Tape, printLength } from '../units/length';
import { aloud } from './aloud';
import type { BenchStep } from './benchStep';
import { marginSteps } from './marginSteps';

/** Steps of fastening; `pulls` where they are worked out. */
export function fastenSteps(here: JobCase, say: SideWords, pulls: NewtonWords | null): BenchStep[] {
  const { inputs, plan, house } = here;
  const { fasten } = inputs;
  const { route, wanted } = plan.fasten;
  const margins = marginSteps(
    {
      stage: 'fasten',
      group: 'Margins',
      ends: fasten.laid,
      wanted,
      says: (side, end) => `Margin, ${say.side(side)} at its ${end} end`,
      note: 'The frame lies on the cloth, nothing fastened yet.',
      put: (laid) => ({ fasten: { laid } }),
    },
    house.tape,
    say,
  );
  const looks = checksBefore(route, fasten.route);
  const folded = new Set<Corner>();
  const steps = route.steps.flatMap((step): BenchStep[] => {
    const corner = step.take === 'corner' && step.act === 'fix' ? cornerOf(step) : null;
    const folds = corner && !folded.has(corner) ? foldSteps(here, corner, step.order, say) : [];
    if (corner) folded.add(corner);
    return [...lookSteps(looks.get(step.order) ?? [], step.order), ...folds, placeStep(step, here, say, pulls)];
  });
  return [...margins, ...steps, timeStep(here)];
}

/** The corner that a fastener at an end of a side holds. */
export function cornerOf({ side, offsetMm }: Pick<RouteStep, 'side' | 'offsetMm'>): Corner {
  const second = offsetMm >= 0;
  if (isLevel(side)) return `${side as 'top' | 'bottom'}${second ? 'Right' : 'Left'}`;
  return `${second ? 'bottom' : 'top'}${side === 'left' ? 'Left' : 'Right'}`;
}

const lookSteps = (checks: readonly string[], order: number): BenchStep[] =>
  checks.map((says, index) => ({
    id: `fasten/look/${order}/${index}`,
    stage: 'fasten',
    group: 'Route',
    says,
    figure: 'look',
    notes: [order === 1 ? 'Before the first fastener.' : `Before number ${order}.`],
    aloud: aloud(`Look: ${says}`),
    act: { kind: 'look' },
    show: { kind: 'route', order },
  }));

function foldSteps({ plan }: JobCase, corner: Corner, order: number, say: SideWords): BenchStep[] {
  const { fold } = plan.cloth.corners;
  const name = say.corner(corner);
  return fold.steps.map((one, index) => ({
    id: `fasten/fold/${corner}/${index}`,
    stage: 'fasten',
    group: `Corner, ${name}`,
    says: one.says,
    figure: `${index + 1} of ${fold.steps.length}`,
    notes: [`${fold.name}, ${name}; then number ${order}.`],
    aloud: aloud(`Corner, ${name}. ${one.says}`),
    act: { kind: 'do' },
    show: { kind: 'corner', corner, fold: index },
  }));
}

const ACTS: Record<RouteStep['act'], string> = {
  fix: '',
  hold: 'Hold for now: ',
  takeOut: 'Take out: ',
  again: 'Draw and set again: ',
};

function placeStep(step: RouteStep, { plan, house }: JobCase, say: SideWords, pulls: NewtonWords | null): BenchStep {
  const { steps } = plan.fasten.route;
  const { order, side, act } = step;
  const where = placeOnBar(step, house.tape, say);
  const pull = (step.act !== 'takeOut' && newtonWordsOf(pulls, order)) || pullWords(step);
  const says = `${ACTS[act]}${say.side(side)}, ${where.words}`;
  const line = says.charAt(0).toUpperCase() + says.slice(1);
  return {
    id: `fasten/${order}`,
    stage: 'fasten',
    group: step.take === 'corner' ? 'Corners' : 'Route',
    says: line,
    figure: where.figure,
    notes: [
      `${order} of ${steps.length}`,
      ...(pull === '' ? [] : [pull]),
      ...(step.turned ? ['another side: turn the frame'] : []),
    ],
    aloud: aloud(`${step.turned ? 'Turn. ' : ''}${line}${pull === '' ? '' : `, ${pull}`}`),
    act: { kind: 'do' },
    show: { kind: 'route', order },
  };
}

/**
 * Where on its bar a fastener goes, from the middle, towards which other bar: true however the frame is turned.
 *
 * @example placeOnBar({ side: 'top', offsetMm: -120 }, context.tape, FRONT_WORDS).words // '120 mm from its middle, towards left'
 */
export function placeOnBar(
  { side, offsetMm }: Pick<RouteStep, 'side' | 'offsetMm'>,
  tape: Tape,
  say: SideWords,
): { figure: string; words: string } {
  if (Math.abs(offsetMm) < 1) return { figure: 'middle', words: 'at its middle' };
  const figure = printLength(Math.abs(offsetMm), tape);
  const [before, after] = isLevel(side) ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
  return { figure, words: `${figure} from its middle, towards ${say.side(offsetMm < 0 ? before : after)}` };
}

/** How a fastener is pulled, and with what. */
export function pullWords({ act, pull, with: by }: Pick<RouteStep, 'act' | 'pull' | 'with'>): string {
  if (act === 'takeOut') return '';
  const how = pull === 'none' ? 'laid on, no pull' : `pull ${pull}`;
  if (by === 'hand' && pull !== 'none') return `${how}, by hand`;
  return by === 'clamps' && act === 'hold' ? `${how}, with a clamp` : how;
}

/** How long it took, noted at the end: later plans learn this house's pace from it. */
function timeStep({ inputs: { fasten }, plan }: JobCase): BenchStep {
  const { minutes } = fasten.asDone;
  return {
    id: 'fasten/minutes',
    stage: 'fasten',
    group: 'Noted',
    says: 'Minutes it took, if you know them',
    figure: minutes === null ? '?' : `${minutes} min`,
    notes: [`Planned: about ${Math.round(plan.fasten.hands.minutes)} min. Left open, nothing is noted.`],
    aloud: 'Minutes it took, if you know them',
    act: {
      kind: 'read',
      reading: {
        kind: 'number',
        label: 'Minutes it took',
        of: 'recordedTime',
        value: minutes,
        put: (next) => ({ fasten: { asDone: { ...fasten.asDone, minutes: next } } }),
      },
    },
    show: { kind: 'route', order: plan.fasten.route.steps.length + 1 },
  };
}
