/*
 * What is measured or done between the stages of a job and finishes none: taps with their sound, turns at the corners,
 * remedies. The numbers are worked out here from what was recorded, whatever the screen showed.
 */
import { printedIn } from '@/core/quantities/printed';
import { mayBeDone } from '@/core/stages/look/mayBeDone';
import { CORNERS } from '@/core/frame/square/corners';
import type { HouseRules } from '@/core/house/houseRules';
import type { JobInputs } from '@/core/job/job';
import { isTakenDown } from '@/core/case/logViolations';
import { creepFound, creepKey, isPlausible, movedBefore, readingBefore, seenBetween } from '@/core/life/creep';
import { lifeOf } from '@/core/life/life';
import type { LifeEventId } from '@/core/life/lifeEvents';
import type { LogEntry, Reading } from '@/core/log/logEntry';
import type { StageId } from '@/core/stages/stages';
import { USES, byId } from '@/core/house/schools';
import { type JobHistory, stiffnessFound } from '@/core/log/jobHistory';
import { type ReadAir, readAir } from '@/core/log/readAir';
import { reading } from '@/core/log/reading';
import type { HowKnown, ReadingId } from '@/core/log/readingKinds';
import { FRONT_WORDS } from '@/core/job/sideWords';
import type { JobCase } from '@/core/case/jobCase';
import { feltReading } from '@/core/stages/tune/planTune';
import { tensionWords } from '@/core/stages/tune/tensionWords';
import { weighedTension, weightReadings, weightWords } from '@/core/stages/tune/weightVerdicts';
import { FEELS } from '@/core/tension/feel';
import { eachCorner } from '@/core/tension/openCorners';
import { type RemedyId, REMEDIES } from '@/core/tension/remedies';
import { type TapRecording, analyseTaps, type TensionByTap } from '@/core/tension/tap/analyseTaps';
import { TAP_PLACE_IDS, type TapPlace } from '@/core/tension/tap/membraneTone';
import { readWav } from '@/core/tension/tap/wav';
import { printFine, RECORD_TAPE } from '@/core/units/length';
import { updateInputs } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import { findRecording, insertRecording, recordedEntries } from '@/db/recordings';
import { airThen } from '../air/airThen';
import { type JobWithLog, caseOfJob, openJob } from '../job/jobReading';
import { tableRisePerMm } from '../house/houseLessons';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import { GONE, seenJob } from '../job/seenJob';
import type { Workshop } from '../workshop';
import { EMPTY_ENTRY, writeDown } from '../job/writeDown';
import { longWrite, type RequestOf, write } from '../write/write';
import { ofJob, note } from '../write/asked';
import { part, each, text, oneOf, numberOf } from '@/core/shape/shape';
import { jobWithLog } from '../job/jobAgain';
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
  /** As somebody read it; null where nobody did. */
  air?: ReadAir | null;
}

export interface Kept {
  did: string;
  /** The event, where one happened. */
  event?: LifeEventId;
  /** The stage it is noted at; tuning where nothing is said. */
  stage?: StageId;
  /** The remedy, where one was carried out. */
  remedy?: RemedyId;
  readings: Reading[];
  /** Written with the entry, in the same transaction. */
  also?: (entryId: string) => void;
}

/** One entry of a job’s log, made by `make` from the job as it stands; all or nothing. */
export function keep(
  workshop: Workshop,
  { jobId, revision, maker, note, air = null }: Asked,
  make: (here: JobCase) => Outcome<Kept>,
): Outcome<JobWithLog> {
  const { database, now } = workshop;
  const write = database.transaction((): Outcome<JobWithLog> => {
    const seen = seenJob(database, { jobId, revision });
    if (!seen.ok) return seen;
    const job = seen.value;
    const log = logOfJob(database, jobId);
    const here = caseOfJob(workshop, { job, log });
    if (!here.progress.done.has('fasten')) return refuse('Fasten the cloth first: before that there is no tension to keep.');
    if (isTakenDown(log)) return refuse(`No. ${job.number} was taken down: there is nothing stretched to look at.`);
    const made = make(here);
    if (!made.ok) return made;
    const { remedy, event, stage = 'tune' } = made.value;
    const read = [...made.value.readings, ...airThen(workshop, log, air)];
    const id = writeDown(workshop, jobId, {
      stage,
      kind: remedy ? 'remedy' : event ? 'event' : 'reading',
      of: remedy ?? event ?? '',
      maker,
      did: made.value.did,
      note,
      readings: [...read, ...creepReadings(here, log, read, workshop.now().toISOString())],
    });
    made.value.also?.(id);
    updateInputs(database, jobId, revision, job.inputs, now().toISOString());
    return done(openJob(workshop, jobId)!);
  });
  return write.immediate();
}

/** What a reading of tension teaches about how its cloth fades by itself, where nothing was done to it since an earlier one. */
function creepReadings({ plan, inputs }: JobCase, log: readonly LogEntry[], readings: Reading[], at: string): Reading[] {
  const entry: LogEntry = { ...EMPTY_ENTRY, id: 'now', stage: 'tune', kind: 'reading', at, maker: 'now', did: '', readings };
  const life = lifeOf([...log, entry]);
  const last = life.tensions.at(-1);
  if (last?.entryId !== 'now') return [];
  const [first, moved] = [readingBefore(life, last), movedBefore(life, last.order)];
  const found = first && moved && creepFound(moved.at, first, last, plan.tune.weather);
  if (!found || !isPlausible(found) || seenBetween(life, first, last)) return [];
  const known = [first, last].some(({ entryId }) =>
    [...log, entry].find(({ id }) => id === entryId)!.readings.some((one) => one.known === 'simulated'),
  )
    ? 'simulated'
    : 'reckoned';
  const of = creepKey(inputs.cloth.fabric, inputs.prime.system);
  const precision = Math.round(1000 * found.sd) / 10;
  return [reading('creepPerDecade', Math.round(1000 * found.perDecade) / 10, '%', { of, precision, tool: 'computed', known })];
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

/**
 * Three taps to be kept with the tension they tell; taps that tell none are refused with the reason. Works in steps, so that
 * others are served meanwhile, and gives the write that keeps them.
 */
export const keepTaps = longWrite({
  asks: {
    ...ofJob,
    note,
    air: readAir,
    /** WAV files in base 64: at most five seconds at 96 000 samples a second. */
    wavs: part('tapWavs', each(TAP_PLACE_IDS, text(1, 1_300_000, '', /^[A-Za-z0-9+/]+={0,2}$/))),
    source: oneOf(['microphone', 'file', 'simulated']),
  },
  *workOut(workshop: Workshop, dto): Generator<unknown, Outcome<() => Outcome<JobWithLog>>> {
    const heard = decoded(dto.wavs);
    if (!heard.ok) return heard;
    const found = openJob(workshop, dto.jobId);
    if (!found) return GONE;
    const here = caseOfJob(workshop, found);
    const tapping = mayBeDone('tap', here.inputs);
    if (tapping.may !== 'allowed') return refuse(`${tapping.says} ${tapping.because}`);
    const { mass, span } = here.plan.tune;
    const told = yield* analyseTaps({ span, sigma: mass.kgPerM2, sigmaPart: mass.spread, taps: heard.value.sounds });
    if (told.kind === 'refused') return refuse(`Tap ${told.place}: ${told.says} ${told.doThis}`);
    if (told.kind === 'doubted') return refuse(`${told.says} ${told.doThis}`);
    // What was tapped rests on this version of the job: another one is refused as stale.
    const { tension } = told;
    const make = ({ inputs, history, house: { rules } }: JobCase): Outcome<Kept> =>
      done({
        did: `Tapped: ${tensionWords(tension.mean, tension.sdMean)}${dto.source === 'simulated' ? ', simulated' : ''}`,
        readings: tapReadings(tension, mass, dto.source, inputs, history, workshop.now().toISOString(), rules),
        also: (entryId) =>
          TAP_PLACE_IDS.forEach((place) => insertRecording(workshop.database, entryId, place, heard.value.files[place])),
      });
    return done(() => keep(workshop, dto, make));
  },
  again: jobWithLog,
});

function tapReadings(
  { pull, sdX, sdY, mean, sdMean }: TensionByTap,
  mass: { kgPerM2: number; spread: number },
  source: RequestOf<typeof keepTaps>['source'],
  inputs: JobInputs,
  history: JobHistory,
  at: string,
  rules: HouseRules,
): Reading[] {
  const tool = { microphone: 'microphone', file: 'sound file', simulated: 'simulated tap' }[source];
  const known = source === 'simulated' ? 'simulated' : 'device';
  const newton = (quantity: ReadingId, value: number, precision: number): Reading =>
    reading(quantity, Math.round(value), 'N/m', { precision: Math.round(precision), tool, known });
  const now = {
    at,
    tool: 'tap' as const,
    nPerM: mean,
    sdNPerM: sdMean,
    across: pull.tx,
    down: pull.ty,
    rh: null,
    entryId: '',
    order: Infinity,
  };
  return [
    newton('tensionByTap', mean, sdMean),
    newton('tensionAcross', pull.tx, sdX),
    newton('tensionDown', pull.ty, sdY),
    reading('clothMass', Math.round(mass.kgPerM2 * 1000), 'g/m²', {
      precision: Math.round(mass.kgPerM2 * mass.spread * 1000),
      tool: 'computed',
      known: 'reckoned',
    }),
    ...stiffnessReadings(
      { ...history, tensions: [...history.tensions, now] },
      inputs,
      rules,
      known === 'simulated' ? known : 'reckoned',
    ),
  ];
}

/** What a tension after turns of the corners teaches about the cloth, where it does; a simulated one teaches nothing. */
export function stiffnessReadings(history: JobHistory, inputs: JobInputs, rules: HouseRules, known: HowKnown): Reading[] {
  const factor = stiffnessFound(history, tableRisePerMm(inputs, rules));
  if (factor === null) return [];
  const { fabric } = inputs.cloth;
  return [reading('stiffnessOverTable', Math.round(1000 * factor) / 1000, '×', { of: fabric, tool: 'computed', known })];
}

/** What each corner was opened in one round; never below closed. */
export const keepTurns = write({
  asks: { ...ofJob, note, opened: part('opened', each(CORNERS, numberOf('boltTurns', 0))) },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    return keep(workshop, dto, ({ plan, inputs, history: { opened }, house: { tape } }) => {
      const { opener } = plan.tune;
      const keying = mayBeDone('key', inputs);
      if (keying.may !== 'allowed') return refuse(`${keying.says} Stop, and write into its file what was decided.`);
      if (!opener) return refuse('This is a strainer: its corners do not open.');
      const moved = CORNERS.filter((corner) => dto.opened[corner] !== 0);
      if (moved.length === 0) return refuse('Nothing was opened: type how far at least one corner was.');
      const shut = CORNERS.find((corner) => opened[corner] + dto.opened[corner] < -1e-9);
      if (shut)
        return refuse(
          `The ${FRONT_WORDS.corner(shut)} corner is open by ${printFine(opened[shut], tape)}: it cannot be let back by ${printFine(-dto.opened[shut], tape)}.`,
        );
      const total = eachCorner((corner) => opened[corner] + dto.opened[corner]);
      return done({
        did: `Corners opened: ${moved.map((corner) => `${FRONT_WORDS.corner(corner)} ${dto.opened[corner] > 0 ? '+' : '−'}${printedIn('mm', Math.abs(dto.opened[corner]), RECORD_TAPE)}`).join(', ')}; in all up to ${printedIn('mm', Math.max(...Object.values(total)), RECORD_TAPE)}`,
        readings: moved.map((corner) =>
          reading('opened', dto.opened[corner], 'mm', {
            of: corner,
            precision: 0.1,
            tool: opener.kind === 'bolt' ? 'turns of the bolt' : 'depth of the key',
          }),
        ),
      });
    });
  },
  again: jobWithLog,
});

/** The tension that the typed sags tell, kept without finishing the stage. */
export const keepWeight = write({
  asks: { ...ofJob, note, air: readAir },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    return keep(workshop, dto, ({ inputs, history, house }) => {
      const painted = byId(USES, inputs.brief.use).painted;
      const tension = painted ? null : weighedTension(inputs, house);
      if (!tension) return refuse('No tension can be told: type the sag under a weight, on a canvas that is not painted.');
      const now = {
        at: workshop.now().toISOString(),
        tool: 'weight' as const,
        nPerM: tension.tensionNPerM,
        sdNPerM: tension.sdNPerM,
        across: null,
        down: null,
        rh: null,
        entryId: '',
        order: Infinity,
      };
      return done({
        did: `Weighed: ${weightWords(tension)}`,
        readings: [
          ...weightReadings(tension),
          ...stiffnessReadings({ ...history, tensions: [...history.tensions, now] }, inputs, house.rules, 'reckoned'),
        ],
      });
    });
  },
  again: jobWithLog,
});

/** A remedy that was carried out; the tension before stands in the log, the one after is measured later. */
export const keepRemedy = write({
  asks: { ...ofJob, note, remedy: oneOf(REMEDIES) },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    return keep(workshop, dto, ({ plan, inputs }): Outcome<Kept> => {
      const chosen = plan.tune.advice.find(({ id }) => id === dto.remedy)!;
      const painted = byId(USES, inputs.brief.use).painted;
      // Water on paint is never written down as if it were a remedy; everything else that was done is, advised or not.
      if (chosen.wets && painted) return refuse(`${chosen.name}: not here. ${chosen.barred}.`) satisfies Refusal;
      return done({ did: `Remedy: ${chosen.name}`, remedy: chosen.id, readings: [] });
    });
  },
  again: jobWithLog,
});

/** How the canvas feels now, at any time after it was fastened. */
export const keepFeel = write({
  asks: { ...ofJob, note, air: readAir, feel: oneOf(FEELS) },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    return keep(workshop, dto, () =>
      done({ did: `Felt: ${byId(FEELS, dto.feel).name.toLowerCase()}`, readings: [feltReading(dto.feel)] }),
    );
  },
  again: jobWithLog,
});
