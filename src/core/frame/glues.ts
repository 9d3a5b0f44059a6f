import type { AssumptionId } from '../house/assumptions';
import type { School } from '../house/schools';

interface Glue<Id extends string> extends School<Id> {
  /** Hours in the clamps, and until the cloth may pull; a rule of the house where it names one. */
  clampHours: number;
  setHours: number | Extract<AssumptionId, 'glueHours'>;
}

const glue = <const I extends string>(row: Glue<I>) => row;

export const GLUES = [
  glue({
    id: 'pva',
    name: 'White wood glue',
    clampHours: 1,
    setHours: 'glueHours',
    suits: 'most strainers',
    trades: 'creeps a little under lasting load; not for damp places',
  }),
  glue({
    id: 'aliphatic',
    name: 'Yellow wood glue',
    clampHours: 0.5,
    setHours: 8,
    suits: 'quick work, stiffer line',
    trades: 'short open time: lay everything ready',
  }),
  glue({
    id: 'hide',
    name: 'Hot hide glue',
    clampHours: 2,
    setHours: 16,
    suits: 'joints that must open again with warmth',
    trades: 'hot pot at the bench, weak in damp air',
  }),
  glue({
    id: 'polyurethane',
    name: 'Polyurethane glue',
    clampHours: 3,
    setHours: 10,
    suits: 'damp places, end grain',
    trades: 'foams, gloves needed, cannot be undone',
  }),
] as const;

export type GlueId = (typeof GLUES)[number]['id'];
