/*
 * The engine that walks any route row round a frame. Output is the numbered order of fasteners with the
 * place of each; seen from the front, origin at the top left of the face, x right, y down, mm.
 */
import type { FastenInputs } from '../job/job';
import type { Side } from '../job/sides';
import { byId } from '../job/schools';
import { halfRow, starterOffsets } from './fastenerPlaces';
import { ROUTES, type Route, type RoutePass } from './routes';

export interface RouteStep {
  /** 1, 2, 3 … in the order they go in. */
  order: number;
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
  /** The frame is turned, or the maker walks, before this one. */
  turned: boolean;
}

export interface RoutePlan {
  steps: RouteStep[];
  /** Changes of side while working. */
  turns: number;
  pitchWidthMm: number;
  pitchHeightMm: number;
}

interface Row {
  outward: number[];
  starters: number[];
  corner: number[];
}

/** Fold fasteners sit this far from the corner, mm. */
const FOLD_FASTENER_MM = 14;

/**
 * The order of fasteners for a face along a route.
 *
 * @param face mm, above 0
 * @example routePlan({ widthMm: 400, heightMm: 300 }, inputs).steps[1].side // 'bottom'
 * @throws RangeError for a face or spacing of 0 or less
 */
export function routePlan(face: { widthMm: number; heightMm: number }, inputs: FastenInputs): RoutePlan {
  const route: Route = byId(ROUTES, inputs.route);
  const across = sideRow(face.widthMm, inputs);
  const down = sideRow(face.heightMm, inputs);
  const rows: Record<Side, Row> = { top: across.row, bottom: across.row, left: down.row, right: down.row };
  const drafts = route.passes.flatMap((pass, index) => passSteps(pass, index, rows, inputs.perTurn));
  const steps = drafts.map((draft, index): RouteStep => ({
    ...draft,
    ...placeOnFace(draft.side, draft.offsetMm, face),
    order: index + 1,
    turned: index > 0 && drafts[index - 1]!.side !== draft.side,
  }));
  return { steps, turns: steps.filter((step) => step.turned).length, pitchWidthMm: across.pitchMm, pitchHeightMm: down.pitchMm };
}

function sideRow(sideMm: number, { spacing, lastFromCorner, starters }: FastenInputs): { row: Row; pitchMm: number } {
  const { offsetsMm, pitchMm } = halfRow(sideMm, spacing.mm, lastFromCorner.mm);
  const corner = sideMm / 2 - FOLD_FASTENER_MM;
  return {
    row: { outward: offsetsMm, starters: starterOffsets(starters, pitchMm), corner: corner > 0 ? [corner] : [] },
    pitchMm,
  };
}

type Draft = Pick<RouteStep, 'side' | 'offsetMm' | 'pass' | 'round' | 'take' | 'pull'>;

function passSteps(pass: RoutePass, index: number, rows: Record<Side, Row>, perTurn: number): Draft[] {
  const draft = (side: Side, offsetMm: number, round: number): Draft => ({
    side,
    offsetMm,
    pass: index,
    round,
    take: pass.take,
    pull: pass.pull,
  });
  if (pass.take === 'middle') return pass.sides.flatMap((side) => rows[side].starters.map((offset) => draft(side, offset, 0)));
  const key = pass.take;
  const longest = Math.max(...pass.sides.map((side) => rows[side][key].length));
  const rounds = pass.repeat ? Math.ceil(longest / perTurn) : 1;
  return Array.from({ length: rounds }, (_, round) =>
    pass.sides.flatMap((side) =>
      rows[side][key]
        .slice(round * perTurn, (round + 1) * perTurn)
        .flatMap((offset) => [draft(side, offset, round), draft(side, -offset, round)]),
    ),
  ).flat();
}

function placeOnFace(side: Side, offsetMm: number, { widthMm, heightMm }: { widthMm: number; heightMm: number }) {
  if (side === 'top' || side === 'bottom') return { xMm: widthMm / 2 + offsetMm, yMm: side === 'top' ? 0 : heightMm };
  return { xMm: side === 'left' ? 0 : widthMm, yMm: heightMm / 2 + offsetMm };
}

/** Minutes of work along a route, from the seconds a place and a change of side take. */
export const routeMinutes = (plan: RoutePlan, secondsFastener: number, secondsTurn: number): number =>
  (plan.steps.length * secondsFastener + plan.turns * secondsTurn) / 60;
