/* What the simulated cloth says about a route, as verdicts: the pull it asks for, what holds too little, what slipped. */
import { bare, printed } from '../../quantities/printed';
import type { SecondLook } from '../../fasten/membrane/bestRepulls';
import type { RouteRun, RunDoubt, StapleModel } from '../../fasten/membrane/simulateRoute';
import type { EdgePlace } from '../../fasten/membrane/edgePlaces';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { type SideWords, sideWords } from '../../job/sideWords';
import { isLevel } from '../../job/sides';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import { type Tape, printLength } from '../../units/length';
import type { PlanContext } from '../planContext';

/** “top, middle”, “left, 120 mm above the middle”. */
export function placeWords({ side, offsetMm }: EdgePlace, tape: Tape, say: SideWords): string {
  if (Math.abs(offsetMm) < 1) return `${say.side(side)}, middle`;
  const way = isLevel(side) ? `${say.side(offsetMm > 0 ? 'right' : 'left')} of` : offsetMm > 0 ? 'below' : 'above';
  return `${say.side(side)}, ${printLength(Math.abs(offsetMm), tape)} ${way} the middle`;
}

/** Unevenness of the hands that vary, least and most of the middle four fifths of them. */
export function handBand(run: RouteRun): [least: number, most: number] {
  const sorted = run.hands.map((hand) => hand.unevenness).sort((a, b) => a - b);
  if (sorted.length === 0) return [run.end.unevenness, run.end.unevenness];
  const out = Math.floor(sorted.length / 10);
  return [sorted[out]!, sorted[sorted.length - 1 - out]!];
}

/** Two bands that meet tell no difference. */
export const bandsMeet = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]): boolean => a <= d && c <= b;

export function clothRunVerdicts(
  { cloth, fasten }: JobInputs,
  model: StapleModel,
  run: RouteRun,
  look: SecondLook | null,
  { rules, tape, view }: PlanContext,
): Verdict[] {
  if (run.doubt !== null) return [doubtVerdict(run.doubt)];
  return [
    // Pulls that are worked out are judged by their list.
    ...(fasten.pulls === 'worked' ? [] : [pullVerdict(cloth.grip, fasten.firmPull, model, run, rules)]),
    evennessVerdict(model, run, (place) => placeWords(place, tape, sideWords(view)), look),
    // The first side has its starters laid on.
    ...(run.unopposed > fasten.starters
      ? [
          verdict({
            id: 'unopposed',
            about: 'nothing to pull against',
            level: 'watch',
            measured: run.unopposed,
            limit: fasten.starters,
            of: 'pulls',
            says: `${run.unopposed} pulls have nothing to pull against: nothing holds the other side yet.`,
            because:
              'The cloth follows the jaw, more than 3 mm for each newton, or turns about what holds it: it is fastened as it lies.',
            doThis: 'Fasten the opposite side first, or hold it for the time being.',
          }),
        ]
      : []),
  ];
}

/** The model broke down: nothing of it is told. */
export const doubtVerdict = (doubt: RunDoubt): Verdict =>
  verdict({
    id: 'simulation',
    about: 'simulated cloth',
    level: 'watch',
    says:
      doubt === 'noTension'
        ? 'The simulated cloth takes up no tension on this route: nothing can be told of it.'
        : 'The simulated cloth gives an answer that no cloth could bear: it is not shown.',
    because: 'Pulls without an opposite, or places too near each other for the mesh.',
    doThis: 'Fasten opposite sides, one starter a middle or places further apart; go by the feel of the cloth.',
  });

function pullVerdict(
  grip: 'hand' | 'pliers',
  typedN: number | null,
  { events, targetNPerM }: StapleModel,
  { firmN, end }: RouteRun,
  rules: PlanContext['rules'],
): Verdict {
  // A route of gentle pulls alone asks for those, not for the firm one they are a part of.
  const hardest = Math.max(...events.map((event) => event.part));
  const [usual, most] = [firmN * Math.min(1, hardest), firmN * hardest];
  const [fingers, pliers] = [assumed(rules, 'fingersMost'), assumed(rules, 'pliersMost')];
  const limit = grip === 'hand' ? fingers : pliers;
  const reached = Math.round((end.acrossNPerM + end.downNPerM) / 2);
  return verdict({
    id: 'pull',
    about: 'pull',
    level: levelAtMost(most, limit, grip === 'hand' ? pliers : pliers * 1.5),
    measured: most,
    limit,
    of: 'pullAsked',
    says:
      typedN === null
        ? `Pull about ${printed('pull', usual)} at each place for ${printed('tension', targetNPerM)}${most > usual * 1.01 ? `, up to ${printed('pull', most)} at the last` : ''}.`
        : `${printed('pull', usual)} at each place brings about ${printed('tension', reached)}; ${printed('tension', targetNPerM)} is aimed at.`,
    because: 'Worked out on the simulated cloth, whose tension grows with the pull.',
    doThis:
      most <= fingers
        ? 'Fingers do: out, and slightly towards the corner.'
        : most <= pliers
          ? 'Take pliers: jaw on the cloth, heel on the bar, roll; never wrench.'
          : 'More than pliers should pull: aim lower, set them closer, or brace the bars.',
    uses: ['fingersMost', 'pliersMost', 'clothContraction'],
  });
}

function evennessVerdict(
  { places }: StapleModel,
  run: RouteRun,
  named: (place: EdgePlace) => string,
  look: SecondLook | null,
): Verdict {
  const { end } = run;
  const low = end.low.length;
  const gain = look?.repulls.at(-1);
  const names = (look?.repulls ?? []).map(({ place, pullN }) => `${named(places[place]!)}, at ${printed('pull', pullN)}`);
  return verdict({
    id: 'evenness',
    about: 'evenness',
    level: low > places.length / 20 ? 'watch' : 'good',
    measured: low,
    limit: Math.floor(places.length / 20),
    of: 'fasteners',
    says:
      low === 0
        ? 'Every fastener holds at least half of the mean.'
        : `${low} of ${places.length} hold less than half of the mean: the first ones go slack as their neighbours are pulled.`,
    because: `Tension at each fastener over its pitch, at the end of the route.${end.pushing > 0 ? ` Where the cloth would have to push (${end.pushing}), a fastener holds nothing: it is counted as that.` : ''}`,
    doThis: gain
      ? `Draw and set again: ${names.join('; ')}. Expected unevenness ${bare('unevenness', look!.before)} → ${bare('unevenness', gain.unevenness)}.`
      : look
        ? 'No fastener set again makes it more even by what hands bring.'
        : low === 0
          ? ''
          : 'Draw these and set them again; a whole second round evens most.',
  });
}
