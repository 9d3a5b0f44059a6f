'use client';
/* The passport of a canvas on one sheet: drawn from the back to scale, made of what, measured how, how to keep and key it, what never to do. */
import { useMemo } from 'react';
import { type HouseLessons, caseOf } from '@/core/case/jobCase';
import { type PassportSays, passportSays } from '@/core/life/passport';
import { sideWords } from '@/core/job/sideWords';
import { fromBack } from '@/drawing/scene/scene';
import { squareScene } from '@/drawing/squareScene';
import type { JobWithLog } from '@/server/job/jobReading';
import { Drawing } from '@/ui/drawing/Drawing';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

const PARTS: readonly { id: keyof PassportSays; name: string }[] = [
  { id: 'materials', name: 'What it is' },
  { id: 'measures', name: 'What was measured' },
  { id: 'keep', name: 'How to keep it' },
  { id: 'key', name: 'How to tighten it' },
  { id: 'never', name: 'Never' },
];

export function PassportSheet({ found, lessons, nowMs }: { found: JobWithLog; lessons: HouseLessons; nowMs: number }) {
  const { rules, tape } = useWorkshop();
  const { job, log } = found;
  const here = useMemo(
    () => caseOf(job, log, { rules, tape, lessons, view: 'back' }, nowMs),
    [job, log, rules, tape, lessons, nowMs],
  );
  const says = passportSays(here);
  const scene = fromBack(
    squareScene({ inputs: here.inputs, plan: here.plan, tape, say: sideWords('back') }),
    job.inputs.brief.width.mm,
  );
  return (
    <main className="mx-auto w-full max-w-[210mm] flex-1 overflow-y-auto bg-base-100 px-8 py-6 print:overflow-visible print:px-0 print:py-0">
      <div className="no-print mb-4 flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary" onClick={() => window.print()}>
          Print
        </button>
        <a className="btn btn-outline" href={`/api/job/${job.id}/passport`} download>
          The same as a file
        </a>
        <a className="btn btn-outline" href={`/job/${job.id}/life`}>
          Back to its life
        </a>
      </div>
      <header className="border-b-2 border-current pb-2">
        <p className="soft text-[14px]">Passport of a canvas</p>
        <h1 className="text-[26px] leading-8 font-semibold">{job.inputs.brief.title}</h1>
        <p className="figure">
          {rules.workshop}, No. {job.number}
        </p>
      </header>
      <div className="mt-3 h-64 print:h-[52mm]">
        <Drawing scene={scene} tape={tape} className="h-full" />
      </div>
      <p className="soft text-center text-[13px]">seen from the back, as it was read when it was made</p>
      <div className="grid grid-cols-1 gap-x-8 sm:grid-cols-2 print:grid-cols-2">
        {PARTS.map(({ id, name }) => (
          <section key={id} aria-label={name} className={id === 'never' ? 'sm:col-span-2 print:col-span-2' : ''}>
            <h2 className="hair-b mt-3 pb-0.5 text-[16px] font-semibold">{name}</h2>
            <ul className="list-disc space-y-0.5 py-1 pl-5 text-[14.5px] leading-5">
              {says[id].map((line) => (
                <li key={line}>
                  <Figure>{line}</Figure>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
      <p className="soft mt-3 text-[13px]">
        Usual cautions of the trade; a conservator’s word goes before all of it. The file beside this sheet is read in by any
        workshop that keeps such canvases.
      </p>
    </main>
  );
}
