import { format } from 'date-fns';
import { ActButton, FormScope, FormTrouble } from './form/Form';

interface ListedMove {
  id: string;
  at: string;
  maker: string;
  did: string;
  /** Why it cannot be undone any more, nothing where that is plain; null where it can. */
  stays: string | null;
}

/** What came and went last in stock, each undone by one move as long as nothing rests on it; the whole list is kept. */
export function MoveList({
  moves,
  onUndo,
}: {
  moves: readonly ListedMove[];
  onUndo: (moveId: string) => Promise<string | null>;
}) {
  if (moves.length === 0) return null;
  return (
    <section aria-label="Stock movements" className="mt-4">
      <h2 className="text-[17px] font-semibold">Stock movements</h2>
      <FormScope>
        <FormTrouble />
        <ul className="text-[14px] leading-5">
          {moves.map((move) => (
            <li key={move.id} className="hair-b flex items-start gap-2 py-1">
              <span className="min-w-0 flex-1">
                {move.did}
                <span className="figure soft block text-[13px]">
                  {format(new Date(move.at), 'd MMM yyyy HH:mm')}, {move.maker}
                  {move.stays && <>. {move.stays}</>}
                </span>
              </span>
              {move.stays === null && (
                <ActButton className="btn btn-ghost btn-xs h-7" act={() => onUndo(move.id)} aria-label={`Undo: ${move.did}`}>
                  Undo
                </ActButton>
              )}
            </li>
          ))}
        </ul>
      </FormScope>
    </section>
  );
}
