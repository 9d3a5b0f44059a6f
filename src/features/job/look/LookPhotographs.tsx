'use client';
/* Photographs of a painting as it was looked at, kept in the log with what they show. */
import { useState } from 'react';
import { LOOK_PHOTOGRAPH } from '@/core/log/logEntry';
import { TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { useAwake } from '@/ui/useAwake';
import { PhotographChoice } from '../../photograph/PhotographChoice';
import type { Keep } from '../record/keep';

interface LookPhotographsProps {
  jobId: string;
  photographs: readonly string[];
  onKeep: Keep;
}

export function LookPhotographs({ jobId, photographs, onKeep }: LookPhotographsProps) {
  const awake = useAwake();
  const [jpeg, setJpeg] = useState<string | null>(null);
  const [note, setNote] = useState('');
  const keep = () =>
    onKeep('keepNote', { stage: 'look', step: LOOK_PHOTOGRAPH, says: 'of the look', note, jpeg }, () => {
      setJpeg(null);
      setNote('');
    });
  return (
    <Form label="Photographs of the look" className="no-print mt-2 flex flex-wrap items-start gap-3" onSend={keep}>
      <PhotographChoice
        jpeg={jpeg}
        onTake={setJpeg}
        className="btn btn-outline btn-sm h-9"
        says="The photograph that is kept with the look"
        disabled={!awake}
      />
      {jpeg && (
        <>
          <div className="min-w-40 flex-1">
            <TextField
              label="What the photograph shows"
              hideLabel
              of="remark"
              placeholder="what it shows: front in raking light, the lower edge"
              value={note}
              onChange={setNote}
            />
          </div>
          <SendButton className="btn btn-primary btn-sm h-9">Keep the photograph</SendButton>
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
    </Form>
  );
}
