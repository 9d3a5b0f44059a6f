import { format } from 'date-fns';

/** What came and went last in a store; the whole list is kept and never changed. */
export function MoveList({ moves }: { moves: readonly { id: string; at: string; maker: string; did: string }[] }) {
  if (moves.length === 0) return null;
  return (
    <section aria-label="Came and went" className="mt-4">
      <h2 className="text-[17px] font-semibold">Came and went</h2>
      <ul className="text-[14px] leading-5">
        {moves.map((move) => (
          <li key={move.id} className="hair-b py-1">
            {move.did}
            <span className="figure soft block text-[13px]">
              {format(new Date(move.at), 'd MMM yyyy HH:mm')}, {move.maker}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
