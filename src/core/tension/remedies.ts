/*
 * What can be done about slack, creased or dented cloth, as data: what speaks for and against each remedy in the case at
 * hand, and how well it answers the signs. Water is never offered on a painted canvas.
 */
import type { Liking, Policies } from '../house/houseRules';
import type { School } from '../house/schools';

/** What is seen on the cloth. */
export const REMEDY_SIGNS = [
  { id: 'slackAll', name: 'Slack all over' },
  { id: 'slackDamp', name: 'Slack in damp weather only' },
  { id: 'ripplesCorner', name: 'Ripples from a corner' },
  { id: 'creases', name: 'Packing creases' },
  { id: 'dent', name: 'A dent or a bulge' },
  { id: 'scallops', name: 'Scallops between fasteners' },
] as const;
export type RemedySignId = (typeof REMEDY_SIGNS)[number]['id'];

export interface RemedyCase {
  painted: boolean;
  fragile: boolean;
  primed: boolean;
  cornersOpen: boolean;
  inRebate: boolean;
  /** Growth against the room in the rebate, in words with units. */
  growthWords: string;
  /** The corners are open as far as they go. */
  atEnd: boolean;
  signs: readonly RemedySignId[];
  policies: Policies;
}

interface Remedy<Id extends string> extends School<Id> {
  /** How well it answers each sign: 0 not at all, 3 made for it. */
  answers: Partial<Record<RemedySignId, number>>;
  /** How hard it is to take back: 0 not at all, 2 for good. */
  lasting: 0 | 1 | 2;
  /** What the house thinks of it; none where houses do not differ. */
  policy?: 'water' | 'keys' | 'restretch';
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
    answers: {},
    lasting: 0,
    barred: () => null,
    speaksFor: () => ['the record of today is what later slack is compared with'],
    speaksAgainst: () => [],
  }),
  remedy({
    id: 'air',
    name: 'Wait, or dry the air',
    suits: 'slackness that comes and goes with the weather',
    trades: 'time; it comes back with the next damp spell',
    answers: { slackDamp: 3, slackAll: 1 },
    lasting: 0,
    barred: () => null,
    speaksFor: ({ painted }) => ['changes nothing for good', ...when(painted, 'no hand touches the painting')],
    speaksAgainst: () => ['slow, and it comes back'],
  }),
  remedy({
    id: 'chip',
    name: 'Take out what lies behind the cloth',
    suits: 'a bulge from a chip, a key or a fastener that fell in',
    trades: 'a strip of card between bar and cloth, patience',
    answers: { dent: 2 },
    lasting: 0,
    barred: () => null,
    speaksFor: () => ['the cause is gone, often the bulge with it'],
    speaksAgainst: ({ painted }) => when(painted, 'press nothing against the paint from behind'),
  }),
  remedy({
    id: 'water',
    name: 'Dampen the back',
    suits: 'raw, unpainted cloth',
    trades: 'uneven and temporary',
    answers: { creases: 3, dent: 2, slackAll: 1, ripplesCorner: 1 },
    lasting: 0,
    policy: 'water',
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
    answers: { slackAll: 3, ripplesCorner: 2, slackDamp: 1 },
    lasting: 1,
    policy: 'keys',
    barred: ({ cornersOpen, atEnd, painted, fragile }) => {
      if (painted && fragile) return 'the painting is fragile: this is for a conservator';
      if (!cornersOpen) return 'this is a strainer: its corners do not open';
      return atEnd ? 'the corners are open as far as they go' : null;
    },
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
    answers: { scallops: 3, slackAll: 2, ripplesCorner: 2, creases: 1 },
    lasting: 2,
    policy: 'restretch',
    barred: ({ painted, fragile }) => (painted && fragile ? 'the painting is fragile: this is for a conservator' : null),
    speaksFor: () => ['the surest, and it stays'],
    speaksAgainst: ({ painted }) => [
      'the most work',
      ...when(painted, 'old paint can break at the folds: value, flaking or tears go to a conservator'),
    ],
  }),
  remedy({
    id: 'conservator',
    name: 'Ask a conservator',
    suits: 'anything painted that matters, flakes or is torn',
    trades: 'cost and time',
    answers: {},
    lasting: 0,
    barred: () => null,
    speaksFor: ({ painted, fragile }) => [
      ...when(painted && fragile, 'the paint is fragile: nothing else should be tried first'),
      'trained and answerable for it',
    ],
    speaksAgainst: ({ painted }) => when(!painted, 'nothing is painted here yet'),
  }),
] as const;

export type RemedyId = (typeof REMEDIES)[number]['id'];

export interface RemedyAdvice {
  id: RemedyId;
  name: string;
  /** Water touches the cloth: never on paint. */
  wets: boolean;
  /** Higher comes first; what is barred comes last. */
  rank: number;
  /** It answers what is seen here. */
  answers: boolean;
  barred: string | null;
  speaksFor: string[];
  speaksAgainst: string[];
}

/** Above whatever the signs could add up to. */
const FIRST_OF_ALL = 100;
const POLICY_RANK: Record<Exclude<Liking, 'never'>, number> = { liked: 1.5, allowed: 0 };

/** Remedies for a case, best first: how well they answer the signs, what the house likes, how easily they are taken back. */
export function remedyAdvice(here: RemedyCase): RemedyAdvice[] {
  return REMEDIES.map((row: Remedy<RemedyId>): RemedyAdvice => {
    const liking = row.policy ? here.policies[row.policy] : 'allowed';
    const barred = row.barred(here) ?? (liking === 'never' ? 'this house does not do it' : null);
    const answered = here.signs.reduce((sum, sign) => sum + (row.answers[sign] ?? 0), 0);
    const asked = row.id === 'conservator' && here.painted ? (here.fragile ? FIRST_OF_ALL : 1) : 0;
    const calm = row.id === 'none' && here.signs.length === 0 ? 20 : 0;
    return {
      id: row.id,
      name: row.name,
      wets: row.policy === 'water',
      answers: answered + asked + calm > 0,
      rank: barred
        ? -100
        : answered + asked + calm + (liking === 'never' ? 0 : POLICY_RANK[liking]) - row.lasting * (here.painted ? 0.8 : 0.3),
      barred,
      speaksFor: row.speaksFor(here),
      speaksAgainst: row.speaksAgainst(here),
    };
  }).sort((one, other) => other.rank - one.rank);
}
