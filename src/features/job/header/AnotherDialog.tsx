'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormDialog } from '@/ui/form/FormDialog';
import { NumberField, TextField } from '@/ui/form/fields';
import { goToBegun, startWords } from '../../howMany';
import { useWrite } from '../../useWrite';

/** Another canvas like this one, or several: its plan, without what was read and done. */
export function AnotherDialog({ jobId, title: first, onClose }: { jobId: string; title: string; onClose: () => void }) {
  const router = useRouter();
  const write = useWrite();
  const [title, setTitle] = useState(first);
  const [count, setCount] = useState(1);
  const begin = () => write('copyJob', { jobId, title: title.trim(), count }, (begun) => goToBegun(router, begun));
  return (
    <FormDialog title="Another like this" onClose={onClose} onSend={begin} does={startWords(count)} staysOpen>
      <TextField
        label="Title of the new one"
        of="title"
        required="Give it a title, to find it by."
        autoFocus
        className="h-11"
        value={title}
        onChange={setTitle}
      />
      <NumberField label="How many" of="canvases" className="h-11" value={count} onChange={setCount} />
      <p className="soft text-[14px]">
        Brief, bars, cloth, route and ground are taken over as they are planned here; readings, ticks, notes and the day it is
        wanted are not.
      </p>
    </FormDialog>
  );
}
