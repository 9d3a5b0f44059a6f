'use server';
/* The one way in for writes from the screens: action → checked DTO → use case → repository. */
import type { ClothFlaw, StockCloth } from '@/core/cloth/clothStock';
import type { RehearsalMove } from '@/core/fasten/rehearsal';
import type { RackBar } from '@/core/frame/rack';
import type { HouseRules } from '@/core/job/houseRules';
import type { JobInputs } from '@/core/job/job';
import type { StageId } from '@/core/job/stages';
import type { SubstanceId } from '@/core/prime/substances';
import type { Openings } from '@/core/tension/openCorners';
import type { RemedyId } from '@/core/tension/remedies';
import type { TapPlace } from '@/core/tension/tap/membraneTone';
import type { Length, Tape } from '@/core/units/length';
import type { StoredCloth } from '@/db/clothSheets';
import type { StoredJob } from '@/db/jobs';
import type { StoredRules } from '@/db/workshops';
import { checked } from './checked';
import { addCloth, changeCloth, cutCloth } from './clothCases';
import { AddClothDto, ChangeClothDto, CutClothDto } from './clothDto';
import { SaveRulesDto } from './houseRulesDto';
import { type JobWithLog, createJob, importJob, recordStep, saveInputs, withdrawRecord } from './jobCases';
import { NewJobDto, RecordStepDto, SaveInputsDto, WithdrawDto } from './jobInputsDto';
import { type Series, addToRack, recordCuts, takeFromRack } from './rackCases';
import { AddToRackDto, RecordCutsDto, TakeFromRackDto } from './rackDto';
import { keepRehearsal } from './rehearsalCases';
import { KeepRehearsalDto } from './rehearsalDto';
import { type AirTaken, importAir, readSimulatedAir } from './airCases';
import { ImportAirDto } from './airDto';
import { type Grounds, recordBatch, setStock } from './groundCases';
import { RecordBatchDto, SetStockDto } from './groundDto';
import { keepRemedy, keepTaps, keepTurns, keepWeight } from './readingCases';
import { KeepRemedyDto, KeepTapsDto, KeepTurnsDto, KeepWeightDto } from './readingDto';
import { openWorkshop } from './openWorkshop';
import type { Outcome } from './outcome';
import { saveRules } from './workshopCases';
import type { ClassConstructor } from 'class-transformer';
import type { Workshop } from './workshop';

/** Plain objects only may cross to the browser: class instances are flattened. */
function run<D extends object, T>(
  shape: ClassConstructor<D>,
  plain: unknown,
  act: (workshop: Workshop, dto: D) => Outcome<T>,
): Outcome<T> {
  const dto = checked(shape, plain);
  const outcome = dto.ok ? act(openWorkshop(), dto.value) : dto;
  return JSON.parse(JSON.stringify(outcome)) as Outcome<T>;
}

export async function createJobAction(plain: { title: string; width: Length; height: Length }): Promise<Outcome<StoredJob>> {
  return run(NewJobDto, plain, createJob);
}

export async function saveInputsAction(plain: {
  jobId: string;
  revision: number;
  inputs: JobInputs;
}): Promise<Outcome<StoredJob>> {
  return run(SaveInputsDto, plain, saveInputs);
}

export async function recordStepAction(plain: {
  jobId: string;
  revision: number;
  stage: StageId;
  maker: string;
  note: string;
  reason: string;
  unit: Tape['unit'];
  /** The roll or offcut that a recorded cut is taken from. */
  clothId?: string;
}): Promise<Outcome<JobWithLog>> {
  return run(RecordStepDto, plain, recordStep);
}

export async function withdrawRecordAction(plain: {
  jobId: string;
  revision: number;
  entryId: string;
  maker: string;
  reason: string;
}): Promise<Outcome<JobWithLog>> {
  return run(WithdrawDto, plain, withdrawRecord);
}

export async function keepRehearsalAction(plain: {
  jobId: string;
  revision: number;
  maker: string;
  moves: RehearsalMove[];
  offGrainDeg: number;
  note: string;
}): Promise<Outcome<JobWithLog>> {
  return run(KeepRehearsalDto, plain, keepRehearsal);
}

interface ReadingOfJob {
  jobId: string;
  revision: number;
  maker: string;
  note: string;
}

/** Three taps as WAV files in base 64. */
export async function keepTapsAction(
  plain: ReadingOfJob & { wavs: Record<TapPlace, string>; source: 'microphone' | 'file' | 'simulated' },
): Promise<Outcome<JobWithLog>> {
  return run(KeepTapsDto, plain, keepTaps);
}

export async function keepTurnsAction(plain: ReadingOfJob & { opened: Openings }): Promise<Outcome<JobWithLog>> {
  return run(KeepTurnsDto, plain, keepTurns);
}

export async function keepWeightAction(plain: ReadingOfJob): Promise<Outcome<JobWithLog>> {
  return run(KeepWeightDto, plain, keepWeight);
}

export async function keepRemedyAction(plain: ReadingOfJob & { remedy: RemedyId }): Promise<Outcome<JobWithLog>> {
  return run(KeepRemedyDto, plain, keepRemedy);
}

export async function importAirAction(plain: { text: string; source: string }): Promise<Outcome<AirTaken>> {
  return run(ImportAirDto, plain, importAir);
}

export async function readSimulatedAirAction(): Promise<Outcome<AirTaken>> {
  return JSON.parse(JSON.stringify(readSimulatedAir(openWorkshop()))) as Outcome<AirTaken>;
}

export async function setStockAction(plain: {
  substance: SubstanceId;
  amount: number;
  priceMinor: number;
  revision: number;
  maker: string;
}): Promise<Outcome<Grounds>> {
  return run(SetStockDto, plain, setStock);
}

export async function recordBatchAction(plain: {
  jobIds: string[];
  mixedMl: number;
  leftMl: number;
  maker: string;
  note: string;
  reason: string;
}): Promise<Outcome<Grounds>> {
  return run(RecordBatchDto, plain, recordBatch);
}

export async function importJobAction(text: string): Promise<Outcome<StoredJob>> {
  return JSON.parse(JSON.stringify(importJob(openWorkshop(), String(text)))) as Outcome<StoredJob>;
}

export async function addToRackAction(plain: Omit<RackBar, 'id'> & { maker: string }): Promise<Outcome<RackBar[]>> {
  return run(AddToRackDto, plain, addToRack);
}

export async function takeFromRackAction(plain: { id: string; count: number; maker: string }): Promise<Outcome<RackBar[]>> {
  return run(TakeFromRackDto, plain, takeFromRack);
}

export async function recordCutsAction(plain: { jobIds: string[]; seen: string; maker: string }): Promise<Outcome<Series>> {
  return run(RecordCutsDto, plain, recordCuts);
}

export async function addClothAction(plain: Omit<StockCloth, 'id'> & { maker: string }): Promise<Outcome<StoredCloth[]>> {
  return run(AddClothDto, plain, addCloth);
}

export async function changeClothAction(plain: {
  id: string;
  revision: number;
  lengthMm: number;
  flaws: ClothFlaw[];
  gone: boolean;
  maker: string;
}): Promise<Outcome<StoredCloth[]>> {
  return run(ChangeClothDto, plain, changeCloth);
}

export async function cutClothAction(plain: {
  sheets: { id: string; revision: number; placed: { id: string; x: number; y: number; turned: boolean }[] }[];
  maker: string;
}): Promise<Outcome<StoredCloth[]>> {
  return run(CutClothDto, plain, cutCloth);
}

export async function saveRulesAction(plain: { revision: number; rules: HouseRules }): Promise<Outcome<StoredRules>> {
  return run(SaveRulesDto, plain, saveRules);
}
