/*
 * What is done at the bench, one thing at a time: a step has one figure to be read from two metres, a line of what to do, and
 * words for the ear. Steps are worked out from the case of a job; none is kept but its id.
 */
import type { LengthId, NumberId } from '../quantities/quantities';
import type { Corner, TapeName } from '../frame/square/corners';
import type { JobInputs } from '../job/job';
import type { Side } from '../job/sides';
import type { StageId } from '../stages/stages';
import type { Length } from '../units/length';

/** What a step changes of what is typed for a job, by stage. */
export type JobPatch = { [S in StageId]?: Partial<JobInputs[S]> };

/** Something that is read off a tool and typed: a length in any unit, or a number in its own. */
export type BenchReading =
  | { kind: 'length'; label: string; of: LengthId; value: Length | null; put: (value: Length | null) => JobPatch }
  | { kind: 'number'; label: string; of: NumberId; value: number | null; put: (value: number | null) => JobPatch };

export type BenchAct =
  /** Done by hand, or only looked at. */
  | { kind: 'do' }
  | { kind: 'look' }
  | { kind: 'read'; reading: BenchReading }
  /** What was read is judged; `again` keeps it as a try and goes back to read anew, where there is room for one. */
  | { kind: 'judge'; again: JobPatch | null; backTo: string }
  | { kind: 'choose'; options: readonly { id: string; name: string }[]; chosen: string | null; put: (id: string) => JobPatch }
  | { kind: 'tap' }
  /** So much is weighed out. */
  | { kind: 'weigh'; grams: number }
  | { kind: 'wait'; readyAt: string }
  /** The label for the back is printed. */
  | { kind: 'label' }
  | { kind: 'record' };

/** What is drawn beside a step: a diagonal or a side that is read, a place near an end of a side, a fastener, a corner. */
export type BenchShow =
  | { kind: 'stage' }
  | { kind: 'measure'; of: TapeName }
  | { kind: 'end'; side: Side; index: 0 | 1 }
  | { kind: 'route'; order: number }
  | { kind: 'corner'; corner: Corner; fold: number };

export interface BenchStep {
  /** Stays the same while counts change: "square/down", "fasten/17", "prime/1/coat". */
  id: string;
  stage: StageId;
  /** Steps of one kind that follow each other, such as "Route": one jumps from group to group. */
  group: string;
  /** What to do, in a line. */
  says: string;
  /** What is read from two metres, with its unit. */
  figure: string;
  /** What more there is to it. */
  notes: readonly string[];
  /** For the ear: no signs, units in full. */
  aloud: string;
  act: BenchAct;
  show: BenchShow;
}

export const SHOW_STAGE: BenchShow = { kind: 'stage' };
