import type { School } from '../house/schools';

interface Joint<Id extends string> extends School<Id> {
  /** The corner can be opened afterwards (a stretcher). */
  opens: boolean;
  /** How the parts are had: bought in pairs of one length, or cut. */
  parts: 'pair' | 'mitre' | 'butt';
  glued: boolean;
  /** What opens the corner, counted in the kit. */
  opener: 'key' | 'bolt' | null;
}

const joint = <const I extends string>(row: Joint<I>) => row;

export const JOINTS = [
  joint({
    id: 'slotted',
    name: 'Slotted mitre, keyed',
    opens: true,
    parts: 'pair',
    glued: false,
    opener: 'key',
    suits: 'bought bars; tension put right later',
    trades: 'two keys a corner, squareness to watch',
  }),
  joint({
    id: 'bolted',
    name: 'Mitre with corner bolts',
    opens: true,
    parts: 'mitre',
    glued: false,
    opener: 'bolt',
    suits: 'large or heavy work',
    trades: 'weight and price at the corners',
  }),
  joint({
    id: 'mitreGlued',
    name: 'Glued mitre',
    opens: false,
    parts: 'mitre',
    glued: true,
    opener: null,
    suits: 'own timber, clean corners',
    trades: 'cannot be opened; glue must set',
  }),
  joint({
    id: 'buttScrewed',
    name: 'Butt joint, screwed',
    opens: false,
    parts: 'butt',
    glued: true,
    opener: null,
    suits: 'square saw cuts, quick',
    trades: 'end grain seen at two sides; cannot be opened',
  }),
] as const;

export type JointId = (typeof JOINTS)[number]['id'];

/** What opens the corners of one frame: how many are put in, and how many more lie ready; null where nothing opens. */
export const openersOf = (
  opener: Joint<string>['opener'],
): { item: string; name: string; count: number; spare: number } | null =>
  opener === null
    ? null
    : { key: { item: 'key', name: 'Key', count: 8, spare: 2 }, bolt: { item: 'bolt', name: 'Corner bolt', count: 4, spare: 0 } }[
        opener
      ];
