import { format } from 'date-fns';
import type { LookedAt } from '@/server/file/backups';
import { Dialog } from '@/ui/Dialog';
import { printFileSize } from '@/core/units/fileSize';

interface RestoreDialogProps {
  looked: LookedAt;
  onClose: () => void;
  onRestore: () => void;
}

/** What stands in a copy beside what stands today, before one takes the place of the other. */
export function RestoreDialog({ looked: { name, then, today }, onClose, onRestore }: RestoreDialogProps) {
  const day = (iso: string | null) => (iso ? format(new Date(iso), 'd MMM yyyy, HH:mm') : 'never');
  const rows: [string, string, string][] = [
    ['last changed', day(then.lastAt), day(today.lastAt)],
    ['canvases', String(then.jobs), String(today.jobs)],
    ['entries of the log', String(then.entries), String(today.entries)],
    ['readings', String(then.readings), String(today.readings)],
    ['sounds', String(then.recordings), String(today.recordings)],
    ['size', printFileSize(then.bytes), printFileSize(today.bytes)],
  ];
  const older = then.lastAt !== null && today.lastAt !== null && then.lastAt < today.lastAt;
  return (
    <Dialog title="Restore a backup" onClose={onClose} wide>
      <p className="figure soft mb-2 break-all">{name}</p>
      <table className="figure w-full text-[15px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal" />
            <th className="font-normal">in the backup</th>
            <th className="font-normal">today</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, copied, now]) => (
            <tr key={what} className="hair-b">
              <th scope="row" className="soft py-1 text-left font-normal">
                {what}
              </th>
              <td className="font-semibold">{copied}</td>
              <td>{now}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={`mt-3 max-w-prose ${older ? 'text-warning' : 'soft'}`}>
        {older
          ? 'The backup is older: what was typed and recorded since then will not be in the workshop any more.'
          : 'No errors were found in the backup; it is of this application.'}{' '}
        Today’s workshop is backed up first, and can be restored the same way.
      </p>
      <div className="mt-4 flex justify-end gap-2">
        <button type="button" className="btn btn-outline h-11" onClick={onClose}>
          Cancel
        </button>
        <button type="button" className="btn btn-primary h-11" onClick={onRestore}>
          Restore this backup
        </button>
      </div>
    </Dialog>
  );
}
