'use client';
/* What can be done with a set as a whole: how it hangs, more of it, into the archive and back. */
import Link from 'next/link';
import { useState } from 'react';
import { SET_KINDS, type SetLayout } from '@/core/set/setShape';
import { arranged } from '@/core/set/setLayout';
import { byId } from '@/core/house/schools';
import type { SetPage } from '@/server/set/setPages';
import { Dialog } from '@/ui/Dialog';
import { FormDialog } from '@/ui/form/FormDialog';
import { Choice, LengthField, NumberField, TextField, Tick } from '@/ui/form/fields';
import { ActButton, FormScope, FormTrouble } from '@/ui/form/Form';
import { LabelLinks } from '../job/header/MarkLinks';
import { useWrite } from '../useWrite';

export function SetActs({ page }: { page: SetPage }) {
  const write = useWrite();
  const [open, setOpen] = useState<'hang' | 'more' | 'labels' | null>(null);
  const { canvases } = page;
  const here = canvases.filter(({ archived }) => !archived);
  const begun = canvases.filter(({ done, coatsDone }) => done.length > 0 || coatsDone > 0);
  const archive = (archived: boolean) => {
    const seen = canvases.filter((one) => one.archived !== archived).map(({ jobId, revision }) => ({ jobId, revision }));
    return write('archive', { canvases: seen, archived });
  };
  return (
    <div className="flex flex-wrap items-center gap-1">
      <Link href={`/set/${page.set.id}/cost`} prefetch={false} className="btn btn-ghost btn-sm h-9">
        What it costs
      </Link>
      <Link
        href={`/store?view=buy&${here.map(({ jobId }) => `job=${jobId}`).join('&')}`}
        prefetch={false}
        className="btn btn-ghost btn-sm h-9"
      >
        To buy
      </Link>
      <button type="button" className="btn btn-ghost btn-sm h-9" onClick={() => setOpen('labels')}>
        Labels
      </button>
      <button type="button" className="btn btn-ghost btn-sm h-9" onClick={() => setOpen('hang')}>
        Name and places
      </button>
      <button type="button" className="btn btn-ghost btn-sm h-9" onClick={() => setOpen('more')}>
        Add canvases
      </button>
      <FormScope>
        {here.length === 0 ? (
          <ActButton act={() => archive(false)}>Bring back</ActButton>
        ) : (
          begun.length === canvases.length && (
            <ActButton className="btn btn-ghost btn-sm h-9" act={() => archive(true)}>
              Archive all
            </ActButton>
          )
        )}
        <FormTrouble />
      </FormScope>
      {open === 'hang' && <HangDialog page={page} onClose={() => setOpen(null)} />}
      {open === 'more' && <MoreDialog page={page} onClose={() => setOpen(null)} />}
      {open === 'labels' && (
        <Dialog title={`Labels of all ${canvases.length}`} onClose={() => setOpen(null)}>
          <LabelLinks href={`/set/${page.set.id}/labels`} />
        </Dialog>
      )}
    </div>
  );
}

const ALIGNS = [
  { id: 'top', name: 'tops in line' },
  { id: 'middle', name: 'middles in line' },
  { id: 'bottom', name: 'feet in line' },
] as const;

/** What a set is called and where its canvases hang: in rows, or each at a place of its own. */
function HangDialog({ page: { set, canvases }, onClose }: { page: SetPage; onClose: () => void }) {
  const write = useWrite();
  const [title, setTitle] = useState(set.title);
  const [layout, setLayout] = useState<SetLayout>(set.layout);
  const free = layout.free.length > 0;
  const setFree = (on: boolean) =>
    setLayout({
      ...layout,
      free: on ? arranged(canvases, layout).map(({ x, y }) => ({ x: { mm: x, unit: 'mm' }, y: { mm: y, unit: 'mm' } })) : [],
    });
  const save = () => write('changeSet', { setId: set.id, revision: set.revision, title, layout });
  return (
    <FormDialog title="Name and places" onClose={onClose} onSend={save} does="Save">
      <TextField
        label="Title of the set"
        of="title"
        required="Give it a title, to find it by."
        className="h-11"
        value={title}
        onChange={setTitle}
      />
      {!free && (
        <div className="grid grid-cols-3 gap-3">
          <NumberField
            label="In a row"
            of="canvases"
            value={layout.columns}
            onChange={(columns) => setLayout({ ...layout, columns })}
          />
          <LengthField label="Gap" of="setGap" value={layout.gap} onChange={(gap) => setLayout({ ...layout, gap })} />
          <Choice label="In a row" value={layout.align} options={ALIGNS} onChange={(align) => setLayout({ ...layout, align })} />
        </div>
      )}
      {byId(SET_KINDS, set.kind).together && (
        <Tick label="Each at a place of its own, from the top left of the whole" checked={free} onChange={setFree} />
      )}
      {free && (
        <ul className="max-h-60 space-y-1 overflow-y-auto">
          {canvases.map(({ jobId, number }, index) => {
            const place = layout.free[index]!;
            const put = (patch: Partial<typeof place>) =>
              setLayout({ ...layout, free: layout.free.map((one, at) => (at === index ? { ...one, ...patch } : one)) });
            return (
              <li key={jobId} className="grid grid-cols-2 gap-3">
                <LengthField label={`No. ${number}, across`} of="setPlace" value={place.x} onChange={(x) => put({ x })} />
                <LengthField label={`No. ${number}, down`} of="setPlace" value={place.y} onChange={(y) => put({ y })} />
              </li>
            );
          })}
        </ul>
      )}
    </FormDialog>
  );
}

function MoreDialog({ page: { set }, onClose }: { page: SetPage; onClose: () => void }) {
  const write = useWrite();
  const [count, setCount] = useState(1);
  const grow = () => write('growSet', { setId: set.id, revision: set.revision, count });
  return (
    <FormDialog title="Add canvases" onClose={onClose} onSend={grow} does="Add them">
      <NumberField
        label="How many more, by the plan of the set"
        of="canvases"
        autoFocus
        className="h-11"
        value={count}
        onChange={setCount}
      />
    </FormDialog>
  );
}
