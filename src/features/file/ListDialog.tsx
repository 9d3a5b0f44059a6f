import type { ListLook } from '@/server/lists/listWrites';
import { Dialog } from '@/ui/Dialog';

const SIGNS = { new: '+', changed: '≠', gone: '−', same: '=' } as const;
const WORDS = { new: 'new', changed: 'changed', gone: 'gone', same: 'as it is' } as const;

/** How many lines do what: “3 new, 1 changed”. */
export function countWords(counts: ListLook['counts']): string {
  const said = (['new', 'changed', 'gone', 'same'] as const).flatMap((what) =>
    counts[what] > 0 ? `${counts[what]} ${WORDS[what]}` : [],
  );
  return said.join(', ') || 'nothing in it';
}

interface ListDialogProps {
  fileName: string;
  look: ListLook;
  onClose: () => void;
  onTakeIn: () => void;
}

/** What a file would do, line by line, before it is taken in. */
export function ListDialog({ fileName, look: { counts, changes, ignored }, onClose, onTakeIn }: ListDialogProps) {
  const all = counts.new + counts.changed + counts.gone;
  return (
    <Dialog title={all === 0 ? 'Nothing would change' : `Import ${fileName}?`} onClose={onClose} wide>
      <p className="figure text-[17px] font-semibold">{countWords(counts)}</p>
      {ignored.length > 0 && <p className="soft mt-1 text-[14.5px]">Nothing is read from {ignored.join(', ')}.</p>}
      {changes.length > 0 && (
        <ul className="figure mt-2 max-h-80 overflow-y-auto text-[15px]" tabIndex={0} aria-label="What would change">
          {changes.map(({ line, what, says }, index) => (
            <li key={index} className="hair-b flex gap-3 py-1">
              <span className="soft w-14 shrink-0 text-right text-[13px] leading-6">{line === null ? '' : `line ${line}`}</span>
              <span className="w-4 shrink-0 font-semibold" aria-hidden>
                {SIGNS[what]}
              </span>
              <span className="sr-only">{WORDS[what]}</span>
              <span className={`min-w-0 break-words ${what === 'gone' ? 'line-through' : ''}`}>{says}</span>
            </li>
          ))}
        </ul>
      )}
      {all > changes.length && <p className="soft mt-1 text-[14.5px]">and {all - changes.length} more</p>}
      <div className="mt-4 flex justify-end gap-2">
        <button type="button" className="btn btn-outline h-11" onClick={onClose}>
          Cancel
        </button>
        {all > 0 && (
          <button type="button" className="btn btn-primary h-11" onClick={onTakeIn}>
            Import
          </button>
        )}
      </div>
    </Dialog>
  );
}
