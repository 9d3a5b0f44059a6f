'use client';
/* The record of a stage at the bench: what speaks against it, gravest first, and one large button. */
import { useState } from 'react';
import { heldForConservator } from '@/core/case/gate';
import { type Verdict, worstLevel } from '@/core/job/verdict';
import { MakerSelect } from '@/ui/form/MakerSelect';
import { TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';

interface RecordPanelProps {
  label: string;
  verdicts: readonly Verdict[];
  /** Why nothing is recorded now, or null. */
  early: string | null;
  done: boolean;
  busy: boolean;
  error: string | null;
  onRecord: (reason: string) => Promise<void>;
}

const LEVELS = { stop: 'Stop. ', watch: 'Watch. ', good: '' } as const;

export function RecordPanel({ label, verdicts, early, done, busy, error, onRecord }: RecordPanelProps) {
  const [reason, setReason] = useState('');
  const held = heldForConservator(verdicts);
  const stopped = worstLevel(verdicts) === 'stop';
  const blocked = early ?? held?.doThis ?? null;
  const grave = [...verdicts.filter(({ level }) => level === 'stop'), ...verdicts.filter(({ level }) => level === 'watch')];
  if (done) return null;
  return (
    <Form
      className="space-y-3"
      onSend={async () => {
        if (!blocked && !busy && !(stopped && reason.trim().length < 3)) await onRecord(reason);
        return null;
      }}
    >
      <ul className="max-h-[26dvh] space-y-1.5 overflow-y-auto text-lg leading-6" data-testid="bench-verdicts">
        {grave.map((one) => (
          <li key={one.id}>
            <strong>{LEVELS[one.level]}</strong>
            <Figure>{one.says}</Figure>
            {one.doThis !== '' && <Figure>{` ${one.doThis}`}</Figure>}
          </li>
        ))}
      </ul>
      {stopped && !blocked && (
        <>
          <p className="text-lg">Go on only with a reason:</p>
          <TextField
            label="Reason for going on"
            hideLabel
            of="reason"
            className="h-[56px] text-lg"
            value={reason}
            onChange={setReason}
          />
        </>
      )}
      {(blocked ?? error) && (
        <p role={error ? 'alert' : undefined} className="text-lg">
          {error ?? blocked}
        </p>
      )}
      <div className="flex gap-2">
        <MakerSelect label="Done by" className="select h-[64px] w-32 text-lg" />
        <SendButton
          data-bench-record
          className="btn btn-primary h-[64px] flex-1 text-xl"
          disabled={blocked !== null || busy || (stopped && reason.trim().length < 3)}
        >
          {busy ? 'Recording' : label}
        </SendButton>
      </div>
    </Form>
  );
}
