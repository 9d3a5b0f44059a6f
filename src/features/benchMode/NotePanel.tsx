'use client';
/* A note at a step, with a photograph from the camera or a file; kept in the log with the step it belongs to. */
import { useState } from 'react';
import { PhotographChoice } from '../photograph/PhotographChoice';

interface NotePanelProps {
  busy: boolean;
  error: string | null;
  onKeep: (note: string, jpeg: string | null) => void;
  onClose: () => void;
}

export function NotePanel({ busy, error, onKeep, onClose }: NotePanelProps) {
  const [note, setNote] = useState('');
  const [jpeg, setJpeg] = useState<string | null>(null);
  return (
    <form
      aria-label="Note"
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(note, jpeg);
      }}
    >
      <textarea
        autoFocus
        className="textarea min-h-28 w-full text-lg"
        aria-label="Note"
        placeholder="What you see here"
        value={note}
        maxLength={2000}
        onChange={(event) => setNote(event.target.value)}
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
        <button
          type="submit"
          className="btn btn-primary h-[64px] flex-1 text-lg"
          disabled={busy || (note.trim() === '' && jpeg === null)}
        >
          {busy ? 'Keeping' : 'Keep it'}
        </button>
        <button type="button" className="btn btn-ghost h-[64px] text-lg" onClick={onClose}>
          Close
        </button>
      </div>
    </form>
  );
}
