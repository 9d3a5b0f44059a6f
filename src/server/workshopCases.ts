/*
 * What is asked of the workshop as a whole: the bench, the log, the house rules.
 */
import { fabricsOf, profilesOf, speciesOf } from '@/core/job/materials';
import type { JobInputs } from '@/core/job/job';
import { type HouseRules, tapeFor } from '@/core/job/houseRules';
import type { LogEntry } from '@/core/job/logEntry';
import { planJob } from '@/core/plan/planJob';
import { type NextStep, nextStep, progressOf } from '@/core/plan/progress';
import type { StageId } from '@/core/job/stages';
import { listJobs } from '@/db/jobs';
import { listCloth } from '@/db/clothSheets';
import { listRack } from '@/db/rackBars';
import { logOfWorkshop } from '@/db/logEntries';
import { type StoredRules, readRules, writeRules } from '@/db/workshops';
import { checked } from './checked';
import { HouseRulesDto, type SaveRulesDto } from './houseRulesDto';
import { type Outcome, type Refusal, done, refuse } from './outcome';
import type { Workshop } from './workshop';

export interface BenchRow {
  id: string;
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  bars: JobInputs['bars'];
  dueOn: string | null;
  done: StageId[];
  coatsDone: number;
  next: NextStep;
  /** What stops the next step, when a measure says so. */
  stop: string | null;
}

/** Jobs in the order of what needs hands next: what is ready by its date, what is stopped, what waits, what is finished. */
export function benchRows({ database, now }: Workshop): BenchRow[] {
  const logs = logOfWorkshop(database);
  const { rules } = readRules(database);
  const at = now().getTime();
  const rows = listJobs(database).map((job): BenchRow => {
    const { brief, bars } = job.inputs;
    const progress = progressOf(job.inputs, logs.get(job.id) ?? []);
    return {
      id: job.id,
      number: job.number,
      title: brief.title,
      widthMm: brief.width.mm,
      heightMm: brief.height.mm,
      bars,
      dueOn: brief.dueOn,
      done: [...progress.done],
      coatsDone: progress.coatsDone,
      next: nextStep(job.inputs, progress, at),
      stop: progress.now === null ? null : stopWords(job.inputs, progress.now, progress.coatsDone, rules),
    };
  });
  const rank = ({ next, stop }: BenchRow) =>
    stop !== null && next.state === 'now' ? 1 : { now: 0, waiting: 2, finished: 3 }[next.state];
  const due = (row: BenchRow) => row.dueOn ?? '9999-12-31';
  return rows.sort((a, b) => rank(a) - rank(b) || due(a).localeCompare(due(b)) || a.number - b.number);
}

function stopWords(inputs: JobInputs, stage: StageId, coatsDone: number, rules: HouseRules): string | null {
  const { verdicts } = planJob(inputs, { rules, tape: tapeFor(rules, 'mm') }, coatsDone)[stage];
  return verdicts.find((one) => one.level === 'stop' && one.measured !== null)?.says ?? null;
}

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
  const jobs = new Map(listJobs(database).map((job) => [job.id, job]));
  const rows = [...logOfWorkshop(database)].flatMap(([jobId, entries]) => {
    const withdrawn = new Set(entries.map((entry) => entry.corrects));
    const job = jobs.get(jobId)!;
    return entries.map(({ plan: _plan, ...entry }): LogRow => ({
      ...entry,
      jobId,
      jobNumber: job.number,
      jobTitle: job.inputs.brief.title,
      withdrawn: withdrawn.has(entry.id),
    }));
  });
  return rows.sort((a, b) => b.at.localeCompare(a.at));
}

/** A bar, wood or cloth that some job or the store still has, left out of the tables of the house. */
function usedMaterialGone(database: Workshop['database'], rules: HouseRules): Refusal | null {
  const [bars, woods, cloths] = [profilesOf(rules), speciesOf(rules), fabricsOf(rules)].map(
    (rows) => new Set(rows.map((row) => row.id)),
  );
  for (const { number, inputs } of listJobs(database)) {
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
export function saveRules({ database }: Workshop, dto: SaveRulesDto): Outcome<StoredRules> {
  const rules = checked(HouseRulesDto, dto.rules);
  if (!rules.ok) return rules;
  const plain = JSON.parse(JSON.stringify(rules.value)) as StoredRules['rules'];
  const used = usedMaterialGone(database, plain);
  if (used) return used;
  const saved = database.transaction(() => writeRules(database, plain, dto.revision)).immediate();
  return saved
    ? done(readRules(database))
    : refuse('The house rules were changed elsewhere in between. Open them again, then change them.');
}
