/*
 * The engine that walks any route row round a frame. Output is the numbered order of fasteners with the
 * place of each; seen from the front, origin at the top left of the face, x right, y down, mm.
 */
import type { ClothInputs } from '../stages/cloth/clothInputs';
import type { FastenInputs } from '../stages/fasten/fastenInputs';
import { SIDES, type Side, everySide, isLevel } from '../job/sides';
import { byId } from '../house/schools';
import { type BarredPlaces, NOTHING_BARRED, clearPlaces } from './clearPlaces';
import { FASTENERS } from './fasteners';
import { CROWN_GAP_MM, leastPitch } from './leastPitch';
import { type PassSide, ROUTES, type Route, type RoutePass } from './routes';
import { FOLD_FASTENER_MM, NO_ROW, type Row, sideRow, tackRow } from './sideRow';

export interface RouteStep {
  /** 1, 2, 3 … in the order they are done. */
  order: number;
  /** A fastener set; one that holds for the time being; that one taken out; one drawn and set again. */
  act: 'fix' | 'hold' | 'takeOut' | 'again';
  side: Side;
  /** From the middle of the side, mm; positive right or down. */
  offsetMm: number;
  xMm: number;
  yMm: number;
  /** Index of the pass of the route, and the round within it, both from 0. */
  pass: number;
  round: number;
  take: RoutePass['take'];
  pull: RoutePass['pull'];
  with: RoutePass['with'];
  /** The frame is turned, or the maker walks, before this one. */
  turned: boolean;
}

/** The row of a side as it is told. */
export interface RowFigures {
  /** Between neighbours as they are spread, before what is kept clear, mm; 0 where a side has only its middle, or none. */
  pitchMm: number;
  /** From the corner to the nearest one that is set before the fold, mm; null where none is. */
  lastMm: number | null;
  /** Between the two neighbours furthest apart, before the corners are folded, mm; 0 where there are none. */
  widestMm: number;
}

export interface RoutePlan {
  steps: RouteStep[];
  /** Fasteners that stay. */
  fasteners: number;
  /** Changes of side while working. */
  turns: number;
  rows: Record<Side, RowFigures>;
  /** Places left out because a brace, a knot or a neighbour leaves no clear wood for them. */
  leftOut: { side: Side; offsetMm: number }[];
}

/** What a route keeps to besides its row. */
export interface RouteLimits {
  gapMm?: number;
  unheld?: readonly Side[];
  seams?: ClothInputs['seams'];
}

export const SEAM_SIDES = { topBottom: ['top', 'bottom'], leftRight: ['left', 'right'] } as const;

type Draft = Omit<RouteStep, 'order' | 'xMm' | 'yMm' | 'turned'>;

/**
 * The order of fasteners for a face along a route.
 *
 * @param face mm, above 0
 * @param barred stretches of the sides that places keep out of
 * @param seen sides whose tacks stay in sight: spread evenly from corner to corner, half a pitch from each
 * @param unheld sides that nothing can be fastened on
 * @param seams the sides that show the seams of the folds, where the fold’s own fasteners go
 * @example routePlan({ widthMm: 400, heightMm: 300 }, inputs).steps[1].side // 'bottom'
 * @throws RangeError for a face or spacing of 0 or less
 */
export function routePlan(
  face: { widthMm: number; heightMm: number },
  inputs: FastenInputs,
  barred: BarredPlaces = NOTHING_BARRED,
  seen: readonly Side[] = [],
  { gapMm = CROWN_GAP_MM, unheld = [], seams = 'topBottom' }: RouteLimits = {},
): RoutePlan {
  const route: Route = byId(ROUTES, inputs.route);
  const least = leastPitch(byId(FASTENERS, inputs.fastener), gapMm);
  const foldsAcross = seams === 'topBottom';
  const across = sideRow(face.widthMm, inputs, least, foldsAcross);
  const down = sideRow(face.heightMm, inputs, least, !foldsAcross);
  const rowOf = (side: Side): Row => {
    if (unheld.includes(side)) return NO_ROW;
    const level = isLevel(side);
    if (seen.includes(side)) return tackRow(level ? face.widthMm : face.heightMm, inputs.spacing.mm, level === foldsAcross);
    return level ? across : down;
  };
  const rows = everySide(rowOf);
  const wide = face.widthMm >= face.heightMm;
  const passes = route.passes.map((pass): RoutePass => (pass.take === 'corner' ? { ...pass, sides: SEAM_SIDES[seams] } : pass));
  const drafts = withTakenOut(
    passes.flatMap((pass, index) => {
      const passed = passSteps(pass, index, rows, inputs.perTurn, (side) => namedSide(side, wide));
      return pass.take === 'corner' && inputs.secondRound
        ? [...secondRound(rows, index, inputs.perTurn, hardestPull(route)), ...passed]
        : passed;
    }),
  );
  const places = clearOf(drafts, face, barred, least);
  const clear = drafts.flatMap((draft) => {
    const offsetMm = places(draft);
    return offsetMm === null ? [] : [{ ...draft, offsetMm }];
  });
  const steps = clear.map((draft, index): RouteStep => ({
    ...draft,
    ...placeOnFace(draft.side, draft.offsetMm, face),
    order: index + 1,
    turned: index > 0 && clear[index - 1]!.side !== draft.side,
  }));
  const stuck = drafts.filter((draft) => draft.act === 'fix' && places(draft) === null);
  return {
    steps,
    fasteners: steps.filter((step) => step.act === 'fix').length,
    turns: steps.filter((step) => step.turned).length,
    rows: everySide((side) => ({ pitchMm: rows[side].pitchMm, ...placedRow(steps, side, face) })),
    leftOut: stuck.map(({ side, offsetMm }) => ({ side, offsetMm })),
  };
}

/** The row of a side as it is placed, before its corners are folded. */
function placedRow(
  steps: readonly RouteStep[],
  side: Side,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
): Pick<RowFigures, 'lastMm' | 'widestMm'> {
  const places = steps
    .filter((step) => step.side === side && step.act === 'fix' && step.take !== 'corner')
    .map(({ offsetMm }) => offsetMm)
    .sort((a, b) => a - b);
  if (places.length === 0) return { lastMm: null, widestMm: 0 };
  return {
    lastMm: (isLevel(side) ? widthMm : heightMm) / 2 - Math.max(-places[0]!, places.at(-1)!),
    widestMm: Math.max(0, ...places.slice(1).map((at, index) => at - places[index]!)),
  };
}

/** The pull a route fastens with: what is drawn and set again is pulled no harder. */
const hardestPull = ({ passes }: Route): RoutePass['pull'] => {
  const pulls = passes.filter(({ take }) => take !== 'corner' && take !== 'temporary').map(({ pull }) => pull);
  return (['firm', 'snug', 'gentle', 'none'] as const).find((pull) => pulls.includes(pull)) ?? 'gentle';
};

/** Where each place comes to lie once what is barred is kept clear. */
function clearOf(
  drafts: readonly Draft[],
  face: { widthMm: number; heightMm: number },
  barred: BarredPlaces,
  leastMm: number,
): (draft: Draft) => number | null {
  const key = (offsetMm: number) => Math.round(offsetMm * 1e6);
  const cleared = new Map(
    SIDES.map((side) => {
      const long = side === 'top' || side === 'bottom' ? face.widthMm : face.heightMm;
      const own = [
        ...new Map(drafts.filter((draft) => draft.side === side).map(({ offsetMm }) => [key(offsetMm), offsetMm])).values(),
      ];
      const places = clearPlaces(own, barred[side], long / 2 - FOLD_FASTENER_MM, leastMm);
      return [side, new Map(own.map((offsetMm, index) => [key(offsetMm), places[index] ?? null]))] as const;
    }),
  );
  return ({ side, offsetMm }) => cleared.get(side)!.get(key(offsetMm))!;
}

const namedSide = (side: PassSide, wide: boolean): Side => {
  switch (side) {
    case 'longA':
      return wide ? 'top' : 'right';
    case 'longB':
      return wide ? 'bottom' : 'left';
    case 'shortA':
      return wide ? 'right' : 'top';
    case 'shortB':
      return wide ? 'left' : 'bottom';
    default:
      return side;
  }
};

function passSteps(
  pass: RoutePass,
  index: number,
  rows: Record<Side, Row>,
  perTurn: number,
  named: (side: PassSide) => Side,
): Draft[] {
  const sides = pass.sides.map(named);
  const draft = (side: Side, offsetMm: number, round: number): Draft => ({
    act: pass.take === 'temporary' ? 'hold' : 'fix',
    side,
    offsetMm,
    pass: index,
    round,
    take: pass.take,
    pull: pass.pull,
    with: pass.with,
  });
  switch (pass.take) {
    case 'middle':
      return sides.flatMap((side) => rows[side].starters.map((offset) => draft(side, offset, 0)));
    case 'temporary':
      return sides.flatMap((side) =>
        pass.part.flatMap((part) => placesAt(rows[side], part).map((offset) => draft(side, offset, 0))),
      );
    case 'halving':
      return sides.flatMap((side) => {
        const order = halved(rows[side]);
        const own = pass.middlesIn ? order.slice(rows[side].starters.length) : order;
        return own.map((offset) => draft(side, offset, 0));
      });
    case 'corner':
      return sides.flatMap((side) => rows[side].corner.flatMap((offset) => [draft(side, offset, 0), draft(side, -offset, 0)]));
    case 'outward':
      return outwardSteps(pass, sides, rows, perTurn, draft);
  }
}

function outwardSteps(
  pass: RoutePass,
  sides: readonly Side[],
  rows: Record<Side, Row>,
  perTurn: number,
  draft: (side: Side, offsetMm: number, round: number) => Draft,
): Draft[] {
  const part = (side: Side) => {
    const last = rows[side].outward.at(-1) ?? 0;
    return rows[side].outward.filter((offset) => offset > pass.part[0]! * last + 1e-9 && offset <= pass.part[1]! * last + 1e-9);
  };
  const both = (side: Side, offsets: number[], round: number) =>
    offsets.flatMap((offset) => [draft(side, offset, round), draft(side, -offset, round)]);
  if (pass.answer === 'side') return sides.flatMap((side) => both(side, part(side), 0));
  const longest = Math.max(...sides.map((side) => part(side).length));
  const rounds = Array.from({ length: Math.ceil(longest / perTurn) }, (_, round) => round);
  const taken = (side: Side, round: number) => part(side).slice(round * perTurn, (round + 1) * perTurn);
  if (pass.answer === 'pair') return rounds.flatMap((round) => sides.flatMap((side) => both(side, taken(side, round), round)));
  const opposites = sides.flatMap((side, at) => (at % 2 === 0 ? [[side, sides[at + 1]!] as const] : []));
  return rounds.flatMap((round) =>
    opposites.flatMap(([one, other]) =>
      ([1, -1] as const).flatMap((way) => [
        ...taken(one, round).map((offset) => draft(one, way * offset, round)),
        ...taken(other, round).map((offset) => draft(other, -way * offset, round)),
      ]),
    ),
  );
}

/** Places of a side at a part of the way from its middle, both ways; the middle once. */
function placesAt({ outward, starters }: Row, part: number): number[] {
  if (starters.length === 0) return [];
  if (part === 0) return [0];
  const wanted = part * (outward.at(-1) ?? 0);
  const nearest = outward.reduce(
    (best, offset) => (Math.abs(offset - wanted) < Math.abs(best - wanted) ? offset : best),
    Infinity,
  );
  return Number.isFinite(nearest) ? [nearest, -nearest] : [];
}

/** A whole side: its middle, its ends, then the middle of each gap in turn. */
function halved({ outward, starters }: Row): number[] {
  if (starters.length === 0) return [];
  const sorted = [...outward.map((offset) => -offset).reverse(), 0, ...outward];
  const last = sorted.length - 1;
  const middle = last / 2;
  const order = [...starters];
  if (last > 0) order.push(sorted[0]!, sorted[last]!);
  let gaps: [number, number][] = [
    [0, middle],
    [middle, last],
  ];
  while (gaps.length > 0) {
    gaps = gaps.flatMap(([from, to]): [number, number][] => {
      const half = Math.floor((from + to) / 2);
      if (half <= from) return [];
      order.push(sorted[half]!);
      return [
        [from, half],
        [half, to],
      ];
    });
  }
  return order;
}

/** Every fastener so far drawn and set again, in opposites from the middles: the first ones have gone slack. */
function secondRound(rows: Record<Side, Row>, index: number, perTurn: number, pull: RoutePass['pull']): Draft[] {
  const again = {
    take: 'outward',
    sides: ['top', 'bottom', 'right', 'left'],
    part: [0, 1],
    answer: 'pair',
    pull,
    with: 'chosen',
  } as const;
  const named = (side: PassSide) => side as Side;
  return [
    ...passSteps({ ...again, take: 'middle' }, index, rows, perTurn, named),
    ...passSteps(again, index, rows, perTurn, named),
  ].map((draft) => ({ ...draft, act: 'again' }));
}

/** A place on the edge of the face, from the middle of its side. */
type SidePlace = Pick<RouteStep, 'side' | 'offsetMm'>;

export const samePlace = (a: SidePlace, b: SidePlace): boolean => a.side === b.side && Math.abs(a.offsetMm - b.offsetMm) < 1e-6;

/** What holds for the time being is taken out just before a fastener comes to its place, or before the corners. */
function withTakenOut(drafts: readonly Draft[]): Draft[] {
  const held: Draft[] = [];
  const out: Draft[] = [];
  const takeOut = (one: Draft) => {
    held.splice(held.indexOf(one), 1);
    out.push({ ...one, act: 'takeOut', pull: 'none' });
  };
  for (const draft of drafts) {
    if (draft.take === 'corner') for (const one of [...held]) takeOut(one);
    const here = draft.act === 'fix' ? held.find((one) => samePlace(one, draft)) : undefined;
    if (here) takeOut(here);
    if (draft.act === 'hold') held.push(draft);
    out.push(draft);
  }
  for (const one of [...held]) takeOut(one);
  return out;
}

export function placeOnFace(side: Side, offsetMm: number, { widthMm, heightMm }: { widthMm: number; heightMm: number }) {
  if (side === 'top' || side === 'bottom') return { xMm: widthMm / 2 + offsetMm, yMm: side === 'top' ? 0 : heightMm };
  return { xMm: side === 'left' ? 0 : widthMm, yMm: heightMm / 2 + offsetMm };
}

export interface Handwork {
  turns: number;
  /** Walked round the table when the frame lies still, m. */
  walkM: number;
  squeezes: number;
  pulls: number;
  minutes: number;
}

/** How long each kind of handling takes, seconds. */
export interface HandSeconds {
  fastener: number;
  turn: number;
}

/**
 * The handwork of a route: what hands, feet and clock have to give.
 *
 * @param seconds a fastener (a temporary one and one drawn and set again count as one each), a change of side
 */
export function handwork(plan: RoutePlan, face: { widthMm: number; heightMm: number }, seconds: HandSeconds): Handwork {
  const handled = plan.steps.filter((step) => step.act !== 'takeOut' && step.with !== 'clamps');
  const pulls = plan.steps.filter((step) => step.act !== 'takeOut' && step.pull !== 'none').length;
  const walkMm = plan.steps.reduce(
    (sum, step, index) => (step.turned ? sum + betweenSides(plan.steps[index - 1]!.side, step.side, face) : sum),
    0,
  );
  return {
    turns: plan.turns,
    walkM: walkMm / 1000,
    squeezes: handled.length,
    pulls,
    minutes: (plan.steps.length * seconds.fastener + plan.turns * seconds.turn) / 60,
  };
}

/** From the middle of one side to the middle of another, along the edge of the table, mm. */
function betweenSides(from: Side, to: Side, { widthMm, heightMm }: { widthMm: number; heightMm: number }): number {
  if (from === to) return 0;
  const across = SIDES.indexOf(from) % 2 === SIDES.indexOf(to) % 2;
  return across ? widthMm + heightMm : (widthMm + heightMm) / 2;
}
