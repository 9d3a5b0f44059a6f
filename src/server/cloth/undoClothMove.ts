import { isDeepStrictEqual } from 'node:util';
import { idText } from '@/core/job/job';
import {
  type KeptClothMove,
  type StoredCloth,
  findCloth,
  findClothMove,
  listCloth,
  listClothMoves,
  putClothBack,
} from '@/db/clothSheets';
import { recordedOn } from '../job/recordedOn';
import { maker } from '../write/asked';
import { type Outcome, done, refuse } from '../write/outcome';
import { write } from '../write/write';
import type { Workshop } from '../workshop';
import { writeClothMove } from './clothMove';

/** Why a change of the cloth in store stays, as a sentence; null where it can be undone. */
function whyItStays(workshop: Workshop, move: KeptClothMove): string | null {
  const { database } = workshop;
  if (move.undone) return 'It was undone already.';
  if (move.undoes !== null) return 'It undid another change: make that one again instead.';
  const cut = recordedOn(
    workshop,
    move.cuts.map(({ job }) => job),
    'cloth',
    'The cloth',
  );
  if (cut !== null) return cut;
  const { before, after } = move.changes;
  const changed = after.find((cloth) => {
    const now = findCloth(database, cloth.id);
    return !now || now.gone || now.lengthMm !== cloth.lengthMm || !isDeepStrictEqual(now.flaws, cloth.flaws);
  });
  if (changed) return `${changed.tag} has changed since.`;
  const back = before.find(({ id }) => !after.some((cloth) => cloth.id === id) && !findCloth(database, id)?.gone);
  return back ? `${back.tag} is in stock again.` : null;
}

/** The last changes of the cloth in store, newest first, each with why it stays where it cannot be undone; an undoing says itself that it stays. */
export const clothMoves = (workshop: Workshop): (KeptClothMove & { stays: string | null })[] =>
  listClothMoves(workshop.database, 12).map((move) => ({
    ...move,
    stays: move.undoes === null ? whyItStays(workshop, move) : '',
  }));

/** Undoes a change of the cloth in store, as long as nothing rests on it: a piece that was cut by mistake is whole again. */
export const undoClothMove = write({
  asks: { moveId: idText, maker },
  act(workshop: Workshop, { moveId, maker }): Outcome<StoredCloth[]> {
    const { database } = workshop;
    const move = findClothMove(database, moveId);
    if (!move) return refuse('There is no such change of the cloth.');
    const stays = whyItStays(workshop, move);
    if (stays !== null) return refuse(`“${move.did}” stays. ${stays}`);
    const { before, after } = move.changes;
    for (const cloth of after) if (!before.some(({ id }) => id === cloth.id)) putClothBack(database, cloth, true);
    for (const cloth of before) putClothBack(database, cloth, false);
    writeClothMove(workshop, { maker, did: `Undone: ${move.did}`, before: after, after: before, undoes: moveId });
    return done(listCloth(database));
  },
  again: ({ database }) => done(listCloth(database)),
});
