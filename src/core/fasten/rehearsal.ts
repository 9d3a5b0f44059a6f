/*
 * A rehearsal: places fastened and taken out by choice on the simulated cloth. What is next by a school, and the usual
 * faults of an order, found in what was done.
 */
import { type Side, SIDES } from '../job/sides';
import type { EdgePlace } from './membrane/edgePlaces';
import type { StapleEvent } from './membrane/simulateRoute';
import type { RoutePass } from './routes';

export interface RehearsalMove {
  act: 'fasten' | 'takeOut';
  /** Index of the place. */
  place: number;
  pull: RoutePass['pull'];
}

export const OPPOSITE: Record<Side, Side> = { top: 'bottom', bottom: 'top', left: 'right', right: 'left' };

/**
 * What is wrong with a list of moves, or null.
 *
 * @example rehearsalViolation([{ act: 'takeOut', place: 2, pull: 'none' }], 5) // 'Move 1 takes out a fastener that is not in.'
 */
export function rehearsalViolation(moves: readonly RehearsalMove[], places: number): string | null {
  const holding = new Set<number>();
  for (const [index, { act, place }] of moves.entries()) {
    if (!(Number.isInteger(place) && place >= 0 && place < places))
      return `Move ${index + 1} is at place ${place}; there are places 0 to ${places - 1}.`;
    if (act === 'fasten' && holding.has(place)) return `Move ${index + 1} fastens a place that holds already.`;
    if (act === 'takeOut' && !holding.delete(place)) return `Move ${index + 1} takes out a fastener that is not in.`;
    if (act === 'fasten') holding.add(place);
  }
  return null;
}

/** Places that hold after the moves. */
export function heldAfter(moves: readonly RehearsalMove[]): Set<number> {
  const holding = new Set<number>();
  for (const { act, place } of moves) {
    if (act === 'fasten') holding.add(place);
    else holding.delete(place);
  }
  return holding;
}

/** The first event of a school’s route that was not done yet, whatever else was; null at its end. */
export function hintOf(events: readonly StapleEvent[], moves: readonly RehearsalMove[]): StapleEvent | null {
  const done = moves.map(({ act, place }) => `${act} ${place}`);
  for (const event of events) {
    const at = done.indexOf(`${event.act} ${event.place}`);
    if (at < 0) return event;
    done.splice(at, 1);
  }
  return null;
}

/** Events of another route of the same frame, at these places; what has no place among them is left out. */
export function eventsAmong(
  places: readonly EdgePlace[],
  { places: others, events }: { places: readonly EdgePlace[]; events: readonly StapleEvent[] },
): StapleEvent[] {
  const at = others.map(({ side, offsetMm }) =>
    places.findIndex((one) => one.side === side && Math.abs(one.offsetMm - offsetMm) < 1),
  );
  return events.flatMap((event) => (at[event.place]! < 0 ? [] : [{ ...event, place: at[event.place]! }]));
}

export const changesOfSide = (moves: readonly RehearsalMove[], places: readonly EdgePlace[]): number =>
  moves.filter((move, index) => index > 0 && places[move.place]!.side !== places[moves[index - 1]!.place]!.side).length;

export type FaultId = 'oneSideFirst' | 'walkRound' | 'hardFirst' | 'tooWide' | 'leftIn';

export interface Fault {
  id: FaultId;
  measured: number;
  limit: number;
  of: 'fasteners' | 'percent' | 'pulls' | 'rowGap';
}

/** More fasteners than this on a side than opposite it, and one side runs ahead. */
const MOST_AHEAD = 6;
/** The four middles are laid on; a firm pull there drags the cloth. */
const MIDDLES = 4;

/**
 * Faults of the order, with their measure and limit; none for a good one.
 *
 * @param widestMm spacing beyond which the edge scallops
 */
export function rehearsalFaults(moves: readonly RehearsalMove[], places: readonly EdgePlace[], widestMm: number): Fault[] {
  const fault = (id: FaultId, measured: number, limit: number, of: Fault['of']): Fault[] =>
    measured > limit ? [{ id, measured, limit, of }] : [];
  const set = moves.filter((move) => move.act === 'fasten');
  return [
    ...fault('oneSideFirst', ahead(moves, places), MOST_AHEAD, 'fasteners'),
    ...fault('walkRound', set.length >= 8 ? Math.round(100 * alongEdge(set, places)) : 0, 50, 'percent'),
    ...fault('hardFirst', set.slice(0, MIDDLES).filter((move) => move.pull === 'firm').length, 0, 'pulls'),
    ...fault('tooWide', set.length >= places.length / 4 ? widestGap(moves, places) : 0, widestMm + 0.5, 'rowGap'),
    ...fault('leftIn', leftAhead(moves, places), 0, 'fasteners'),
  ];
}

/** The greatest lead that one side had over the one opposite. */
function ahead(moves: readonly RehearsalMove[], places: readonly EdgePlace[]): number {
  const count: Record<Side, number> = { top: 0, right: 0, bottom: 0, left: 0 };
  let most = 0;
  for (const { act, place } of moves) {
    const { side } = places[place]!;
    count[side] += act === 'fasten' ? 1 : -1;
    most = Math.max(most, count[side] - count[OPPOSITE[side]]);
  }
  return most;
}

/** Share of moves that go on to the very next place along the edge, the corners turned. */
function alongEdge(set: readonly RehearsalMove[], places: readonly EdgePlace[]): number {
  const order = clockwise(
    places.map((_place, index) => index),
    places,
  );
  const at = set.map((move) => order.indexOf(move.place));
  const next = at.slice(1).filter((one, index) => {
    const apart = Math.abs(one - at[index]!);
    return apart === 1 || apart === order.length - 1;
  });
  return next.length / Math.max(1, at.length - 1);
}

/** Places clockwise from the top left corner. */
export function clockwise(some: readonly number[], places: readonly EdgePlace[]): number[] {
  const along = ({ side, offsetMm }: EdgePlace) => (side === 'top' || side === 'right' ? offsetMm : -offsetMm);
  return SIDES.flatMap((side) =>
    some.filter((place) => places[place]!.side === side).sort((a, b) => along(places[a]!) - along(places[b]!)),
  );
}

function widestGap(moves: readonly RehearsalMove[], places: readonly EdgePlace[]): number {
  const held = heldAfter(moves);
  return Math.max(
    ...SIDES.flatMap((side) => {
      const offsets = [...held]
        .filter((place) => places[place]!.side === side)
        .map((place) => places[place]!.offsetMm)
        .sort((a, b) => a - b);
      return offsets.length < 2 ? [0] : offsets.slice(1).map((at, index) => at - offsets[index]!);
    }),
  );
}

/** Fasteners laid on at the end of a side, ahead of its row, that stayed in while the row was pulled firm after them. */
function leftAhead(moves: readonly RehearsalMove[], places: readonly EdgePlace[]): number {
  const holding = new Set<number>();
  const early = new Set<number>();
  const caught = new Set<number>();
  const sameSide = (one: number, other: number) => places[one]!.side === places[other]!.side;
  for (const { act, place, pull } of moves) {
    if (act === 'takeOut') {
      holding.delete(place);
      early.delete(place);
      caught.delete(place);
      continue;
    }
    if (pull === 'firm') for (const one of early) if (sameSide(one, place)) caught.add(one);
    const own = places.map((_one, index) => index).filter((one) => sameSide(one, place));
    const reach = (one: number) => Math.abs(places[one]!.offsetMm);
    const last = own.every((one) => reach(one) <= reach(place) + 1);
    const neighbour = own.filter((one) => one !== place).sort((a, b) => apart(places, a, place) - apart(places, b, place))[0];
    if (last && pull !== 'firm' && neighbour !== undefined && !holding.has(neighbour)) early.add(place);
    holding.add(place);
  }
  return caught.size;
}

const apart = (places: readonly EdgePlace[], one: number, other: number): number =>
  Math.abs(places[one]!.offsetMm - places[other]!.offsetMm);
