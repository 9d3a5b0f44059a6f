/* What priming is judged by: what lies under what, the room, the pot, the bars that will be pulled harder, care. */
import { fabricOf } from '../../house/materials';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { EDGES, USES, byId } from '../../house/schools';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import type { PrimingSystem } from '../../prime/grounds';
import { type LayerId, SUBSTANCES, layerWarning } from '../../prime/substances';
import { printDuration } from '../../units/duration';
import { decimal } from '../../units/numeral';
import type { PlanContext } from '../planContext';
import { NO_HISTORY, lastTension } from '../../log/jobHistory';
import type { BarsPlan } from '../bars/planBars';
import type { CoatPlan } from './CoatPlan';

interface PrimeCase {
  inputs: JobInputs;
  system: PrimingSystem;
  next: CoatPlan | undefined;
  coatsDone: number;
  factor: number | null;
  usedMl: number | null;
  areaM2: number;
  bars: BarsPlan;
}

export function primeVerdicts(here: PrimeCase, context: PlanContext): Verdict[] {
  return [
    ...orderVerdicts(here, context),
    ...airVerdicts(here),
    ...potVerdicts(here, context),
    ...barsAfterVerdict(here, context),
    ...cautionVerdicts(here.system),
  ];
}

function orderVerdicts({ inputs, system }: PrimeCase, { rules }: PlanContext): Verdict[] {
  const { brief, cloth, prime } = inputs;
  const painted = byId(USES, brief.use).painted;
  const fabric = fabricOf(rules, cloth.fabric);
  const primes = system.coats.length > 0;
  const list: Verdict[] = [];
  if (painted && primes)
    list.push(
      verdict({
        id: 'paintedCanvas',
        about: 'painted canvas',
        level: 'stop',
        says: 'There is an image on this cloth: nothing is primed.',
        because: 'A ground would cover it.',
        doThis: 'Choose “Leave as it is”.',
      }),
    );
  if (!painted && fabric.primed && primes)
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
  if (!painted && !fabric.primed && brief.medium === 'oil' && !system.sealsForOil)
    list.push(
      verdict({
        id: 'barrier',
        about: 'barrier',
        level: 'stop',
        says: 'Oil on unsealed cloth rots it in decades.',
        because: 'A sealed or acrylic ground is the barrier between oil and thread.',
        doThis: 'Size and ground it first.',
      }),
    );
  if (!system.takesWaterborne && (brief.medium === 'acrylic' || brief.medium === 'watercolour'))
    list.push(
      verdict({
        id: 'layerOrder',
        about: 'layer order',
        level: 'stop',
        says: 'Water-borne paint does not hold on an oil ground.',
        because: 'Lean water-borne layers peel off oil.',
        doThis: 'Take an acrylic ground, or paint in oil.',
      }),
    );
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
  if (prime.wetFirst && (painted || fabric.primed))
    list.push(
      verdict({
        id: 'wettingFirst',
        about: 'wetting first',
        level: 'stop',
        says: painted ? 'A painted canvas is not wetted.' : 'Primed cloth is not wetted.',
        because: painted ? 'Water can crack the paint.' : 'Water cannot reach the threads evenly.',
        doThis: 'Untick “Wet the cloth first”.',
      }),
    );
  return list;
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

function airVerdicts({ inputs: { prime }, system, next, factor }: PrimeCase): Verdict[] {
  if (!next) return [];
  const air = `${decimal(prime.roomC, 1)} °C and ${decimal(prime.roomRh, 0)} % RH`;
  if (factor === null || !next.dryMinutes) {
    return [
      verdict({
        id: 'air',
        about: 'air',
        level: 'stop',
        measured: prime.roomRh,
        limit: null,
        unit: '% RH',
        says: `At ${air} the coat will not dry.`,
        because: 'The air takes up next to no water: drying goes with its vapour deficit.',
        doThis: 'Warm or dry the room first.',
        uses: ['refTemperature', 'refHumidity'],
      }),
    ];
  }
  const [from, to] = next.dryMinutes;
  const range =
    printDuration(from) === printDuration(to) ? printDuration(from) : `${printDuration(from)} to ${printDuration(to)}`;
  const cold = prime.roomC < system.leastC;
  return [
    verdict({
      id: 'air',
      about: 'air',
      level: cold ? 'stop' : factor > 2 ? 'watch' : 'good',
      measured: factor,
      limit: 2,
      unit: '× label',
      says: cold
        ? `At ${decimal(prime.roomC, 1)} °C this ground does not form a film; ${system.leastC} °C is the least.`
        : `Dries in ${range} at ${air}: ${decimal(factor, 1)} times the label.`,
      because: 'Label time × VPD(reference) / VPD(room), VPD after Tetens.',
      doThis: cold ? 'Warm the room.' : factor > 2 ? 'Warm or dry the room, or wait the longer time.' : '',
      uses: ['refTemperature', 'refHumidity'],
    }),
  ];
}

/** How far the pot may be from what was reckoned before it is looked at. */
const POT_PART = 0.35;

function potVerdicts({ inputs: { prime }, next, usedMl, areaM2 }: PrimeCase, { rules }: PlanContext): Verdict[] {
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
        unit: 'parts of water',
        says: `${name}: ${decimal(next.waterParts, 1)} parts of water to one; ${decimal(mostWater, 1)} is the most.`,
        because: thinWhy,
        doThis: 'Less water, one more coat.',
      }),
    );
  if (prime.leftMl !== null && usedMl !== null) {
    const foretold = areaM2 * next.absorbMlPerM2;
    const off = Math.abs(usedMl / foretold - 1);
    list.push(
      verdict({
        id: 'pot',
        about: 'pot',
        level: usedMl <= 0 ? 'stop' : levelAtMost(off, POT_PART, Infinity),
        measured: usedMl,
        limit: foretold,
        unit: 'ml',
        says:
          usedMl <= 0
            ? 'No less is left than was mixed.'
            : `Used ${decimal(usedMl, 0)} ml, ${decimal(usedMl / areaM2, 0)} ml/m²; ${decimal(foretold, 0)} ml was reckoned with.`,
        because: `${prime.mixedMl === null ? 'The mix that was told, since none was measured,' : 'Mixed'} less what is left; the next pot for this cloth is reckoned with it.`,
        doThis: usedMl <= 0 ? 'Read the jug again.' : off > POT_PART ? 'Thick and thin places? Hold it against the light.' : '',
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
        unit: 'ml/m²',
        says: `Reckoned with ${decimal(next.learned.value, 0)} ml/m², as your last ${next.learned.records === 1 ? 'record' : `${next.learned.records} records`} of this cloth went.`,
        because: `The house assumes ${decimal(assumed(rules, next.absorb), 0)} ml/m² where nothing was measured.`,
        uses: [next.absorb],
      }),
    );
  return list;
}

/** The tension that is measured now, with what the coats to come and dry air add: will the bars still hold? */
function barsAfterVerdict({ inputs, system, coatsDone, bars }: PrimeCase, { rules, history }: PlanContext): Verdict[] {
  const last = lastTension(history ?? NO_HISTORY);
  if (!last || last.tool === 'hand') return [];
  const coming = system.coats.slice(coatsDone);
  const adds =
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
      unit: 'mm',
      says: `${level === 'good' ? 'The bars hold' : 'These bars will bow'}: ${decimal(bowMm, 1)} mm of ${decimal(worst.limitMm, 1)} mm, at ${decimal(last.nPerM, 0)} N/m measured and ${decimal(adds, 0)} N/m to come.`,
      because: `${inputs.prime.system === 'none' ? 'Dry air' : 'Size, ground and dry air'} pull harder than the cloth does now; bow goes with the pull.`,
      doThis: level === 'good' ? '' : 'Put in a brace before the first coat, or keep the cloth looser.',
      uses: ['sizeRise', 'groundRise', 'dryRise'],
    }),
  ];
}

const cautionVerdicts = (system: PrimingSystem): Verdict[] =>
  system.cautions.map((says, index) =>
    verdict({
      id: `care${index + 1}`,
      about: `care ${index + 1}`,
      level: 'watch',
      says,
      because: 'The usual caution; local rules come first.',
      doThis: '',
    }),
  );
