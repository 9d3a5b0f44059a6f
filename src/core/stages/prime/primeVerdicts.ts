/* What priming is judged by: what lies under what, the room, the pot, the bars that will be pulled harder, care. */
import { toldTo } from '../../quantities/toldTo';
import { bare, printed, printedRange } from '../../quantities/printed';
import { printFine, type Tape } from '../../units/length';
import { fabricOf } from '../../house/materials';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { EDGES, MEDIUMS, byId } from '../../house/schools';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import { primingOf } from '../../prime/primingOf';
import { type PrimingSystem } from '../../prime/grounds';
import { type LayerId, SUBSTANCES, layerWarning } from '../../prime/substances';
import type { PlanContext } from '../planContext';
import { NO_HISTORY, lastTension } from '../../log/jobHistory';
import type { BarsPlan } from '../bars/planBars';
import type { CoatPlan } from './CoatPlan';
import type { Wetting } from './wetting';

interface PrimeCase {
  inputs: JobInputs;
  system: PrimingSystem;
  next: CoatPlan | undefined;
  coatsDone: number;
  wetting: Wetting | null;
  goneMl: number | null;
  areaM2: number;
  bars: BarsPlan;
}

export function primeVerdicts(here: PrimeCase, context: PlanContext): Verdict[] {
  return [
    ...orderVerdicts(here, context),
    ...airVerdicts(here, context),
    ...potVerdicts(here, context),
    ...barsAfterVerdict(here, context),
    ...cautionVerdicts(here.system, context.tape),
  ];
}

function orderVerdicts({ inputs, system }: PrimeCase, { rules }: PlanContext): Verdict[] {
  const { brief, cloth, prime } = inputs;
  const fabric = fabricOf(rules, cloth.fabric);
  const primes = system.coats.length > 0;
  const list: Verdict[] = [];
  if (fabric.primed && primes)
    list.push(
      verdict({
        id: 'primedCloth',
        about: 'primed cloth',
        level: 'watch',
        says: 'This cloth comes primed.',
        because: 'A second ground on a strange one may not hold.',
        doThis: 'Leave it as it is, or try it on an offcut.',
      }),
    );
  list.push(...mediumVerdicts(inputs, system, fabric.primed));
  list.push(...underVerdict(system, prime.over));
  if (byId(EDGES, brief.edges).seen && !prime.edges && primes)
    list.push(
      verdict({
        id: 'edges',
        about: 'edges',
        level: 'watch',
        says: 'The edges will be seen and are left raw.',
        because: 'Edges are always primed for unframed and float-framed work.',
        doThis: 'Prime the edges too.',
      }),
    );
  if (prime.wetFirst && fabric.primed)
    list.push(
      verdict({
        id: 'wetNever',
        about: 'wetting first',
        level: 'stop',
        says: 'Primed cloth is not wetted.',
        because: 'Water cannot reach the threads evenly.',
        doThis: 'Untick “Wet the cloth first”.',
      }),
    );
  return list;
}

/** What will be painted on, against the layer that lies on top when all coats are on. */
function mediumVerdicts({ brief, prime }: JobInputs, system: PrimingSystem, primed: boolean): Verdict[] {
  const last = system.coats.at(-1);
  const top: LayerId = last ? byId(SUBSTANCES, last.substance).layer : prime.over;
  // Coats that do not seal leave the threads as open to oil as none.
  const raw = prime.over === 'raw' && !primed && (!last || !system.sealsForOil);
  const { layer, open } = byId(MEDIUMS, brief.medium);
  if (raw && open)
    return [
      verdict({
        id: 'unsealed',
        about: 'unsealed cloth',
        level: 'watch',
        says: 'The cloth stays raw, and the medium is not decided: oil on it would rot it in decades.',
        because: 'A sealed or acrylic ground is the barrier between oil and thread.',
        doThis: 'Seal it as for oil, or settle the medium in the brief.',
      }),
    ];
  if (raw && layer === 'oil')
    return [
      verdict({
        id: 'barrier',
        about: 'barrier',
        level: 'stop',
        says: 'Oil on unsealed cloth rots it in decades.',
        because: 'A sealed or acrylic ground is the barrier between oil and thread.',
        doThis: 'Size and ground it first.',
      }),
    ];
  if (top === 'oil' && layer === 'acrylic')
    return [
      verdict({
        id: 'layerOrder',
        about: 'layer order',
        level: 'stop',
        says: 'Water-borne paint does not hold on an oil ground.',
        because: 'Lean water-borne layers peel off oil.',
        doThis: 'Take an acrylic ground, or paint in oil.',
      }),
    ];
  return [];
}

/** What is on the cloth already, against the first coat of the system. */
function underVerdict(system: PrimingSystem, over: LayerId): Verdict[] {
  const first = system.coats[0];
  const warning = first && layerWarning(over, byId(SUBSTANCES, first.substance).layer);
  if (!warning) return [];
  return [
    verdict({
      id: 'below',
      about: 'what is below',
      level: warning.level,
      says: warning.says,
      because: warning.because,
      doThis: 'Choose a system that goes with what is on the cloth, or take it off.',
    }),
  ];
}

function airVerdicts({ inputs: { prime }, system, next, wetting }: PrimeCase, { tape }: PlanContext): Verdict[] {
  if (!next) return [];
  const air = `${printed('temperature', prime.roomC, tape)} and ${printed('humidity', prime.roomRh)}`;
  const oil = byId(SUBSTANCES, next.substance).hardens === 'takingUpOxygen';
  const wet = wetting ? [wettingVerdict(wetting, tape)] : [];
  if (!next.dryMinutes) {
    return [
      ...wet,
      verdict({
        id: 'air',
        about: 'air',
        level: 'stop',
        measured: prime.roomRh,
        limit: null,
        of: 'humidity',
        says: `At ${air} the coat will not dry.`,
        because: 'The air takes up next to no water: drying goes with its vapour deficit.',
        doThis: 'Warm or dry the room first.',
        uses: ['refTemperature', 'refHumidity'],
      }),
    ];
  }
  const cold = prime.roomC < system.leastC;
  const factor = next.dryMinutes[1] / next.labelMinutes[1];
  return [
    ...wet,
    verdict({
      id: 'air',
      about: 'air',
      level: cold ? 'stop' : factor > 2 ? 'watch' : 'good',
      ...(cold
        ? { measured: prime.roomC, limit: system.leastC, of: 'roomTemperature' as const }
        : { measured: factor, limit: 2, of: 'dryingOver' as const }),
      says: cold
        ? `At ${printed('temperature', prime.roomC, tape)} this ground does not form a film; ${printed('temperature', system.leastC, tape)} is the least.`
        : `${oil ? 'Hardens' : 'Dries'} in ${printedRange('dryingTime', ...next.dryMinutes)} at ${air}: ${bare('dryingOver', factor)} × the label at the longest.`,
      because: oil
        ? `Oil takes up oxygen: about half the time for ${tape.unit === 'in' ? '18 °F' : '10 °C'} more; light and moving air help, humidity hardly counts.`
        : 'Label time × VPD(reference) / VPD(room), VPD after Tetens; never under a part of the label.',
      doThis: cold ? 'Warm the room.' : factor > 2 ? 'Warm or dry the room, or wait the longer time.' : '',
      uses: oil ? ['refTemperature'] : ['refTemperature', 'refHumidity', 'dryFloor'],
    }),
  ];
}

const wettingVerdict = ({ litres, dryMinutes, riseNPerM }: Wetting, tape: Tape): Verdict =>
  verdict({
    id: 'wetting',
    about: 'wetting first',
    level: dryMinutes ? 'watch' : 'stop',
    measured: litres,
    limit: null,
    of: 'water',
    says: dryMinutes
      ? `Wet it first: ${printed('water', litres, tape)}, dry in ${printedRange('dryingTime', ...dryMinutes)}; then about ${printed('tension', riseNPerM)} tighter.`
      : 'Wetted in this air the cloth does not dry.',
    because: 'Raw cloth takes up water, goes slack, and draws tighter as it dries: by a guess of the house.',
    doThis: dryMinutes
      ? 'Damp through from the back, evenly; no coat before it is dry and not cold to the hand.'
      : 'Warm or dry the room first.',
    uses: ['wetTakes', 'wetDries', 'wetRise'],
  });

/** Nothing takes so many times what was reckoned with: the jug was misread. */
const BELIEVED_TIMES = 20;
/** How far the pot may be from what was reckoned before it is looked at. */
const POT_PART = 0.35;

function potVerdicts({ inputs: { prime }, next, goneMl, areaM2 }: PrimeCase, { rules, tape }: PlanContext): Verdict[] {
  if (!next) return [];
  const { mostWater, thinWhy, name } = byId(SUBSTANCES, next.substance);
  const list: Verdict[] = [];
  if (next.waterParts > mostWater)
    list.push(
      verdict({
        id: 'thinning',
        about: 'thinning',
        level: 'stop',
        measured: next.waterParts,
        limit: mostWater,
        of: 'waterParts',
        says: `${name}: ${bare('waterParts', next.waterParts)} parts of water to one; ${bare('waterParts', mostWater)} is the most.`,
        because: thinWhy,
        doThis: 'Less water, one more coat.',
      }),
    );
  if (prime.leftMl !== null && goneMl !== null) {
    const foretold = areaM2 * next.absorbMlPerM2;
    const off = Math.abs(goneMl / foretold - 1);
    const slip =
      goneMl <= 0 ? 'No less is left than was mixed.' : goneMl > BELIEVED_TIMES * foretold ? 'No cloth takes up so much.' : null;
    const told = prime.mixedMl === null ? 'The mix that was told, since none was measured,' : 'Mixed';
    list.push(
      verdict({
        id: 'pot',
        about: 'pot',
        level: slip ? 'stop' : levelAtMost(off, POT_PART, Infinity),
        // What is left over against what was mixed; what went on against what was reckoned with.
        ...(goneMl <= 0 ? { measured: prime.leftMl, limit: prime.leftMl + goneMl } : { measured: goneMl, limit: foretold }),
        of: 'potVolume',
        says:
          slip ??
          `Used ${printed('volume', goneMl, tape)}, ${printed('absorption', goneMl / areaM2, tape)}; ${printed('volume', foretold, tape)} was reckoned with.`,
        because: `${told} less what is left; the next pot for this cloth is reckoned with it.`,
        doThis: slip ? 'Read the jug again.' : off > POT_PART ? 'Thick and thin places? Hold it against the light.' : '',
        uses: [next.absorb],
      }),
    );
  }
  if (next.learned)
    list.push(
      verdict({
        id: 'absorption',
        about: 'what this cloth takes',
        level: 'good',
        measured: next.learned.value,
        limit: assumed(rules, next.absorb),
        of: 'absorption',
        says: `Reckoned with ${printed('absorption', next.learned.value, tape)}, as your last ${next.learned.records === 1 ? 'record' : `${next.learned.records} records`} of this cloth went.`,
        because: `The house assumes ${printed('absorption', assumed(rules, next.absorb), tape)} where nothing was measured.`,
        uses: [next.absorb],
      }),
    );
  return list;
}

/** The tension that is measured now, with what the coats to come and dry air add: will the bars still hold? */
function barsAfterVerdict(
  { inputs, system, coatsDone, wetting, bars }: PrimeCase,
  { rules, tape, history }: PlanContext,
): Verdict[] {
  const last = lastTension(history ?? NO_HISTORY);
  if (!last || last.tool === 'hand') return [];
  const coming = system.coats.slice(coatsDone);
  const adds =
    (wetting ? wetting.riseNPerM : 0) +
    (coming.some(({ kind }) => kind === 'size') ? assumed(rules, 'sizeRise') : 0) +
    coming.filter(({ kind }) => kind === 'ground').length * assumed(rules, 'groundRise') +
    assumed(rules, 'dryRise');
  const part = (last.nPerM + adds) / bars.load.lastingNPerM;
  const worst = [bars.chosen.topBottom, bars.chosen.leftRight].reduce((most, one) =>
    one.lastingMm / one.limitMm > most.lastingMm / most.limitMm ? one : most,
  );
  const bowMm = worst.lastingMm * part;
  const level = levelAtMost(bowMm, worst.limitMm, 1.5 * worst.limitMm);
  return [
    verdict({
      id: 'barsAfterCoats',
      about: 'bars after the coats',
      level,
      measured: bowMm,
      limit: worst.limitMm,
      of: 'bow',
      says: `${level === 'good' ? 'The bars hold' : 'These bars will bow'}: ${printFine(bowMm, tape)} of ${printFine(worst.limitMm, tape)}, at ${printed('tension', last.nPerM)} measured and ${printed('tension', adds)} to come.`,
      because: `${primingOf(inputs).coats.length === 0 ? 'Dry air' : 'Size, ground and dry air'} pull harder than the cloth does now; bow goes with the pull.`,
      doThis: level === 'good' ? '' : 'Put in a brace before the first coat, or keep the cloth looser.',
      uses: ['sizeRise', 'groundRise', 'dryRise'],
    }),
  ];
}

const cautionVerdicts = (system: PrimingSystem, tape: Tape): Verdict[] =>
  system.cautions.map((says, index) =>
    verdict({
      id: `care${index + 1}`,
      about: `care ${index + 1}`,
      level: 'watch',
      says: toldTo(says, tape),
      because: 'The usual caution; local rules come first.',
      doThis: '',
    }),
  );
