'use client';
import type { JobInputs } from '@/core/job/job';
import type { StoredJob } from '@/db/jobs';
import { Dialog } from '@/ui/Dialog';
import { useWorkshop } from '@/ui/WorkshopContext';
import { differences } from './differences';

/** Somebody saved in between: both versions side by side, nothing lost until one is chosen. */
export function StaleDialog({
  mine,
  theirs,
  onTake,
}: {
  mine: JobInputs;
  theirs: StoredJob;
  onTake: (keepMine: boolean) => void;
}) {
  const { rules } = useWorkshop();
  const rows = differences(mine, theirs.inputs, rules);
  return (
    <Dialog title="Changed elsewhere in between" onClose={() => undefined} wide>
      <p className="soft mb-3">
        This job was saved from another tab or by somebody else while you typed. Nothing was overwritten. Choose which version
        goes on.
      </p>
      <table className="figure w-full text-[14.5px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">field</th>
            <th className="font-normal">here, not saved</th>
            <th className="font-normal">in the workshop now</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.field} className="hair-b">
              <td className="py-1">{row.field}</td>
              <td className="font-semibold">{row.mine}</td>
              <td>{row.theirs}</td>
            </tr>
          ))}
          {rows.length === 0 && (
            <tr>
              <td colSpan={3} className="py-1">
                What was typed is the same; a step was recorded elsewhere.
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <div className="mt-4 flex justify-end gap-2">
        <button type="button" className="btn btn-outline" onClick={() => onTake(true)}>
          Go on with mine
        </button>
        <button type="button" className="btn btn-primary" onClick={() => onTake(false)}>
          Take what is there now
        </button>
      </div>
    </Dialog>
  );
}
