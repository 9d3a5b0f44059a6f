/*
 * What is measured or done between the stages of a job and finishes none: taps with their sound, turns at the corners,
 * remedies. The numbers are worked out here from what was recorded, whatever the screen showed.
 */
import { CORNERS } from '@/core/frame/corners';
import type { HouseRules } from '@/core/job/houseRules';
import type { JobInputs } from '@/core/job/job';
import type { LogEntry, Reading } from '@/core/job/logEntry';
import { USES, byId } from '@/core/job/schools';
import {
  ACROSS,
  DOWN,
  type JobHistory,
  REMEDY_WORD,
  TENSION_BY_TAP,
  historyOf,
  openedAt,
  stiffnessFound,
} from '@/core/plan/jobHistory';
import { cornerWords } from '@/core/plan/cornersVerdicts';
import { progressOf } from '@/core/plan/progress';
import { planTune } from '@/core/plan/planTune';
import { roomReadings, tensionWords } from '@/core/plan/tensionWords';
import { tapeFor } from '@/core/job/houseRules';
import { weighedTension, weightReadings, weightWords } from '@/core/plan/weightVerdicts';
import { eachCorner } from '@/core/tension/openCorners';
import { type TapRecording, analyseTaps, type TensionByTap } from '@/core/tension/tap/analyseTaps';
import { TAP_PLACE_IDS, type TapPlace } from '@/core/tension/tap/membraneTone';
import { readWav } from '@/core/tension/tap/wav';
import { toEnd } from '@/core/toEnd';
import { printFine } from '@/core/units/length';
import { type StoredJob, findJob, updateInputs } from '@/db/jobs';
import { insertLogEntry, logOfJob } from '@/db/logEntries';
import { findRecording, insertRecording, recordedEntries } from '@/db/recordings';
import { readRules } from '@/db/workshops';
import { airNow } from './airCases';
import { type JobWithLog, openJob } from './jobCases';
import { learnedFor, stiffnessReading, tableRisePerMm } from './learnedCases';
import { type Outcome, type Refusal, done, refuse } from './outcome';
import type { KeepRemedyDto, KeepTapsDto, KeepTurnsDto, KeepWeightDto } from './readingDto';
import type { Workshop } from './workshop';

/** Ids of the entries of a job whose taps were kept as sound. */
export const keptTaps = ({ database }: Workshop, jobId: string): string[] => recordedEntries(database, jobId);

/** The sound of one tap as it was kept, or null. */
export const tapSound = ({ database }: Workshop, jobId: string, entryId: string, place: string): Uint8Array | null =>
  findRecording(database, jobId, entryId, place);

interface Asked {
  jobId: string;
  revision: number;
  maker: string;
  note: string;
}

interface Found {
  job: StoredJob;
  log: LogEntry[];
  rules: HouseRules;
}

interface Kept {
  did: string;
  readings: Reading[];
  /** Written with the entry, in the same transaction. */
  also?: (entryId: string) => void;
}

/** One entry of a job’s log, made by `make` from the job as it stands; all or nothing. */
function keep(
  workshop: Workshop,
  { jobId, revision, maker, note }: Asked,
  make: (found: Found) => Outcome<Kept>,
): Outcome<JobWithLog> {
  const { database, now, newId } = workshop;
  const write = database.transaction((): Outcome<JobWithLog> => {
    const job = findJob(database, jobId);
    if (!job) return refuse('This job is not in the workshop any more: go back to the bench.');
    if (job.revision !== revision) return { ok: false, kind: 'stale', theirs: job };
    const log = logOfJob(database, jobId);
    if (!progressOf(job.inputs, log).done.has('fasten'))
      return refuse('Fasten the cloth first: before that there is no tension to keep.');
    const made = make({ job, log, rules: readRules(database).rules });
    if (!made.ok) return made;
    const id = newId();
    insertLogEntry(database, jobId, {
      id,
      stage: 'tune',
      step: null,
      kind: 'reading',
      at: now().toISOString(),
      maker,
      did: made.value.did,
      note: note.trim(),
      reason: '',
      corrects: null,
      readyAt: null,
      readings: [...made.value.readings, ...roomReadings(roomOf(workshop, job.inputs))],
      plan: null,
    });
    made.value.also?.(id);
    updateInputs(database, jobId, revision, job.inputs, now().toISOString());
    return done(openJob(workshop, jobId)!);
  });
  return write.immediate();
}

/** The air that a reading is noted with: the hygrometer’s, where it was read in the last hours, else what was typed. */
function roomOf(workshop: Workshop, { prime }: JobInputs): { roomC: number; roomRh: number } {
  const air = airNow(workshop);
  return air ? { roomC: air.celsius, roomRh: air.rh } : prime;
}

function decoded(
  wavs: Record<TapPlace, string>,
): Outcome<{ sounds: Record<TapPlace, TapRecording>; files: Record<TapPlace, Uint8Array> }> {
  const sounds = {} as Record<TapPlace, TapRecording>;
  const files = {} as Record<TapPlace, Uint8Array>;
  for (const place of TAP_PLACE_IDS) {
    files[place] = Buffer.from(wavs[place], 'base64');
    const read = readWav(files[place]);
    if (!read.ok) return refuse(`Tap ${place}: ${read.says}`);
    sounds[place] = read.sound;
  }
  return done({ sounds, files });
}

/** Three taps kept with the tension they tell; taps that tell none are refused with the reason. */
export function keepTaps(workshop: Workshop, dto: KeepTapsDto): Outcome<JobWithLog> {
  const heard = decoded(dto.wavs);
  if (!heard.ok) return heard;
  return keep(workshop, dto, ({ job, log, rules }) => {
    const history = historyOf(log);
    const { mass, span } = planTune(job.inputs, {
      rules,
      tape: tapeFor(rules, 'mm'),
      history,
      learned: learnedFor(workshop, job.inputs),
    });
    const reading = toEnd(analyseTaps({ span, sigma: mass.kgPerM2, sigmaPart: mass.spread, taps: heard.value.sounds }));
    if (reading.kind === 'refused') return refuse(`Tap ${reading.place}: ${reading.says} ${reading.doThis}`);
    if (reading.kind === 'doubted') return refuse(`${reading.says} ${reading.doThis}`);
    const { tension } = reading;
    return done({
      did: `Tapped: ${tensionWords(tension.mean, tension.sdMean)}${dto.source === 'simulated' ? ', simulated' : ''}`,
      readings: tapReadings(tension, mass, dto.source, job.inputs, history, workshop.now().toISOString(), rules),
      also: (entryId) =>
        TAP_PLACE_IDS.forEach((place) => insertRecording(workshop.database, entryId, place, heard.value.files[place])),
    });
  });
}

function tapReadings(
  { pull, sdX, sdY, mean, sdMean }: TensionByTap,
  mass: { kgPerM2: number; spread: number },
  source: KeepTapsDto['source'],
  inputs: JobInputs,
  history: JobHistory,
  at: string,
  rules: HouseRules,
): Reading[] {
  const tool = { microphone: 'microphone', file: 'sound file', simulated: 'simulated tap' }[source];
  const newton = (quantity: string, value: number, precision: number): Reading => ({
    quantity,
    value: Math.round(value),
    unit: 'N/m',
    precision: Math.round(precision),
    tool,
  });
  const now = { at, tool: 'tap' as const, nPerM: mean, sdNPerM: sdMean, across: pull.tx, down: pull.ty, rh: null, entryId: '' };
  return [
    newton(TENSION_BY_TAP, mean, sdMean),
    newton(ACROSS, pull.tx, sdX),
    newton(DOWN, pull.ty, sdY),
    {
      quantity: 'mass of cloth and ground',
      value: Math.round(mass.kgPerM2 * 1000),
      unit: 'g/m²',
      precision: Math.round(mass.kgPerM2 * mass.spread * 1000),
      tool: 'computed',
    },
    ...stiffnessReadings({ ...history, tensions: [...history.tensions, now] }, inputs, rules),
  ];
}

/** What a tension after turns of the corners teaches about the cloth, where it does. */
export function stiffnessReadings(history: JobHistory, inputs: JobInputs, rules: HouseRules): Reading[] {
  const factor = stiffnessFound(history, tableRisePerMm(inputs, rules));
  if (factor === null) return [];
  return [
    {
      quantity: stiffnessReading(inputs.cloth.fabric),
      value: Math.round(1000 * factor) / 1000,
      unit: '×',
      precision: null,
      tool: 'computed',
    },
  ];
}

/** What each corner was opened in one round; never below closed. */
export function keepTurns(workshop: Workshop, dto: KeepTurnsDto): Outcome<JobWithLog> {
  return keep(workshop, dto, ({ job, log, rules }) => {
    const { opened } = historyOf(log);
    const plan = planTune(job.inputs, { rules, tape: tapeFor(rules, 'mm') });
    if (!plan.opener) return refuse('This is a strainer: its corners do not open.');
    const moved = CORNERS.filter((corner) => dto.opened[corner] !== 0);
    if (moved.length === 0) return refuse('Nothing was opened: type how far at least one corner was.');
    const shut = CORNERS.find((corner) => opened[corner] + dto.opened[corner] < -1e-9);
    if (shut)
      return refuse(
        `The ${cornerWords(shut)} corner is open by ${printFine(opened[shut], tapeFor(rules, 'mm'))}: it cannot be let back by ${printFine(-dto.opened[shut], tapeFor(rules, 'mm'))}.`,
      );
    const total = eachCorner((corner) => opened[corner] + dto.opened[corner]);
    return done({
      did: `Corners opened: ${moved.map((corner) => `${cornerWords(corner)} ${dto.opened[corner] > 0 ? '+' : '−'}${Math.abs(dto.opened[corner]).toFixed(2)} mm`).join(', ')}; in all up to ${Math.max(...Object.values(total)).toFixed(2)} mm`,
      readings: moved.map((corner) => ({
        quantity: openedAt(corner),
        value: dto.opened[corner],
        unit: 'mm',
        precision: 0.1,
        tool: plan.opener!.kind === 'bolt' ? 'turns of the bolt' : 'depth of the key',
      })),
    });
  });
}

/** The tension that the typed sags tell, kept without finishing the stage. */
export function keepWeight(workshop: Workshop, dto: KeepWeightDto): Outcome<JobWithLog> {
  return keep(workshop, dto, ({ job, log, rules }) => {
    const tape = tapeFor(rules, 'mm');
    const painted = byId(USES, job.inputs.brief.use).painted;
    const tension = painted ? null : weighedTension(job.inputs, { rules, tape });
    if (!tension) return refuse('No tension can be told: type the sag under a weight, on a canvas that is not painted.');
    const history = historyOf(log);
    const now = {
      at: workshop.now().toISOString(),
      tool: 'weight' as const,
      nPerM: tension.tensionNPerM,
      sdNPerM: tension.sdNPerM,
      across: null,
      down: null,
      rh: null,
      entryId: '',
    };
    return done({
      did: `Weighed: ${weightWords(tension)}`,
      readings: [
        ...weightReadings(tension),
        ...stiffnessReadings({ ...history, tensions: [...history.tensions, now] }, job.inputs, rules),
      ],
    });
  });
}

/** A remedy that was carried out; the tension before stands in the log, the one after is measured later. */
export function keepRemedy(workshop: Workshop, dto: KeepRemedyDto): Outcome<JobWithLog> {
  return keep(workshop, dto, ({ job, log, rules }): Outcome<Kept> => {
    const { advice } = planTune(job.inputs, { rules, tape: tapeFor(rules, 'mm'), history: historyOf(log) });
    const chosen = advice.find(({ id }) => id === dto.remedy)!;
    const painted = byId(USES, job.inputs.brief.use).painted;
    // Water on paint is never written down as if it were a remedy; everything else that was done is, advised or not.
    if (chosen.id === 'water' && painted) return refuse(`${chosen.name}: not here. ${chosen.barred}.`) satisfies Refusal;
    return done({ did: `${REMEDY_WORD}${chosen.name}`, readings: [] });
  });
}
