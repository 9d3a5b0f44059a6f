/* For tests: one workshop with a job at every stage. */
import { length } from '@/core/units/length';
import { addCloth } from './cloth/clothWrites';
import { insertPhotograph } from '@/db/photographs';
import { openJob } from './job/jobReading';
import { findStoreItem } from '@/db/storeItems';
import { countItem, setItem } from './store/storeWrites';
import { addToRack } from './rack/rackWrites';
import { type JobSet, jobsOfSet } from '@/db/jobSets';
import { createSet } from './set/setWrites';
import { type TestWorkshop, newJob, testWorkshop, value, workUpTo } from './testWorkshop';

export interface WorkedWorkshop {
  workshop: TestWorkshop;
  /** Not begun; its frame stands squared; fastened; tuned; and one whose row cannot be read. */
  ids: Record<'fresh' | 'squared' | 'fastened' | 'tuned' | 'broken', string>;
  /** Two canvases of a class, not begun. */
  sets: JobSet & { jobs: string[] };
}

/** Worked once. */
let made: WorkedWorkshop | null = null;

/** A workshop with a job at every stage that a write asks for, a rack and a roll. */
export function workedWorkshop(): WorkedWorkshop {
  made ??= makeWorked();
  return { ...structuredClone({ ids: made.ids, sets: made.sets }), workshop: made.workshop.copy() };
}

function makeWorked(): WorkedWorkshop {
  const workshop = testWorkshop();
  const job = (title: string) => newJob(workshop, title);
  const ids = {
    fresh: job('Fresh'),
    squared: job('Squared'),
    fastened: job('Fastened'),
    tuned: job('Tuned'),
    broken: job('Broken'),
  };
  workUpTo(workshop, ids.squared, 'square');
  workUpTo(workshop, ids.fastened, 'fasten');
  workUpTo(workshop, ids.tuned, 'tune');
  const timber = { profile: 'deep', kind: 'timber' as const, family: 'plain', lengthMm: 2400, count: 4, mark: '' };
  value(addToRack.act(workshop, { ...timber, maker: 'Me' }));
  value(
    addCloth.act(workshop, {
      kind: 'roll',
      fabric: openJob(workshop, ids.squared)!.job.inputs.cloth.fabric,
      tag: 'R1',
      widthMm: 2100,
      selvedgeMm: 10,
      lengthMm: 9000,
      flaws: [],
      maker: 'Me',
    }),
  );
  workshop.database.prepare("UPDATE job SET inputs = '{}' WHERE id = ?").run(ids.broken);
  insertPhotograph(workshop.database, openJob(workshop, ids.tuned)!.log[0]!.id, new Uint8Array(200));
  keepPriced(workshop, 'staple8');
  value(countItem(workshop, { item: 'staple8', counted: 1000, seen: 0, reason: '', maker: 'Me' }));
  const set = value(
    createSet.act(workshop, {
      title: 'Class',
      kind: 'same',
      faces: [1, 2].map(() => ({ width: length(400), height: length(300) })),
      layout: { columns: 2, gap: length(100), align: 'middle', free: [] },
    }),
  );
  return { workshop, ids, sets: { ...set, jobs: jobsOfSet(workshop.database, set.id) } };
}

/** Something in the store with a price. */
export const keepPriced = (workshop: TestWorkshop, item: string) =>
  value(
    setItem(workshop, {
      item,
      name: item,
      unit: 'pieces',
      pack: 1000,
      priceMinor: 900,
      least: 0,
      place: '',
      supplier: '',
      revision: findStoreItem(workshop.database, item)?.revision ?? 0,
    }),
  );
