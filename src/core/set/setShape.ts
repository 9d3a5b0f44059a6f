/* What a set is: canvases that are planned once. Each stays a job with its own number, readings, clocks and log. */
import { type ShapeOf, lengthOf, listOf, oneOf, part, whole } from '../shape/shape';
import type { JobInputs } from '../job/job';
import type { School } from '../house/schools';

interface SetKind<Id extends string> extends School<Id> {
  /** All canvases have the face of the set. */
  oneFace: boolean;
  /** They hang edge to edge as one piece. */
  together: boolean;
  /** What their edges meet, where the kind of set settles that. */
  edges: JobInputs['brief']['edges'] | null;
}

const kind = <const I extends string>(row: SetKind<I>) => row;

export const SET_KINDS = [
  kind({
    id: 'same',
    name: 'All the same',
    oneFace: true,
    together: false,
    edges: null,
    suits: 'a class, an edition, blanks for the shelf',
    trades: 'one size: a change of face changes all',
  }),
  kind({
    id: 'panels',
    name: 'Panels of one piece',
    oneFace: false,
    together: true,
    edges: 'panel',
    suits: 'a diptych, a triptych, a wall in parts',
    trades: 'each shows the others up: half a millimetre a metre',
  }),
  kind({
    id: 'series',
    name: 'A series of sizes',
    oneFace: false,
    together: false,
    edges: null,
    suits: 'works of one show, in several sizes',
    trades: 'one bar for all is chosen by the largest',
  }),
] as const;
export type SetKindId = (typeof SET_KINDS)[number]['id'];

/** A set has from two to so many canvases. */
export const MOST_IN_SET = 60;

export const setLayoutShape = {
  /** Canvases beside one another; the next ones stand below. */
  columns: whole(1, MOST_IN_SET, 3),
  /** Between two faces on the wall, across and down. */
  gap: lengthOf('setGap', 20),
  /** What stands in one line where heights differ. */
  align: oneOf(['top', 'middle', 'bottom'], 'middle'),
  /** Places of their own, top left corners from the top left of the piece, one for each canvas; none where they stand in rows. */
  free: listOf(part('setPlace', { x: lengthOf('setPlace'), y: lengthOf('setPlace') }), MOST_IN_SET),
};
export interface SetLayout extends ShapeOf<typeof setLayoutShape> {}
