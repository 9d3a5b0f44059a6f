/*
 * Fills an empty workshop with the demo jobs by way of the same writes a maker uses, with a clock that is
 * set to each moment. Readings carry the noise of a tape from a seeded source, so every demo is the same.
 */
import { addDays, addMinutes, format, set, subDays } from 'date-fns';
import type { Database } from 'better-sqlite3';
import { randomLcg, randomNormal } from 'd3-random';
import { type JobInputs, newInputs } from '@/core/job/job';
import { SIDES } from '@/core/job/sides';
import { setPlanOf } from '@/core/set/setPlan';
import { length, roundToStep } from '@/core/units/length';
import { insertCloth } from '@/db/clothSheets';
import { insertHandTrial } from '@/db/handTrials';
import { insertJobSet, joinSet } from '@/db/jobSets';
import { insertVariant } from '@/db/jobVariants';
import { hasJobs, insertJob, listJobs } from '@/db/jobs';
import { setGroundStock } from '@/db/groundStocks';
import { addRackBar } from '@/db/rackBars';
import { writeRules } from '@/db/workshops';
import { readSimulatedAir } from '../air/airWrites';
import { recordStep, saveInputs } from '../job/jobWrites';
import { settling } from '../job/jobStates';
import type { Outcome } from '../write/outcome';
import type { Workshop } from '../workshop';
import { type DemoAct, tapActs } from './demoTaps';
import { insertStoreMove, setStoreItem } from '@/db/storeItems';
import { writeCostSettings } from '@/db/quotes';
import { writeWeek } from '@/db/weeks';
import { DEMO_HANDS } from './demoHands';
import { DEMO_LIVES, type DemoLife, lifeActs } from './demoLives';
import { demoWeek } from './demoWeek';
import { costSettingsShape } from '@/core/cost/costSettings';
import { startOf } from '@/core/shape/shape';
import {
  DEMO_CLOTH,
  DEMO_COSTS,
  DEMO_STORE,
  DEMO_GROUNDS,
  DEMO_RACK,
  DEMO_RULES,
  DEMO_SETS,
  DEMO_VARIANTS,
  type DemoJob,
  FINISHED,
  FINISHED_FOR,
  FINISHED_FOR_A_FRAME,
  OPEN_JOBS,
} from './demoJobs';

const HOUR = 3_600_000;
const FIRST_NUMBER = 101;
/** Not begun but for its brief: the maker weighs what to build. */
const VARIED_JOB = 'demo-132';
/** A small finished canvas that came back slack. */
const TAPPED_JOB = 'demo-126';

/** Seeds the demo in one transaction; a workshop that has jobs is left alone. */
export function seedDemo(database: Database, now: Date): void {
  const noise = randomNormal.source(randomLcg(0.417))(0, 0.45);
  const seed = database.transaction(() => {
    if (hasJobs(database)) return;
    writeRules(database, DEMO_RULES, 0);
    const finished = FINISHED.map((row, index) => finishedJob(row, index));
    const jobs = [...finished, ...OPEN_JOBS].flatMap((job, index) => jobActs(database, job, FIRST_NUMBER + index, now, noise));
    const lives = DEMO_LIVES.flatMap((life) => [
      ...jobActs(database, wentOut(life), life.number, now, noise),
      ...lifeActs(database, `demo-${life.number}`, life, now),
    ]);
    readSimulatedAir.act({ database, now: () => now, newId: () => '' }, {});
    // The log is written in the order of the work, as a log is.
    const acts = [...lives, ...jobs, ...tapActs(database, TAPPED_JOB, DEMO_RULES.makers[0]!, now)];
    acts.sort((one, other) => one.at.getTime() - other.at.getTime()).forEach(({ act }) => act());
    for (const set of DEMO_SETS) fileSet(database, set, now);
    DEMO_VARIANTS.forEach((variant, index) =>
      insertVariant(database, VARIED_JOB, { ...variant, id: `demo-variant-${index + 1}` }, now.toISOString()),
    );
    DEMO_CLOTH.forEach((cloth, index) =>
      insertCloth(database, { ...cloth, selvedgeMm: cloth.kind === 'roll' ? 12 : 0, id: `demo-cloth-${index + 1}` }),
    );
    DEMO_GROUNDS.forEach((stock) => setGroundStock(database, stock, 0));
    DEMO_HANDS.forEach((trial, index) =>
      insertHandTrial(database, { ...trial, id: `demo-hand-${index + 1}`, at: subDays(now, 20 - index).toISOString() }),
    );
    fillStore(database, now);
    DEMO_RACK.forEach((bar, index) => addRackBar(database, { ...bar, id: `demo-rack-${index + 1}` }));
  });
  // Asked under the lock: another start may be at it.
  if (hasJobs(database)) return;
  seed.immediate();
  for (const _job of settling({ database }, 1000));
}

/** What is counted, as somebody counted it this morning; and what the house reckons with. */
function fillStore(database: Database, now: Date): void {
  for (const [id, name, unit, pack, priceMinor, there, least, place, supplier] of DEMO_STORE) {
    setStoreItem(database, { id, name, unit, pack, priceMinor, least, place, supplier, revision: 0 });
    insertStoreMove(database, {
      id: `demo-store-${id}`,
      at: now.toISOString(),
      maker: DEMO_RULES.makers[1]!,
      itemId: id,
      quantity: there,
      did: `${name}: counted ${there} ${unit}`,
      entryId: null,
      undoes: null,
    });
  }
  writeCostSettings(database, { ...startOf(costSettingsShape), ...DEMO_COSTS }, 0);
  writeWeek(database, demoWeek(format(addDays(now, 5), 'yyyy-MM-dd')), 0);
}

/** Puts the jobs whose titles begin so into a set that is planned as the first of them. */
function fileSet(database: Database, { title, kind, layout }: (typeof DEMO_SETS)[number], now: Date): void {
  const jobs = listJobs(database).filter(({ inputs }) => inputs.brief.title.startsWith(`${title}, `));
  const id = `demo-set-${title.toLowerCase().replaceAll(' ', '-')}`;
  insertJobSet(database, { id, title, kind, layout, inputs: setPlanOf(jobs[0]!.inputs, title) }, now.toISOString());
  jobs.forEach((job, place) => joinSet(database, job.id, id, place));
}

/** The stages of a canvas with three coats. */
const MADE_IN = ['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'prime', 'prime', 'handover'] as const;

/** Racks that a practised hand leaves, mm of diagonal: mostly little, now and then a joint that would not close. */
const RACKS_MM = [0.5, 1.5, 0, 1, 0.5, 0, 2, 1, 0.5, 0, 1.5, 0.5, 1];

/** A canvas that went out years ago, made like any other. */
function wentOut({ title, size: [widthMm, heightMm], profile, fabric, maker, wentOut: yearsAgo }: DemoLife): DemoJob {
  const made = finishedJob([title, widthMm, heightMm, profile], 0);
  const endHoursAgo = yearsAgo * 365.25 * 24;
  const weeks = (place: number) => (MADE_IN.length - 1 - place) * 20;
  return {
    ...made,
    dueInDays: -Math.round(endHoursAgo / 24),
    inputs: { ...made.inputs, cloth: { ...made.inputs.cloth, fabric } },
    records: MADE_IN.map((stage, place) => ({
      stage,
      maker,
      hoursAgo: endHoursAgo + weeks(place),
      reason: 'Agreed with the painter.',
    })),
  };
}

/** A canvas of the past: every stage recorded over about a week. */
function finishedJob([title, widthMm, heightMm, profile]: (typeof FINISHED)[number], index: number): DemoJob {
  const maker = DEMO_RULES.makers[index % 3]!;
  const endHoursAgo = (FINISHED.length - index) * 24 * 27 + 30;
  const long = Math.max(widthMm, heightMm);
  const braced = long >= 900 ? [0.5] : [];
  const { edges, marginStyle } = FINISHED_FOR[profile] ?? FINISHED_FOR_A_FRAME;
  return {
    title,
    width: length(widthMm),
    height: length(heightMm),
    dueInDays: Math.round(-endHoursAgo / 24) + 2,
    built: { rackMm: RACKS_MM[index % RACKS_MM.length]!, longTopMm: 0, liftMm: index % 3 },
    inputs: {
      brief: { edges, medium: index % 2 ? 'oil' : 'acrylic' },
      bars: { profile, bracesUpright: widthMm >= heightMm ? braced : [], bracesLevel: widthMm >= heightMm ? [] : braced },
      cloth: { marginStyle },
      tune: { feel: index % 5 === 0 ? 'drum' : 'firm' },
      prime: { roomC: 17 + ((index * 5) % 6), roomRh: 45 + ((index * 11) % 22) },
      handover: { weighedKg: 0 },
    },
    records: MADE_IN.map((stage, place) => ({
      stage,
      maker,
      hoursAgo: endHoursAgo + (MADE_IN.length - 1 - place) * 20,
      reason: 'Agreed with the painter.',
    })),
  };
}

/** A job that is begun and recorded stage by stage. */
function jobActs(database: Database, demo: DemoJob, number: number, now: Date, noise: () => number): DemoAct[] {
  const moment = (hoursAgo: number) => new Date(now.getTime() - hoursAgo * HOUR);
  const first = demo.records[0] ?? { stage: 'brief', hoursAgo: 20, maker: '' };
  const started = addMinutes(workingHour(moment(first.hoursAgo), first, new Date(0)), -30);
  let clock = started;
  let serial = 0;
  const id = `demo-${number}`;
  const workshop: Workshop = { database, now: () => clock, newId: () => `${id}-${(serial += 1)}` };
  const inputs = demoInputs(demo, now, noise);
  let revision = 1;
  const begin = () => void insertJob(database, { id, number, createdAt: started.toISOString(), inputs }, started.toISOString());
  let last = started;
  const steps = demo.records.map((record): DemoAct => {
    const at = workingHour(moment(record.hoursAgo), record, last);
    last = at;
    const weighedKg = record.stage === 'handover' ? weighed(inputs, noise) : null;
    return {
      at,
      act: () => {
        clock = at;
        if (weighedKg !== null) revision = weigh(workshop, id, revision, inputs, weighedKg);
        const result = recordStep.act(workshop, {
          jobId: id,
          revision,
          stage: record.stage,
          maker: record.maker,
          note: record.note ?? '',
          reason: record.reason ?? '',
          unit: 'mm',
          view: 'back',
          clothId: null,
          air: null,
        });
        revision = must(demo, result).job.revision;
      },
    };
  });
  return [{ at: started, act: begin }, ...steps];
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
function weighed({ brief }: JobInputs, noise: () => number): number {
  const perimeter = (brief.width.mm + brief.height.mm) / 1000;
  return Math.round((perimeter * 1.05 + noise() * 0.08) * 100) / 100;
}

function weigh(workshop: Workshop, id: string, revision: number, inputs: JobInputs, weighedKg: number): number {
  const onScale = { ...inputs, handover: { ...inputs.handover, weighedKg } };
  return must(null, saveInputs.act(workshop, { jobId: id, revision, inputs: onScale })).revision;
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
    look: { ...base.look, ...demo.inputs.look },
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
