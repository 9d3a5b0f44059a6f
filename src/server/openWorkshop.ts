import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { seedDemo } from './demo/seedDemo';
import { openDatabase } from '@/db/openDatabase';
import type { Workshop } from './workshop';

const held = globalThis as { keenBattenWorkshop?: Workshop };

/**
 * The one open workshop of this process. KEEN_BATTEN_DB places its file (default data/workshop.sqlite);
 * KEEN_BATTEN_DEMO=1 fills an empty one with the demo workshop.
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

function start(): Workshop {
  const database = openDatabase(process.env.KEEN_BATTEN_DB ?? join(process.cwd(), 'data', 'workshop.sqlite'));
  const workshop = { database, now: () => new Date(), newId: () => shortId() };
  if (process.env.KEEN_BATTEN_DEMO === '1') seedDemo(database, workshop.now());
  return workshop;
}
