/* A rehearsal judged: its measures beside those of the route of the job, its faults, and what hurt most. */
import { printLength, type Tape } from '../../units/length';
import { bare, printed } from '../../quantities/printed';
import { usualSpacing } from '../../fasten/fasteners';
import type { StapleEvent, StapleModel, RouteRun } from '../../fasten/membrane/simulateRoute';
import { type Fault, type FaultId, type RehearsalMove, changesOfSide, heldAfter, rehearsalFaults } from '../../fasten/rehearsal';
import { type HouseRules, assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { Reading } from '../../log/logEntry';
import { reading } from '../../log/reading';
import type { ReadingId } from '../../log/readingKinds';
import { fabricOf } from '../../house/materials';
import { type Verdict, verdict } from '../../job/verdict';
import { pullPart } from './stapleModel';

/** Moves as events: a pull is the same part of the firm one wherever it is. */
export const rehearsalEvents = (moves: readonly RehearsalMove[], rules: HouseRules): StapleEvent[] =>
  moves.map(({ act, place, pull }, index) => ({
    order: index + 1,
    act,
    place,
    part: act === 'takeOut' ? 0 : pullPart(pull, 0, { ramp: 1 }, rules),
  }));

/** The job’s model with the moves in place of its route, pulled at a firm pull. */
export const rehearsalModel = (
  model: StapleModel,
  moves: readonly RehearsalMove[],
  firmN: number,
  offGrainDeg: number,
  rules: HouseRules,
): StapleModel => ({ ...model, cloth: { ...model.cloth, offGrainDeg }, events: rehearsalEvents(moves, rules), firmN });

/**
 * The same rehearsal mended in one way each: nothing (as it was), the order of the route, the pulls of the route, and the
 * route itself with every place.
 */
export function mendedModels(
  model: StapleModel,
  rehearsed: StapleModel,
): [own: StapleModel, order: StapleModel, pulls: StapleModel, route: StapleModel] {
  const last = new Map<number, StapleEvent>();
  for (const event of rehearsed.events) {
    if (event.act === 'fasten') last.set(event.place, event);
    else last.delete(event.place);
  }
  const routePart = new Map(model.events.filter((event) => event.act === 'fasten').map((event) => [event.place, event.part]));
  const inOrder = model.events
    .filter((event, index) => event.act === 'fasten' && last.has(event.place) && lastFastening(model.events, index))
    .map((event) => ({ ...event, part: last.get(event.place)!.part }));
  const pulled = rehearsed.events.map((event) =>
    event.act === 'fasten' ? { ...event, part: routePart.get(event.place) ?? event.part } : event,
  );
  return [rehearsed, { ...rehearsed, events: inOrder }, { ...rehearsed, events: pulled }, { ...model, firmN: rehearsed.firmN }];
}

const lastFastening = (events: readonly StapleEvent[], index: number): boolean =>
  !events.slice(index + 1).some((event) => event.act === 'fasten' && event.place === events[index]!.place);

export interface RehearsalScore {
  fasteners: number;
  ofPlaces: number;
  turns: number;
  minutes: number;
  faults: Fault[];
}

/** What hands gave and where the order went wrong; the cloth’s measures come from its run. */
export function rehearsalScore(
  inputs: JobInputs,
  model: StapleModel,
  moves: readonly RehearsalMove[],
  rules: HouseRules,
): RehearsalScore {
  const { brief, cloth } = inputs;
  const turns = changesOfSide(moves, model.places);
  const usual = usualSpacing(fabricOf(rules, cloth.fabric).gsm, Math.max(brief.width.mm, brief.height.mm));
  // A brace that is kept clear widens a gap of the route itself: that is no fault of the rehearsal.
  const widest = Math.max(usual.toMm, ...model.widths.map((width) => 1.6 * width));
  return {
    fasteners: heldAfter(moves).size,
    ofPlaces: model.places.length,
    turns,
    minutes: (moves.length * assumed(rules, 'secondsFastener') + turns * assumed(rules, 'secondsTurn')) / 60,
    faults: rehearsalFaults(moves, model.places, widest),
  };
}

const FAULT_NAMES: Record<FaultId, string> = {
  oneSideFirst: 'one side first',
  walkRound: 'walking round',
  hardFirst: 'hard first pulls',
  tooWide: 'gaps too wide',
  leftIn: 'left in ahead of the row',
};

const FAULT_WORDS: Record<FaultId, (fault: Fault, tape: Tape) => Pick<Verdict, 'says' | 'because' | 'doThis'>> = {
  oneSideFirst: ({ measured }) => ({
    says: `One side was ${measured} fasteners ahead of the one opposite.`,
    because: 'It is pulled with nothing to pull against; the other then takes all the give.',
    doThis: 'Answer each fastener on the opposite side.',
  }),
  walkRound: ({ measured }) => ({
    says: `${printed('percent', measured)} of the moves went on to the very next place along the edge.`,
    because: 'Going round drags the weave along with it.',
    doThis: 'From the middles outward, each answered on the opposite side.',
  }),
  hardFirst: ({ measured }) => ({
    says: `${measured} of the four first pulls were firm.`,
    because: 'A hard first pull draws the cloth off the middle; it goes slack later all the same.',
    doThis: 'Snug at the middles, firm from then on.',
  }),
  tooWide: ({ measured, limit }, tape) => ({
    says: `The widest gap is ${printLength(measured, tape)}, ${printLength(limit, tape)} is wide enough.`,
    because: 'Between two fasteners the edge goes free: it scallops.',
    doThis: 'Fill the gaps.',
  }),
  leftIn: ({ measured }) => ({
    says: `${measured} ${measured === 1 ? 'fastener' : 'fasteners'} set ahead of the row stayed in.`,
    because: 'It holds the cloth where it lay before it was stretched.',
    doThis: 'Take them out when the row arrives there, and pull again.',
  }),
};

/** Runs of the rehearsal and its mended ones, as `mendedModels` orders them. */
export type MendedRuns = readonly [own: RouteRun, order: RouteRun, pulls: RouteRun, route: RouteRun];

/** Gain in evenness below this is not told, for a hand varies more. */
const TOLD_GAIN = 0.03;

export function rehearsalVerdicts(
  score: RehearsalScore,
  [own, order, pulls, route]: MendedRuns,
  tape: Tape,
  offGrainDeg = 0,
): Verdict[] {
  const gains = [
    { what: 'the order', gain: own.end.unevenness - order.end.unevenness, doThis: 'Follow the route’s order.' },
    {
      what: 'how hard each place was pulled',
      gain: own.end.unevenness - pulls.end.unevenness,
      doThis: 'Follow the route’s pulls.',
    },
    {
      what: 'places left out, or order and pulls together',
      gain: own.end.unevenness - route.end.unevenness,
      doThis: 'Fill every place along the route.',
    },
  ];
  const single = gains.slice(0, 2).sort((a, b) => b.gain - a.gain)[0]!;
  const worst = single.gain >= TOLD_GAIN ? single : gains[2]!;
  const hurt = worst.gain >= TOLD_GAIN;
  const fasteners = `${score.fasteners} of ${score.ofPlaces} places`;
  return [
    verdict({
      id: 'hurtMost',
      about: 'what hurt most',
      level: hurt ? 'watch' : 'good',
      measured: own.end.unevenness,
      limit: route.end.unevenness + TOLD_GAIN,
      of: 'unevenness',
      says: hurt
        ? `What hurt most: ${worst.what}. Mended, unevenness goes from ${bare('unevenness', own.end.unevenness)} to ${bare('unevenness', own.end.unevenness - worst.gain)}.`
        : `As even as the route of this job: ${bare('unevenness', own.end.unevenness)} against ${bare('unevenness', route.end.unevenness)}.`,
      because: `${fasteners}, ${printed('sideChanges', score.turns)}, about ${printed('handTime', score.minutes)}. Worked out again with one thing mended at a time.`,
      doThis: hurt ? worst.doThis : '',
    }),
    ...score.faults.map((fault) =>
      verdict({
        id: fault.id,
        about: FAULT_NAMES[fault.id],
        level: 'watch',
        measured: fault.measured,
        limit: fault.limit,
        of: fault.of,
        ...FAULT_WORDS[fault.id](fault, tape),
      }),
    ),
    ...(offGrainDeg !== 0
      ? [
          verdict({
            id: 'grain',
            about: 'grain',
            level: 'watch',
            measured: offGrainDeg,
            limit: 0,
            of: 'offGrain',
            says: `The threads lie ${printed('offGrain', offGrainDeg)} off the bars.`,
            because: 'Seen against the edge; the pull is hardly less even for it, the weave racks when it slackens.',
            doThis: 'Lay a thread along the bar at the middles before anything is pulled.',
          }),
        ]
      : []),
    ...(own.unopposed > 1
      ? [
          verdict({
            id: 'unopposed',
            about: 'nothing to pull against',
            level: 'watch',
            measured: own.unopposed,
            limit: 1,
            of: 'pulls',
            says: `${own.unopposed} pulls had nothing to pull against.`,
            because: 'The cloth came along with the jaw and was fastened as it lay.',
            doThis: 'Fasten the opposite side first.',
          }),
        ]
      : []),
  ];
}

/** The score as readings, for the log. */
export function rehearsalReadings(score: RehearsalScore, { end, unopposed }: RouteRun): Reading[] {
  const simulated = (quantity: ReadingId, value: number, unit: string): Reading =>
    reading(quantity, Math.round(value * 1000) / 1000, unit, { tool: 'simulated cloth', known: 'simulated' });
  return [
    simulated('rehearsalUnevenness', end.unevenness, 'of 1'),
    simulated('rehearsalSlack', 100 * end.slackShare, '%'),
    simulated('rehearsalSkew', Math.abs(end.skewDeg), '°'),
    simulated('rehearsalFasteners', score.fasteners, 'pieces'),
    simulated('rehearsalTurns', score.turns, 'times'),
    simulated('rehearsalUnopposed', unopposed, 'pulls'),
    simulated('rehearsalTime', score.minutes, 'min'),
  ];
}
