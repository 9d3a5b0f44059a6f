/*
 * One plan for all canvases of a set. A canvas follows it field by field; where it differs it has departed, and a change of the
 * plan passes it by there, as it passes by what is recorded.
 */
import { isSettled, type Progress } from '../case/progress';
import type { JobInputs } from '../job/job';
import { planOnly } from '../job/planOnly';
import { STAGE_IDS, type StageId } from '../stages/stages';
import { SET_KINDS, type SetKindId } from './setShape';
import { byId } from '../house/schools';

/** What a set hands to its canvases: the plan of one of them, and the day all are wanted. */
export const setPlanOf = (inputs: JobInputs, title: string): JobInputs => {
  const plan = planOnly(inputs, title);
  return { ...plan, brief: { ...plan.brief, dueOn: inputs.brief.dueOn } };
};

/** Fields that are each canvas’s own where the faces of a set differ. */
const OF_THE_FACE = ['brief.width', 'brief.height', 'bars.bracesUpright', 'bars.bracesLevel', 'cloth.warp'];

const isOwn = (path: string, kind: SetKindId): boolean =>
  path === 'brief.title' || (!byId(SET_KINDS, kind).oneFace && OF_THE_FACE.includes(path));

/** The same, whatever unit a length was typed in. */
const alike = (one: unknown, other: unknown): boolean => inMm(one) === inMm(other);
const inMm = (value: unknown): string =>
  JSON.stringify(value, (_key, one: unknown) =>
    typeof one === 'object' && one !== null && 'mm' in one ? Math.round(Number(one.mm) * 1000) : one,
  );

/** What a canvas is planned by, beside the plan of its set: what nobody types for a plan stands as it does there. */
function ownPlan({ brief, ...inputs }: JobInputs, plan: JobInputs): JobInputs {
  const { title, width, height } = plan.brief;
  const made = setPlanOf({ ...inputs, brief: { ...brief, width, height } }, title);
  return { ...made, brief: { ...made.brief, width: brief.width, height: brief.height } };
}

type Stages = Record<string, Record<string, unknown>>;

/** The fields of all stages that two plans do not share: "bars.joint". */
function unlike(one: JobInputs, other: JobInputs, kind: SetKindId): { stage: StageId; key: string }[] {
  const [a, b] = [one as unknown as Stages, other as unknown as Stages];
  return STAGE_IDS.flatMap((stage) =>
    Object.keys(a[stage]!)
      .filter((key) => !isOwn(`${stage}.${key}`, kind) && !alike(a[stage]![key], b[stage]![key]))
      .map((key) => ({ stage, key })),
  );
}

/**
 * Fields in which the plan of a canvas differs from that of its set, such as "bars.joint"; none where it follows in all.
 *
 * @param plan of the set, as `setPlanOf` makes it
 * @param inputs of the canvas, readings and all
 */
export const departures = (plan: JobInputs, inputs: JobInputs, kind: SetKindId): string[] =>
  unlike(plan, ownPlan(inputs, plan), kind).map(({ stage, key }) => `${stage}.${key}`);

export interface Carried {
  inputs: JobInputs;
  /** Fields that were changed. */
  changed: string[];
  /** Fields that stay as they are: recorded already, or departed before. */
  kept: { path: string; because: 'recorded' | 'departed' }[];
}

/**
 * A canvas after the plan of its set was changed: what followed goes along, what had departed or is recorded stays.
 *
 * @param from the plan as it was
 * @param to the plan as it is now
 */
export function carried(from: JobInputs, to: JobInputs, inputs: JobInputs, kind: SetKindId, progress: Progress): Carried {
  const own = ownPlan(inputs, from);
  const changed: string[] = [];
  const kept: Carried['kept'] = [];
  const after = { ...inputs } as unknown as Stages;
  for (const { stage, key } of unlike(from, to, kind)) {
    const path = `${stage}.${key}`;
    const [was, is, goal] = [from, own, to].map((one) => (one as unknown as Stages)[stage]![key]);
    if (alike(is, goal)) continue;
    if (isSettled(stage, progress)) kept.push({ path, because: 'recorded' });
    else if (!alike(is, was)) kept.push({ path, because: 'departed' });
    else {
      after[stage] = { ...after[stage], [key]: goal };
      changed.push(path);
    }
  }
  return { inputs: after as unknown as JobInputs, changed, kept };
}

/** A canvas that follows its set again wherever it is not recorded. */
export const rejoined = (plan: JobInputs, inputs: JobInputs, kind: SetKindId, progress: Progress): Carried =>
  carried(ownPlan(inputs, plan), plan, inputs, kind, progress);
