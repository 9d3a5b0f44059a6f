'use client';
/* One canvas in words: its date, its steps with their times, what is moved by hand, and what would save its date. */
import Link from 'next/link';
import { useState } from 'react';
import { X } from 'lucide-react';
import { dateStanding, dateVerdict, stepWords } from '@/core/week/dateVerdicts';
import { type DryingMark, type HandsMark, shortStep } from '@/core/week/weekMarks';
import { RUNS, type WeekPlan } from '@/core/week/weekPlan';
import type { WeekJob, WeekShop } from '@/core/week/weekShop';
import type { WeekView } from '@/server/week/weekWrites';
import { SavesList } from './SavesList';

interface CanvasRunProps {
  week: WeekView;
  shop: WeekShop;
  plan: WeekPlan;
  job: WeekJob;
  marks: readonly (HandsMark | DryingMark)[];
  chosen: string;
  onChoose: (task: string) => void;
  onFree: (task: string) => void;
  onClose: () => void;
}

export function CanvasRun({ week, shop, plan, job, marks, chosen, onChoose, onFree, onClose }: CanvasRunProps) {
  const [saving, setSaving] = useState(false);
  const date = plan.dates.get(job.id);
  const says = date && dateVerdict(date, plan.firstDay, RUNS);
  const standing = date && dateStanding(date);
  const isSet = marks.some((mark) => mark.task === chosen && 'maker' in mark && mark.pinned);
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[17px] font-semibold">
          No. {job.number} {job.title}
        </h2>
        {says && (
          <p className={says.level === 'good' ? 'text-success' : says.level === 'watch' ? 'text-warning' : 'text-error'}>
            {says.says}
          </p>
        )}
        {!job.dueOn && <p className="soft">Nobody waits for it.</p>}
        <div className="ml-auto flex gap-2">
          {isSet && (
            <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => onFree(chosen)}>
              Release
            </button>
          )}
          {standing && standing !== 'safe' && !saving && (
            <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => setSaving(true)}>
              Ways to meet the date
            </button>
          )}
          <Link href={`/job/${job.id}`} prefetch={false} className="btn btn-primary btn-sm h-9">
            Open
          </Link>
          <button type="button" className="btn btn-ghost btn-sm h-9 px-2" aria-label="Close" onClick={onClose}>
            <X aria-hidden className="size-4" />
          </button>
        </div>
      </div>
      {says && <p className="soft text-[13.5px]">{says.because}</p>}
      <ol className="figure mt-1 flex gap-x-5 overflow-x-auto pb-1 text-[14px]">
        {marks.map((mark) => (
          <li key={mark.task} className="shrink-0 leading-5">
            {'maker' in mark ? (
              <button
                type="button"
                className={`block cursor-pointer text-left ${mark.task === chosen ? 'border-b-[3px] border-primary' : ''}`}
                onClick={() => onChoose(mark.task)}
              >
                <span className="block font-semibold">
                  {shortStep(mark)}
                  {mark.pinned ? ', set' : ''}
                </span>
                <span className="soft block">
                  {stepWords(plan.firstDay, mark.start)}, {shop.shop.makers[mark.maker]?.id}
                </span>
              </button>
            ) : (
              <span className="soft block">
                <span className="block">{mark.what === 'glue' ? 'glue sets' : 'dries'}</span>
                <span className="block">to {stepWords(plan.firstDay, mark.end)}</span>
              </span>
            )}
          </li>
        ))}
      </ol>
      {saving && <SavesList week={week} standing={plan} job={job} />}
    </div>
  );
}
