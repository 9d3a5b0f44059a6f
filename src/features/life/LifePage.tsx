'use client';
/* What became of a canvas: its tension through the years in the air of its place, what was done, and what to do now. */
import { printed } from '@/core/quantities/printed';
import Link from 'next/link';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { caseOf } from '@/core/case/jobCase';
import { creepKey } from '@/core/life/creep';
import { isInHouse, lifeOf } from '@/core/life/life';
import { lifeBand, placesOf } from '@/core/life/lifeBand';
import { type LifeGround, lifeVerdicts } from '@/core/life/lifeVerdicts';
import { lastTension, standingEntries } from '@/core/log/jobHistory';
import { mayBeDone } from '@/core/stages/look/mayBeDone';
import { isFragile } from '@/core/stages/look/care';
import { tensionWords } from '@/core/stages/tune/tensionWords';
import { FEELS } from '@/core/tension/feel';
import { printSize } from '@/core/units/length';
import type { LifeView } from '@/server/life/lifeWrites';
import { Figure } from '@/ui/drawing/Figure';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';
import { type Care, CareForm } from './CareForm';
import { type Hanging, HangingForm } from './HangingForm';
import { LifeChart } from './LifeChart';
import { type AddFinding, WorkFile } from '../job/look/WorkFile';
import type { Photographed } from './ComparePhotographs';
import { LifeLines } from './LifeLines';

/** Loaded when it is opened. */
const ComparePhotographs = dynamic(() => import('./ComparePhotographs').then((module) => module.ComparePhotographs), {
  loading: () => null,
});

/** How it felt, by the middle of the band that was kept. */
const feelWords = (nPerM: number): string => FEELS.find(({ bandNPerM: [, high] }) => nPerM < high)?.name ?? FEELS.at(-1)!.name;

const TOOLS = { tap: 'by tap', weight: 'by weight', hand: 'felt' };

export function LifePage({ view, nowMs }: { view: LifeView; nowMs: number }) {
  const { found, earlier, later, lessons, air, photographs, corners } = view;
  const [compares, setCompares] = useState(false);
  const { rules, tape, maker, looksOn } = useWorkshop();
  const write = useWrite();
  const { job } = found;
  const told = useMemo(() => {
    const here = caseOf(job, found.log, { rules, tape, lessons }, nowMs);
    const log = [...earlier.flatMap((one) => one.log), ...found.log];
    const life = lifeOf(log);
    const ground: LifeGround = {
      rules,
      response: here.plan.tune.weather,
      lesson: lessons.creep[creepKey(job.inputs.cloth.fabric, job.inputs.prime.system)] ?? null,
      painted: here.progress.painted,
      fragile: isFragile(here.inputs),
      hanging: mayBeDone('hang', here.inputs),
      keyed: here.plan.tune.opener !== null,
      nowMs,
    };
    const placeAt = placesOf(standingEntries(log).filter(({ kind }) => kind === 'hung'));
    return { here, log, life, verdicts: lifeVerdicts(life, ground), band: lifeBand(life, placeAt, ground) };
  }, [job, found.log, earlier, rules, tape, lessons, nowMs]);
  const { here, life, log, verdicts, band } = told;
  const last = life.tensions.at(-1) ?? null;
  const measured = lastTension(life);
  const stretched = here.progress.done.has('fasten') && !life.takenDown;
  const of = { jobId: job.id, revision: job.revision, maker };
  const care = (one: Care) => write('keepCare', { ...of, ...one });
  const addFinding: AddFinding = (finding) => write('keepFinding', { jobId: job.id, maker, ...finding });
  const hang = (hangs: Hanging) => write('keepHanging', { ...of, note: '', hangs });
  const { brief } = job.inputs;
  const taken: Photographed[] = [...earlier, { id: job.id, log: found.log }].flatMap((one) =>
    one.log.filter(({ id }) => photographs.includes(id)).map((entry) => ({ entry, jobId: one.id })),
  );
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      {compares && (
        <ComparePhotographs
          photographs={taken}
          corners={corners}
          face={{ widthMm: brief.width.mm, heightMm: brief.height.mm }}
          onKeep={looksOn ? null : ({ entry, jobId }, at) => write('keepCorners', { jobId, entryId: entry.id, corners: at })}
          onClose={() => setCompares(false)}
        />
      )}
      <header className="hair-b flex flex-wrap items-center gap-x-5 gap-y-1 px-5 py-2">
        <h1 className="line-clamp-1 text-[22px] leading-7 font-semibold">{brief.title}</h1>
        <p className="figure soft text-[14.5px]">
          No. {job.number} · <Figure>{printSize(brief.width.mm, brief.height.mm, tape)}</Figure> ·{' '}
          {brief.notKnown.includes('cloth') ? 'cloth not known' : here.plan.cloth.fabric.name}
          {earlier.map((one) => (
            <span key={one.id}>
              {' · '}before{' '}
              <Link href={`/job/${one.id}/life`} prefetch={false} className="link link-primary">
                No. {one.number}
              </Link>
            </span>
          ))}
          {later && (
            <span>
              {' · '}stretched again as{' '}
              <Link href={`/job/${later.id}/life`} prefetch={false} className="link link-primary">
                No. {later.number}
              </Link>
            </span>
          )}
        </p>
        <p className="no-print ml-auto flex flex-wrap gap-x-4 text-[14.5px]">
          <Link href={`/job/${job.id}`} prefetch={false} className="link link-hover">
            How it was made
          </Link>
          {stretched && (
            <Link href={`/job/${job.id}/passport`} prefetch={false} className="link link-hover">
              Its passport
            </Link>
          )}
          {taken.length > 1 && (
            <button type="button" className="link link-hover" onClick={() => setCompares(true)}>
              Compare photographs
            </button>
          )}
          <button type="button" className="link link-hover" onClick={() => window.print()}>
            Print
          </button>
        </p>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto bg-base-100 bench:grid-cols-[minmax(0,1fr)_372px] bench:overflow-hidden print:block print:overflow-visible">
        <section aria-label="Through the years" className="flex min-h-0 flex-col bench:overflow-y-auto print:overflow-visible">
          <div role="group" aria-label="Chart of the years" tabIndex={0} className="relative shrink-0 overflow-x-auto px-4 pt-3">
            <LifeChart life={life} band={band} nowMs={nowMs} />
          </div>
          <LifeLines
            log={log}
            life={life}
            photographs={photographs}
            jobs={[...earlier.map(({ id, log: own }) => ({ id, log: own })), { id: job.id, log: found.log }]}
          />
        </section>
        <aside className="order-first space-y-4 px-5 py-3 bench:order-none bench:overflow-y-auto bench:border-l bench:border-[var(--hair)]">
          <div>
            <p className="figure text-[30px] leading-9 font-semibold" data-testid="answer">
              {last ? (
                <Figure>{last.tool === 'hand' ? feelWords(last.nPerM) : tensionWords(last.nPerM, last.sdNPerM)}</Figure>
              ) : (
                'Not measured'
              )}
            </p>
            <p className="soft text-[14px]">
              {last
                ? `${TOOLS[last.tool]}, ${last.at.slice(0, 10)}${last.rh === null ? ', its air not read' : `, at ${printed('humidity', last.rh)}`}`
                : 'feel it, tap it or weigh it: what is kept here is what later slack is compared with'}
              {last?.tool === 'hand' && measured && measured !== last && (
                <>
                  ; measured last <Figure>{tensionWords(measured.nPerM, measured.sdNPerM)}</Figure> {TOOLS[measured.tool]},{' '}
                  {measured.at.slice(0, 10)}
                </>
              )}
            </p>
          </div>
          {verdicts.length > 0 && <VerdictList verdicts={verdicts} />}
          {here.progress.painted && here.progress.done.has('look') && !looksOn && (
            <WorkFile look={here.inputs.look} log={found.log} onAdd={addFinding} />
          )}
          {!stretched && (
            <p className="text-[15px]">
              {here.progress.done.has('fasten')
                ? 'It is off its bars: there is nothing stretched to look at.'
                : 'It is not stretched yet.'}
            </p>
          )}
          {stretched && !looksOn && (
            <div className="no-print space-y-4">
              <CareForm key={`care ${job.revision}`} inHouse={isInHouse(life)} houseAir={air.now} onKeep={care} />
              <p className="text-[14px]">
                <Link href={`/job/${job.id}?stage=tune`} prefetch={false} className="link link-primary">
                  Tap it, weigh it, open its corners, or choose a remedy
                </Link>{' '}
                at Tune: all of it comes here too.
              </p>
              <HangingForm key={`hangs ${job.revision}`} now={life.hangs} onKeep={hang} />
            </div>
          )}
        </aside>
      </div>
    </main>
  );
}
