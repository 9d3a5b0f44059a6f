'use client';
/* A note at a step, with a photograph from the camera or a file; kept in the log with the step it belongs to. */
import { useState } from 'react';
import { TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { PhotographChoice } from '../photograph/PhotographChoice';

interface NotePanelProps {
  busy: boolean;
  error: string | null;
  onKeep: (note: string, jpeg: string | null) => Promise<void>;
  onClose: () => void;
}

export function NotePanel({ busy, error, onKeep, onClose }: NotePanelProps) {
  const [note, setNote] = useState('');
  const [jpeg, setJpeg] = useState<string | null>(null);
  return (
    <Form
      className="space-y-3"
      onSend={async () => {
        await onKeep(note, jpeg);
        return null;
      }}
    >
      <TextField
        label="Note"
        hideLabel
        of="note"
        lines={4}
        autoFocus
        className="text-lg"
        placeholder="What you see here"
        value={note}
        onChange={setNote}
      />
      <PhotographChoice
        jpeg={jpeg}
        onTake={setJpeg}
        className="btn btn-outline h-[64px] w-full text-lg"
        says="The photograph that is kept with the note"
      />
      {error && (
        <p role="alert" className="text-lg">
          {error}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <SendButton className="btn btn-primary h-[64px] flex-1 text-lg" disabled={busy || (note.trim() === '' && jpeg === null)}>
          {busy ? 'Keeping' : 'Keep it'}
        </SendButton>
        <button type="button" className="btn btn-ghost h-[64px] text-lg" onClick={onClose}>
          Close
        </button>
      </div>
    </Form>
  );
}
