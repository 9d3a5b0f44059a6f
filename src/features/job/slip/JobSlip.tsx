'use client';
/* The printable job slip: one sheet to take to the bench, and the record of what was done. */
import { format, parseISO } from 'date-fns';
import { QRCodeSVG } from 'qrcode.react';
import { useMemo } from 'react';
import { EDGES, MEDIUMS, USES, byId } from '@/core/house/schools';
import type { LogEntry } from '@/core/log/logEntry';
import { stageActs } from '@/core/stages/stages';
import { type HouseLessons, caseOf } from '@/core/case/jobCase';
import { sideWords } from '@/core/job/sideWords';
import { printSize } from '@/core/units/length';
import { barsScene } from '@/drawing/barsScene';
import { clothScene } from '@/drawing/clothScene';
import { fastenScene } from '@/drawing/fastenScene';
import { fromBack } from '@/drawing/scene/scene';
import { squareScene } from '@/drawing/squareScene';
import type { StoredJob } from '@/db/jobs';
import { Drawing } from '@/ui/drawing/Drawing';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { PrintedPulls } from '../fasten/PrintedPulls';
import { CoatTable } from '../prime/CoatTable';
import { byWords } from '../stageWords';
import { AssemblySteps, FixingList, PartsList } from '../bars/BarsPanel';

interface JobSlipProps {
  job: StoredJob;
  log: LogEntry[];
  lessons: HouseLessons;
  nowMs: number;
  /** Where the job is found in the house. */
  address: string;
}

export function JobSlip({ job, log, lessons, nowMs, address }: JobSlipProps) {
  const { rules, tape } = useWorkshop();
  const here = useMemo(
    () => caseOf(job, log, { rules, tape, lessons, view: 'back' }, nowMs),
    [job, log, rules, tape, lessons, nowMs],
  );
  const { inputs, plan, progress } = here;
  const { brief } = inputs;
  const input = { inputs, plan, tape, say: sideWords('back') };
  return (
    <main className="mx-auto w-full max-w-[210mm] flex-1 overflow-y-auto bg-base-100 px-8 py-6 print:overflow-visible print:px-0">
      <div className="no-print mb-4 flex gap-2">
        <button type="button" className="btn btn-primary" onClick={() => window.print()}>
          Print
        </button>
        <a className="btn btn-outline" href={`/job/${job.id}`}>
          Back to the job
        </a>
      </div>
      <header className="flex items-start gap-4 border-b-2 border-current pb-3">
        <div className="min-w-0 flex-1">
          <h1 className="text-[26px] leading-8 font-semibold">{brief.title}</h1>
          <p className="figure">
            {rules.workshop}, No. {job.number}. <Figure>{printSize(brief.width.mm, brief.height.mm, tape)}</Figure>,{' '}
            {byId(USES, brief.use).name.toLowerCase()}, {byId(EDGES, brief.edges).name.toLowerCase()},{' '}
            {byId(MEDIUMS, brief.medium).name.toLowerCase()}
            {brief.dueOn && `. Wanted ${format(parseISO(brief.dueOn), 'EEE d MMM yyyy')}`}
          </p>
          {brief.note && <p className="soft">{brief.note}</p>}
          {inputs.handover.label && <p>Label: {inputs.handover.label}</p>}
        </div>
        <QRCodeSVG value={address} size={96} title={`Job ${job.number}`} bgColor="#ffffff" fgColor="#000000" marginSize={3} />
      </header>
      <p className="soft pt-3 text-[13px]">Drawings and words are as seen from the back.</p>
      <div className="grid grid-cols-2 gap-4 py-3">
        <Drawing scene={fromBack(barsScene(input), brief.width.mm)} tape={tape} scaleBar={false} className="h-80" />
        <Drawing scene={fromBack(clothScene(input), brief.width.mm)} tape={tape} scaleBar={false} className="h-80" />
      </div>
      {plan.square.result.kind === 'fitted' && (
        <Drawing
          scene={fromBack(squareScene(input), brief.width.mm)}
          tape={tape}
          scaleBar={false}
          className="h-72 break-inside-avoid"
        />
      )}
      <section className="grid break-inside-avoid grid-cols-2 gap-6 pb-3">
        <PartsList plan={plan.bars} />
        <FixingList inputs={inputs} plan={plan.bars} />
      </section>
      <table className="figure w-full text-[14.5px]">
        <thead className="soft text-left text-[13px]">
          <tr className="border-b border-current">
            <th className="font-normal">stage</th>
            <th className="font-normal">plan</th>
            <th className="font-normal">done</th>
          </tr>
        </thead>
        <tbody>
          {progress.run.map((id) => {
            const records = progress.records.filter((entry) => entry.stage === id);
            if (id === 'prime' && plan.prime.coats.length === 0 && records.length === 0) return null;
            const last = records.at(-1)?.plan;
            return (
              <tr key={id} className="hair-b align-top [&_td]:py-1">
                <td className="pr-4 font-semibold">{stageActs(id, progress.painted).name}</td>
                <td>
                  <Figure>{`${(last ?? plan[id]).answer}; ${(last ?? plan[id]).answerNote}`}</Figure>
                </td>
                <td className="pl-3">
                  {records
                    .map(
                      (entry) =>
                        `${format(new Date(entry.at), 'd MMM yyyy HH:mm')}, ${byWords(entry)}${entry.reason ? ` (${entry.reason})` : ''}`,
                    )
                    .join('; ') || '☐'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <CoatTable
        plan={plan}
        coats={plan.prime.coats}
        coatsDone={progress.coatsDone}
        nowMs={nowMs}
        startedEntries={progress.records.filter((entry) => entry.stage === 'prime')}
      />
      <section className="mt-4 break-inside-avoid">
        <h2 className="text-lg font-semibold">Putting the frame together</h2>
        <AssemblySteps plan={plan.bars} />
      </section>
      <section className="mt-4 break-inside-avoid">
        <h2 className="text-lg font-semibold">Order of the fasteners, seen from the back</h2>
        <Drawing
          scene={fromBack(fastenScene(input, plan.fasten.route.steps.length + 1), brief.width.mm)}
          tape={tape}
          scaleBar={false}
          className="h-[560px]"
        />
      </section>
      {inputs.fasten.pulls === 'worked' && <PrintedPulls inputs={inputs} plan={plan} lessons={lessons} />}
      <section className="mt-4 break-inside-avoid">
        <h2 className="text-lg font-semibold">Kit</h2>
        <ul className="columns-2 text-[14.5px]">
          {plan.kit.map((line) => (
            <li key={line.id}>
              {inputs.kit.includes(line.id) ? '☑' : '☐'} <Figure>{line.what}</Figure>
            </li>
          ))}
        </ul>
      </section>
      <p className="soft mt-4 text-[13px]">
        Bow, drying times and amounts are worked out from the house’s assumptions; measure before you cut. Local rules and a
        conservator’s advice come first.
      </p>
    </main>
  );
}
