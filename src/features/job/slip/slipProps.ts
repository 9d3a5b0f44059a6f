import type { JobInputs } from '@/core/job/job';
import type { SquareInputs } from '@/core/stages/square/squareInputs';
import type { ReadAir } from '@/core/log/readAir';
import type { StageId } from '@/core/stages/stages';
import type { Keep } from '../record/keep';
import type { StoredAir } from '@/db/airReadings';
import type { Plan } from '@/core/case/planJob';

/** What every slip gets: the stage's inputs, the plan made of them, and a way to change them. */
export interface SlipProps {
  jobId: string;
  inputs: JobInputs;
  plan: Plan;
  coatsDone: number;
  locked: boolean;
  /** The cloth is fastened: there is a tension to note. */
  fastened: boolean;
  onKeep: Keep;
  /** What the hygrometer says now; null when it was not read for hours. */
  air: StoredAir | null;
  /** It hangs here, or was never handed over: the air of the house is its own. */
  inHouse: boolean;
  /** The air that a tension is read in now. */
  readAir: ReadAir;
  onReadAir: (air: ReadAir) => void;
  change: <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>) => void;
}

/** What each tab under the square frame gets. */
export interface SquarePart {
  square: SquareInputs;
  locked: boolean;
  change: (patch: Partial<SquareInputs>) => void;
}

/** Two fields side by side. */
export const columns = 'grid grid-cols-2 gap-x-4 gap-y-1.5';
