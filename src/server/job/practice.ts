/*
 * A canvas to practise on, in a workshop of its own that lies in memory: nothing done there is in the log, the store, the week or
 * what the house learns, for it never reaches that file. It goes by the house’s rules of the day and is gone with the server.
 */
import { insertJob } from '@/db/jobs';
import { insertCloth } from '@/db/clothSheets';
import { openDatabase } from '@/db/openDatabase';
import { readRules, writeRules } from '@/db/workshops';
import { length } from '@/core/units/length';
import { PRACTICE, isPractice } from '@/core/job/practice';
import { firstInputs } from './jobWrites';
import { openWorkshop } from '../openWorkshop';
import type { Workshop } from '../workshop';

const held = globalThis as { keenBattenPractice?: Workshop | null };

const FACE_MM = { width: 500, height: 400 };
const ROLL = { kind: 'roll', tag: 'Practice roll', widthMm: 1600, selvedgeMm: 10, lengthMm: 10_000, flaws: [] } as const;

/** A workshop that holds one canvas not begun, with cloth to cut it from. */
function laidOut(house: Workshop): Workshop {
  const database = openDatabase(':memory:');
  const { rules } = readRules(house.database);
  writeRules(database, rules, 0);
  const inputs = firstInputs('Practice canvas', length(FACE_MM.width), length(FACE_MM.height), rules);
  const at = house.now().toISOString();
  insertJob(database, { id: PRACTICE, number: 1, createdAt: at, inputs }, at);
  insertCloth(database, { ...ROLL, flaws: [], id: `${PRACTICE}-roll`, fabric: inputs.cloth.fabric });
  return { database, now: house.now, newId: () => `${PRACTICE}-${house.newId()}` };
}

/** The workshop that a job lies in: this house’s, or the one to practise in. */
export function workshopOf(jobId: string): Workshop {
  if (!isPractice(jobId)) return openWorkshop();
  return (held.keenBattenPractice ??= laidOut(openWorkshop()));
}

/** Throws what was practised away: the next look finds a canvas not begun. */
export function practiseAgain(): void {
  held.keenBattenPractice?.database.close();
  held.keenBattenPractice = null;
}
