import type { JobInputs, SquareInputs } from '@/core/job/job';
import type { StageId } from '@/core/job/stages';
import type { Keep } from './keep';
import type { AirReading } from '@/core/tension/clothWeather';
import type { Plan } from '@/core/plan/planJob';

/** What every slip gets: the stage's inputs, the plan made of them, and a way to change them. */
export interface SlipProps {
  inputs: JobInputs;
  plan: Plan;
  coatsDone: number;
  locked: boolean;
  onKeep: Keep;
  /** What the hygrometer says now; null when it was not read for hours. */
  air: AirReading | null;
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
