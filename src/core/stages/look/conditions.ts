/*
 * What is looked for on a painting before a hand is laid on it, as data: what it is, who it is for, what it asks of the work.
 * Adding a condition is a row.
 */

/** For whom a condition is: a conservator always, a conservator where the work is of value, the maker with care. */
export type ForWhom = 'conservator' | 'conservatorIfValued' | 'maker';

interface ConditionKind<Id extends string> {
  id: Id;
  name: string;
  /** As it stands in a sentence: "flaking paint". */
  words: string;
  forWhom: ForWhom;
  because: string;
  /** What is done about it by whoever may. */
  care: string;
}

const condition = <const I extends string>(row: ConditionKind<I>) => row;

export const CONDITIONS = [
  condition({
    id: 'flaking',
    name: 'Flaking',
    words: 'flaking paint',
    forWhom: 'conservator',
    because: 'Bending and pulling lift loose paint for good.',
    care: 'Lay it flat, face up, touch nothing; keep every flake.',
  }),
  condition({
    id: 'brittle',
    name: 'Brittle',
    words: 'brittle paint or cloth',
    forWhom: 'conservator',
    because: 'What no longer gives breaks at the fold and under the pull.',
    care: 'Lay it flat in a warm room; do not roll or fold it.',
  }),
  condition({
    id: 'tear',
    name: 'Tear',
    words: 'a tear',
    forWhom: 'conservator',
    because: 'Under tension a tear runs on, thread by thread.',
    care: 'Lay it flat, no tape on either side.',
  }),
  condition({
    id: 'oldLining',
    name: 'Old lining',
    words: 'an old lining',
    forWhom: 'conservator',
    because: 'A second cloth is held by an old glue: damp, warmth and pull part the two.',
    care: 'No water, no heat, no pull before somebody who knows linings has seen it.',
  }),
  condition({
    id: 'mould',
    name: 'Mould',
    words: 'mould',
    forWhom: 'conservator',
    because: 'It eats size and paint, spreads to other work, and its dust harms the lungs.',
    care: 'Keep it apart and dry; gloves and a mask; do not brush it.',
  }),
  condition({
    id: 'dent',
    name: 'Dent',
    words: 'a dent',
    forWhom: 'conservatorIfValued',
    because: 'Pressed from behind it cracks the paint in a ring.',
    care: 'Look behind the bar for a chip or key; leave the rest to even tension and time.',
  }),
  condition({
    id: 'crease',
    name: 'Crease',
    words: 'a crease',
    forWhom: 'conservatorIfValued',
    because: 'Along a crease the paint is broken or about to break.',
    care: 'Warm room, low tension in small steps; no water, no iron.',
  }),
  condition({
    id: 'tackRust',
    name: 'Tack rust',
    words: 'rust round the tacks',
    forWhom: 'maker',
    because: 'Rusted holes tear when they are pulled at; old tacks break.',
    care: 'Draw the tacks upward with a thin fork; set new fasteners between the holes, of stainless steel or copper.',
  }),
  condition({
    id: 'cutEdges',
    name: 'Cut edges',
    words: 'edges that were cut short',
    forWhom: 'maker',
    because: 'Too little is left to hold.',
    care: 'Measure what is left on each side; where nothing holds, a conservator can line the edges with strips.',
  }),
] as const;

export type ConditionId = (typeof CONDITIONS)[number]['id'];
