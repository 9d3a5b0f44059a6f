'use client';
/* The days drawn: what is planned, what could be better, what a change would do, and one canvas in words. */
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type ReactNode, useMemo, useRef, useState } from 'react';
import { CalendarDays, ChevronLeft, ChevronRight, Printer, Undo2 } from 'lucide-react';
import { dateStanding, dayWords } from '@/core/week/dateVerdicts';
import { type NamedPlan, planOfNames } from '@/core/week/namedPlan';
import { weekMarks } from '@/core/week/weekMarks';
import { weekShop } from '@/core/week/weekShop';
import { dayAfter, momentAt } from '@/core/week/weekTime';
import type { WeekView } from '@/server/week/weekWrites';
import { useBox } from '@/ui/drawing/useBox';
import { useNow } from '@/ui/useNow';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import { BetterPlan } from './BetterPlan';
import { CanvasRun } from './CanvasRun';
import { WeekChart } from './WeekChart';
import { WhatIfStrip } from './WhatIfStrip';

const SPANS = [
  { id: 'day', name: 'Day', days: 1, jump: 1 },
  { id: 'week', name: 'Week', days: 7, jump: 7 },
  { id: 'weeks', name: 'Four weeks', days: 28, jump: 28 },
] as const;

/** How a task was moved by hand before it was set again. */
interface Undo {
  task: string;
  maker: string | null;
  atMs: number | null;
  now: { maker: string | null; atMs: number | null };
}

/** @param today the list of a maker’s day, for a screen too narrow for lanes */
export function DaysView({ week, plan: named, today }: { week: WeekView; plan: NamedPlan; today: ReactNode }) {
  const { facts } = week;
  const router = useRouter();
  const send = useSend();
  const nowMs = useNow(facts.nowMs);
  const [span, setSpan] = useState<(typeof SPANS)[number]>(SPANS[1]);
  const [from, setFrom] = useState(0);
  const [chosen, setChosen] = useState<string | null>(null);
  const [undos, setUndos] = useState<Undo[]>([]);
  const [says, setSays] = useState<string | null>(null);
  const shop = useMemo(() => weekShop(facts), [facts]);
  const plan = useMemo(() => planOfNames(shop.shop, named), [shop, named]);
  const marks = useMemo(() => weekMarks(shop, facts.jobs, plan), [shop, facts.jobs, plan]);
  const jobs = useMemo(() => new Map(facts.jobs.map((job) => [job.id, job])), [facts.jobs]);
  const held = useRef<HTMLDivElement>(null);
  const box = useBox(held);

  const pinOf = (task: string) => {
    const pin = facts.pins.find((one) => one.task === task);
    return { maker: pin?.maker ?? null, atMs: pin?.atMs ?? null };
  };
  const pin = async (task: string, to: { maker: string | null; atMs: number | null }, undoing = false) => {
    const was = pinOf(task);
    const outcome = await send('pinTask', { task, ...to, seenMaker: was.maker, seenAtMs: was.atMs });
    setSays(outcome.ok ? null : refusalWords(outcome));
    if (!outcome.ok) return;
    if (!undoing) setUndos([...undos, { task, ...was, now: to }]);
    router.refresh();
  };
  const undo = () => {
    const last = undos.at(-1);
    if (!last) return;
    setUndos(undos.slice(0, -1));
    void pin(last.task, { maker: last.maker, atMs: last.atMs }, true);
  };
  const standings = [...plan.dates.values()].map(dateStanding);
  const bad = standings.filter((one) => one === 'atRisk' || one === 'late').length;
  const chosenJob = chosen === null ? null : (shop.tasks.get(chosen)?.jobId ?? null);
  const firstShown = dayAfter(shop.firstDay, from);
  return (
    <>
      <header className="hair-b flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2">
        <h1 className="text-[22px] leading-7 font-semibold">
          {facts.jobs.length === 1 ? '1 canvas' : `${facts.jobs.length} canvases`},{' '}
          {bad === 0 ? 'every date stands' : `${bad === 1 ? '1 date' : `${bad} dates`} at risk or late`}
        </h1>
        <div className="no-print hidden items-center gap-1 bench:flex">
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9 px-1.5"
            aria-label="Earlier"
            disabled={from === 0}
            onClick={() => setFrom(Math.max(0, from - span.jump))}
          >
            <ChevronLeft aria-hidden className="size-4" />
          </button>
          <span className="figure w-36 text-center text-[15px]">
            {span.days === 1 ? dayWords(firstShown) : `from ${dayWords(firstShown)}`}
          </span>
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9 px-1.5"
            aria-label="Later"
            disabled={from + span.jump >= 56}
            onClick={() => setFrom(from + span.jump)}
          >
            <ChevronRight aria-hidden className="size-4" />
          </button>
        </div>
        <div className="join no-print hidden bench:inline-flex" role="group" aria-label="How much is seen">
          {SPANS.map((one) => (
            <button
              key={one.id}
              type="button"
              aria-pressed={one.id === span.id}
              className={`btn join-item btn-sm h-9 ${one.id === span.id ? 'btn-neutral' : 'btn-outline'}`}
              onClick={() => setSpan(one)}
            >
              {one.name}
            </button>
          ))}
        </div>
        <div className="no-print ml-auto flex items-center gap-2">
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9"
            aria-label="Undo manual moves"
            disabled={undos.length === 0}
            onClick={undo}
          >
            <Undo2 aria-hidden className="size-4" />
          </button>
          <Link href="/week/print" prefetch={false} className="btn btn-ghost btn-sm h-9" aria-label="Print the week">
            <Printer aria-hidden className="size-4" />
          </Link>
          <a href="/calendar/all.ics" download className="btn btn-ghost btn-sm h-9" aria-label="Calendar file of everybody">
            <CalendarDays aria-hidden className="size-4" />
          </a>
          <Link href="/week?view=hours" prefetch={false} className="btn btn-outline btn-sm h-9">
            Hours and places
          </Link>
        </div>
        {says && (
          <p role="alert" className="w-full text-[14px] text-error">
            {says}
          </p>
        )}
        {plan.brokenPins.length > 0 && (
          <p role="status" className="w-full text-[14px] text-warning">
            {plan.brokenPins.map((task) => nameOfTask(task, shop.tasks, jobs)).join(', ')}: moved by hand, and could not be kept
            there.
          </p>
        )}
        {week.troubles.map((trouble) => (
          <p key={trouble} role="status" className="w-full text-[14px] text-warning">
            {trouble}
          </p>
        ))}
      </header>
      <div className="bench:hidden">{today}</div>
      <div ref={held} className="hidden min-h-0 flex-1 overflow-y-auto bg-base-100 bench:block">
        <WeekChart
          week={shop}
          plan={plan}
          marks={marks}
          jobs={jobs}
          days={span.days}
          firstDay={from}
          width={box.width}
          height={box.height}
          nowMs={nowMs}
          chosen={chosen}
          onChoose={setChosen}
          onPut={(task, maker, step) => void pin(task, { maker, atMs: momentAt(shop.firstDay, step) })}
        />
      </div>
      <section aria-label="This canvas" className="hair-t no-print max-h-56 shrink-0 overflow-y-auto bg-base-200 px-5 py-2">
        {chosenJob && jobs.get(chosenJob) ? (
          <CanvasRun
            week={week}
            shop={shop}
            plan={plan}
            job={jobs.get(chosenJob)!}
            marks={marks.threads.get(chosenJob) ?? []}
            chosen={chosen!}
            onChoose={setChosen}
            onFree={(task) => void pin(task, { maker: null, atMs: null })}
            onClose={() => setChosen(null)}
          />
        ) : (
          <div className="flex flex-wrap items-start gap-x-8 gap-y-1">
            <BetterPlan key={week.madeFor} week={week} shop={shop.shop} standing={plan} />
            <WhatIfStrip key={week.revision} week={week} standing={plan} />
          </div>
        )}
      </section>
    </>
  );
}

function nameOfTask(
  task: string,
  tasks: ReturnType<typeof weekShop>['tasks'],
  jobs: ReadonlyMap<string, { number: number }>,
): string {
  const of = tasks.get(task);
  return of ? `No. ${jobs.get(of.jobId)?.number ?? ''} ${of.step?.name ?? ''}` : task;
}
