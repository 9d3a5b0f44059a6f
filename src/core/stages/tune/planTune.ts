import { effortOf, withMinutes } from '../../effort/effort';
import { bare, printedRange } from '../../quantities/printed';
import { rebateRoom } from '../../painting/planRebate';
import { CORNERS } from '../../frame/square/corners';
import { assumed } from '../../house/houseRules';
import { fabricOf, profileOf } from '../../house/materials';
import type { JobInputs } from '../../job/job';
import { isFragile } from '../look/care';
import type { Reading } from '../../log/logEntry';
import { reading } from '../../log/reading';
import { EDGES, USES, byId } from '../../house/schools';
import { type ArealMass, arealMass } from '../../tension/arealMass';
import type { WeatherResponse } from '../../tension/clothWeather';
import { FEELS, type FeelId, middleOf } from '../../tension/feel';
import { type RemedyAdvice, remedyAdvice } from '../../tension/remedies';
import { freeSpan } from '../../tension/freeSpan';
import { type Span, modeHz } from '../../tension/tap/membraneTone';
import { printFine } from '../../units/length';
import type { BarsPlan } from '../bars/planBars';
import type { PlanContext, StagePlan } from '../planContext';
import { openingVerdicts } from './openingVerdicts';
import { type OpeningsPlan, planOpenings } from './planOpenings';
import { tensionWords } from './tensionWords';
import { NO_HISTORY, type JobHistory, type TensionReading, lastTension } from '../../log/jobHistory';
import { feelVerdicts, historyVerdicts, remedyVerdict } from './tensionVerdicts';
import { weighedTension, weightReadings, weightVerdicts, weightWords } from './weightVerdicts';

/** Whether a tap can be heard at all: by its lowest note at the tension aimed at. */
export type Hearing = 'good' | 'try' | 'weigh';

export interface TunePlan extends StagePlan, OpeningsPlan {
  advice: RemedyAdvice[];
  mass: ArealMass;
  span: Span;
  lowestHz: number;
  hearing: Hearing;
  last: TensionReading | null;
  history: JobHistory;
  weather: WeatherResponse;
}

/** A microphone hears well above this, and nothing to go by below that, Hz. */
const HEARS_WELL_HZ = 20;
const HEARS_HZ = 12;

/** The tension that was measured or felt, what opening the corners does, what speaks for each remedy, what the air will do. */
export function planTune(inputs: JobInputs, context: PlanContext, bars: BarsPlan | null = null): TunePlan {
  const { rules } = context;
  const { brief, tune } = inputs;
  const history = context.history ?? NO_HISTORY;
  const painted = byId(USES, brief.use).painted;
  const weighed = painted ? null : weighedTension(inputs, context);
  const corners = planOpenings(inputs, context, history);
  const sound = planSound(inputs, context, history);
  const advice = remedyAdvice({
    painted,
    fragile: isFragile(inputs),
    primed: fabricOf(rules, inputs.cloth.fabric).primed || history.dryGroundGPerM2 > 0,
    cornersOpen: corners.opener !== null,
    inRebate: byId(EDGES, brief.edges).inRebate,
    growthWords: `${printFine(corners.opened.widthMm, context.tape)} of ${printFine(rebateRoom(inputs, context).mm, context.tape)}`,
    atEnd: Math.max(...CORNERS.map((corner) => corners.soFar[corner])) >= assumed(rules, 'keyEnd'),
    signs: tune.signs,
    policies: rules.policies,
  });
  const last = lastTension(history);
  const weather = {
    stiffnessKNPerM: (corners.stiffness[0] + corners.stiffness[1]) / 2,
    clothPpm: assumed(rules, 'clothDamp'),
    woodPpm: assumed(rules, 'woodDamp'),
  };
  return {
    ...answerOf(inputs, last, weighed ? weightWords(weighed) : null),
    verdicts: [
      ...historyVerdicts(inputs, context, history, weather),
      ...weightVerdicts(inputs, weighed, context),
      ...(last && last.tool !== 'hand' ? [] : feelVerdicts(inputs)),
      ...remedyVerdict(advice, inputs),
      ...openingVerdicts(corners, inputs, context, bars),
    ],
    readings: [...weightReadings(weighed), ...feltReadings(inputs)],
    ...withMinutes(effortOf(rules, ['tuneSetUp'], { tuneEach: 1 })),
    setsMinutes: null,
    ...corners,
    ...sound,
    advice,
    last,
    history,
    weather,
  };
}

function answerOf(
  { tune }: JobInputs,
  last: TensionReading | null,
  weighed: string | null,
): { answer: string; answerNote: string } {
  const feel = tune.feel === null ? null : byId(FEELS, tune.feel);
  const band = feel && `roughly ${printedRange('tension', ...feel.bandNPerM)}`;
  const felt = feel ? `; it feels ${feel.name.toLowerCase()}` : '';
  if (weighed) return { answer: weighed, answerNote: `by weight${felt}${feel ? `, ${feel.says}; ${band}, by feel` : ''}` };
  if (last && last.tool !== 'hand')
    return {
      answer: tensionWords(last.nPerM, last.sdNPerM),
      answerNote: `by ${last.tool}${last.across !== null && last.down !== null ? `: ${bare('tension', last.across)} across, ${bare('tension', last.down)} down` : ''}${felt}`,
    };
  return feel
    ? { answer: feel.name, answerNote: `${feel.says}; ${band}, by feel only` }
    : { answer: 'Not felt yet', answerNote: 'tap it, weigh it, or say how it feels' };
}

function planSound(
  { brief, bars, cloth, tune }: JobInputs,
  { rules }: PlanContext,
  history: JobHistory,
): Pick<TunePlan, 'mass' | 'span' | 'lowestHz' | 'hearing'> {
  const { widthMm, heightMm } = freeSpan({ widthMm: brief.width.mm, heightMm: brief.height.mm }, profileOf(rules, bars.profile));
  const span = { a: widthMm / 1000, b: heightMm / 1000 };
  const { width, height, grams } = tune.piece;
  const mass = arealMass(grams === null ? null : { widthMm: width.mm, heightMm: height.mm, grams }, {
    gsm: fabricOf(rules, cloth.fabric).gsm,
    spread: assumed(rules, 'massSpread') / 100,
    groundGsm: history.dryGroundGPerM2,
  });
  const aimed = { tx: bars.tensionNPerM, ty: bars.tensionNPerM };
  const lowestHz = modeHz(span, mass.kgPerM2, aimed, [1, 1]);
  return { mass, span, lowestHz, hearing: lowestHz >= HEARS_WELL_HZ ? 'good' : lowestHz >= HEARS_HZ ? 'try' : 'weigh' };
}

const feltReadings = ({ tune }: JobInputs): Reading[] => (tune.feel === null ? [] : [feltReading(tune.feel)]);

/** A feel as a reading: the middle of its band, good to half its width. */
export function feltReading(feel: FeelId): Reading {
  const [low, high] = byId(FEELS, feel).bandNPerM;
  return reading('tensionByHand', middleOf(byId(FEELS, feel)), 'N/m', {
    precision: (high - low) / 2,
    tool: 'hand',
    known: 'felt',
  });
}
