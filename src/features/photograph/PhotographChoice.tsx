'use client';
/* A photograph from the camera or a picture file, shown as it will be kept. */
import { Camera } from 'lucide-react';
import { useRef, useState } from 'react';
import { photographOf } from './photograph';

interface PhotographChoiceProps {
  jpeg: string | null;
  onTake: (jpeg: string) => void;
  /** Of the button. */
  className: string;
  /** What the photograph is called aloud. */
  says: string;
  disabled?: boolean;
}

export function PhotographChoice({ jpeg, onTake, className, says, disabled }: PhotographChoiceProps) {
  const input = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async (file: File) => {
    const made = await photographOf(file);
    setWrong(made.ok ? null : made.says);
    if (made.ok) onTake(made.jpeg);
  };
  return (
    <div className="space-y-2">
      <button type="button" className={className} disabled={disabled} onClick={() => input.current?.click()}>
        <Camera aria-hidden className="size-5" /> {jpeg ? 'Another photograph' : 'Photograph'}
      </button>
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
        <img src={`data:image/jpeg;base64,${jpeg}`} alt={says} className="max-h-36" />
      )}
      {wrong && (
        <p role="alert" className="text-error">
          {wrong}
        </p>
      )}
    </div>
  );
}
