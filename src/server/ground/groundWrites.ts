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
import { type JobState, statesAt } from '@/db/jobStates';
import { readRules } from '@/db/workshops';
import { allOrNone } from '../write/allOrNone';
import { recordStep } from '../job/jobWrites';
import { type JobFacts, type NextCoat, factsIn, settle } from '../job/jobStates';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { type RequestOf, write } from '../write/write';
import { oneOf, numberOf, listOf, part, whole } from '@/core/shape/shape';
import { revision, anyRevision, maker, note } from '../write/asked';
import { idText } from '../../core/job/job';

const coatsSeen = listOf(part('coatSeen', { jobId: idText, revision, step: whole(0, 1000) }), 60, [], { least: 1 });

/** A canvas whose next step is a coat. */
export interface CoatWaiting {
  jobId: string;
  revision: number;
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  /** Which coat, from 0. */
  step: number;
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
  settle(workshop);
  const nowMs = workshop.now().getTime();
  const waiting = statesAt(database, ['prime'], MOST_WAITING).flatMap((state): CoatWaiting[] => {
    const { coat, ...facts } = factsIn(state);
    return coat ? [coatWaiting(state, facts, coat, nowMs)] : [];
  });
  return {
    waiting,
    stock: listGroundStock(database),
    moves: listGroundMoves(database, 10),
    lossPercent: assumed(rules, 'potLoss'),
  };
}

/** Canvases that are shown at once: more than go into any pot. */
const MOST_WAITING = 60;

const coatWaiting = (state: JobState, facts: Omit<JobFacts, 'coat'>, coat: NextCoat, nowMs: number): CoatWaiting => ({
  jobId: state.jobId,
  revision: facts.revision,
  number: state.number,
  title: facts.title,
  widthMm: facts.widthMm,
  heightMm: facts.heightMm,
  step: coat.step,
  coat: coat.name,
  substance: coat.substance,
  waterParts: coat.waterParts,
  areaM2: coat.areaM2,
  absorbMlPerM2: coat.absorbMlPerM2,
  waitsUntil: state.waitsUntilMs !== null && state.waitsUntilMs > nowMs ? facts.clock!.readyAt : null,
  stop: coat.stop,
});

/** Sets what is left of a substance and what it costs. */
export const setStock = write({
  asks: { substance: oneOf(SUBSTANCES), amount: numberOf('amount'), priceMinor: numberOf('price'), revision: anyRevision, maker },
  act(workshop: Workshop, { substance, amount, priceMinor, revision, maker }): Outcome<Grounds> {
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
  },
  again: (workshop) => done(groundsOf(workshop)),
});

/** Records the next coat of several canvases from one pot, shared out by what each was reckoned to take. */
export const recordBatch = write({
  /** `coats`: each canvas as it was seen, and the coat that was mixed for, so that the next one is never put on unseen. */
  asks: { coats: coatsSeen, mixedMl: numberOf('batchVolume'), leftMl: numberOf('volume'), maker, note, reason: note },
  act(workshop: Workshop, dto): Outcome<Grounds> {
    const { database } = workshop;
    if (dto.leftMl >= dto.mixedMl) return refuse('No less is left than was mixed: read the jug again.');
    const { waiting } = groundsOf(workshop);
    const coats = dto.coats.flatMap((seen) => waiting.find((one) => one.jobId === seen.jobId) ?? []);
    if (coats.length < dto.coats.length) return refuse('One of these canvases does not wait for a coat any more. Look again.');
    const changed = coats.find(
      ({ step, revision }, index) => step !== dto.coats[index]!.step || revision !== dto.coats[index]!.revision,
    );
    if (changed) return refuse(`No. ${changed.number} was changed or coated elsewhere in between: look again.`);
    if (coats.some(({ substance, waterParts }) => substance !== coats[0]!.substance || waterParts !== coats[0]!.waterParts))
      return refuse('These canvases do not take the same mix: one pot holds one.');
    const [mixed, left] = [sharesOf(dto.mixedMl, coats), sharesOf(dto.leftMl, coats)];
    const shared = coats.map(({ jobId }, index) => ({ jobId, mixedMl: mixed[index]!, leftMl: left[index]! }));
    return allOrNone(
      database,
      shared,
      (one) => coatFromPot(workshop, one, dto),
      () => done(groundsOf(workshop)),
    );
  },
  again: (workshop) => done(groundsOf(workshop)),
});

/** One canvas of a batch with its share of the pot. */
function coatFromPot(
  workshop: Workshop,
  { jobId, ...share }: { jobId: string; mixedMl: number; leftMl: number },
  { maker, note, reason }: Pick<RequestOf<typeof recordBatch>, 'maker' | 'note' | 'reason'>,
) {
  const { database, now } = workshop;
  const job = findJob(database, jobId)!;
  const prime = { ...job.inputs.prime, ...share };
  updateInputs(database, jobId, job.revision, { ...job.inputs, prime }, now().toISOString());
  return recordStep.act(workshop, {
    jobId,
    revision: job.revision + 1,
    stage: 'prime',
    maker,
    note,
    reason,
    unit: 'mm',
    view: 'back',
    clothId: null,
    air: null,
  });
}
