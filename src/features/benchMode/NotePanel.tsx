'use client';
/* A note at a step, with a photograph from the camera or a file; kept in the log with the step it belongs to. */
import { Camera } from 'lucide-react';
import { useRef, useState } from 'react';
import { photographOf } from './photograph';

interface NotePanelProps {
  busy: boolean;
  error: string | null;
  onKeep: (note: string, jpeg: string | null) => void;
  onClose: () => void;
}

export function NotePanel({ busy, error, onKeep, onClose }: NotePanelProps) {
  const [note, setNote] = useState('');
  const [jpeg, setJpeg] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File) => {
    const made = await photographOf(file);
    setWrong(made.ok ? null : made.says);
    if (made.ok) setJpeg(made.jpeg);
  };
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
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        className="sr-only"
        aria-label="Photograph, from the camera or a file"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void take(file);
        }}
      />
      {jpeg && (
        // eslint-disable-next-line @next/next/no-img-element -- it is in hand already, and nowhere else
        <img src={`data:image/jpeg;base64,${jpeg}`} alt="The photograph that is kept with the note" className="max-h-40" />
      )}
      {(wrong ?? error) && (
        <p role="alert" className="text-lg">
          {wrong ?? error}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-outline h-[64px] flex-1 text-lg" onClick={() => input.current?.click()}>
          <Camera aria-hidden className="size-6" /> {jpeg ? 'Another photograph' : 'Photograph'}
        </button>
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
