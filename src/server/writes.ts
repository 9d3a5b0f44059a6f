/*
 * Every write there is: its name, what may be asked, what carries it out, and what answers a request that comes again because
 * its answer was lost. A write and the note that it was carried out are one transaction; a refusal changes nothing.
 */
import { createHash } from 'node:crypto';
import { type JobSet, findJobSet } from '@/db/jobSets';
import { type StoredJob, findJob } from '@/db/jobs';
import { lastEntryOf } from '@/db/logEntries';
import { findSentRequest, insertSentRequest } from '@/db/sentRequests';
import { type AirTaken, airOf, dropSimulatedAir, importAir, readSimulatedAir } from './air/airWrites';
import { keepNote, keepPlace } from './bench/benchWrites';
import { mendJob, setJobAside } from './job/brokenJobs';
import { checked } from './write/checked';
import { keepHandTrial } from './fasten/handWrites';
import { houseLessons } from './house/houseLessons';
import { addCloth, changeCloth, clothStore, cutCloth } from './cloth/clothWrites';
import { costSettings, giveQuote, quoteNumbered, saveCosts } from './cost/costWrites';
import { groundsOf, recordBatch, setStock } from './ground/groundWrites';
import { printDuration } from '@/core/units/duration';
import { refusedOnFailure } from './write/refusedOnFailure';
import { runInSlices } from './write/runInSlices';
import { countsFrom, countsText, takeInList } from './lists/listWrites';
import { type TakenIn, createJob, importJob, recordStep, removeJob, saveInputs, withdrawRecord } from './job/jobWrites';
import { type JobWithLog, openJob } from './job/jobReading';
import { LOOKS_ON, looksOn } from './network/asking';
import { type Outcome, done, refuse } from './write/outcome';
import { addToRack, rackBars, recordCuts, series, takeFromRack } from './rack/rackWrites';
import { keepFeel, keepRemedy, keepTaps, keepTurns, keepWeight } from './reading/readingWrites';
import { keepRehearsal } from './fasten/rehearsalWrites';
import { REQUESTS, handedIn, type Request, type RequestName, type Sent } from './requests';
import { GONE } from './job/seenJob';
import {
  NO_SET,
  archiveJobs,
  begun,
  changeSet,
  copyJob,
  createSet,
  growSet,
  planSetBy,
  recordTogether,
  rejoinSet,
  typeMeasured,
  withdrawTogether,
} from './set/setWrites';
import { takePassport } from './life/passportWrites';
import { buyItems, changeItem, storeView, toBuyList, undoMove } from './store/storeWrites';
import { makeFromStock, restretch, rolledWorks, takeDown } from './life/takingDown';
import { keepCare, keepHanging } from './life/lifeWrites';
import { adoptVariant, dropVariant, jobVariants, keepVariant } from './variant/variantWrites';
import { pinTask, saveWeek, takePlan, weekSettings } from './week/weekWrites';
import type { Workshop } from './workshop';
import { houseRules, saveRules } from "./house/houseRuleWrites";

interface Write<N extends RequestName, T> {
  act: (workshop: Workshop, request: Request<N>) => Outcome<T>;
  /** What was done stands: answers once more. `ofId` is what the first answer was about. */
  again: (workshop: Workshop, request: Request<N>, ofId: string) => Outcome<T>;
  /** What an answer is about, where the request alone does not say it. */
  about?: (value: T) => string;
  /** A device that looks on may ask it too. */
  looking?: true;
  /** Builds on nothing that was recorded: handed in late it stands after what was recorded meanwhile. */
  alone?: true;
}

/** A write that is worked out in steps before it is carried out: others are served meanwhile. */
interface LongWrite<N extends RequestName, T> extends Omit<Write<N, T>, 'act'> {
  workOut: (workshop: Workshop, request: Request<N>) => Generator<unknown, Outcome<() => Outcome<T>>>;
}

const theJob = (workshop: Workshop, id: string): Outcome<StoredJob> => {
  const job = findJob(workshop.database, id);
  return job ? done(job) : GONE;
};
const jobWithLog = (workshop: Workshop, { jobId }: { jobId: string }): Outcome<JobWithLog> => {
  const found = openJob(workshop, jobId);
  return found ? done(found) : GONE;
};
const newJobAgain = {
  again: (workshop: Workshop, _request: unknown, ofId: string) => theJob(workshop, ofId),
  about: ({ id }: StoredJob) => id,
};
/** As a new job; which materials are unlike was told with the first answer. */
const takenInAgain = {
  again: (workshop: Workshop, _request: unknown, ofId: string): Outcome<TakenIn> => {
    const job = theJob(workshop, ofId);
    return job.ok ? done({ ...job.value, unlike: [] }) : job;
  },
  about: ({ id }: TakenIn) => id,
};
const theSetAgain = {
  again: ({ database }: Workshop, _request: unknown, ofId: string) => {
    const set = findJobSet(database, ofId);
    return set ? done(set) : NO_SET;
  },
  about: ({ id }: JobSet) => id,
};
const air = (workshop: Workshop): Outcome<AirTaken> => done({ air: airOf(workshop), added: 0, replaced: 0, rows: 0 });

/** As it is: the compiler infers what each answers. */
const write = <N extends RequestName, T>(_name: N, one: Write<N, T>): Write<N, T> => one;
const longWrite = <N extends RequestName, T>(_name: N, one: LongWrite<N, T>): LongWrite<N, T> => one;

export const WRITES = {
  newJob: write('newJob', { act: createJob, ...newJobAgain }),
  copyJob: write('copyJob', {
    act: copyJob,
    again: (workshop, _request, ofId) => done(begun(workshop, ofId)),
    about: ({ jobId }) => jobId,
  }),
  newSet: write('newSet', { act: createSet, ...theSetAgain }),
  growSet: write('growSet', { act: growSet, ...theSetAgain }),
  changeSet: write('changeSet', { act: changeSet, ...theSetAgain }),
  planSetBy: write('planSetBy', { act: planSetBy, again: () => done([]) }),
  rejoinSet: write('rejoinSet', { act: rejoinSet, again: (workshop, { jobId }) => theJob(workshop, jobId) }),
  typeMeasured: write('typeMeasured', { act: typeMeasured, again: (workshop, { jobId }) => theJob(workshop, jobId) }),
  recordTogether: write('recordTogether', { act: recordTogether, again: (_workshop, { canvases }) => done(canvases.length) }),
  withdrawTogether: write('withdrawTogether', { act: withdrawTogether, again: (_workshop, { entries }) => done(entries.length) }),
  archive: write('archive', { act: archiveJobs, again: (_workshop, { canvases }) => done(canvases.length) }),
  keepCare: write('keepCare', { act: keepCare, again: jobWithLog }),
  takePassport: write('takePassport', { act: takePassport, ...takenInAgain }),
  keepHanging: write('keepHanging', { act: keepHanging, again: jobWithLog }),
  keepVariant: write('keepVariant', { act: keepVariant, again: (workshop, { jobId }) => done(jobVariants(workshop, jobId)) }),
  dropVariant: write('dropVariant', { act: dropVariant, again: (workshop, { jobId }) => done(jobVariants(workshop, jobId)) }),
  adoptVariant: write('adoptVariant', { act: adoptVariant, again: jobWithLog }),
  removeJob: write('removeJob', { act: removeJob, again: () => done(null) }),
  importJob: write('importJob', { act: importJob, ...takenInAgain }),
  saveInputs: write('saveInputs', {
    // Ticks of the kit alone: see there.
    looking: true,
    act: saveInputs,
    // Who saved since then is not passed over: a draft goes on from its own save only.
    again: ({ database }, { jobId }, ofId) => {
      const job = findJob(database, jobId);
      if (!job) return GONE;
      return String(job.revision) === ofId ? done(job) : { ok: false, kind: 'stale', theirs: job };
    },
    about: ({ revision }) => String(revision),
  }),
  recordStep: write('recordStep', { act: recordStep, again: jobWithLog }),
  withdraw: write('withdraw', { act: withdrawRecord, again: jobWithLog }),
  setAside: write('setAside', { act: setJobAside, again: () => done(null) }),
  mendJob: write('mendJob', { act: mendJob, again: (workshop, { jobId }) => theJob(workshop, jobId) }),
  keepRehearsal: longWrite('keepRehearsal', { workOut: keepRehearsal, again: jobWithLog }),
  keepTaps: longWrite('keepTaps', { workOut: keepTaps, again: jobWithLog }),
  keepTurns: write('keepTurns', { act: keepTurns, again: jobWithLog }),
  keepWeight: write('keepWeight', { act: keepWeight, again: jobWithLog }),
  keepHandTrial: write('keepHandTrial', { act: keepHandTrial, again: (workshop) => done(houseLessons(workshop)) }),
  keepFeel: write('keepFeel', { act: keepFeel, again: jobWithLog }),
  keepRemedy: write('keepRemedy', { act: keepRemedy, again: jobWithLog }),
  importAir: write('importAir', { act: importAir, again: air }),
  readSimulatedAir: write('readSimulatedAir', { act: readSimulatedAir, again: air }),
  dropSimulatedAir: write('dropSimulatedAir', { act: dropSimulatedAir, again: air }),
  changeItem: write('changeItem', { act: changeItem, again: (workshop) => done(storeView(workshop)) }),
  undoMove: write('undoMove', { act: undoMove, again: (workshop) => done(storeView(workshop)) }),
  buyItems: write('buyItems', {
    act: buyItems,
    again: (workshop, { jobIds }) => done(toBuyList(workshop, jobIds.length === 0 ? null : jobIds)),
  }),
  takeDown: write('takeDown', { act: takeDown, again: (workshop) => done(rolledWorks(workshop)) }),
  restretch: write('restretch', { act: restretch, ...newJobAgain }),
  makeFromStock: write('makeFromStock', { act: makeFromStock, ...newJobAgain }),
  saveCosts: write('saveCosts', { act: saveCosts, again: (workshop) => done(costSettings(workshop)) }),
  giveQuote: write('giveQuote', {
    act: giveQuote,
    again: (workshop, _request, ofId) => {
      const quote = quoteNumbered(workshop, Number(ofId));
      return quote ? done(quote) : refuse('There is no such quote.');
    },
    about: ({ number }) => String(number),
  }),
  setStock: write('setStock', { act: setStock, again: (workshop) => done(groundsOf(workshop)) }),
  recordBatch: write('recordBatch', { act: recordBatch, again: (workshop) => done(groundsOf(workshop)) }),
  addToRack: write('addToRack', { act: addToRack, again: (workshop) => done(rackBars(workshop)) }),
  takeFromRack: write('takeFromRack', { act: takeFromRack, again: (workshop) => done(rackBars(workshop)) }),
  keepPlace: write('keepPlace', { looking: true, act: keepPlace, again: () => done(null) }),
  keepNote: write('keepNote', { alone: true, act: keepNote, again: jobWithLog }),
  recordCuts: write('recordCuts', { act: recordCuts, again: (workshop) => done(series(workshop, [])) }),
  addCloth: write('addCloth', { act: addCloth, again: (workshop) => done(clothStore(workshop)) }),
  changeCloth: write('changeCloth', { act: changeCloth, again: (workshop) => done(clothStore(workshop)) }),
  cutCloth: write('cutCloth', { act: cutCloth, again: (workshop) => done(clothStore(workshop)) }),
  saveWeek: write('saveWeek', { act: saveWeek, again: (workshop) => done(weekSettings(workshop)) }),
  pinTask: write('pinTask', { act: pinTask, again: () => done(null) }),
  takePlan: longWrite('takePlan', { workOut: takePlan, again: () => done(null) }),
  saveRules: write('saveRules', { act: saveRules, again: (workshop) => done(houseRules(workshop)) }),
  takeInList: longWrite('takeInList', {
    workOut: takeInList,
    again: (_workshop, _request, ofId) => done(countsFrom(ofId)),
    about: countsText,
  }),
};

type AnyWrite = Write<RequestName, unknown> | LongWrite<RequestName, unknown>;
/** What a write answers. */
export type Answer<N extends RequestName> = (typeof WRITES)[N] extends
  Write<RequestName & N, infer T> | LongWrite<RequestName & N, infer T>
  ? T
  : never;

/**
 * Carries out what was asked, once however often it is sent: checked, written and answered, or refused and nothing changed.
 *
 * @param plain what came from outside
 */
export async function carryOut<N extends RequestName>(workshop: Workshop, name: N, plain: unknown): Promise<Outcome<Answer<N>>> {
  if (!Object.hasOwn(WRITES, name)) return refuse('Nothing of this name can be written.');
  const parted = apart(plain);
  if (!parted.ok) return parted;
  const { agoMs, rest } = parted.value;
  const sent = checked(REQUESTS[name], name, rest) as Outcome<Sent<N>>;
  if (!sent.ok) return sent;
  const { requestId, ...request } = sent.value as Sent<N> & Request<N>;
  const one = WRITES[name] as unknown as AnyWrite;
  if (looksOn(workshop) && !one.looking) return refuse(LOOKS_ON);
  const ask = { id: requestId, name, asked: hashOf(request) };
  const answer = async (): Promise<Outcome<unknown>> => {
    const before = answeredBefore(workshop, one, ask, request as never);
    if (before) return before;
    const moment = agoMs === null ? done(workshop) : workshopThen(workshop, agoMs, request, one.alone === true);
    if (!moment.ok) return moment;
    const then = moment.value;
    if (!('workOut' in one)) return once(workshop, one, ask, request as never, () => one.act(then, request as never));
    const worked = await runInSlices(one.workOut(then, request as never));
    return worked.ok ? once(workshop, one, ask, request as never, worked.value) : worked;
  };
  return (await refusedOnFailure(name, 'in the workshop', answer)) as Outcome<Answer<N>>;
}

/** What came from outside without how long ago it was done, which may stand beside any request. */
function apart(plain: unknown): Outcome<{ agoMs: number | null; rest: unknown }> {
  if (typeof plain !== 'object' || plain === null || !Object.hasOwn(plain, 'agoMs')) return done({ agoMs: null, rest: plain });
  const { agoMs, ...rest } = plain as { agoMs: unknown };
  const ago = checked(handedIn, 'handedIn', { agoMs });
  return ago.ok ? done({ agoMs: ago.value.agoMs, rest }) : ago;
}

/** What was done one after the other may come in so much nearer to one another, ms: requests do not travel alike. */
const TRAVEL_MS = 60_000;

/**
 * The workshop at the moment when something was done that is handed in now: a device was away from it. How long ago that was is
 * asked of the device, never what its clock shows. What builds on a record that was made later is refused.
 */
function workshopThen(workshop: Workshop, agoMs: number, request: object, alone: boolean): Outcome<Workshop> {
  const thenMs = workshop.now().getTime() - agoMs;
  const befores = jobsOf(request).map((id) => {
    const job = findJob(workshop.database, id);
    const last = lastEntryOf(workshop.database, id);
    return { number: job?.number ?? 0, did: last?.did ?? 'begun', atMs: Date.parse(last?.at ?? job?.createdAt ?? '') };
  });
  const latest = befores.filter(({ atMs }) => atMs > thenMs).sort((a, b) => b.atMs - a.atMs)[0];
  if (latest && !alone && latest.atMs - thenMs > TRAVEL_MS)
    return {
      ok: false,
      kind: 'early',
      says: `This was done ${printDuration((latest.atMs - thenMs) / 60_000)} before what stands on No. ${latest.number} now (${latest.did}).`,
    };
  const at = new Date(Math.max(thenMs, latest?.atMs ?? thenMs));
  return done({ ...workshop, now: () => at });
}

/** The jobs that a request is about. */
function jobsOf(request: object): string[] {
  const several = ['canvases', 'coats', 'entries'].flatMap(
    (list) => (request as Record<string, { jobId: string }[]>)[list] ?? [],
  );
  const { jobIds = [] } = request as { jobIds?: string[] };
  return 'jobId' in request ? [String(request.jobId)] : [...several.map(({ jobId }) => jobId), ...jobIds];
}

interface Ask {
  id: string;
  name: string;
  asked: string;
}

const hashOf = (request: unknown): string => createHash('sha256').update(JSON.stringify(request)).digest('hex');

/** The answer to a request that was carried out already; null to a new one. */
function answeredBefore(workshop: Workshop, one: AnyWrite, { id, name, asked }: Ask, request: never): Outcome<unknown> | null {
  const before = findSentRequest(workshop.database, id);
  if (!before) return null;
  if (before.name !== name || before.asked !== asked)
    return refuse('What was sent before is taken in, and this is not the same: look at what stands now, then send it again.');
  return one.again(workshop, request, before.ofId);
}

/** The write and its note in one transaction; a refusal takes back whatever was begun. */
function once(workshop: Workshop, one: AnyWrite, ask: Ask, request: never, act: () => Outcome<unknown>): Outcome<unknown> {
  const { database, now } = workshop;
  const carried = database.transaction((): Outcome<unknown> => {
    const before = answeredBefore(workshop, one, ask, request);
    if (before) return before;
    const outcome = act();
    if (!outcome.ok) throw new Refused(outcome);
    const ofId = (one.about as ((value: unknown) => string) | undefined)?.(outcome.value) ?? '';
    insertSentRequest(database, { ...ask, ofId }, now().toISOString());
    return outcome;
  });
  try {
    return carried.immediate();
  } catch (error) {
    if (error instanceof Refused) return error.outcome;
    throw error;
  }
}

class Refused extends Error {
  constructor(readonly outcome: Exclude<Outcome<unknown>, { ok: true }>) {
    super('refused');
  }
}
