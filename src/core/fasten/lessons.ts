/* Lessons: an order gone wrong in one way, on this very frame, to be looked at and to be beaten. */
import type { EdgePlace } from './membrane/edgePlaces';
import { type RehearsalMove, clockwise } from './rehearsal';
import type { Side } from '../job/sides';

export interface Lesson {
  id: string;
  name: string;
  /** What goes wrong, and what to see. */
  says: string;
  /** The moves, from the good order of the places (middles first, in opposites) and the places. */
  moves: (order: readonly number[], places: readonly EdgePlace[]) => RehearsalMove[];
  /** The cloth lies so far off its grain, degrees. */
  offGrainDeg: number;
}

const firm = (place: number): RehearsalMove => ({ act: 'fasten', place, pull: 'firm' });
const snugFirst = (order: readonly number[]): RehearsalMove[] =>
  order.map((place, index) => ({ act: 'fasten', place, pull: index < 4 ? 'snug' : 'firm' }));
const bySide = (order: readonly number[], places: readonly EdgePlace[], sides: readonly Side[]): number[] =>
  sides.flatMap((side) => order.filter((place) => places[place]!.side === side));

/** The last place of each end of the top and the bottom. */
const corners = (order: readonly number[], places: readonly EdgePlace[]): number[] =>
  (['top', 'bottom'] as const).flatMap((side) => {
    const own = order.filter((place) => places[place]!.side === side);
    const sorted = [...own].sort((a, b) => places[a]!.offsetMm - places[b]!.offsetMm);
    return [sorted[0]!, sorted.at(-1)!];
  });

export const LESSONS: readonly Lesson[] = [
  {
    id: 'oneSideFirst',
    name: 'One side first',
    says: 'Each side is finished before the next: the first ones have nothing to pull against, and the last side takes it all.',
    moves: (order, places) => bySide(order, places, ['top', 'right', 'bottom', 'left']).map(firm),
    offGrainDeg: 0,
  },
  {
    id: 'walkRound',
    name: 'Walk round',
    says: 'From a corner right round the frame: every pull drags the weave along with it.',
    moves: (order, places) => clockwise(order, places).map(firm),
    offGrainDeg: 0,
  },
  {
    id: 'hardFirst',
    name: 'Hard first pull',
    says: 'The middles are pulled as hard as the rest: the edge ends more even, but the cloth goes to the side that was pulled first.',
    moves: (order) => order.map(firm),
    offGrainDeg: 0,
  },
  {
    id: 'tooWide',
    name: 'Too wide',
    says: 'Only every third place is fastened: the edge scallops between them.',
    moves: (order, places) =>
      snugFirst(
        order.filter((place) => {
          const row = order
            .filter((one) => places[one]!.side === places[place]!.side)
            .map((one) => Math.abs(places[one]!.offsetMm))
            .sort((a, b) => a - b);
          const rank = [...new Set(row.map(Math.round))].indexOf(Math.round(Math.abs(places[place]!.offsetMm)));
          return rank % 3 === 0;
        }),
      ),
    offGrainDeg: 0,
  },
  {
    id: 'leftIn',
    name: 'Forgot the temporary corners',
    says: 'Fasteners that held the corners for the time being stay in: the cloth cannot come out to them.',
    moves: (order, places) => {
      const held = corners(order, places);
      const rest = order.filter((place) => !held.includes(place));
      return [
        ...snugFirst(rest.slice(0, 4)),
        ...held.map((place): RehearsalMove => ({ act: 'fasten', place, pull: 'none' })),
        ...rest.slice(4).map(firm),
      ];
    },
    offGrainDeg: 0,
  },
  {
    id: 'offGrain',
    name: 'Cloth off-grain',
    says: 'The threads lie six degrees off the bars: hardly less even on the simulated cloth, but it shows against the edge for good.',
    moves: (order) => snugFirst(order),
    offGrainDeg: 6,
  },
];
