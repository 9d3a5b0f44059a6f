'use client';
/* Photographs of a painting as it was looked at, kept in the log with what they show. */
import { useState } from 'react';
import { LOOK_PHOTOGRAPH } from '@/core/log/logEntry';
import { useAwake } from '@/ui/useAwake';
import { PhotographChoice } from '../../photograph/PhotographChoice';
import type { Keep } from '../keep';

interface LookPhotographsProps {
  jobId: string;
  photographs: readonly string[];
  onKeep: Keep;
}

export function LookPhotographs({ jobId, photographs, onKeep }: LookPhotographsProps) {
  const awake = useAwake();
  const [jpeg, setJpeg] = useState<string | null>(null);
  const [note, setNote] = useState('');
  const [busy, setBusy] = useState(false);
  const keep = async () => {
    setBusy(true);
    const kept = await onKeep('keepNote', { stage: 'look', step: LOOK_PHOTOGRAPH, says: 'of the look', note, jpeg });
    setBusy(false);
    if (!kept) return;
    setJpeg(null);
    setNote('');
  };
  return (
    <div className="no-print mt-2 flex flex-wrap items-start gap-3">
      <PhotographChoice
        jpeg={jpeg}
        onTake={setJpeg}
        className="btn btn-outline btn-sm h-9"
        says="The photograph that is kept with the look"
        disabled={!awake || busy}
      />
      {jpeg && (
        <>
          <input
            className="input input-sm h-9 min-w-40 flex-1"
            aria-label="What the photograph shows"
            placeholder="what it shows: front in raking light, the lower edge"
            maxLength={200}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <button type="button" className="btn btn-primary btn-sm h-9" disabled={busy} onClick={() => void keep()}>
            {busy ? 'Keeping' : 'Keep the photograph'}
          </button>
        </>
      )}
      {photographs.map((entry, index) => (
        <a key={entry} href={`/api/job/${jobId}/photograph/${entry}`} target="_blank" rel="noreferrer">
          {/* eslint-disable-next-line @next/next/no-img-element -- it comes from the workshop’s own file */}
          <img
            src={`/api/job/${jobId}/photograph/${entry}`}
            alt={`Photograph ${index + 1} of the look`}
            loading="lazy"
            className="h-20 w-auto"
          />
        </a>
      ))}
    </div>
  );
}
