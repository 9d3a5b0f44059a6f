'use client';
/* This canvas’s own past: every tension, turn and remedy, with what came of it; taps as WAV files. */
import { bare, printed } from '@/core/quantities/printed';
import { format } from 'date-fns';
import { useState } from 'react';
import { CORNERS } from '@/core/frame/square/corners';
import type { TensionReading } from '@/core/log/jobHistory';
import { tensionWords } from '@/core/stages/tune/tensionWords';
import { TAP_PLACE_IDS } from '@/core/tension/tap/membraneTone';
import { REMEDIES } from '@/core/tension/remedies';
import { printFine } from '@/core/units/length';
import { useWorkshop } from '@/ui/WorkshopContext';
import { TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import type { TuneStageProps } from './tuneProps';

const TOOL_WORDS = { tap: 'by tap', weight: 'by weight', hand: 'by feel' };

export function TensionPastPanel({ jobId, plan, recordings, onWithdraw }: TuneStageProps) {
  const { tape } = useWorkshop();
  const { tensions, turns, remedies } = plan.tune.history;
  const lines = [
    ...tensions.map((one) => ({
      at: one.at,
      order: one.order,
      key: one.entryId,
      show: <Measured jobId={jobId} one={one} wav={recordings.includes(one.entryId)} onWithdraw={onWithdraw} />,
    })),
    ...turns.map(({ at, order, opened }) => ({
      at,
      order,
      key: `turn ${order}`,
      show: (
        <span>
          corners opened by {CORNERS.map((corner) => printFine(opened[corner], tape)).join(', ')} (top left, top right, bottom
          right, bottom left)
        </span>
      ),
    })),
    ...remedies.map(({ at, order, remedy, before, after }) => ({
      at,
      order,
      key: `remedy ${order}`,
      show: (
        <span>
          <strong>{REMEDIES.find(({ id }) => id === remedy)?.name ?? remedy}</strong>:{' '}
          {before ? tensionWords(before.nPerM, before.sdNPerM) : 'not measured'} before,{' '}
          {after ? tensionWords(after.nPerM, after.sdNPerM) : 'not measured yet'} after
        </span>
      ),
    })),
  ].sort((one, other) => other.order - one.order);
  if (lines.length === 0)
    return <p className="soft text-[14.5px]">Nothing is measured yet. What is kept here is what later slack is compared with.</p>;
  return (
    <ol className="figure text-[14px]">
      {lines.map(({ at, key, show }) => (
        <li key={key} className="hair-b flex flex-wrap gap-x-4 py-1">
          <time dateTime={at} className="soft w-32 flex-none">
            {format(new Date(at), 'd MMM yyyy HH:mm')}
          </time>
          {show}
        </li>
      ))}
    </ol>
  );
}

function Measured({
  jobId,
  one,
  wav,
  onWithdraw,
}: {
  jobId: string;
  one: TensionReading;
  wav: boolean;
  onWithdraw: TuneStageProps['onWithdraw'];
}) {
  const [asks, setAsks] = useState(false);
  const [reason, setReason] = useState('');
  return (
    <span className="flex flex-1 flex-wrap items-center gap-x-4">
      <span>
        <strong>{tensionWords(one.nPerM, one.sdNPerM)}</strong> {TOOL_WORDS[one.tool]}
        {one.across !== null && one.down !== null
          ? `, ${bare('tension', one.across)} across, ${bare('tension', one.down)} down`
          : ''}
        {one.rh !== null ? `, at ${printed('humidity', one.rh)}` : ''}
      </span>
      {wav &&
        TAP_PLACE_IDS.map((place) => (
          <a key={place} className="link" href={`/api/job/${jobId}/tap/${one.entryId}/${place}`} download>
            {place}.wav
          </a>
        ))}
      {wav && !asks && (
        <button type="button" className="btn btn-ghost btn-xs ml-auto h-7" onClick={() => setAsks(true)}>
          Undo this reading
        </button>
      )}
      {asks && (
        <Form
          label="Take the reading back"
          className="ml-auto flex flex-wrap items-start gap-2"
          onSend={() => onWithdraw(one.entryId, reason)}
        >
          <TextField
            label="Reason for undoing"
            hideLabel
            of="reason"
            required="Say why: it stands in the log."
            placeholder="Why"
            value={reason}
            onChange={setReason}
          />
          <SendButton className="btn btn-outline btn-sm h-9">Undo this reading</SendButton>
        </Form>
      )}
    </span>
  );
}
