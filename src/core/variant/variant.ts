/*
 * A variant of a job: the job with a few things otherwise. Kept is only what is otherwise, so that a variant follows the job in
 * everything else; what was recorded stands in all of them.
 */
import { textOf } from '../shape/texts';
import { type Progress, isSettled } from '../case/progress';
import type { HouseRules } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { type ShapeOf, optional, part, startOf } from '../shape/shape';
import { barsShape } from '../stages/bars/barsInputs';
import { withRecommendedBars } from '../stages/bars/planBars';
import { briefShape } from '../stages/brief/briefInputs';
import { clothShape } from '../stages/cloth/clothInputs';
import { laidForItsCut } from '../stages/cloth/laidAgain';
import { fastenShape } from '../stages/fasten/fastenInputs';
import { primeShape } from '../stages/prime/primeInputs';
import type { StageId } from '../stages/stages';

/** So many stand beside the job as it is. */
export const MOST_VARIANTS = 3;

/** What may be otherwise; null follows the job. */
export const changesShape = {
  width: optional(briefShape.width),
  height: optional(briefShape.height),
  profile: optional(barsShape.profile),
  bracesUpright: optional(barsShape.bracesUpright),
  bracesLevel: optional(barsShape.bracesLevel),
  tensionNPerM: optional(barsShape.tensionNPerM),
  fabric: optional(clothShape.fabric),
  marginStyle: optional(clothShape.marginStyle),
  fastener: optional(fastenShape.fastener),
  route: optional(fastenShape.route),
  system: optional(primeShape.system),
};
export interface Changes extends ShapeOf<typeof changesShape> {}
export type ChangedField = keyof Changes;
export const CHANGED_FIELDS = Object.keys(changesShape) as ChangedField[];

export const variantShape = { name: textOf('variant'), changes: part('variantChanges', changesShape) };
export interface Variant extends ShapeOf<typeof variantShape> {
  changes: Changes;
}

export const NO_CHANGE: Changes = startOf(changesShape);

const STAGE_OF = {
  width: 'brief',
  height: 'brief',
  profile: 'bars',
  bracesUpright: 'bars',
  bracesLevel: 'bars',
  tensionNPerM: 'bars',
  fabric: 'cloth',
  marginStyle: 'cloth',
  fastener: 'fasten',
  route: 'fasten',
  system: 'prime',
} as const satisfies Record<ChangedField, StageId>;

/** What may not be otherwise any more: its stage is recorded. */
export const isFixed = (field: ChangedField, progress: Pick<Progress, 'done' | 'coatsDone'>): boolean =>
  isSettled(STAGE_OF[field], progress);

/** What stands in a job where a variant may have something else. */
export const valueIn = <F extends ChangedField>(inputs: JobInputs, field: F): NonNullable<Changes[F]> =>
  (inputs[STAGE_OF[field]] as unknown as Record<F, NonNullable<Changes[F]>>)[field];

/**
 * A job with some of it otherwise.
 *
 * @example withChanges(newInputs('Study', length(400), length(300)), { ...NO_CHANGE, route: 'halving' }).fasten.route // 'halving'
 */
export const withChanges = (inputs: JobInputs, changes: Changes): JobInputs =>
  laidForItsCut(
    inputs,
    CHANGED_FIELDS.reduce<JobInputs>((made, field) => {
      const stage = STAGE_OF[field];
      return changes[field] === null ? made : { ...made, [stage]: { ...made[stage], [field]: changes[field] } };
    }, inputs),
  );

const alike = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

/** What is otherwise in another version of a job, of what may be; a length counts by its unit too. */
export const changesTo = (from: JobInputs, to: JobInputs): Changes =>
  Object.fromEntries(
    CHANGED_FIELDS.map((field) => [field, alike(valueIn(from, field), valueIn(to, field)) ? null : valueIn(to, field)]),
  ) as unknown as Changes;

/** Fields of a variant that say something else than the job. */
export const changedFields = (inputs: JobInputs, changes: Changes): ChangedField[] => {
  const to = withChanges(inputs, changes);
  return CHANGED_FIELDS.filter((field) => !alike(valueIn(inputs, field), valueIn(to, field)));
};

/** A variant with the bars that the house would take for it. */
export const withBarsFor = (inputs: JobInputs, changes: Changes, rules: HouseRules): Changes =>
  changesTo(inputs, withRecommendedBars(withChanges(inputs, changes), rules));
