/*
 * The four corner folds as data. A fold is where each ray from the face corner comes to lie: rays of the flat cloth
 * are named by their angle, 0° along the edge of the side flap, 90° along the edge of the end flap; they come to lie
 * at an angle from the corner's arris, below 0 on the side, above 0 on the end. Between the rows the angle runs
 * straight, with slope ±1 since cloth neither stretches nor shrinks. One engine reads them (see foldedCorner.ts).
 */
import type { School } from '../house/schools';

/** The sides that show the seam of the fold; the other two are wrapped first. */
export type SeamFaces = 'topBottom' | 'leftRight';

export interface FoldStep {
  says: string;
  /** What stands in the drawing: flaps that are up, and how far the corner is folded. */
  shows: 'flat' | 'cut' | 'sideUp' | 'ear' | 'tucked' | 'endUp';
}

export interface CornerFold<Id extends string = string> extends School<Id> {
  /** Rays where the cloth is creased: angle in the flat, angle folded; degrees. */
  creases: readonly (readonly [flat: number, folded: number])[];
  /** Whether cloth is cut away, and whether it is cut before stretching from a template. */
  cut: 'never' | 'spare' | 'template';
  steps: readonly FoldStep[];
}

const fold = <const I extends string>(row: CornerFold<I>) => row;

/** Round the arris on to the end, back along 45°, and out again under the end flap. */
const EAR = [
  [0, 0],
  [45, 45],
  [90, 0],
] as const;

export const CORNER_FOLDS = [
  fold({
    id: 'single',
    name: 'Single fold',
    suits: 'one seam on the corner, nothing cut',
    trades: 'the ear makes the seam side thick',
    creases: EAR,
    cut: 'never',
    steps: [
      { says: 'Pull the side flap over the bar and fix it up to the corner: it is the under layer.', shows: 'sideUp' },
      { says: 'Let the corner stand out as an ear and crease it from the face corner at 45°.', shows: 'ear' },
      { says: 'Lay the ear round the corner flat on to the end of the frame; keep its crease off the face.', shows: 'tucked' },
      { says: 'Pull the end flap over it, its fold exactly on the corner; fix it on the back.', shows: 'endUp' },
    ],
  }),
  fold({
    id: 'doublePleat',
    name: 'Double pleat',
    suits: 'spread over both sides, nothing cut',
    trades: 'two seams, and both must match',
    creases: [
      [0, 0],
      [22.5, -22.5],
      [45, 0],
      [67.5, 22.5],
      [90, 0],
    ],
    cut: 'never',
    steps: [
      { says: 'Draw the middle of the spare cloth straight over the corner on to the back.', shows: 'flat' },
      { says: 'Turn in the first pleat under the side flap, its fold on the corner.', shows: 'sideUp' },
      { says: 'Turn in the second pleat the same depth under the end flap.', shows: 'tucked' },
      { says: 'Fix both where they meet on the back at 45°.', shows: 'endUp' },
    ],
  }),
  fold({
    id: 'trimmed',
    name: 'Trimmed',
    suits: 'the single fold with the spare triangle gone from the back',
    trades: 'cloth that is cut is gone; never a painting’s',
    creases: EAR,
    cut: 'spare',
    steps: [
      { says: 'Mark the line with the template; it runs clear of the corner. Cut the spare triangle off.', shows: 'cut' },
      { says: 'Pull the side flap over the bar and fix it up to the corner.', shows: 'sideUp' },
      { says: 'Lay the short ear round the corner flat on to the end.', shows: 'tucked' },
      { says: 'Pull the end flap over it, its fold exactly on the corner; fix it on the back.', shows: 'endUp' },
    ],
  }),
  fold({
    id: 'templated',
    name: 'Templated',
    suits: 'unframed work: the fewest layers, a mitre on the back',
    trades: 'cut before stretching, to the millimetre; never a painting’s',
    creases: EAR,
    cut: 'template',
    steps: [
      { says: 'Lay the card on the corner, mark it, cut on the full lines; stop the slit where it stops.', shows: 'cut' },
      { says: 'Pull the side flap over the bar; turn its tab round the corner on to the end.', shows: 'sideUp' },
      { says: 'Turn the tab of the end flap in, its fold on the corner.', shows: 'tucked' },
      { says: 'Pull the end flap over; on the back the two meet as a mitre.', shows: 'endUp' },
    ],
  }),
] as const;

export type CornerFoldId = (typeof CORNER_FOLDS)[number]['id'];
