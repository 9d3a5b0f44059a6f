'use client';
/* What can be done with a set as a whole: how it hangs, more of it, into the archive and back. */
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { SET_KINDS, type SetLayout } from '@/core/set/setShape';
import { arranged } from '@/core/set/setLayout';
import { byId } from '@/core/house/schools';
import type { SetPage } from '@/server/setPages';
import { Dialog } from '@/ui/Dialog';
import { FormDialog } from '@/ui/FormDialog';
import { Choice, LengthField, NumberField, Tick } from '@/ui/fields';
import { countTrouble } from '../howMany';
import { LabelLinks } from '../job/MarkLinks';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';

export function SetActs({ page }: { page: SetPage }) {
  const router = useRouter();
  const send = useSend();
  const [open, setOpen] = useState<'hang' | 'more' | 'labels' | null>(null);
  const [error, setError] = useState<string | null>(null);
  const { canvases } = page;
  const here = canvases.filter(({ archived }) => !archived);
  const begun = canvases.filter(({ done, coatsDone }) => done.length > 0 || coatsDone > 0);
  const archive = async (archived: boolean) => {
    const seen = canvases.filter((one) => one.archived !== archived).map(({ jobId, revision }) => ({ jobId, revision }));
    const outcome = await send('archive', { canvases: seen, archived });
    setError(outcome.ok ? null : refusalWords(outcome));
    router.refresh();
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
        More of them
      </button>
      {here.length === 0 ? (
        <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => void archive(false)}>
          Bring back
        </button>
      ) : (
        begun.length === canvases.length && (
          <button type="button" className="btn btn-ghost btn-sm h-9" onClick={() => void archive(true)}>
            Archive all
          </button>
        )
      )}
      {error !== null && (
        <span role="alert" className="text-[14px] text-error">
          {error}
        </span>
      )}
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
  const router = useRouter();
  const send = useSend();
  const [title, setTitle] = useState(set.title);
  const [layout, setLayout] = useState<SetLayout>(set.layout);
  const [error, setError] = useState<string | null>(null);
  const free = layout.free.length > 0;
  const setFree = (on: boolean) =>
    setLayout({
      ...layout,
      free: on ? arranged(canvases, layout).map(({ x, y }) => ({ x: { mm: x, unit: 'mm' }, y: { mm: y, unit: 'mm' } })) : [],
    });
  const save = async () => {
    const outcome = await send('changeSet', { setId: set.id, revision: set.revision, title, layout });
    if (!outcome.ok) return setError(refusalWords(outcome));
    router.refresh();
    onClose();
  };
  return (
    <FormDialog title="Name and places" onClose={onClose} onSubmit={() => void save()} does="Save" error={error}>
      <label className="block">
        <span className="soft block text-[13px]">Title of the set</span>
        <input
          className="input h-11 w-full"
          value={title}
          maxLength={120}
          autoComplete="off"
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      {!free && (
        <div className="grid grid-cols-3 gap-3">
          <NumberField
            label="In a row"
            of="canvases"
            value={layout.columns}
            onChange={(columns) => setLayout({ ...layout, columns: Math.round(columns) })}
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
  const router = useRouter();
  const send = useSend();
  const [count, setCount] = useState('1');
  const [error, setError] = useState<string | null>(null);
  const grow = async () => {
    const wrong = countTrouble(count);
    setError(wrong);
    if (wrong !== null) return;
    const outcome = await send('growSet', { setId: set.id, revision: set.revision, count: Number(count) });
    if (!outcome.ok) return setError(refusalWords(outcome));
    router.refresh();
    onClose();
  };
  return (
    <FormDialog title="More of them" onClose={onClose} onSubmit={() => void grow()} does="Add them" error={error}>
      <label className="block">
        <span className="soft block text-[13px]">How many more, by the plan of the set</span>
        <input
          className="figure input h-11 w-28"
          inputMode="numeric"
          value={count}
          autoFocus
          autoComplete="off"
          onChange={(event) => setCount(event.target.value)}
        />
      </label>
    </FormDialog>
  );
}
