'use client';
/* What could not be handed in yet, in sight until the workshop has it; what it did not take is asked about. */
import { format } from 'date-fns';
import { Figure } from '@/ui/drawing/Figure';
import type { Records } from './useRecords';

export function WaitingLines({ records: { waiting, again, letGo } }: { records: Records }) {
  const asked = waiting.find(({ trouble, waits }) => trouble !== null && waits);
  const away = waiting.filter(({ waits }) => waits);
  if (away.length === 0) return null;
  return (
    <div role={asked ? 'alert' : 'status'} data-testid="waiting" className="hair-b no-print px-5 py-1.5 text-[15px] text-warning">
      {asked ? (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <p className="min-w-0 flex-1">
            <strong>
              <Figure>{asked.says}</Figure>, {format(new Date(asked.doneAt), 'HH:mm')}:
            </strong>{' '}
            {asked.trouble}
          </p>
          <button type="button" className="btn btn-outline btn-sm h-11" onClick={() => void again(asked.requestId)}>
            {asked.asNow ? 'Hand it in as done now' : 'Hand it in on what stands now'}
          </button>
          <button type="button" className="btn btn-ghost btn-sm h-11" onClick={() => void letGo(asked.requestId)}>
            Discard
          </button>
        </div>
      ) : (
        <p>
          <strong>The workshop is out of reach.</strong>{' '}
          {away.some(({ keptIn }) => keptIn === 'tab')
            ? 'This browser has no room to keep it: leave this tab open until the workshop is back, else it is lost:'
            : 'Kept in this browser and handed in when it is back:'}{' '}
          <Figure>{away.map(({ says, doneAt }) => `${says} (${format(new Date(doneAt), 'HH:mm')})`).join(', ')}</Figure>
        </p>
      )}
    </div>
  );
}
