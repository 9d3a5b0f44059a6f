'use client';
import { useRouter } from 'next/navigation';
import { Dialog } from '@/ui/Dialog';
import { useWorkshop } from '@/ui/WorkshopContext';
import { differences } from '@/core/job/differences';
import type { DraftState, JobDraft } from './jobDraft';

/** Somebody saved in between: both versions side by side, nothing lost until one is chosen. */
export function StaleDialog({ state, draft }: { state: DraftState; draft: JobDraft }) {
  const router = useRouter();
  const { rules } = useWorkshop();
  const { inputs: mine, theirs, collided } = state;
  if (!theirs) return null;
  const take = (keepMine: boolean) => {
    draft.take(theirs, keepMine);
    router.refresh();
  };
  const asked = { ...theirs.inputs, ...Object.fromEntries(collided.map((stage) => [stage, mine[stage]])) };
  const rows = differences(asked, theirs.inputs, rules);
  return (
    <Dialog title="Changed elsewhere in between" onClose={() => undefined} wide>
      <p className="soft mb-3">
        This was saved from another tab or by somebody else while you typed it here. Nothing was overwritten. Choose which version
        goes on; what only one of you changed is kept either way.
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
        </tbody>
      </table>
      <div className="mt-4 flex justify-end gap-2">
        <button type="button" className="btn btn-outline" onClick={() => take(true)}>
          Go on with mine
        </button>
        <button type="button" className="btn btn-primary" onClick={() => take(false)}>
          Take what is there now
        </button>
      </div>
    </Dialog>
  );
}
