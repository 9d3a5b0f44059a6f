import type { JobInputs } from '@/core/job/job';
import type { TuneInputs } from '@/core/stages/tune/tuneInputs';
import type { ReadAir } from '@/core/log/readAir';
import type { Plan } from '@/core/case/planJob';
import type { Air } from '@/server/air/airWrites';
import type { Keep } from '../record/keep';
import type { View } from '@/core/job/sideWords';

/** What tuning and each of its tabs gets. */
export interface TuneStageProps {
  jobId: string;
  live: JobInputs;
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  /** Nothing is measured on a canvas before its cloth is fastened. */
  fastened: boolean;
  view: View;
  onView: (view: View) => void;
  air: Air;
  /** The air that a tension is read in now, as it stands on the slip. */
  readAir: ReadAir;
  /** Entries whose taps can be had as WAV files. */
  recordings: string[];
  change: (patch: Partial<TuneInputs>) => void;
  onKeep: Keep;
  /** Takes back an entry of the log, with a reason. */
  onWithdraw: (entryId: string, reason: string) => Promise<string | null>;
}
