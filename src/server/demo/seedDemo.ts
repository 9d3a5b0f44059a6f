/*
 * Fills an empty workshop with the demo jobs by way of the same use cases a maker uses, with a clock that is
 * set to each moment. Readings carry the noise of a tape from a seeded source, so every demo is the same.
 */
import { addDays, addMinutes, format, set, subDays } from 'date-fns';
import type { Database } from 'better-sqlite3';
import { randomLcg, randomNormal } from 'd3-random';
import { type JobInputs, newInputs } from '@/core/job/job';
import { SIDES } from '@/core/job/sides';
import { length, roundToStep } from '@/core/units/length';
import { insertCloth } from '@/db/clothSheets';
import { insertJob, listJobs } from '@/db/jobs';
import { setGroundStock } from '@/db/groundStocks';
import { addRackBar } from '@/db/rackBars';
import { writeRules } from '@/db/workshops';
import { readSimulatedAir } from '../airCases';
import { recordStep, saveInputs } from '../jobCases';
import type { Outcome } from '../outcome';
import type { Workshop } from '../workshop';
import { seedTaps } from './demoTaps';
import { DEMO_CLOTH, DEMO_GROUNDS, DEMO_RACK, DEMO_RULES, type DemoJob, FINISHED, OPEN_JOBS } from './demoJobs';

const HOUR = 3_600_000;
const FIRST_NUMBER = 101;
/** A small finished canvas that came back slack. */
const TAPPED_JOB = 'demo-126';

/** Seeds the demo in one transaction; a workshop that has jobs is left alone. */
export function seedDemo(database: Database, now: Date): void {
  if (listJobs(database).length > 0) return;
  const noise = randomNormal.source(randomLcg(0.417))(0, 0.45);
  database.transaction(() => {
    writeRules(database, DEMO_RULES, 0);
    const finished = FINISHED.map((row, index) => finishedJob(row, index));
    [...finished, ...OPEN_JOBS].forEach((job, index) => seedJob(database, job, index, now, noise));
    readSimulatedAir({ database, now: () => now, newId: () => '' });
    seedTaps(database, TAPPED_JOB, DEMO_RULES.makers[0]!, now);
    DEMO_CLOTH.forEach((cloth, index) =>
      insertCloth(database, { ...cloth, selvedgeMm: cloth.kind === 'roll' ? 12 : 0, id: `demo-cloth-${index + 1}` }),
    );
    DEMO_GROUNDS.forEach((stock) => setGroundStock(database, stock, 0));
    DEMO_RACK.forEach((bar, index) => addRackBar(database, { ...bar, id: `demo-rack-${index + 1}` }));
  })();
}

/** Racks that a practised hand leaves, mm of diagonal: mostly little, now and then a joint that would not close. */
const RACKS_MM = [0.5, 1.5, 0, 1, 0.5, 0, 2, 1, 0.5, 0, 1.5, 0.5, 1];

/** A canvas of the past: every stage recorded over about a week. */
function finishedJob([title, widthMm, heightMm, profile]: (typeof FINISHED)[number], index: number): DemoJob {
  const maker = DEMO_RULES.makers[index % 3]!;
  const endHoursAgo = (FINISHED.length - index) * 24 * 27 + 30;
  const stages = ['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'prime', 'prime', 'handover'] as const;
  const long = Math.max(widthMm, heightMm);
  const braced = long >= 900 ? [0.5] : [];
  return {
    title,
    width: length(widthMm),
    height: length(heightMm),
    dueInDays: Math.round(-endHoursAgo / 24) + 2,
    built: { rackMm: RACKS_MM[index % RACKS_MM.length]!, longTopMm: 0, liftMm: index % 3 },
    inputs: {
      brief: { edges: profile === 'deep' ? 'unframed' : 'rebate', medium: index % 2 ? 'oil' : 'acrylic' },
      bars: { profile, bracesUpright: widthMm >= heightMm ? braced : [], bracesLevel: widthMm >= heightMm ? [] : braced },
      cloth: { marginStyle: profile === 'deep' ? 'hem' : 'covered' },
      tune: { feel: index % 5 === 0 ? 'drum' : 'firm' },
      prime: { roomC: 17 + ((index * 5) % 6), roomRh: 45 + ((index * 11) % 22) },
      handover: { weighedKg: 0 },
    },
    records: stages.map((stage, place) => ({
      stage,
      maker,
      hoursAgo: endHoursAgo + (stages.length - 1 - place) * 20,
      reason: 'Agreed with the painter.',
    })),
  };
}

function seedJob(database: Database, demo: DemoJob, index: number, now: Date, noise: () => number): void {
  const moment = (hoursAgo: number) => new Date(now.getTime() - hoursAgo * HOUR);
  const first = demo.records[0] ?? { stage: 'brief', hoursAgo: 20, maker: '' };
  const started = addMinutes(workingHour(moment(first.hoursAgo), first, new Date(0)), -30);
  let clock = started;
  let serial = 0;
  const id = `demo-${FIRST_NUMBER + index}`;
  const workshop: Workshop = { database, now: () => clock, newId: () => `${id}-${(serial += 1)}` };
  const inputs = demoInputs(demo, now, noise);
  insertJob(database, { id, number: FIRST_NUMBER + index, createdAt: started.toISOString(), inputs }, started.toISOString());
  let revision = 1;
  for (const record of demo.records) {
    clock = workingHour(moment(record.hoursAgo), record, clock);
    if (record.stage === 'handover') revision = weigh(workshop, id, revision, inputs, noise);
    const result = recordStep(workshop, {
      jobId: id,
      revision,
      stage: record.stage,
      maker: record.maker,
      note: record.note ?? '',
      reason: record.reason ?? '',
      unit: 'mm',
      view: 'back',
      clothId: null,
    });
    revision = must(demo, result).job.revision;
  }
}

/** The working day of the demo, hours. */
const DAY = { from: 8, until: 17 };

/** Work is put into the working day; a coat that still dries keeps its minute. Never before the step before it. */
function workingHour(at: Date, { hoursAgo, stage }: DemoJob['records'][number], after: Date): Date {
  const soonest = (wanted: Date) => (wanted > after ? wanted : addMinutes(after, 35));
  if (hoursAgo < 24 && stage === 'prime') return soonest(at);
  if (hoursAgo >= 24)
    return soonest(
      set(at, { hours: DAY.from + (Math.round(hoursAgo) % 9), minutes: (Math.round(hoursAgo * 7) % 12) * 5, seconds: 0 }),
    );
  const hour = at.getHours();
  if (hour >= DAY.from && hour < DAY.until) return soonest(at);
  // In the evening it was done before closing, in the night the day before.
  return soonest(set(hour < DAY.from ? subDays(at, 1) : at, { hours: DAY.until - 1, seconds: 0 }));
}

/** The scale's word at the end: what the plan worked out, give or take the wood. */
function weigh(workshop: Workshop, id: string, revision: number, inputs: JobInputs, noise: () => number): number {
  const perimeter = (inputs.brief.width.mm + inputs.brief.height.mm) / 1000;
  const weighed = {
    ...inputs,
    handover: { ...inputs.handover, weighedKg: Math.round((perimeter * 1.05 + noise() * 0.08) * 100) / 100 },
  };
  return must(null, saveInputs(workshop, { jobId: id, revision, inputs: weighed })).revision;
}

function must<T>(demo: DemoJob | null, outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new Error(`demo job ${demo?.title ?? ''} was refused: ${JSON.stringify(outcome)}`);
}

function demoInputs(demo: DemoJob, now: Date, noise: () => number): JobInputs {
  const base = newInputs(demo.title, demo.width, demo.height);
  const dueOn = demo.dueInDays === null ? null : format(addDays(now, demo.dueInDays), 'yyyy-MM-dd');
  const inputs: JobInputs = {
    ...base,
    brief: { ...base.brief, ...demo.inputs.brief, dueOn },
    bars: { ...base.bars, ...demo.inputs.bars },
    cloth: { ...base.cloth, ...demo.inputs.cloth },
    fasten: { ...base.fasten, ...demo.inputs.fasten },
    tune: { ...base.tune, ...demo.inputs.tune },
    prime: { ...base.prime, ...demo.inputs.prime },
    handover: {
      ...base.handover,
      ...demo.inputs.handover,
      ...(demo.inputs.handover?.weighedKg === 0 ? { weighedKg: null } : {}),
    },
  };
  return demo.built ? { ...inputs, square: { ...inputs.square, ...tapeReadings(inputs, demo.built, noise) } } : inputs;
}

/** Six readings of the built frame with a steel tape, to half a millimetre, or to a sixteenth. */
function tapeReadings(
  { brief }: JobInputs,
  built: NonNullable<DemoJob['built']>,
  noise: () => number,
): Partial<JobInputs['square']> {
  const inches = brief.width.unit === 'in';
  const read = (mm: number) => length(roundToStep(mm, inches ? 25.4 / 32 : 0.5), inches ? 'in' : 'mm');
  const diagonal = Math.hypot(brief.width.mm, brief.height.mm);
  const small = () => noise() * 0.4;
  const sides = Object.fromEntries(
    SIDES.map((side) => [
      side,
      read(
        (side === 'top' || side === 'bottom' ? brief.width.mm : brief.height.mm) +
          (side === 'top' ? built.longTopMm : 0) +
          small(),
      ),
    ]),
  ) as Partial<JobInputs['square']>;
  return { ...sides, down: read(diagonal + built.rackMm / 2), up: read(diagonal - built.rackMm / 2), lift: read(built.liftMm) };
}
