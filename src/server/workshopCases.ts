/*
 * What is asked of the workshop as a whole: the bench, the log, the house rules.
 */
import { fabricsOf, profilesOf, speciesOf } from '@/core/house/materials';
import type { JobInputs } from '@/core/job/job';
import { type HouseRules, houseRulesShape, ruleViolations } from '@/core/house/houseRules';
import type { LogEntry } from '@/core/log/logEntry';
import type { JobCase } from '@/core/case/jobCase';
import type { NextStep } from '@/core/case/nextStep';
import type { StageId } from '@/core/stages/stages';
import { listJobRows } from '@/db/jobs';
import { listCloth } from '@/db/clothSheets';
import { listRack } from '@/db/rackBars';
import { plainLogOfWorkshop } from '@/db/logEntries';
import { type StoredRules, readRules, writeRules } from '@/db/workshops';
import { checked } from './checked';
import { workshopCases, workshopJobs } from './jobReading';
import { type Outcome, type Refusal, done, refuse } from './outcome';
import type { Request } from './requests';
import type { Workshop } from './workshop';

export interface BenchRow {
  id: string;
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  bars: JobInputs['bars'];
  dueOn: string | null;
  /** Days between now and the latest start; null when nobody waits. */
  slackDays: number | null;
  done: StageId[];
  coatsDone: number;
  next: NextStep;
  /** Minutes of hands that the next step takes. */
  minutes: number;
  /** What stops the next step, when a measure says so. */
  stop: string | null;
}

/** Jobs in the order of what needs hands next: what is ready by its date, what is stopped, what waits, what is finished. */
export function benchRows(workshop: Workshop): BenchRow[] {
  const rows = workshopCases(workshop).map(({ job, case: here }): BenchRow => {
    const { brief, bars } = here.inputs;
    const { progress, next } = here;
    return {
      id: job.id,
      number: job.number,
      title: brief.title,
      widthMm: brief.width.mm,
      heightMm: brief.height.mm,
      bars,
      dueOn: brief.dueOn,
      slackDays: here.slack?.days ?? null,
      done: [...progress.done],
      coatsDone: progress.coatsDone,
      next,
      minutes: next.stage === null ? 0 : here.plan[next.stage].minutes,
      stop: next.stage === null ? null : stopWords(here, next.stage),
    };
  });
  const rank = ({ next, stop }: BenchRow) =>
    stop !== null && next.state === 'now' ? 1 : { now: 0, waiting: 2, finished: 3 }[next.state];
  const due = (row: BenchRow) => row.dueOn ?? '9999-12-31';
  return rows.sort((a, b) => rank(a) - rank(b) || due(a).localeCompare(due(b)) || a.number - b.number);
}

const stopWords = (here: JobCase, stage: StageId): string | null =>
  here.verdictsOf(stage).find((one) => one.level === 'stop' && one.measured !== null)?.says ?? null;

export interface DryingClock {
  jobId: string;
  number: number;
  title: string;
  what: string;
  startedAt: string;
  readyAt: string;
}

/** Everything that dries or sets, or is ready and not yet gone on with. */
export const dryingClocks = (rows: BenchRow[]): DryingClock[] =>
  rows
    .flatMap(({ id, number, title, next }) =>
      next.clock
        ? [{ jobId: id, number, title, what: next.clock.what, startedAt: next.clock.startedAt, readyAt: next.clock.readyAt }]
        : [],
    )
    .sort((a, b) => a.readyAt.localeCompare(b.readyAt));

export interface LogRow extends Omit<LogEntry, 'plan'> {
  jobId: string;
  jobNumber: number;
  jobTitle: string;
  withdrawn: boolean;
}

/** Every entry of the workshop, newest first. */
export function logRows({ database }: Workshop): LogRow[] {
  const jobs = new Map(listJobRows(database).map((job) => [job.id, job]));
  const rows = [...plainLogOfWorkshop(database)].flatMap(([jobId, entries]) => {
    const withdrawn = new Set(entries.map((entry) => entry.corrects));
    const job = jobs.get(jobId)!;
    return entries.map(({ plan: _plan, ...entry }): LogRow => ({
      ...entry,
      jobId,
      jobNumber: job.number,
      jobTitle: job.title,
      withdrawn: withdrawn.has(entry.id),
    }));
  });
  return rows.sort((a, b) => b.at.localeCompare(a.at));
}

/** A bar, wood or cloth that some job or the store still has, left out of the tables of the house. */
function usedMaterialGone({ database }: Pick<Workshop, 'database'>, rules: HouseRules): Refusal | null {
  const [bars, woods, cloths] = [profilesOf(rules), speciesOf(rules), fabricsOf(rules)].map(
    (rows) => new Set(rows.map((row) => row.id)),
  );
  for (const { number, inputs } of workshopJobs({ database }).jobs) {
    if (!bars!.has(inputs.bars.profile) || !woods!.has(inputs.bars.species) || !cloths!.has(inputs.cloth.fabric))
      return refuse(`No. ${number} is made with a bar, wood or cloth that would be gone: hide it instead.`);
  }
  const left = listRack(database).find((bar) => !bars!.has(bar.profile));
  if (left) return refuse(`Bars of “${left.profile}” lie on the rack: hide it instead.`);
  const stored = listCloth(database).find((cloth) => !cloths!.has(cloth.fabric));
  return stored ? refuse(`${stored.tag} in the store is of “${stored.fabric}”: hide it instead.`) : null;
}

export const houseRules = ({ database }: Workshop): StoredRules => readRules(database);

/** Saves house rules over the revision that was read. */
export function saveRules({ database }: Workshop, dto: Request<'saveRules'>): Outcome<StoredRules> {
  const checkedRules = checked(houseRulesShape, 'houseRules', dto.rules);
  if (!checkedRules.ok) return checkedRules;
  const rules = checkedRules.value as HouseRules;
  const wrong = ruleViolations(rules);
  if (wrong.length > 0) return { ok: false, kind: 'invalid', errors: wrong.map((says) => ({ field: 'rules', says })) };
  const used = usedMaterialGone({ database }, rules);
  if (used) return used;
  const saved = database.transaction(() => writeRules(database, rules, dto.revision)).immediate();
  return saved
    ? done(readRules(database))
    : refuse('The house rules were changed elsewhere in between. Open them again, then change them.');
}
