'use client';
import { TextField } from '@/ui/form/fields';
import { MakerSelect } from '@/ui/form/MakerSelect';

interface NoteAndMakerProps {
  note: string;
  placeholder: string;
  onNote: (note: string) => void;
}

/** What goes with every record: a note, and whose hands did it. */
export function NoteAndMaker({ note, placeholder, onNote }: NoteAndMakerProps) {
  return (
    <div className="grid grid-cols-[1fr_auto] gap-2">
      <TextField label="Note" hideLabel of="note" placeholder={placeholder} value={note} onChange={onNote} />
      <MakerSelect label="Done by" className="select select-sm h-9 w-28" />
    </div>
  );
}
