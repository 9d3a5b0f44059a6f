/*
 * Every write there is, by its name, and how one is carried out: a write and the note that it was carried out are one
 * transaction; a refusal changes nothing.
 */
import { createHash } from 'node:crypto';
import { idText } from '@/core/job/job';
import { type Shape, optional, whole } from '@/core/shape/shape';
import { printDuration } from '@/core/units/duration';
import { findJob } from '@/db/jobs';
import { lastEntryOf } from '@/db/logEntries';
import { findSentRequest, insertSentRequest } from '@/db/sentRequests';
import { dropSimulatedAir, importAir, readSimulatedAir } from './air/airWrites';
import { keepNote, keepPlace } from './bench/benchWrites';
import { addCloth, changeCloth, cutCloth } from './cloth/clothWrites';
import { giveQuote, saveCosts } from './cost/costWrites';
import { keepHandTrial } from './fasten/handWrites';
import { keepRehearsal } from './fasten/rehearsalWrites';
import { recordBatch, setStock } from './ground/groundWrites';
import { saveRules } from './house/houseRuleWrites';
import { mendJob, setJobAside } from './job/brokenJobs';
import { importJob, newJob, recordStep, removeJob, saveInputs, withdrawRecord } from './job/jobWrites';
import { takeElsewhere } from './life/elsewhereWrites';
import { keepCorners } from './life/cornerWrites';
import { keepCare, keepHanging } from './life/lifeWrites';
import { takePassport } from './life/passportWrites';
import { makeFromStock, restretch, takeDown } from './life/takingDown';
import { takeInList } from './lists/listWrites';
import { addToRack, recordCuts, takeFromRack } from './rack/rackWrites';
import { keepFeel, keepRemedy, keepTaps, keepTurns, keepWeight } from './reading/readingWrites';
import {
  archiveJobs,
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
import { changeItem, undoMove } from './store/storeWrites';
import { buyItems } from './store/buyWrites';
import { adoptVariant, dropVariant, keepVariant } from './variant/variantWrites';
import { pinTask, saveWeek, takePlan } from './week/weekWrites';
import { undoClothMove } from './cloth/undoClothMove';
import { undoRackMove } from './rack/undoRackMove';
import { keepFinding } from './look/findingWrites';
import { LOOKS_ON, looksOn } from './network/asking';
import type { Workshop } from './workshop';
import { checked } from './write/checked';
import { type Outcome, done, refuse } from './write/outcome';
import { refusedOnFailure } from './write/refusedOnFailure';
import { runInSlices } from './write/runInSlices';
import type { LongWrite, RequestOf, Write } from './write/write';

export const WRITES = {
  newJob,
  copyJob,
  newSet: createSet,
  growSet,
  changeSet,
  planSetBy,
  rejoinSet,
  typeMeasured,
  recordTogether,
  withdrawTogether,
  archive: archiveJobs,
  keepCare,
  keepCorners,
  takePassport,
  takeElsewhere,
  keepHanging,
  keepVariant,
  dropVariant,
  adoptVariant,
  removeJob,
  importJob,
  saveInputs,
  recordStep,
  withdraw: withdrawRecord,
  setAside: setJobAside,
  mendJob,
  keepRehearsal,
  keepTaps,
  keepTurns,
  keepWeight,
  keepHandTrial,
  keepFeel,
  keepRemedy,
  importAir,
  readSimulatedAir,
  dropSimulatedAir,
  changeItem,
  undoMove,
  buyItems,
  takeDown,
  restretch,
  makeFromStock,
  saveCosts,
  giveQuote,
  setStock,
  recordBatch,
  addToRack,
  undoRackMove,
  takeFromRack,
  keepPlace,
  keepNote,
  keepFinding,
  recordCuts,
  addCloth,
  undoClothMove,
  changeCloth,
  cutCloth,
  saveWeek,
  pinTask,
  takePlan,
  saveRules,
  takeInList,
};

export type RequestName = keyof typeof WRITES;
/** What a write is asked. */
export type Request<N extends RequestName> = RequestOf<(typeof WRITES)[N]>;
/** As it is sent: with an id made by whoever asks, the same when it is sent again. */
export type Sent<N extends RequestName> = Request<N> & {
  requestId: string;
  /** How long ago it was done by the clock of the device, ms, where it is handed in later; left out or null for now. */
  agoMs?: number | null;
};

/** Nothing waits longer than so to be handed in, ms. */
const LONGEST_AWAY_MS = 400 * 86_400_000;

/** What may stand beside any request: how long ago it was done, where a device was out of reach. */
const handedIn = { agoMs: optional(whole(0, LONGEST_AWAY_MS)) };

const sent = <S extends Shape>(asks: S) => ({ requestId: idText, ...asks });

/** What is sent, as shapes. */
export const REQUESTS = Object.fromEntries(Object.entries(WRITES).map(([name, { asks }]) => [name, sent(asks)])) as unknown as {
  [N in RequestName]: (typeof WRITES)[N]['asks'] & { requestId: typeof idText };
};

type AnyWrite = Write<Shape, unknown> | LongWrite<Shape, unknown>;
/** What a write answers. */
export type Answer<N extends RequestName> = (typeof WRITES)[N] extends Write<infer _S, infer T> | LongWrite<infer _S, infer T>
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
