/*
 * A canvas comes off its bars: the painting is kept with its measures, bars go back to the rack and openers to the store, all in
 * one step; later the painting is stretched again. And canvases that are begun from what lies here.
 */
import { printed } from '@/core/quantities/printed';
import { makeable, type Makeable, makeableInputs, servedByBars, servedByCloth } from '@/core/store/makeable';
import type { FramePart } from '@/core/frame/frameParts';
import { JOINTS, openersOf } from '@/core/frame/joints';
import type { MakeableFrame, RackBar } from '@/core/frame/sawing/rack';
import { fabricOf, profileOf } from '@/core/house/materials';
import { byId } from '@/core/house/schools';
import { SIDES } from '@/core/job/sides';
import { isTakenDown } from '@/core/case/logViolations';
import { reading } from '@/core/log/reading';
import { assumed } from '@/core/house/houseRules';
import { KEEPINGS, type TakenDown, type WorkBefore, restretchInputs, takenDownShape } from '@/core/painting/takenDownWork';
import { paintedStart } from '@/core/painting/paintedStart';
import { takingDownVerdicts } from '@/core/painting/takingDownVerdicts';
import { withRecommendedBars } from '@/core/stages/bars/planBars';
import { printSize, WHOLE_MM } from '@/core/units/length';
import { listCloth } from '@/db/clothSheets';
import { type StoredJob, setArchived } from '@/db/jobs';
import { logOfJob } from '@/db/logEntries';
import { readCostSettings } from '@/db/quotes';
import { addRackBar, listRack, takeRackBar } from '@/db/rackBars';
import { type RolledWork, findRolled, insertRolled, listRolled, stretchRolled } from '@/db/rolledWorks';
import { findStoreItem, insertStoreMove } from '@/db/storeItems';
import { readRules } from '@/db/workshops';
import { beginJob } from '../job/jobWrites';
import { caseOfJob, openJob } from '../job/jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import { GONE, seenJob } from '../job/seenJob';
import { buyingJobs } from '../store/buyWrites';
import type { Workshop } from '../workshop';
import { writeRackMove } from '../rack/rackMove';
import { writeDown } from '../job/writeDown';
import { write } from '../write/write';
import { maker, note, ofJob } from '../write/asked';
import { optional, part, flag, whole, numberOf } from '@/core/shape/shape';
import { idText } from '@/core/job/job';
import { titleText } from '@/core/stages/brief/briefInputs';
import { newJobAgain } from '../job/jobAgain';

/** Bars of a frame as they go back to the rack: slotted ones as they are, bolted mitres as timber of their inside; glued ones not. */
function barsBack(parts: readonly FramePart[], profile: { id: string; family: string }, mark: string): Omit<RackBar, 'id'>[] {
  return parts.flatMap((part): Omit<RackBar, 'id'>[] => {
    const base = { profile: profile.id, count: part.count, mark };
    if (part.from === 'pairs') return [{ ...base, kind: 'pairs', family: profile.family, lengthMm: part.lengthMm }];
    if (part.from === 'bead') return [];
    const usable = Math.floor(part.insideMm ?? part.lengthMm);
    return usable >= 50 ? [{ ...base, kind: part.from, family: 'sawn', lengthMm: usable }] : [];
  });
}

/** Takes a canvas down, in one step; it goes into the archive. */
export const takeDown = write({
  /** `work`: the painting as it is kept; null where its cloth is given up. */
  asks: { ...ofJob, note, work: optional(part('takenDown', takenDownShape)), keepBars: flag(), openers: whole(0, 40) },
  act(workshop: Workshop, dto): Outcome<RolledWork[]> {
    const { database, now, newId } = workshop;
    const take = database.transaction((): Outcome<RolledWork[]> => {
      const seen = seenJob(database, dto);
      if (!seen.ok) return seen;
      const job = seen.value;
      const log = logOfJob(database, job.id);
      const here = caseOfJob(workshop, { job, log });
      if (!here.progress.done.has('fasten'))
        return refuse(`No. ${job.number} is not stretched yet: there is nothing to take down.`);
      if (isTakenDown(log)) return refuse(`No. ${job.number} was taken down already.`);
      const stop = takingDownVerdicts(here.inputs, dto.work, here.house).find(({ level }) => level === 'stop');
      if (stop) return refuse(`${stop.says} ${stop.doThis}`);
      const joint = byId(JOINTS, here.inputs.bars.joint);
      if (dto.keepBars && joint.glued)
        return refuse(
          `The frame of No. ${job.number} is glued: its bars do not come apart. Keep it whole, and leave the bars out here.`,
        );
      if ((dto.keepBars || dto.openers > 0) && here.inputs.brief.notKnown.includes('bars'))
        return refuse('Which bars it has is not known: put what came off it into the rack by itself, as it was measured.');
      const opener = openersOf(joint.opener);
      if (dto.openers > 0 && (!opener || dto.openers > opener.count + opener.spare))
        return refuse(
          opener
            ? `A frame has ${opener.count} of ${opener.name.toLowerCase()}; ${dto.openers} did not come off one.`
            : 'Nothing opens the corners of this frame.',
        );
      const at = now().toISOString();
      const { maker, work } = dto;
      if (dto.keepBars) {
        const added = barsBack(
          here.plan.bars.parts,
          profileOf(here.house.rules, here.inputs.bars.profile),
          `from No. ${job.number}`,
        );
        for (const bar of added) addRackBar(database, { id: newId(), ...bar });
        writeRackMove(workshop, { maker, did: `Came off No. ${job.number}`, added });
      }
      if (dto.openers > 0 && opener && findStoreItem(database, opener.item))
        insertStoreMove(database, {
          id: newId(),
          at,
          maker,
          itemId: opener.item,
          quantity: dto.openers,
          did: `${opener.name}: ${dto.openers} pieces came off No. ${job.number}`,
          entryId: null,
          undoes: null,
        });
      const precision = assumed(here.house.rules, 'tapePrecision');
      const tape = (quantity: 'image' | 'marginLeft', of: string, mm: number) =>
        reading(quantity, mm, 'mm', { of, precision, tool: 'tape' });
      writeDown(workshop, job.id, {
        stage: 'handover',
        kind: 'takenDown',
        maker,
        did: work ? takenDownWords(work) : 'Taken down, the cloth is gone',
        note: dto.note,
        readings: work
          ? [
              tape('image', 'top', work.width.mm),
              tape('image', 'left', work.height.mm),
              ...SIDES.map((side) => tape('marginLeft', `${side} first`, work.margins[side].mm)),
            ]
          : [],
      });
      if (work) insertRolled(database, { id: newId(), jobId: job.id, at, maker, measured: work });
      setArchived(database, job.id, job.revision, true);
      return done(listRolled(database));
    });
    return take.immediate();
  },
  again: (workshop) => done(rolledWorks(workshop)),
});

/** What became of a painting, for the log. */
function takenDownWords({ width, height, kept, faceOut, along, coreMm, place }: TakenDown): string {
  const size = printSize(width.mm, height.mm, WHOLE_MM);
  const how =
    kept === 'rolled'
      ? `rolled ${faceOut ? 'face out' : 'face in'} along its ${along}, core ${printed('core', coreMm, WHOLE_MM)}`
      : byId(KEEPINGS, kept).name.toLowerCase();
  return `Taken down: ${size}, ${how}${place ? `, ${place}` : ''}`;
}

export const rolledWorks = ({ database }: Pick<Workshop, 'database'>): RolledWork[] => listRolled(database);

/** A work as it was before it came off its bars: as its records and its file say. */
function workBefore(workshop: Workshop, { jobId, at }: RolledWork): WorkBefore | null {
  const found = openJob(workshop, jobId);
  if (!found) return null;
  const here = caseOfJob(workshop, found);
  const measured = here.progress.painted ? here.entryOf('cloth') : null;
  return { number: found.job.number, inputs: here.inputs, measuredAt: measured?.at ?? null, takenDownAt: at };
}

/** Starts the re-stretch of a painting that was taken down, with what is known of it. */
export const restretch = write({
  asks: { rolledId: idText, title: titleText },
  act(workshop: Workshop, { rolledId, title }): Outcome<StoredJob> {
    const { database } = workshop;
    const start = database.transaction((): Outcome<StoredJob> => {
      const work = findRolled(database, rolledId);
      if (!work) return refuse('There is no such rolled work.');
      if (work.stretchedAs !== null) return refuse('It was taken from the store and is stretched again already.');
      const before = workBefore(workshop, work);
      if (!before) return GONE;
      const { rules } = readRules(database);
      const inputs = withRecommendedBars(paintedStart(restretchInputs(title.trim(), work.measured, before), rules), rules);
      const begun = beginJob(workshop, inputs);
      if (begun.ok) stretchRolled(database, rolledId, begun.value.id);
      return begun;
    });
    return start.immediate();
  },
  ...newJobAgain,
});

export interface FromStock {
  canvases: (Makeable & { bar: string; cloth: string })[];
  /** Offcuts and bars that an open job could take. */
  serves: { what: string; jobs: number[] }[];
}

/** What could be made from what lies here, and whom it would serve. */
export function fromStock(workshop: Pick<Workshop, 'database'>): FromStock {
  const { database } = workshop;
  const { rules } = readRules(database);
  const [rack, cloth, jobs] = [listRack(database), listCloth(database), buyingJobs(workshop, null)];
  const names = (profile: string, fabric: string) => ({
    bar: profileOf(rules, profile).name,
    cloth: fabricOf(rules, fabric).name,
  });
  return {
    canvases: makeable(rack, cloth, readCostSettings(database).settings.readyMade, rules).map((one) => ({
      ...one,
      ...names(one.profile, one.fabric),
    })),
    serves: [
      ...cloth
        .filter(({ kind }) => kind === 'offcut')
        .map((one) => ({
          what: `Offcut ${one.tag}, ${fabricOf(rules, one.fabric).name}, ${printSize(one.widthMm, one.lengthMm, WHOLE_MM)}`,
          jobs: servedByCloth(one, jobs),
        })),
      ...rack.map((bar) => ({
        what: `${bar.count} × ${printed('barLength', bar.lengthMm, WHOLE_MM)}, ${profileOf(rules, bar.profile).name}${bar.kind === 'pairs' ? '' : bar.kind === 'brace' ? ', brace timber' : ', timber'}`,
        jobs: servedByBars(bar, jobs),
      })),
    ].filter(({ jobs: served }) => served.length > 0),
  };
}

/** Takes the two pairs of a frame off the rack, from as many of its rows as have them. */
function pickFrame(
  workshop: Workshop,
  { profile, family, widthMm, heightMm }: MakeableFrame,
  job: StoredJob,
  maker: string,
): void {
  const { database } = workshop;
  const rack = listRack(database);
  const wanted = widthMm === heightMm ? [[widthMm, 4] as const] : [[widthMm, 2] as const, [heightMm, 2] as const];
  const taken = wanted.flatMap(([lengthMm, count]) => {
    let open = count;
    return rack.flatMap(({ id, ...row }) => {
      const fits = row.kind === 'pairs' && row.profile === profile && row.family === family && row.lengthMm === lengthMm;
      const takes = fits ? Math.min(open, row.count) : 0;
      if (takes === 0 || !takeRackBar(database, id, takes)) return [];
      open -= takes;
      const { count: _count, ...bar } = row;
      return [{ bar, count: takes }];
    });
  });
  writeRackMove(workshop, { maker, did: `Picked for No. ${job.number}`, jobs: [job.id], taken });
}

/** Starts a canvas that can be made from what lies here; its bars leave the rack with it, so that no other is promised them. */
export const makeFromStock = write({
  asks: { title: titleText, profile: idText, fabric: idText, width: numberOf('barLength'), height: numberOf('barLength'), maker },
  act(workshop: Workshop, { title, profile, fabric, width, height, maker }): Outcome<StoredJob> {
    return workshop.database
      .transaction((): Outcome<StoredJob> => {
        const found = fromStock(workshop).canvases.find(
          (one) => one.profile === profile && one.fabric === fabric && one.widthMm === width && one.heightMm === height,
        );
        if (!found)
          return refuse('This cannot be made from what lies here any more: somebody took a bar or the cloth. Look again.');
        const begun = beginJob(workshop, makeableInputs(title, found, fabric));
        if (begun.ok) pickFrame(workshop, found, begun.value, maker);
        return begun;
      })
      .immediate();
  },
  ...newJobAgain,
});
