/* What a job still takes: hands, stage by stage and coat by coat, and the time that glue and coats take after them. */
import { effortMinutes } from '../effort/effort';
import type { SetUp } from '../schedule/shop';
import { FASTENERS } from '../fasten/fasteners';
import { LONGEST_FACTOR } from '../prime/drying';
import { type StageId, stageActs } from '../stages/stages';
import { byId } from '../house/schools';
import type { JobCase } from './jobCase';

/** What glue or a coat takes after the hands, minutes from the shortest to the longest. */
export interface JobWait {
  what: 'glue' | 'coat';
  minutes: readonly [number, number];
  /** The air is too damp to dry it: the longest that is believed is reckoned with. */
  damp: boolean;
}

export interface JobStep {
  /** "bars", "prime:0". */
  key: string;
  stage: StageId;
  coat: number | null;
  name: string;
  minutes: number;
  /** Steps that are done before, and those that have dried too. */
  after: string[];
  afterDry: string[];
  squeezes: number;
  /** What it is set up for together with others. */
  setUp: { what: 'saw' | 'pot'; family: SetUp['family'] } | null;
  wait: JobWait | null;
}

export interface JobWork {
  longMm: number;
  shortMm: number;
  steps: JobStep[];
  /** What dries or sets now: since when, until when, and which steps wait for it. */
  runs: { what: JobWait['what']; sinceMs: number; untilMs: number; holds: string[] } | null;
}

export const NO_WORK: JobWork = { longMm: 0, shortMm: 0, steps: [], runs: null };

/**
 * The steps of a job that are not recorded, in their order; none where it is handed over.
 *
 * @param together how many canvases are done together: each takes its share of what is set up once
 */
export function jobWork({ plan, progress, next, inputs }: JobCase, together = 1): JobWork {
  const { brief } = inputs;
  const [shortMm, longMm] = [brief.width.mm, brief.height.mm].sort((a, b) => a - b) as [number, number];
  const steps: JobStep[] = [];
  for (const stage of progress.run.filter((id) => !progress.done.has(id) && !progress.passed.has(id))) {
    const before = steps.at(-1);
    const base = {
      stage,
      coat: null,
      name: stageActs(stage, progress.painted).act,
      minutes: effortMinutes(plan[stage].effort, together),
      after: before ? [before.key] : [],
      afterDry: [] as string[],
      squeezes: 0,
      setUp: null,
      wait: null,
    };
    if (stage === 'prime' && plan.prime.coats.length > 0) {
      plan.prime.coats.slice(progress.coatsDone).forEach((coat, index) => {
        const number = progress.coatsDone + index;
        steps.push({
          ...base,
          key: `prime:${number}`,
          coat: number,
          name: coat.name,
          minutes: effortMinutes(coat.effort, together),
          after: index === 0 ? base.after : [`prime:${number - 1}`],
          afterDry: index === 0 ? [] : [`prime:${number - 1}`],
          setUp: { what: 'pot', family: `pot ${coat.substance} ${coat.waterParts}` },
          wait: {
            what: 'coat',
            minutes: coat.dryMinutes ?? [coat.labelMinutes[1], coat.labelMinutes[1] * LONGEST_FACTOR],
            damp: coat.dryMinutes === null,
          },
        });
      });
      continue;
    }
    const sets = stage === 'bars' ? plan.bars.setsMinutes : null;
    steps.push({
      ...base,
      key: stage,
      afterDry: [
        ...(stage === 'fasten' && steps.some(({ key }) => key === 'bars') ? ['bars'] : []),
        ...(stage === 'handover' && before?.coat !== null && before ? [before.key] : []),
      ],
      squeezes: stage === 'fasten' && byId(FASTENERS, inputs.fasten.fastener).squeezed ? plan.fasten.hands.squeezes : 0,
      setUp: stage === 'bars' && plan.bars.parts.some(({ from }) => from !== 'pairs') ? { what: 'saw', family: 'saw' } : null,
      wait: sets === null ? null : { what: 'glue', minutes: [sets, sets], damp: false },
    });
  }
  return { longMm, shortMm, steps, runs: runningOf(next.clock, steps) };
}

function runningOf(clock: JobCase['next']['clock'], steps: readonly JobStep[]): JobWork['runs'] {
  if (!clock) return null;
  const holds = steps
    .filter(({ stage }) => (clock.stage === 'bars' ? stage === 'fasten' : stage === 'prime' || stage === 'handover'))
    .map(({ key }) => key)
    .slice(0, 1);
  return {
    what: clock.stage === 'bars' ? 'glue' : 'coat',
    sinceMs: Date.parse(clock.startedAt),
    untilMs: Date.parse(clock.readyAt),
    holds,
  };
}
