/*
 * Three policies against slack cloth, as data: what speaks for and against each in the case at hand.
 * Water is never offered on a painted canvas.
 */
import type { School } from '../job/schools';

export interface RemedyCase {
  painted: boolean;
  primed: boolean;
  cornersOpen: boolean;
  inRebate: boolean;
  /** Growth against the room in the rebate, in words with units. */
  growthWords: string;
}

interface Remedy<Id extends string> extends School<Id> {
  /** The reason it is out of the question here, or null. */
  barred: (here: RemedyCase) => string | null;
  speaksFor: (here: RemedyCase) => string[];
  speaksAgainst: (here: RemedyCase) => string[];
}

const remedy = <const I extends string>(row: Remedy<I>) => row;
const when = (test: boolean, ...words: string[]) => (test ? words : []);

export const REMEDIES = [
  remedy({
    id: 'none',
    name: 'Nothing needed',
    suits: 'a canvas tight enough to stay flat',
    trades: 'look again after a week',
    barred: () => null,
    speaksFor: () => ['the record of today is what later slack is compared with'],
    speaksAgainst: () => [],
  }),
  remedy({
    id: 'water',
    name: 'Dampen the back',
    suits: 'raw, unpainted cloth',
    trades: 'uneven and temporary',
    barred: ({ painted, primed }) => {
      if (painted) return 'the canvas is painted: water can crack the paint';
      return primed ? 'the cloth is primed: water cannot reach the threads evenly' : null;
    },
    speaksFor: () => ['quick, no tools', 'small folds and packing creases go'],
    speaksAgainst: () => ['goes slack again as the air changes', 'wet unevenly it dries uneven'],
  }),
  remedy({
    id: 'keys',
    name: 'Open the corners',
    suits: 'stretchers',
    trades: 'size and squareness move',
    barred: ({ cornersOpen }) => (cornersOpen ? null : 'this is a strainer: its corners do not open'),
    speaksFor: ({ painted }) => [
      'made for the purpose, a little at a time',
      ...when(painted, 'leaves the fasteners and old folds alone'),
    ],
    speaksAgainst: ({ inRebate, growthWords, painted }) => [
      ...when(inRebate, `grows against the rebate: ${growthWords}`),
      'one corner alone takes the frame out of square',
      ...when(painted, 'the hammer is near the paint: card behind every key'),
    ],
  }),
  remedy({
    id: 'restretch',
    name: 'Draw the fasteners and stretch again',
    suits: 'anything not fragile',
    trades: 'the surest, the most work',
    barred: () => null,
    speaksFor: () => ['the surest, and it stays'],
    speaksAgainst: ({ painted }) => [
      'the most work',
      ...when(painted, 'old paint can break at the folds: value, flaking or tears go to a conservator'),
    ],
  }),
] as const;

export type RemedyId = (typeof REMEDIES)[number]['id'];
