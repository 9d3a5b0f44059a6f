/*
 * What can be done with the rack: bars put there and taken, one plan for the frames of several jobs, and its
 * cuts recorded. Each write is one transaction with its line in the list of moves.
 */
import { RECORD_TAPE } from '@/core/units/length';
import { printed } from '@/core/quantities/printed';
import { createHash } from 'node:crypto';
import { randomLcg } from 'd3-random';
import { type BuyingPlan, type FrameWanted, buyingPlan, frameWanted, rackChanges } from '@/core/frame/sawing/buyingPlan';
import { profileOf, profilesOf } from '@/core/house/materials';
import type { RackBar } from '@/core/frame/sawing/rack';
import type { HouseRules } from '@/core/house/houseRules';
import { type StoredJob, findJob } from '@/db/jobs';
import { statesAt } from '@/db/jobStates';
import { addRackBar, listRack, isSawn, takeRackBar } from '@/db/rackBars';
import { readRules } from '@/db/workshops';
import { brokenJob } from '../job/jobReading';
import { factsIn, settle } from '../job/jobStates';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { writeRackMove } from './rackMove';
import { idText } from '@/core/job/job';
import { oneOf, numberOf, text } from '@/core/shape/shape';
import { textOf } from '@/core/shape/texts';
import { maker, jobIds } from '../write/asked';

export const rackBars = ({ database }: Workshop): RackBar[] => listRack(database);

/** A job whose frame is still to be built, for one plan together with others. */
export interface SeriesJob {
  id: string;
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  profile: string;
  bracesUpright: number[];
  bracesLevel: number[];
  /** Its cuts were recorded already. */
  sawn: boolean;
}

export interface Series {
  jobs: SeriesJob[];
  chosen: string[];
  /** Null when no job is chosen. */
  plan: BuyingPlan | null;
  /** Stands for what the plan takes and leaves. */
  seen: string;
}

/** Same frames and rack, same plan. */
const SEED = 0.4142;

const framesOf = (jobs: readonly StoredJob[], rules: HouseRules): FrameWanted[] =>
  jobs.map(({ number, inputs: { brief, bars } }) =>
    frameWanted(`No. ${number}`, { widthMm: brief.width.mm, heightMm: brief.height.mm }, bars, rules),
  );

function planFor(jobs: readonly StoredJob[], rack: readonly RackBar[], rules: HouseRules) {
  const plan = buyingPlan(framesOf(jobs, rules), rack, rules, randomLcg(SEED));
  const changes = rackChanges(plan, rack, rules);
  const text = JSON.stringify([jobs.map((job) => job.id), [...changes.taken], changes.offcuts, plan.priceMinor]);
  return { plan, changes, seen: createHash('sha256').update(text).digest('hex').slice(0, 32) };
}

/** Jobs that are offered at once. */
const MOST_JOBS = 60;

/** Jobs whose frame is not recorded yet, and one plan for those chosen. */
export function series(workshop: Workshop, wanted: readonly string[]): Series {
  const { database } = workshop;
  const { rules } = readRules(database);
  settle(workshop);
  const unbuilt = statesAt(database, ['brief', 'bars'], MOST_JOBS).map((state) => ({ state, facts: factsIn(state) }));
  const chosen = unbuilt.flatMap(({ state }) =>
    wanted.includes(state.jobId) && !isSawn(database, state.jobId) ? (findJob(database, state.jobId) ?? []) : [],
  );
  const planned = chosen.length > 0 ? planFor(chosen, listRack(database), rules) : null;
  return {
    jobs: unbuilt.map(({ state: { jobId: id, number }, facts: { title, widthMm, heightMm, bars } }) => ({
      id,
      number,
      title,
      widthMm,
      heightMm,
      profile: bars.profile,
      bracesUpright: bars.bracesUpright,
      bracesLevel: bars.bracesLevel,
      sawn: isSawn(database, id),
    })),
    chosen: chosen.map((job) => job.id),
    plan: planned?.plan ?? null,
    seen: planned?.seen ?? '',
  };
}

/** Puts bars on the rack. */
export const addToRack = write({
  asks: {
    profile: idText,
    kind: oneOf(['pairs', 'timber', 'brace']),
    family: textOf('family'),
    lengthMm: numberOf('barLength'),
    count: numberOf('pieces'),
    mark: textOf('mark'),
    maker,
  },
  act(workshop: Workshop, { maker, ...bar }): Outcome<RackBar[]> {
    const { database, newId } = workshop;
    const { rules } = readRules(database);
    if (!profilesOf(rules).some((one) => one.id === bar.profile))
      return refuse(`profile: this house has no bar “${bar.profile}”.`);
    database
      .transaction(() => {
        addRackBar(database, { id: newId(), ...bar });
        const did = `Put on the rack: ${bar.count} × ${printed('barLength', bar.lengthMm, RECORD_TAPE)}, ${profileOf(rules, bar.profile).name}`;
        writeRackMove(workshop, { maker, did, added: [bar] });
      })
      .immediate();
    return done(listRack(database));
  },
  again: (workshop) => done(rackBars(workshop)),
});

/** Takes pieces from a row of the rack. */
export const takeFromRack = write({
  asks: { id: idText, count: numberOf('pieces'), maker },
  act(workshop: Workshop, { id, count, maker }): Outcome<RackBar[]> {
    const { database } = workshop;
    const take = database.transaction((): Outcome<RackBar[]> => {
      const row = listRack(database).find((one) => one.id === id);
      if (!row || !takeRackBar(database, id, count)) return refuse(`There are no ${count} of these on the rack any more.`);
      const { id: _id, count: _count, ...bar } = row;
      const did = `Taken from the rack: ${count} × ${printed('barLength', bar.lengthMm, RECORD_TAPE)}, ${profileOf(readRules(database).rules, bar.profile).name}`;
      writeRackMove(workshop, { maker, did, taken: [{ bar, count }] });
      return done(listRack(database));
    });
    return take.immediate();
  },
  again: (workshop) => done(rackBars(workshop)),
});

/** Records the cuts of the plan that was seen: what it used leaves the rack, what is left of bars goes there. */
export const recordCuts = write({
  /** `seen`: what the plan on the screen took and left, so that a plan that has changed since is not recorded unseen. */
  asks: { jobIds, seen: text(1, 100), maker },
  act(workshop: Workshop, { jobIds, seen, maker }): Outcome<Series> {
    const { database, newId } = workshop;
    const record = database.transaction((): Outcome<Series> => {
      const { rules } = readRules(database);
      const jobs = jobIds
        .flatMap((id) => (brokenJob(workshop, id) ? [] : (findJob(database, id) ?? [])))
        .sort((a, b) => a.number - b.number);
      if (jobs.length !== jobIds.length)
        return refuse('One of these jobs is not in the workshop any more: open the series again.');
      const twice = jobs.find((job) => isSawn(database, job.id));
      if (twice) return refuse(`The cuts of No. ${twice.number} are recorded already.`);
      const rack = listRack(database);
      const planned = planFor(jobs, rack, rules);
      if (planned.seen !== seen)
        return refuse('The rack, the jobs or the lists have changed since this plan was drawn: look at it again.');
      if (planned.plan.priceMinor === null) return refuse('This plan is not whole: a part fits no length on the list.');
      const { taken, offcuts } = planned.changes;
      for (const [id, count] of taken)
        if (!takeRackBar(database, id, count)) throw new Error(`the rack has no ${count} of ${id}`);
      for (const offcut of offcuts) addRackBar(database, { ...offcut, id: newId() });
      const numbers = jobs.map((job) => `No. ${job.number}`).join(', ');
      writeRackMove(workshop, {
        maker,
        did: `Sawn and picked for ${numbers}`,
        jobs: jobIds,
        added: offcuts,
        taken: [...taken].map(([id, count]) => {
          const { id: _id, count: _count, ...bar } = rack.find((one) => one.id === id)!;
          return { bar, count };
        }),
      });
      return done(series(workshop, []));
    });
    return record.immediate();
  },
  again: (workshop) => done(series(workshop, [])),
});
