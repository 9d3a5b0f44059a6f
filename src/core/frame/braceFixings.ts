/* How the end of a brace is held: goes with the joint family, and decides whether a stretcher can still open. */
import type { School } from '../house/schools';

interface BraceFixing<Id extends string> extends School<Id> {
  /** The frame can still open along the brace. */
  opens: boolean;
  /** What goes into the wood at each end. */
  holds: 'keys' | 'endGrain' | 'plate' | 'block' | 'pins' | null;
}

const row = <const I extends string>(one: BraceFixing<I>) => one;

export const BRACE_FIXINGS = [
  row({
    id: 'asJoint',
    name: 'As the joint asks',
    opens: true,
    holds: null,
    suits: 'most frames: floating in a stretcher, fixed in a strainer',
    trades: 'nothing to decide',
  }),
  row({
    id: 'floating',
    name: 'Floating in a slot, keyed',
    opens: true,
    holds: 'keys',
    suits: 'stretchers that will be keyed or bolted',
    trades: 'a slot in the bar, two small keys a brace',
  }),
  row({
    id: 'screwed',
    name: 'Screwed into the end grain',
    opens: false,
    holds: 'endGrain',
    suits: 'strainers of stout wood',
    trades: 'end grain holds little: a deep bite or nothing',
  }),
  row({
    id: 'plate',
    name: 'Ply plate from behind',
    opens: false,
    holds: 'plate',
    suits: 'thin braces, quick work',
    trades: 'stands on the back by its thickness',
  }),
  row({
    id: 'block',
    name: 'Corner blocks',
    opens: false,
    holds: 'block',
    suits: 'heavy frames',
    trades: 'weight, four blocks a brace',
  }),
  row({
    id: 'notched',
    name: 'Notched in, glued and pinned',
    opens: false,
    holds: 'pins',
    suits: 'strainers from own timber',
    trades: 'a notch weakens the bar; cannot come out',
  }),
] as const;

export type BraceFixingId = (typeof BRACE_FIXINGS)[number]['id'];
export type HeldBy = Exclude<BraceFixingId, 'asJoint'>;

/** The fixing that is meant where the joint decides: an end-grain screw only where it bites deep enough. */
export const fixingByJoint = (opens: boolean, bites: boolean): HeldBy => (opens ? 'floating' : bites ? 'screwed' : 'plate');
