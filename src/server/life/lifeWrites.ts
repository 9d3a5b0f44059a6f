/* The life of a canvas after it went out: what is seen of it, where it hangs, and its page with the canvas it was before. */
import { printed } from '@/core/quantities/printed';
import { cannotHang } from '@/core/case/logViolations';
import type { HouseLessons } from '@/core/case/jobCase';
import type { PhotographCorners } from '@/core/life/straightened';
import { CLIMATES, placeShape } from '@/core/life/climates';
import { LIFE_EVENTS } from '@/core/life/lifeEvents';
import { readAir } from '@/core/log/readAir';
import { reading } from '@/core/log/reading';
import type { LogEntry, Reading } from '@/core/log/logEntry';
import { byId } from '@/core/house/schools';
import { feltReading } from '@/core/stages/tune/planTune';
import { FEELS } from '@/core/tension/feel';
import { type Length, printTyped } from '@/core/units/length';
import { logOfJob } from '@/db/logEntries';
import { cornersOf, insertPhotograph, photographedOf } from '@/db/photographs';
import { rolledInto, stretchedAs } from '@/db/rolledWorks';
import { type Air, airOf } from '../air/airWrites';
import { readJpeg } from '../bench/benchWrites';
import { type JobWithLog, jobAlone, openJob } from '../job/jobReading';
import { houseLessons } from '../house/houseLessons';
import { type Outcome, done, refuse } from '../write/outcome';
import { type Kept, keep } from '../reading/readingWrites';
import { seenJob } from '../job/seenJob';
import type { Workshop } from '../workshop';
import { writeDown } from '../job/writeDown';
import { updateInputs } from '@/db/jobs';
import { write } from '../write/write';
import { ofJob, note, tapeLength, jpeg } from '../write/asked';
import { optional, oneOf, lengthOf, part } from '@/core/shape/shape';
import { jobWithLog } from '../job/jobAgain';

/** A canvas looked at, at any time after it was fastened, with no remedy. */
export const keepCare = write({
  /**
   * A canvas looked at where it hangs: what happened, how it feels, its diagonals, how far it bulges, the air there. Where
   * nobody read it, a canvas that hangs here has that of the house. The photograph is a JPEG file in base 64.
   */
  asks: {
    ...ofJob,
    note,
    event: optional(oneOf(LIFE_EVENTS)),
    feel: optional(oneOf(FEELS)),
    down: optional(tapeLength),
    up: optional(tapeLength),
    bulge: optional(lengthOf('bulge')),
    air: readAir,
    jpeg,
  },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    const { event, feel, down, up, bulge } = dto;
    const photograph = readJpeg(dto.jpeg);
    if (!photograph.ok) return photograph;
    const jpeg = photograph.value;
    if ((down === null) !== (up === null))
      return refuse('One diagonal alone tells nothing: read the other one too, or leave both.');
    if (dto.air && dto.air.celsius !== null && dto.air.rh === null)
      return refuse('Warmth alone tells nothing: type the humidity too.');
    const nothing = event === null && feel === null && down === null && bulge === null && (dto.air?.rh ?? null) === null;
    if (nothing && !jpeg && dto.note.trim() === '')
      return refuse('Nothing to keep: say how it feels, what happened or what you measured, or write a note.');
    const taped = (quantity: 'diagonal' | 'bulge', value: Length | null, of = ''): Reading[] =>
      value === null ? [] : [reading(quantity, value.mm, 'mm', { of, precision: quantity === 'bulge' ? 1 : 0.5, tool: 'tape' })];
    return keep(workshop, dto, (): Outcome<Kept> => {
      const said = [
        event && byId(LIFE_EVENTS, event).name.toLowerCase(),
        feel && `felt ${byId(FEELS, feel).name.toLowerCase()}`,
        down && up && `diagonals ${printTyped(down)} and ${printTyped(up)}`,
        bulge && `bulges ${printTyped(bulge)}`,
      ].filter(Boolean);
      return done({
        did: `Looked at${said.length > 0 ? `: ${said.join(', ')}` : ''}`,
        stage: 'handover',
        ...(event ? { event } : {}),
        readings: [
          ...(feel ? [feltReading(feel)] : []),
          ...taped('diagonal', down, 'down'),
          ...taped('diagonal', up, 'up'),
          ...taped('bulge', bulge),
        ],
        also: (id) => jpeg && insertPhotograph(workshop.database, id, jpeg),
      });
    });
  },
  again: jobWithLog,
});

/** Where a canvas hangs from now on; before it is fastened there is nothing to hang. */
export const keepHanging = write({
  asks: { ...ofJob, note, hangs: part('hangingPlace', placeShape) },
  act(workshop: Workshop, dto): Outcome<JobWithLog> {
    const { database, now } = workshop;
    const { hangs } = dto;
    if (hangs.leastRh > hangs.mostRh)
      return refuse(
        `The air cannot go from ${printed('humidity', hangs.leastRh)} down to ${printed('humidity', hangs.mostRh)}: type the drier one first.`,
      );
    const write = database.transaction((): Outcome<JobWithLog> => {
      const seen = seenJob(database, dto);
      if (!seen.ok) return seen;
      const job = seen.value;
      const log = logOfJob(database, job.id);
      const trouble = cannotHang(log);
      if (trouble) return refuse(`No. ${job.number} ${trouble}.`);
      writeDown(workshop, job.id, {
        stage: 'handover',
        kind: 'hung',
        maker: dto.maker,
        did: `Hangs: ${[hangs.place, hangs.owner].filter((part) => part.trim() !== '').join(', ') || byId(CLIMATES, hangs.climate).name}`,
        note: dto.note,
        hangs: { ...hangs, place: hangs.place.trim(), owner: hangs.owner.trim() },
      });
      updateInputs(database, job.id, dto.revision, job.inputs, now().toISOString());
      return done(openJob(workshop, job.id)!);
    });
    return write.immediate();
  },
  again: jobWithLog,
});

/** A canvas in an earlier life: the job it was stretched as before it came off its bars. */
export interface EarlierLife {
  id: string;
  number: number;
  title: string;
  log: LogEntry[];
}

export interface LifeView {
  found: JobWithLog;
  /** What it was before, the oldest first. */
  earlier: EarlierLife[];
  /** The job that it was stretched again as. */
  later: { id: string; number: number } | null;
  lessons: HouseLessons;
  air: Air;
  /** Entries that have a photograph, with the job they stand in. */
  photographs: string[];
  /** Where the corners of the image lie on those that somebody pointed them out on. */
  corners: Record<string, PhotographCorners>;
}

/** So many canvases are followed back; more is a ring in somebody’s file. */
const MOST_LIVES = 20;

export function lifeOfJob(workshop: Workshop, id: string): LifeView | null {
  const { database } = workshop;
  const found = openJob(workshop, id);
  if (!found) return null;
  const earlier: EarlierLife[] = [];
  for (let at = rolledInto(database, id); at && earlier.length < MOST_LIVES; at = rolledInto(database, at.jobId))
    earlier.unshift({ id: at.jobId, number: at.number, title: at.title, log: logOfJob(database, at.jobId) });
  const next = stretchedAs(database, id);
  const later = next === null ? null : jobAlone(workshop, next);
  const entries = [...earlier.flatMap(({ log }) => log), ...found.log];
  const photographs = photographedOf(
    database,
    entries.map(({ id: entry }) => entry),
  );
  return {
    found,
    earlier,
    later: later && { id: later.id, number: later.number },
    lessons: houseLessons(workshop),
    air: airOf(workshop),
    photographs,
    corners: cornersOf(database, photographs),
  };
}
