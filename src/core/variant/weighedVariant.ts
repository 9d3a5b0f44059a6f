/* What variants of a job come to, figure by figure and stage by stage, and in what they differ. */
import type { JobCase } from '../case/jobCase';
import { chainOf } from '../case/slack';
import { type Prices, billOf } from '../cost/bill';
import { type Level, type Verdict, worstLevel } from '../job/verdict';
import { type StageId, stageActs } from '../stages/stages';

const MINUTE_MS = 60_000;

export interface StageAnswer {
  stage: StageId;
  name: string;
  answer: string;
  level: Level;
  verdicts: Verdict[];
}

/** What one make-up of a job comes to. */
export interface WeighedVariant {
  /** Of what has a price, minor units; and what has none. */
  minor: number;
  unpriced: string[];
  weightKg: number;
  /** Hands still to come, minutes. */
  handsMinutes: number;
  /** From now until it is ready when it is begun now, ms; null where nothing is left to do. */
  readyInMs: number | null;
  /** The long-term bow that comes nearest to its limit, mm, and that limit. */
  bowMm: number;
  bowLimitMm: number;
  /** The cut piece of cloth, m². */
  clothM2: number;
  /** Ground over all coats, ml. */
  groundMl: number;
  fasteners: number;
  stages: StageAnswer[];
}

/** Works out what the make-up of a case comes to. @param nowMs ms since 1970 */
export function weighVariant(here: JobCase, prices: Prices, nowMs: number): WeighedVariant {
  const { plan, progress, next, house, inputs } = here;
  const bill = billOf({ plan, inputs, rules: house.rules }, prices);
  const { topBottom, leftRight } = plan.bars.chosen;
  const nearest = topBottom.lastingMm / topBottom.limitMm >= leftRight.lastingMm / leftRight.limitMm ? topBottom : leftRight;
  const { left, handsMinutes, chainMinutes } = chainOf(
    plan,
    progress,
    house.rules,
    nowMs,
    next.clock ? Date.parse(next.clock.readyAt) : null,
  );
  return {
    minor: bill.knownMinor,
    unpriced: bill.unknown,
    weightKg: plan.handover.totalKg,
    handsMinutes,
    readyInMs: left === 0 ? null : chainMinutes * MINUTE_MS,
    bowMm: nearest.lastingMm,
    bowLimitMm: nearest.limitMm,
    clothM2: plan.cloth.cut.areaM2,
    groundMl: plan.prime.coats.reduce((sum, { recipe }) => sum + recipe.groundMl, 0),
    fasteners: plan.fasten.route.fasteners,
    stages: progress.run.map((stage) => {
      const verdicts = here.verdictsOf(stage);
      return {
        stage,
        name: stageActs(stage, progress.painted).name,
        answer: plan[stage].answer,
        level: worstLevel(verdicts),
        verdicts,
      };
    }),
  };
}

export interface StageDifference extends StageAnswer {
  was: Pick<StageAnswer, 'answer' | 'level'>;
  /** Verdicts that are graver, or lighter, than they were; of the lighter ones as they are now. */
  graver: Verdict[];
  lighter: Verdict[];
}

const GRAVITY: Record<Level, number> = { good: 0, watch: 1, stop: 2 };

/** The stages that another make-up changes: their answer, or how one of their verdicts stands. What is judged in one of the two only counts as good in the other. */
export function stageDifferences(was: WeighedVariant, is: WeighedVariant): StageDifference[] {
  return is.stages.flatMap((one): StageDifference[] => {
    const before = was.stages.find(({ stage }) => stage === one.stage);
    if (!before) return [];
    const levelIn = (verdicts: readonly Verdict[], id: string) => verdicts.find((two) => two.id === id)?.level ?? 'good';
    const graver = one.verdicts.filter(({ id, level }) => GRAVITY[level] > GRAVITY[levelIn(before.verdicts, id)]);
    const lighter = before.verdicts.flatMap((old) => {
      const now = one.verdicts.find(({ id }) => id === old.id);
      return GRAVITY[old.level] > GRAVITY[now?.level ?? 'good'] ? [now ?? { ...old, level: 'good' as const }] : [];
    });
    const same = before.answer === one.answer && graver.length + lighter.length === 0;
    return same ? [] : [{ ...one, was: { answer: before.answer, level: before.level }, graver, lighter }];
  });
}
