'use client';
import { useState } from 'react';
import { stageById, type StageId } from '@/core/stages/stages';
import type { SetCanvas } from '@/server/set/setPages';
import { FormDialog } from '@/ui/form/FormDialog';
import { TextField, Tick } from '@/ui/form/fields';
import { useWrite } from '../useWrite';
import type { MeasuredRows } from './useMeasured';

interface TakeBackProps {
  canvases: readonly SetCanvas[];
  rows: MeasuredRows;
  stage: StageId;
  maker: string;
}

/** Records of this stage taken back with one reason: one of them, some, or all; they stay in the log. */
export function TakeBack({ canvases, rows, stage, maker }: TakeBackProps) {
  const write = useWrite();
  const [open, setOpen] = useState(false);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [reason, setReason] = useState('');
  const recorded = canvases.filter(({ sheet, archived }) => sheet.record !== null && !archived);
  if (recorded.length === 0) return null;
  const going = recorded.filter(({ jobId }) => !left.has(jobId));
  const takeBack = () => {
    const entries = going.map((one) => ({
      jobId: one.jobId,
      revision: rows.revisionOf(one),
      entryId: one.sheet.record!.entryId,
    }));
    return write('withdrawTogether', { entries, maker, reason: reason.trim() }, () => setReason(''));
  };
  return (
    <>
      <button type="button" className="btn btn-ghost btn-sm h-9 w-full" onClick={() => setOpen(true)}>
        Undo records
      </button>
      {open && (
        <FormDialog
          title={`Undo records: ${stageById(stage).name}`}
          onClose={() => setOpen(false)}
          onSend={takeBack}
          does={`Undo ${going.length}`}
          disabled={going.length === 0}
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
          <TextField
            label="Reason for undoing; the records stay in the log"
            of="reason"
            required="Say why: it stands in the log."
            className="h-11"
            value={reason}
            onChange={setReason}
          />
        </FormDialog>
      )}
    </>
  );
}
