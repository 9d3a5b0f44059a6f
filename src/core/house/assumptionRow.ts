/* One workshop default: its value, unit, range and reason. */
import type { StageId } from '../stages/stages';

export interface Assumption {
  id: string;
  stage: StageId;
  label: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  because: string;
}

export const row = <const I extends string>(
  id: I,
  stage: StageId,
  label: string,
  value: number,
  unit: string,
  [min, max]: [number, number],
  because: string,
) => ({ id, stage, label, value, unit, min, max, because });
