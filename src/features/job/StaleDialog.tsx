'use client';
import type { JobInputs } from '@/core/job/job';
import { printTyped } from '@/core/units/length';
import type { StoredJob } from '@/db/jobs';
import { Dialog } from '@/ui/Dialog';

export interface Difference {
  field: string;
  mine: string;
  theirs: string;
}

function shown(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'empty';
  if (typeof value === 'object' && 'mm' in value && 'unit' in value) return printTyped(value as Parameters<typeof printTyped>[0]);
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

const words = (key: string) => key.replace(/([A-Z])/g, ' $1').toLowerCase();

/** Fields in which two versions of a job differ, as words. */
export function differences(mine: JobInputs, theirs: JobInputs): Difference[] {
  return (Object.keys(mine) as (keyof JobInputs)[]).flatMap((stage) => {
    if (stage === 'kit')
      return JSON.stringify(mine.kit) === JSON.stringify(theirs.kit)
        ? []
        : [{ field: 'kit', mine: `${mine.kit.length} ticked`, theirs: `${theirs.kit.length} ticked` }];
    const [a, b] = [{ ...mine[stage] } as Record<string, unknown>, { ...theirs[stage] } as Record<string, unknown>];
    return Object.keys(a)
      .filter((key) => JSON.stringify(a[key]) !== JSON.stringify(b[key]))
      .map((key) => ({ field: `${stage}, ${words(key)}`, mine: shown(a[key]), theirs: shown(b[key]) }));
  });
}

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
  const rows = differences(mine, theirs.inputs);
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
