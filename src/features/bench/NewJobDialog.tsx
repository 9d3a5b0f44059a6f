'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { USES, type UseId, byId } from '@/core/house/schools';
import { readFaces } from '@/core/set/readFaces';
import { usualColumns } from '@/core/set/setLayout';
import { MOST_IN_SET, SET_KINDS, type SetKindId } from '@/core/set/setShape';
import { type Length, length } from '@/core/units/length';
import { parsed, refused } from '@/core/units/result';
import { Choice, LengthField, NumberField, ReadingField, TextField, TypedField } from '@/ui/form/fields';
import { FormDialog } from '@/ui/form/FormDialog';
import { useWorkshop } from '@/ui/WorkshopContext';
import { startWords } from '../howMany';
import { useWrite } from '../useWrite';

const withSuits = <Id extends string>(options: readonly { id: Id; name: string; suits: string }[]) =>
  options.map(({ id, name, suits }) => ({ id, name: `${name}: ${suits}` }));

/** Three answers start a job; everything else has a usual choice to be changed later. */
export function NewJobDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { tape } = useWorkshop();
  const write = useWrite();
  const [title, setTitle] = useState('');
  const [width, setWidth] = useState<Length | null>(null);
  const [height, setHeight] = useState<Length | null>(null);
  const [count, setCount] = useState(1);
  const [use, setUse] = useState<UseId>('new');
  const [kind, setKind] = useState<SetKindId>('same');
  const [faces, setFaces] = useState('');
  const [gap, setGap] = useState(length(20));
  const [columns, setColumns] = useState<number | null>(null);
  const several = count > 1;
  const ownFaces = several && !byId(SET_KINDS, kind).oneFace;
  const create = () => {
    if (!width || !height) return 'Type the width and the height of the face.';
    const face = { width, height };
    const name = title.trim();
    if (!several) return write('newJob', { title: name, ...face, use }, ({ id }) => router.push(`/job/${id}`));
    const own = ownFaces && faces.trim() !== '' ? readFaces(faces, tape.unit, MOST_IN_SET) : null;
    const all = own?.ok ? own.value : Array.from({ length: count }, () => face);
    const layout = {
      columns: columns ?? usualColumns(all, kind),
      gap: kind === 'panels' ? gap : length(100),
      align: 'middle' as const,
      free: [],
    };
    return write('newSet', { title: name, kind, faces: all, layout }, ({ id }) => router.push(`/set/${id}`));
  };
  return (
    <FormDialog title="New canvas" onClose={onClose} onSend={create} does={startWords(count)} staysOpen>
      <TextField
        label="Title"
        of="title"
        required="Give it a title, to find it by."
        placeholder="Harbour, evening"
        autoFocus
        className="h-11"
        value={title}
        onChange={setTitle}
      />
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-[1fr_1fr_6rem]">
        <ReadingField
          label="Face width"
          of="faceLength"
          required="Type the width of the face."
          placeholder={tape.unit === 'in' ? '36 or 2\' 6"' : '915 or 91.5 cm'}
          className="h-11"
          value={width}
          onChange={setWidth}
        />
        <ReadingField
          label="Face height"
          of="faceLength"
          required="Type the height of the face."
          placeholder={tape.unit === 'in' ? '24 3/16' : '640'}
          className="h-11"
          value={height}
          onChange={setHeight}
        />
        <NumberField label="How many" of="canvases" unit="" className="h-11" value={count} onChange={setCount} />
      </div>
      {several ? (
        <Choice label="They are" value={kind} options={withSuits(SET_KINDS)} onChange={setKind} />
      ) : (
        <Choice label="What it is" value={use} options={withSuits(USES)} onChange={setUse} />
      )}
      {ownFaces && (
        <TypedField
          label="Faces in their order, where they differ"
          placeholder="2 of 400 × 600; 300 × 600"
          className="h-11"
          value={faces}
          print={(text) => text}
          read={(typed) => {
            const read = typed.trim() === '' ? null : readFaces(typed, tape.unit, MOST_IN_SET);
            if (read?.ok === false) return read;
            return read === null || read.value.length === count
              ? parsed(typed)
              : refused<string>(typed, `is ${read.value.length} faces`, `Type ${count}.`);
          }}
          onChange={setFaces}
        />
      )}
      {several && kind === 'panels' && (
        <div className="grid grid-cols-2 gap-3">
          <LengthField label="Gap between two" of="setGap" className="h-11" value={gap} onChange={setGap} />
          <NumberField
            label="Panels in a row"
            of="canvases"
            unit=""
            placeholder={String(count)}
            className="h-11"
            value={columns}
            onChange={setColumns}
            onClear={() => setColumns(null)}
          />
        </div>
      )}
      <p className="soft text-[13px]">A bare number is read in {tape.unit}; any unit may be typed.</p>
    </FormDialog>
  );
}
