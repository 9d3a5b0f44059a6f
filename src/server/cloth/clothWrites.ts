/*
 * What can be done with the store of cloth: rolls and offcuts put there, their flaws marked, and pieces of one or
 * several jobs cut. Each write is one transaction with its line in the list of moves.
 */
import { RECORD_TAPE, printSize } from '@/core/units/length';
import { printed } from '@/core/quantities/printed';
import { type StockCloth, leftOf, nextTag, sheetOf, stockViolations } from '@/core/cloth/clothStock';
import { clothPieceOf, tearOf } from '@/core/cloth/clothPieceOf';
import { layRoll } from '@/core/cloth/layout/layRoll';
import { layoutViolations } from '@/core/cloth/layout/layoutViolations';
import { type ClothPiece, type PlacedPiece, lengthUsed, lying } from '@/core/cloth/layout/rollLayout';
import { type HouseRules, assumed, tapeFor } from '@/core/house/houseRules';
import { fabricOf, fabricsOf } from '@/core/house/materials';
import { USES, byId } from '@/core/house/schools';
import { toEnd } from '@/core/toEnd';
import {
  type ClothCut,
  type JobCut,
  type StoredCloth,
  clothTags,
  cutOfJob,
  insertCloth,
  listCloth,
  updateCloth,
} from '@/db/clothSheets';
import { type StoredJob, findJob } from '@/db/jobs';
import { statesAt } from '@/db/jobStates';
import { readRules } from '@/db/workshops';
import { factsIn, settle } from '../job/jobStates';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { writeClothMove } from './clothMove';
import { oneOf, numberOf, flag, listOf, part, whole, number, text } from '@/core/shape/shape';
import { idText } from '@/core/job/job';
import { textOf } from '@/core/shape/texts';
import { maker, revision } from '../write/asked';

const flaws = listOf(
  part('clothFlaw', {
    x: number(0, 200_000),
    y: number(0, 200_000),
    w: number(1, 6000),
    h: number(1, 200_000),
    note: text(0, 80),
  }),
  60,
);

const roll = (mm: number): string => printed('rollLength', mm, RECORD_TAPE);

export const clothStore = ({ database }: Workshop): StoredCloth[] => listCloth(database);

/** When and from what a job's piece was cut; null when it was not. */
export const jobCut = ({ database }: Workshop, id: string): JobCut | null => cutOfJob(database, id);

/** A job whose cloth is still to be cut. */
export interface ClothJob {
  id: string;
  number: number;
  title: string;
  fabric: string;
  faceWidthMm: number;
  faceHeightMm: number;
  /** Stages before are done, so that it can be cut now. */
  ready: boolean;
  piece: Omit<ClothPiece, 'pin'>;
}

/** Jobs that are offered at once. */
const MOST_JOBS = 60;

/** Jobs whose cloth is to be cut: not painted, the cut neither recorded with the job nor with the store. */
export function clothJobs(workshop: Workshop): ClothJob[] {
  const { database } = workshop;
  settle(workshop);
  return statesAt(database, ['brief', 'bars', 'square', 'cloth'], MOST_JOBS).flatMap((state): ClothJob[] => {
    const { cloth, title, widthMm, heightMm } = factsIn(state);
    if (!cloth || cutOfJob(database, state.jobId)) return [];
    return [
      {
        id: state.jobId,
        number: state.number,
        title,
        fabric: cloth.fabric,
        faceWidthMm: widthMm,
        faceHeightMm: heightMm,
        ready: state.stage === 'cloth',
        piece: cloth.piece,
      },
    ];
  });
}

const isPainted = ({ inputs }: StoredJob) => byId(USES, inputs.brief.use).painted;

/** Puts a roll or an offcut into the store. */
export const addCloth = write({
  asks: {
    kind: oneOf(['roll', 'offcut']),
    fabric: idText,
    tag: textOf('tag'),
    widthMm: numberOf('stockWidth'),
    selvedgeMm: numberOf('selvedge'),
    lengthMm: numberOf('newRollLength'),
    flaws: flaws,
    maker,
  },
  act(workshop: Workshop, { maker, ...typed }): Outcome<StoredCloth[]> {
    const { database, newId } = workshop;
    const { rules } = readRules(database);
    const cloth: StockCloth = { ...typed, tag: typed.tag.trim(), flaws: plainFlaws(typed.flaws), id: newId() };
    if (!fabricsOf(rules).some((one) => one.id === cloth.fabric))
      return refuse(`fabric: this house has no cloth “${cloth.fabric}”.`);
    const [wrong] = stockViolations(cloth);
    if (wrong) return refuse(wrong);
    const add = database.transaction((): Outcome<StoredCloth[]> => {
      if (clothTags(database).includes(cloth.tag))
        return refuse(`The tag “${cloth.tag}” was given before: write another one on it.`);
      insertCloth(database, cloth);
      const did = `Put in the store: ${cloth.kind} ${cloth.tag}, ${fabricOf(rules, cloth.fabric).name}`;
      writeClothMove(workshop, { maker, did, after: [cloth] });
      return done(listCloth(database));
    });
    return add.immediate();
  },
  again: (workshop) => done(clothStore(workshop)),
});

const plainFlaws = (flaws: StockCloth['flaws']) => flaws.map(({ x, y, w, h, note }) => ({ x, y, w, h, note }));

const CHANGED = 'This cloth was changed elsewhere in between: look at it again.';

/** Sets what is left of a cloth and its flaws, or takes it out of the store. */
export const changeCloth = write({
  /** `gone`: used up or thrown away. */
  asks: { id: idText, revision, lengthMm: numberOf('rollLength'), flaws: flaws, gone: flag(), maker },
  act(workshop: Workshop, dto): Outcome<StoredCloth[]> {
    const { database } = workshop;
    const change = database.transaction((): Outcome<StoredCloth[]> => {
      const before = listCloth(database).find((one) => one.id === dto.id);
      if (!before || before.revision !== dto.revision) return refuse(CHANGED);
      const after = { ...before, lengthMm: dto.lengthMm, flaws: plainFlaws(dto.flaws) };
      const [wrong] = dto.gone ? [] : stockViolations(after);
      if (wrong) return refuse(wrong);
      updateCloth(database, { ...after, revision: dto.revision }, dto.gone);
      writeClothMove(workshop, {
        maker: dto.maker,
        did: dto.gone ? `Out of the store: ${before.tag}` : `${before.tag}: ${changeWords(before, after)}`,
        before: [plainCloth(before)],
        after: dto.gone ? [] : [plainCloth(after)],
      });
      return done(listCloth(database));
    });
    return change.immediate();
  },
  again: (workshop) => done(clothStore(workshop)),
});

const plainCloth = ({ revision: _revision, ...cloth }: StoredCloth): StockCloth => cloth;

function changeWords(before: StockCloth, after: StockCloth): string {
  const more = after.flaws.length - before.flaws.length;
  if (more > 0) return `${more} flaw${more > 1 ? 's' : ''} marked`;
  if (more < 0) return `${-more} flaw${more < -1 ? 's' : ''} taken off`;
  return before.lengthMm === after.lengthMm ? 'a flaw changed' : `${roll(after.lengthMm)} left`;
}

/** One cloth with the pieces that are cut from it. */
interface CutSheet {
  cloth: StoredCloth;
  pieces: Omit<ClothPiece, 'pin'>[];
  placed: PlacedPiece[];
}

/** Records cuts as they were laid: rolls get shorter, offcuts go to the store with a tag, jobs count as cut. */
export const cutCloth = write({
  asks: {
    sheets: listOf(
      part('cutSheet', {
        id: idText,
        revision,
        placed: listOf(part('placed', { id: idText, x: whole(0, 200_000), y: whole(0, 200_000), turned: flag() }), 100, [], {
          least: 1,
        }),
      }),
      40,
      [],
      { least: 1 },
    ),
    maker,
  },
  act(workshop: Workshop, dto): Outcome<StoredCloth[]> {
    const { database } = workshop;
    const cut = database.transaction((): Outcome<StoredCloth[]> => {
      const { rules } = readRules(database);
      const jobs = new Map(clothJobs(workshop).map((job) => [job.id, job]));
      const store = listCloth(database);
      const asked = dto.sheets.flatMap((sheet) => sheet.placed.map((one) => one.id));
      if (new Set(asked).size !== asked.length) return refuse('A piece is laid twice: lay them again.');
      const sheets: CutSheet[] = [];
      for (const { id, revision, placed } of dto.sheets) {
        const cloth = store.find((one) => one.id === id);
        if (!cloth || cloth.revision !== revision) return refuse(CHANGED);
        const missing = placed.find((one) => jobs.get(one.id)?.fabric !== cloth.fabric);
        if (missing) return refuse('A job is cut already, gone, or wants another cloth: open the page again.');
        const pieces = placed.map((one) => jobs.get(one.id)!.piece);
        sheets.push({
          cloth,
          pieces,
          placed: placed.map((one, index) => ({
            id: one.id,
            x: one.x,
            y: one.y,
            turned: one.turned,
            ...sizeOf(pieces[index]!, one.turned),
          })),
        });
      }
      const wrong = sheets.map((sheet) => layoutTrouble(sheet, rules)).find((one) => one !== null);
      if (wrong) return wrong;
      const numbers = asked.map((id) => `No. ${jobs.get(id)!.number}`).join(', ');
      writeCuts(workshop, sheets, rules, dto.maker, `Cut for ${numbers}`);
      return done(listCloth(database));
    });
    return cut.immediate();
  },
  again: (workshop) => done(clothStore(workshop)),
});

const sizeOf = (piece: Omit<ClothPiece, 'pin'>, turned: boolean) => {
  const { w, h } = lying(piece, turned);
  return { w, h };
};

function layoutTrouble({ cloth, pieces, placed }: CutSheet, rules: HouseRules): Refusal | null {
  const sheet = sheetOf(cloth, tearOf(fabricOf(rules, cloth.fabric), rules));
  const used = lengthUsed(placed);
  if (used > sheet.length) return refuse(`${cloth.tag} is ${roll(sheet.length)} long, the pieces take ${roll(used)}.`);
  const [wrong] = layoutViolations(pieces, sheet, placed);
  return wrong
    ? refuse(`This cannot be cut so from ${cloth.tag}: ${wrong}. The jobs or the cloth have changed: lay it again.`)
    : null;
}

function writeCuts(workshop: Workshop, sheets: CutSheet[], rules: HouseRules, maker: string, did: string): void {
  const { database, newId } = workshop;
  const tags = clothTags(database);
  const after: StockCloth[] = [];
  for (const { cloth, placed } of sheets) {
    const { rest, offcuts } = leftOf(cloth, placed, tearOf(fabricOf(rules, cloth.fabric), rules), assumed(rules, 'leastOffcut'));
    const left = rest ?? { lengthMm: 0, flaws: [] };
    if (!updateCloth(database, { ...cloth, ...left }, rest === null)) throw new Error(`${cloth.tag} changed while it was cut`);
    if (rest) after.push({ ...plainCloth(cloth), ...rest });
    for (const offcut of offcuts) {
      const tag = nextTag(cloth.tag, tags);
      tags.push(tag);
      const kept: StockCloth = { id: newId(), kind: 'offcut', fabric: cloth.fabric, tag, selvedgeMm: 0, ...offcut };
      insertCloth(database, kept);
      after.push(kept);
    }
  }
  writeClothMove(workshop, {
    maker,
    did,
    cuts: sheets.flatMap(({ cloth, placed }) =>
      placed.map(({ id, w, h }): ClothCut => ({ job: id, tag: cloth.tag, acrossMm: w, alongMm: h })),
    ),
    before: sheets.map(({ cloth }) => plainCloth(cloth)),
    after,
  });
}

/**
 * Takes one job's piece off a roll or offcut, at the first place where it lies clear of flaws; called within the
 * transaction that records the cut with the job. A piece that is cut already is not cut again.
 */
export function cutOne(workshop: Workshop, jobId: string, clothId: string, maker: string): Refusal | null {
  const { database } = workshop;
  const job = findJob(database, jobId)!;
  if (isPainted(job) || cutOfJob(database, jobId)) return null;
  const { rules } = readRules(database);
  const cloth = listCloth(database).find((one) => one.id === clothId);
  if (!cloth) return refuse('This roll is not in the store any more: choose another one.');
  if (cloth.fabric !== job.inputs.cloth.fabric) return refuse(`${cloth.tag} is another cloth than the job wants.`);
  const piece = clothPieceOf(jobId, job.inputs, rules, tapeFor(rules, 'mm'));
  const sheet = sheetOf(cloth, tearOf(fabricOf(rules, cloth.fabric), rules));
  const [across, along] = [Math.min(piece.w, piece.mayTurn ? piece.h : piece.w), piece.h];
  if (across > sheet.width)
    return refuse(`${cloth.tag} is ${roll(sheet.width)} wide, the piece ${printSize(along, across, RECORD_TAPE)}.`);
  const { placed, length } = toEnd(layRoll([piece], sheet, () => 0.5, 0));
  if (length > sheet.length) return refuse(`${cloth.tag} has ${roll(sheet.length)} left, the piece takes ${roll(length)}.`);
  writeCuts(workshop, [{ cloth, pieces: [piece], placed }], rules, maker, `Cut for No. ${job.number}`);
  return null;
}
