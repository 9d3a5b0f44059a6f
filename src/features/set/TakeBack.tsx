'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { stageById, type StageId } from '@/core/stages/stages';
import type { SetCanvas } from '@/server/setPages';
import { FormDialog } from '@/ui/FormDialog';
import { Tick } from '@/ui/fields';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import type { MeasuredRows } from './useMeasured';

interface TakeBackProps {
  canvases: readonly SetCanvas[];
  rows: MeasuredRows;
  stage: StageId;
  maker: string;
}

/** Records of this stage taken back with one reason: one of them, some, or all; they stay in the log. */
export function TakeBack({ canvases, rows, stage, maker }: TakeBackProps) {
  const router = useRouter();
  const send = useSend();
  const [open, setOpen] = useState(false);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [reason, setReason] = useState('');
  const [error, setError] = useState<string | null>(null);
  const recorded = canvases.filter(({ sheet, archived }) => sheet.record !== null && !archived);
  if (recorded.length === 0) return null;
  const going = recorded.filter(({ jobId }) => !left.has(jobId));
  const takeBack = async () => {
    setError(null);
    const entries = going.map((one) => ({
      jobId: one.jobId,
      revision: rows.revisionOf(one),
      entryId: one.sheet.record!.entryId,
    }));
    const outcome = await send('withdrawTogether', { entries, maker, reason: reason.trim() });
    if (!outcome.ok) return setError(refusalWords(outcome));
    setOpen(false);
    setReason('');
    router.refresh();
  };
  return (
    <>
      <button type="button" className="btn btn-ghost btn-sm h-9 w-full" onClick={() => setOpen(true)}>
        Take back
      </button>
      {open && (
        <FormDialog
          title={`Take back: ${stageById(stage).name}`}
          onClose={() => setOpen(false)}
          onSubmit={() => void takeBack()}
          does={`Take back ${going.length}`}
          disabled={going.length === 0 || reason.trim().length < 3}
          error={error}
        >
          <ul className="max-h-64 overflow-y-auto">
            {recorded.map(({ jobId, number, sheet }) => (
              <li key={jobId}>
                <Tick
                  label={`No. ${number}: ${sheet.record!.did}`}
                  checked={!left.has(jobId)}
                  onChange={(on) => {
                    const after = new Set(left);
                    if (on) after.delete(jobId);
                    else after.add(jobId);
                    setLeft(after);
                  }}
                />
              </li>
            ))}
          </ul>
          <label className="block">
            <span className="soft block text-[13px]">Why are they taken back? The records stay in the log.</span>
            <input
              className="input h-11 w-full"
              value={reason}
              maxLength={2000}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
        </FormDialog>
      )}
    </>
  );
}
