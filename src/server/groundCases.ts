/*
 * Grounds for a batch: which canvases wait for which coat, one pot for several of them, what is left in the store. A coat
 * recorded for a batch is recorded for each canvas of it, all or none.
 */
import { assumed } from '@/core/house/houseRules';
import { byId } from '@/core/house/schools';
import { sharesOf } from '@/core/prime/coatRecipe';
import { SUBSTANCES, type SubstanceId } from '@/core/prime/substances';
import {
  type GroundMove,
  type GroundStock,
  insertGroundMove,
  listGroundMoves,
  listGroundStock,
  setGroundStock,
} from '@/db/groundStocks';
import { findJob, updateInputs } from '@/db/jobs';
import { readRules } from '@/db/workshops';
import { recordStep } from './jobCases';
import { workshopCases } from './jobReading';
import { type Outcome, done, refuse } from './outcome';
import type { Request } from './requests';
import type { Workshop } from './workshop';

/** A canvas whose next step is a coat. */
export interface CoatWaiting {
  jobId: string;
  revision: number;
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  coat: string;
  substance: SubstanceId;
  waterParts: number;
  areaM2: number;
  absorbMlPerM2: number;
  /** It still dries; ISO time from which it is ready. */
  waitsUntil: string | null;
  /** A verdict stops the coat, or null. */
  stop: string | null;
}

export interface Grounds {
  waiting: CoatWaiting[];
  stock: GroundStock[];
  moves: GroundMove[];
  lossPercent: number;
}

/** Coats that are next, the stock, and its last changes. */
export function groundsOf(workshop: Workshop): Grounds {
  const { database } = workshop;
  const { rules } = readRules(database);
  const waiting = workshopCases(workshop).flatMap(({ job, case: here }): CoatWaiting[] => {
    if (here.progress.now !== 'prime') return [];
    const { prime } = here.plan;
    const coat = prime.coats[here.progress.coatsDone];
    if (!coat) return [];
    const { brief } = job.inputs;
    return [
      {
        jobId: job.id,
        revision: job.revision,
        number: job.number,
        title: brief.title,
        widthMm: brief.width.mm,
        heightMm: brief.height.mm,
        coat: coat.name,
        substance: coat.substance,
        waterParts: coat.waterParts,
        areaM2: prime.areaM2,
        absorbMlPerM2: coat.absorbMlPerM2,
        waitsUntil: here.next.state === 'waiting' ? here.next.clock!.readyAt : null,
        stop: here.verdictsOf('prime').find(({ level }) => level === 'stop')?.says ?? null,
      },
    ];
  });
  return {
    waiting,
    stock: listGroundStock(database),
    moves: listGroundMoves(database, 10),
    lossPercent: assumed(rules, 'potLoss'),
  };
}

/** Sets what is left of a substance and what it costs. */
export function setStock(
  workshop: Workshop,
  { substance, amount, priceMinor, revision, maker }: Request<'setStock'>,
): Outcome<Grounds> {
  const { database, now, newId } = workshop;
  const { name, unit } = byId(SUBSTANCES, substance);
  const write = database.transaction(() => {
    const before = listGroundStock(database).find((one) => one.substance === substance)?.amount ?? 0;
    if (!setGroundStock(database, { substance, amount, priceMinor }, revision)) return false;
    if (before !== amount)
      insertGroundMove(database, {
        id: newId(),
        at: now().toISOString(),
        maker,
        did: `${name}: counted ${Math.round(amount)} ${unit}`,
        jobs: [],
        changes: [{ substance, before, after: amount }],
      });
    return true;
  });
  return write.immediate()
    ? done(groundsOf(workshop))
    : refuse('The stock was changed elsewhere in between. Look again, then change it.');
}

/** Records the next coat of several canvases from one pot, shared out by what each was reckoned to take. */
export function recordBatch(workshop: Workshop, dto: Request<'recordBatch'>): Outcome<Grounds> {
  const { database, now } = workshop;
  if (dto.leftMl >= dto.mixedMl) return refuse('No less is left than was mixed: read the jug again.');
  const write = database.transaction((): Outcome<Grounds> => {
    const { waiting } = groundsOf(workshop);
    const chosen = dto.jobIds.map((id) => waiting.find(({ jobId }) => jobId === id));
    const gone = dto.jobIds.find((_id, index) => !chosen[index]);
    if (gone) return refuse('One of these canvases does not wait for a coat any more. Look again.');
    const coats = chosen.map((one) => one!);
    if (coats.some(({ substance, waterParts }) => substance !== coats[0]!.substance || waterParts !== coats[0]!.waterParts))
      return refuse('These canvases do not take the same mix: one pot holds one.');
    const [mixed, left] = [sharesOf(dto.mixedMl, coats), sharesOf(dto.leftMl, coats)];
    for (const [index, { jobId, number }] of coats.entries()) {
      const job = findJob(database, jobId)!;
      const prime = { ...job.inputs.prime, mixedMl: mixed[index]!, leftMl: left[index]! };
      updateInputs(database, jobId, job.revision, { ...job.inputs, prime }, now().toISOString());
      const recorded = recordStep(workshop, {
        jobId,
        revision: job.revision + 1,
        stage: 'prime',
        maker: dto.maker,
        note: dto.note,
        reason: dto.reason,
        unit: 'mm',
        view: 'back',
        clothId: null,
      });
      if (!recorded.ok) throw new BatchRefused(number, recorded);
    }
    return done(groundsOf(workshop));
  });
  try {
    return write.immediate();
  } catch (error) {
    if (!(error instanceof BatchRefused)) throw error;
    return error.outcome.kind === 'invalid'
      ? error.outcome
      : refuse(
          `No. ${error.number} was refused, so none is recorded: ${error.outcome.kind === 'refused' ? error.outcome.says : 'it was changed elsewhere'}`,
        );
  }
}

/** Takes the whole batch back out of the transaction. */
class BatchRefused extends Error {
  constructor(
    readonly number: number,
    readonly outcome: Exclude<Outcome<unknown>, { ok: true }>,
  ) {
    super('refused');
  }
}
