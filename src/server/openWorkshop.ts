import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { seedDemo } from './demo/seedDemo';
import { openDatabase } from '@/db/openDatabase';
import type { Workshop } from './workshop';

const held = globalThis as { keenBattenWorkshop?: Workshop };

/**
 * The one open workshop of this process. KEEN_BATTEN_DB places its file (default data/workshop.sqlite);
 * KEEN_BATTEN_DEMO=1 fills an empty one with the demo workshop; KEEN_BATTEN_NOW, such as 2031-05-04T09:00:00Z, is the moment its
 * clock starts at, for trying out what the years bring.
 */
export function openWorkshop(): Workshop {
  held.keenBattenWorkshop ??= start();
  return held.keenBattenWorkshop;
}

/** Twenty letters and figures, made by chance: no two are the same (about 100 bits), and a log of many is not made of ids. */
const shortId = (): string =>
  BigInt(`0x${randomBytes(13).toString('hex')}`)
    .toString(36)
    .padStart(20, '0')
    .slice(-20);

/** The clock of the machine, or one that runs on from another moment. */
function clockFrom(moment: string | undefined): () => Date {
  if (!moment) return () => new Date();
  const ahead = Date.parse(moment) - Date.now();
  if (!Number.isFinite(ahead)) throw new Error(`KEEN_BATTEN_NOW is “${moment}”: a moment such as 2031-05-04T09:00:00Z would do`);
  return () => new Date(Date.now() + ahead);
}

function start(): Workshop {
  const database = openDatabase(process.env.KEEN_BATTEN_DB ?? join(process.cwd(), 'data', 'workshop.sqlite'));
  const workshop = { database, now: clockFrom(process.env.KEEN_BATTEN_NOW), newId: () => shortId() };
  if (process.env.KEEN_BATTEN_DEMO === '1') seedDemo(database, workshop.now());
  return workshop;
}
