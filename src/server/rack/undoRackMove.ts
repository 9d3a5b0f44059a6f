import { idText } from '@/core/job/job';
import { printed } from '@/core/quantities/printed';
import type { RackBar } from '@/core/frame/sawing/rack';
import { RECORD_TAPE } from '@/core/units/length';
import { type KeptRackMove, addRackBar, findRackMove, listRack, listRackMoves, rackRowOf, takeRackBar } from '@/db/rackBars';
import { recordedOn } from '../job/recordedOn';
import { maker } from '../write/asked';
import { type Outcome, done, refuse } from '../write/outcome';
import { write } from '../write/write';
import type { Workshop } from '../workshop';
import { writeRackMove } from './rackMove';

/** The rows that bars were put into, with how many in all; no row where none is known any more. */
function rowsOf({ database }: Workshop, { changes: { added } }: KeptRackMove) {
  const rows = new Map<string, { row: ReturnType<typeof rackRowOf>; count: number; lengthMm: number }>();
  for (const { count, ...bar } of added) {
    const row = rackRowOf(database, bar);
    const key = row?.id ?? '';
    rows.set(key, { row, lengthMm: bar.lengthMm, count: count + (rows.get(key)?.count ?? 0) });
  }
  return [...rows.values()];
}

/** Why a change of the rack stays, as a sentence; null where it can be undone. */
function whyItStays(workshop: Workshop, move: KeptRackMove): string | null {
  if (move.undone) return 'It was undone already.';
  if (move.undoes !== null) return 'It undid another change: make that one again instead.';
  const sawn = recordedOn(workshop, move.jobs, 'bars', 'The frame');
  if (sawn !== null) return sawn;
  const short = rowsOf(workshop, move).find(({ row, count }) => (row?.count ?? 0) < count);
  if (!short) return null;
  const size = printed('barLength', short.lengthMm, RECORD_TAPE);
  return `Of the ${size} it put on the rack, ${short.row?.count ?? 0} of ${short.count} are there.`;
}

/** The last changes of the rack, newest first, each with why it stays where it cannot be undone; an undoing says itself that it stays. */
export const rackMoves = (workshop: Workshop): (KeptRackMove & { stays: string | null })[] =>
  listRackMoves(workshop.database, 12).map((move) => ({
    ...move,
    stays: move.undoes === null ? whyItStays(workshop, move) : '',
  }));

/** Undoes a change of the rack, as long as nothing rests on it: a frame that was sawn by mistake is to be sawn again. */
export const undoRackMove = write({
  asks: { moveId: idText, maker },
  act(workshop: Workshop, { moveId, maker }): Outcome<RackBar[]> {
    const { database, newId } = workshop;
    const move = findRackMove(database, moveId);
    if (!move) return refuse('There is no such change of the rack.');
    const stays = whyItStays(workshop, move);
    if (stays !== null) return refuse(`“${move.did}” stays. ${stays}`);
    for (const { row, count } of rowsOf(workshop, move))
      if (!takeRackBar(database, row!.id, count)) throw new Error(`the rack has no ${count} of ${row!.id}`);
    const { added, taken } = move.changes;
    const back = taken.map(({ bar, count }) => ({ ...bar, count }));
    for (const bar of back) addRackBar(database, { id: newId(), ...bar });
    writeRackMove(workshop, {
      maker,
      did: `Undone: ${move.did}`,
      added: back,
      taken: added.map(({ count, ...bar }) => ({ bar, count })),
      undoes: moveId,
    });
    return done(listRack(database));
  },
  again: ({ database }) => done(listRack(database)),
});
