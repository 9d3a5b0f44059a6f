'use client';
import { useState } from 'react';
import { format } from 'date-fns';
import { Printer } from 'lucide-react';
import type { LogEntry } from '@/core/log/logEntry';
import { heldForConservator } from '@/core/case/gate';
import { worstLevel, type Verdict } from '@/core/job/verdict';
import { TextField } from '@/ui/form/fields';
import { Form, SendButton, useForm } from '@/ui/form/Form';
import { NoteAndMaker } from './NoteAndMaker';
import { byWords } from '../stageWords';

/** The note of a record, and why a stop was overruled. */
export interface RecordWords {
  note: string;
  reason: string;
}
export const NO_WORDS: RecordWords = { note: '', reason: '' };

interface RecordBarProps {
  label: string;
  verdicts: readonly Verdict[];
  /** The stage may not be recorded yet, and why. */
  early: string | null;
  busy: boolean;
  error: string | null;
  /** What was typed so far: it outlives a look at another stage. */
  words: RecordWords;
  onWords: (words: RecordWords) => void;
  onRecord: (note: string, reason: string) => Promise<void>;
  onPrint: () => void;
  /** What was recorded last of a stage that goes on, such as the coat before; it can be taken back at once. */
  last: LogEntry | null;
  onWithdraw: (reason: string) => void;
}

/** The one main action of a stage. A stop verdict asks for a reason, a field that cannot be read comes first. */
export function RecordBar(props: RecordBarProps) {
  const { label, verdicts, early, busy, error, words, onWords, onRecord, onPrint, last, onWithdraw } = props;
  const { note, reason } = words;
  const slip = useForm();
  const held = heldForConservator(verdicts);
  const stopped = worstLevel(verdicts) === 'stop';
  const blocked = early ?? held?.doThis ?? slip.mend;
  const record = async () => {
    if (!blocked && !busy) await onRecord(note, reason);
    return null;
  };
  return (
    <Form className="hair-t no-print space-y-2 pt-2.5" onSend={record}>
      {stopped && !early && !held && (
        <>
          <p className="text-[13px] text-error">A check says stop. To continue, give a reason:</p>
          <TextField
            label="Reason for going on"
            hideLabel
            of="reason"
            value={reason}
            onChange={(to) => onWords({ note, reason: to })}
          />
        </>
      )}
      <NoteAndMaker note={note} placeholder="Note" onNote={(to) => onWords({ note: to, reason })} />
      {(blocked || error) && (
        <p role={error ? 'alert' : undefined} className={`text-[13.5px] ${error ? 'text-error' : 'soft'}`}>
          {error ?? blocked}
        </p>
      )}
      {last && <TakeBackLast last={last} busy={busy} onWithdraw={onWithdraw} />}
      <div className="flex gap-2">
        <PrintButton onPrint={onPrint} />
        <SendButton
          className="btn btn-primary h-11 flex-1 text-base"
          disabled={blocked !== null || busy || (stopped && reason.trim().length < 3)}
        >
          {busy ? 'Recording' : label}
        </SendButton>
      </div>
    </Form>
  );
}

/** The coat before, with the way to take it back with a reason. */
function TakeBackLast({ last, busy, onWithdraw }: { last: LogEntry; busy: boolean; onWithdraw: (reason: string) => void }) {
  const [reason, setReason] = useState<string | null>(null);
  return (
    <div className="flex flex-wrap items-center gap-2 text-[13.5px]">
      <span className="soft min-w-0 flex-1">
        {last.did}, {format(new Date(last.at), 'EEE d MMM HH:mm')}
      </span>
      {reason !== null && (
        <div className="w-full">
          <TextField
            label="Reason for undoing"
            hideLabel
            of="reason"
            placeholder="Why is it undone?"
            value={reason}
            onChange={setReason}
          />
        </div>
      )}
      <button
        type="button"
        className="btn btn-ghost btn-sm h-9"
        disabled={busy || (reason !== null && reason.trim().length < 3)}
        onClick={() => (reason === null ? setReason('') : onWithdraw(reason))}
      >
        {reason === null ? 'Undo this record' : 'Undo it now'}
      </button>
    </div>
  );
}

interface RecordedProps {
  entry: LogEntry;
  /** Why it cannot be taken back now, or null. */
  keeps: string | null;
  busy: boolean;
  error: string | null;
  onWithdraw: (reason: string) => void;
  onPrint: () => void;
}

/** A recorded step: by whom and when, and the way to take it back with a reason. */
export function Recorded({ entry, keeps, busy, error, onWithdraw, onPrint }: RecordedProps) {
  const [reason, setReason] = useState('');
  const [open, setOpen] = useState(false);
  return (
    <div className="hair-t no-print space-y-2 pt-2.5 text-[14px]">
      <p>
        <strong>Recorded</strong> {format(new Date(entry.at), 'EEE d MMM yyyy, HH:mm')} by {byWords(entry)}.
        {entry.note && ` “${entry.note}”`}
        {entry.reason && <span className="text-warning"> Continued because: {entry.reason}</span>}
      </p>
      {error && (
        <p role="alert" className="text-error">
          {error}
        </p>
      )}
      {open && (
        <>
          <p className="soft text-[13px]">Why is it undone? The record stays in the log.</p>
          <TextField label="Reason for undoing" hideLabel of="reason" value={reason} onChange={setReason} />
        </>
      )}
      <div className="flex gap-2">
        <PrintButton onPrint={onPrint} />
        <button
          type="button"
          className="btn btn-outline h-11 flex-1"
          disabled={keeps !== null || busy || (open && reason.trim().length < 3)}
          title={keeps ?? undefined}
          onClick={() => (open ? onWithdraw(reason) : setOpen(true))}
        >
          {open ? 'Undo it now' : 'Undo this record'}
        </button>
      </div>
      {keeps && <p className="soft text-[13px]">{keeps}</p>}
    </div>
  );
}

function PrintButton({ onPrint }: { onPrint: () => void }) {
  return (
    <button
      type="button"
      className="btn btn-outline h-11 w-14 px-0"
      aria-label="Print the job slip"
      title="Print the job slip"
      onClick={onPrint}
    >
      <Printer aria-hidden className="size-5" />
    </button>
  );
}
