'use client';
/* Finished canvases: found by title, size, place, owner, number, day or cloth; those to look at again. */
import { printed, printedRange } from '@/core/quantities/printed';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { format } from 'date-fns';
import { QrCode } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { printSize } from '@/core/units/length';
import type { CanvasFilter, CanvasPage } from '@/server/life/canvasPage';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { FileButton } from '@/ui/form/FileButton';
import { useAwake } from '@/ui/useAwake';
import type { TakenIn } from '@/server/job/jobWrites';
import { fileText } from '../fileText';
import { TakenInNotice } from '../TakenInNotice';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import { ElsewhereDialog } from './ElsewhereDialog';
import { ScanDialog } from './ScanDialog';
import { MiniCanvas } from '../bench/MiniCanvas';

/** A pause in typing after which is asked, ms. */
const PAUSE_MS = 180;

const addressOf = (find: string, filter: CanvasFilter, from = 0): string => {
  const asked = new URLSearchParams({
    ...(find ? { find } : {}),
    ...(filter === 'all' ? {} : { show: filter }),
    ...(from > 0 ? { from: String(from) } : {}),
  });
  return asked.size > 0 ? `/canvases?${asked.toString()}` : '/canvases';
};

export function CanvasesPage({ page }: { page: CanvasPage }) {
  const { tape, maker, looksOn } = useWorkshop();
  const send = useSend();
  const awake = useAwake();
  const [scans, setScans] = useState(false);
  const [adds, setAdds] = useState(false);
  const [says, setSays] = useState<string | null>(null);
  const router = useRouter();
  const [typed, setTyped] = useState(page.find);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => () => void (timer.current && clearTimeout(timer.current)), []);
  const [unlike, setUnlike] = useState<TakenIn | null>(null);
  const take = async (file: File) => {
    setSays(null);
    setUnlike(null);
    const read = await fileText(file);
    if (!read.ok) return setSays(read.says);
    const outcome = await send('takePassport', { text: read.text, maker });
    if (outcome.ok)
      return outcome.value.unlike.length > 0 ? setUnlike(outcome.value) : router.push(`/job/${outcome.value.id}/life`);
    setSays(`${file.name} was not imported. ${refusalWords(outcome)}`);
  };
  const { rows, count, filter, from, most, lookAgain, dampFrom } = page;
  const filters: { id: CanvasFilter; name: string }[] = [
    { id: 'all', name: 'All' },
    {
      id: 'unseen',
      name: `Not looked at for ${lookAgain % 12 === 0 ? `${lookAgain / 12} year${lookAgain === 12 ? '' : 's'}` : `${lookAgain} months`}`,
    },
    { id: 'damp', name: `Hangs damp, ${printed('humidity', dampFrom)} and more` },
  ];
  const scale = Math.min(1, ...rows.map(({ widthMm, heightMm }) => Math.min(70 / widthMm, 46 / heightMm)));
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <header className="hair-b flex flex-wrap items-center gap-x-6 gap-y-2 px-5 py-2">
        <h1 className="text-[22px] leading-7 font-semibold">Finished canvases</h1>
        <input
          type="search"
          className="input input-sm h-9 w-72 max-w-full"
          aria-label="Find a canvas"
          placeholder="Title, place, owner, size, day"
          value={typed}
          onChange={(event) => {
            const find = event.target.value;
            setTyped(find);
            if (timer.current) clearTimeout(timer.current);
            timer.current = setTimeout(() => router.replace(addressOf(find.trim(), filter)), PAUSE_MS);
          }}
        />
        <nav aria-label="Which canvases" className="flex flex-wrap gap-x-5 text-[15px]">
          {filters.map(({ id, name }) => (
            <Link
              key={id}
              href={addressOf(page.find, id)}
              prefetch={false}
              aria-current={id === filter ? 'page' : undefined}
              className={`border-b-[3px] py-1 ${id === filter ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
            >
              {name}
            </Link>
          ))}
        </nav>
        <div className="ml-auto flex flex-wrap gap-2">
          <button type="button" className="btn btn-outline btn-sm h-9" disabled={!awake} onClick={() => setScans(true)}>
            <QrCode aria-hidden className="size-4" /> Scan a label
          </button>
          {!looksOn && (
            <button type="button" className="btn btn-outline btn-sm h-9" disabled={!awake} onClick={() => setAdds(true)}>
              Add a canvas made elsewhere
            </button>
          )}
          {!looksOn && (
            <FileButton label="Passport" disabled={!awake} onFile={(file) => void take(file)}>
              Import a passport
            </FileButton>
          )}
        </div>
        {says && (
          <p role="alert" className="w-full text-[14px] text-error">
            {says}
          </p>
        )}
        {unlike && <TakenInNotice canvas={unlike} href={`/job/${unlike.id}/life`} />}
      </header>
      {adds && <ElsewhereDialog onClose={() => setAdds(false)} />}
      {scans && <ScanDialog onClose={() => setScans(false)} />}
      <div className="min-h-0 flex-1 overflow-auto bg-base-100 px-5 py-2">
        {rows.length === 0 ? (
          <p className="py-3 text-[15px]">
            {page.find
              ? `No canvas that went out has “${page.find}”.`
              : filter === 'all'
                ? 'No canvas is out: one comes here when its hand-over is recorded, and leaves when it is taken down.'
                : 'None.'}
          </p>
        ) : (
          <table className="figure w-full text-[15px]">
            <thead className="soft text-left text-[13px]">
              <tr className="hair-b">
                <th className="w-20 font-normal">
                  <span className="sr-only">drawn</span>
                </th>
                <th className="font-normal">canvas</th>
                <th className="hidden font-normal sm:table-cell">hangs</th>
                <th className="hidden font-normal sm:table-cell">air there</th>
                <th className="hidden font-normal sm:table-cell">went out</th>
                <th className="font-normal">looked at</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.id} className="hair-b">
                  <td className="py-1">
                    <MiniCanvas row={{ ...row, done: [] }} scale={scale} cell={{ width: 72, height: 48 }} />
                  </td>
                  <td className="py-1 pr-4">
                    <Link href={`/job/${row.id}/life`} prefetch={false} className="link link-hover font-semibold">
                      {row.title}
                    </Link>
                    <span className="soft block text-[13.5px]">
                      No. {row.number}, <Figure>{printSize(row.widthMm, row.heightMm, tape)}</Figure>
                    </span>
                  </td>
                  <td className="hidden pr-4 sm:table-cell">
                    {row.hangs ? (
                      [row.hangs.place, row.hangs.owner].filter(Boolean).join(', ') || '–'
                    ) : (
                      <span className="soft">not recorded</span>
                    )}
                  </td>
                  <td
                    className={`hidden pr-4 whitespace-nowrap sm:table-cell ${row.hangs && row.hangs.mostRh >= dampFrom ? 'font-semibold text-warning' : ''}`}
                  >
                    {row.hangs ? printedRange('humidity', row.hangs.leastRh, row.hangs.mostRh) : ''}
                  </td>
                  <td className="hidden pr-4 whitespace-nowrap sm:table-cell">{format(new Date(row.handedAt), 'd MMM yyyy')}</td>
                  <td className="whitespace-nowrap">{row.lookedAt ? format(new Date(row.lookedAt), 'd MMM yyyy') : ''}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="soft flex gap-4 py-2 text-[14px]" role="status">
          {count} {count === 1 ? 'canvas' : 'canvases'}
          {from > 0 && (
            <Link className="link" href={addressOf(page.find, filter, Math.max(0, from - most))}>
              the ones before
            </Link>
          )}
          {from + most < count && (
            <Link className="link" href={addressOf(page.find, filter, from + most)}>
              more
            </Link>
          )}
        </p>
      </div>
    </main>
  );
}
