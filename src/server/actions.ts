'use server';
/* The one way in for writes from the screens: action → checked request → use case → repository. */
import type { RackBar } from '@/core/frame/sawing/rack';
import type { StoredCloth } from '@/db/clothSheets';
import type { StoredJob } from '@/db/jobs';
import type { StoredRules } from '@/db/workshops';
import { type AirTaken, dropSimulatedAir, importAir, readSimulatedAir } from './airCases';
import { mendJob, setJobAside } from './brokenJobs';
import { checked } from './checked';
import { addCloth, changeCloth, cutCloth } from './clothCases';
import { type Grounds, recordBatch, setStock } from './groundCases';
import { createJob, importJob, recordStep, saveInputs, withdrawRecord } from './jobCases';
import type { JobWithLog } from './jobReading';
import { inTurns } from './inTurns';
import { openWorkshop } from './openWorkshop';
import type { Outcome } from './outcome';
import { type Series, addToRack, recordCuts, takeFromRack } from './rackCases';
import { keepFeel, keepRemedy, keepTaps, keepTurns, keepWeight } from './readingCases';
import { keepRehearsal } from './rehearsalCases';
import { REQUESTS, type Request, type RequestName } from './requests';
import type { Workshop } from './workshop';
import { saveRules } from './workshopCases';

/** Plain objects only may cross to the browser: whatever else stands in an answer is flattened. */
const flat = <T>(outcome: Outcome<T>): Outcome<T> => JSON.parse(JSON.stringify(outcome)) as Outcome<T>;

/** Checks what was asked, acts on it, and answers with plain objects. */
function run<N extends RequestName, T>(
  name: N,
  plain: unknown,
  act: (workshop: Workshop, request: Request<N>) => Outcome<T>,
): Outcome<T> {
  const request = checked(REQUESTS[name], name, plain) as Outcome<Request<N>>;
  return flat(request.ok ? act(openWorkshop(), request.value) : request);
}

/** As `run`, for what takes long: other requests are served meanwhile. */
async function runInTurns<N extends RequestName, T>(
  name: N,
  plain: unknown,
  act: (workshop: Workshop, request: Request<N>) => Generator<unknown, Outcome<T>>,
): Promise<Outcome<T>> {
  const request = checked(REQUESTS[name], name, plain) as Outcome<Request<N>>;
  return flat(request.ok ? await inTurns(act(openWorkshop(), request.value)) : request);
}

export const createJobAction = async (plain: Request<'newJob'>): Promise<Outcome<StoredJob>> => run('newJob', plain, createJob);
export const saveInputsAction = async (plain: Request<'saveInputs'>): Promise<Outcome<StoredJob>> =>
  run('saveInputs', plain, saveInputs);
export const recordStepAction = async (plain: Request<'recordStep'>): Promise<Outcome<JobWithLog>> =>
  run('recordStep', plain, recordStep);
export const setAsideAction = async (plain: Request<'setAside'>): Promise<Outcome<null>> => run('setAside', plain, setJobAside);
export const mendJobAction = async (plain: Request<'mendJob'>): Promise<Outcome<StoredJob>> => run('mendJob', plain, mendJob);
export const withdrawRecordAction = async (plain: Request<'withdraw'>): Promise<Outcome<JobWithLog>> =>
  run('withdraw', plain, withdrawRecord);
export const keepRehearsalAction = async (plain: Request<'keepRehearsal'>): Promise<Outcome<JobWithLog>> =>
  runInTurns('keepRehearsal', plain, keepRehearsal);
export const keepTapsAction = async (plain: Request<'keepTaps'>): Promise<Outcome<JobWithLog>> =>
  runInTurns('keepTaps', plain, keepTaps);
export const keepTurnsAction = async (plain: Request<'keepTurns'>): Promise<Outcome<JobWithLog>> =>
  run('keepTurns', plain, keepTurns);
export const keepWeightAction = async (plain: Request<'keepWeight'>): Promise<Outcome<JobWithLog>> =>
  run('keepWeight', plain, keepWeight);
export const keepFeelAction = async (plain: Request<'keepFeel'>): Promise<Outcome<JobWithLog>> =>
  run('keepFeel', plain, keepFeel);
export const keepRemedyAction = async (plain: Request<'keepRemedy'>): Promise<Outcome<JobWithLog>> =>
  run('keepRemedy', plain, keepRemedy);
export const importAirAction = async (plain: Request<'importAir'>): Promise<Outcome<AirTaken>> =>
  run('importAir', plain, importAir);
export const setStockAction = async (plain: Request<'setStock'>): Promise<Outcome<Grounds>> => run('setStock', plain, setStock);
export const recordBatchAction = async (plain: Request<'recordBatch'>): Promise<Outcome<Grounds>> =>
  run('recordBatch', plain, recordBatch);
export const addToRackAction = async (plain: Request<'addToRack'>): Promise<Outcome<RackBar[]>> =>
  run('addToRack', plain, addToRack);
export const takeFromRackAction = async (plain: Request<'takeFromRack'>): Promise<Outcome<RackBar[]>> =>
  run('takeFromRack', plain, takeFromRack);
export const recordCutsAction = async (plain: Request<'recordCuts'>): Promise<Outcome<Series>> =>
  run('recordCuts', plain, recordCuts);
export const addClothAction = async (plain: Request<'addCloth'>): Promise<Outcome<StoredCloth[]>> =>
  run('addCloth', plain, addCloth);
export const changeClothAction = async (plain: Request<'changeCloth'>): Promise<Outcome<StoredCloth[]>> =>
  run('changeCloth', plain, changeCloth);
export const cutClothAction = async (plain: Request<'cutCloth'>): Promise<Outcome<StoredCloth[]>> =>
  run('cutCloth', plain, cutCloth);
export const saveRulesAction = async (plain: Request<'saveRules'>): Promise<Outcome<StoredRules>> =>
  run('saveRules', plain, saveRules);

export const readSimulatedAirAction = async (): Promise<Outcome<AirTaken>> => flat(readSimulatedAir(openWorkshop()));

export const dropSimulatedAirAction = async (): Promise<Outcome<AirTaken>> => flat(dropSimulatedAir(openWorkshop()));

export const importJobAction = async (text: string): Promise<Outcome<StoredJob>> => flat(importJob(openWorkshop(), String(text)));
