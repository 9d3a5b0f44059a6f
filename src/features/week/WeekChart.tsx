'use client';
/* The lanes: dates on top, hands of every maker, what dries where below; a canvas can be followed through all of them. */
import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react';
import { stepWords } from '@/core/week/dateVerdicts';
import { STEPS_A_DAY, fittingStart, windowsOf } from '@/core/schedule/workCalendar';
import type { HandsMark } from '@/core/week/weekMarks';
import { stepAt } from '@/core/week/weekTime';
import { DATES, HEAD, LEFT, chartLayout } from './chartMarks';
import { LaneMarks } from './LaneMarks';
import type { WeekChartProps } from './weekChartProps';
import { weekScale } from './weekScale';

/** A piece of work that was taken up: where it would lie. */
interface TakenUp {
  task: string;
  step: number;
  maker: number;
  byKeys: boolean;
}

export function WeekChart(props: WeekChartProps) {
  const { week, plan, marks, jobs, days, firstDay, width, height: room, nowMs, chosen, onChoose, onPut } = props;
  const { shop } = week;
  const scale = useMemo(
    () => weekScale(shop, firstDay, days, LEFT, Math.max(200, width - LEFT - 14)),
    [shop, firstDay, days, width],
  );
  const windows = useMemo(() => shop.makers.map(({ calendar }) => windowsOf(calendar, shop.horizonDays + 28)), [shop]);
  const [taken, setTaken] = useState<TakenUp | null>(null);
  const drag = useRef<{ task: string; x: number; y: number; dx: number } | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const { x } = scale;
  const byTask = useMemo(() => new Map(marks.hands.map((mark) => [mark.task, mark])), [marks.hands]);
  const layout = useMemo(() => chartLayout(marks.rows, shop.makers.length, room), [marks.rows, shop.makers.length, room]);
  const { lane, laneY, height } = layout;
  const now = stepAt(week.firstDay, nowMs) + (new Date(nowMs).getMinutes() % 15) / 15;

  const pointAt = (event: PointerEvent): { step: number; maker: number } => {
    const bounds = svg.current!.getBoundingClientRect();
    const step = Math.round(x.invert(event.clientX - bounds.left - (drag.current?.dx ?? 0)));
    const maker = Math.floor((event.clientY - bounds.top - HEAD - DATES) / lane);
    return { step, maker: Math.min(shop.makers.length - 1, Math.max(0, maker)) };
  };
  /** Where it fits into the hours of a maker. */
  const fitting = (task: string, maker: number, step: number, towards: -1 | 0 | 1): number => {
    const { start, end } = byTask.get(task)!;
    return fittingStart(windows[maker]!, step, end - start, towards);
  };
  /** The piece of work under the hand or the focus. */
  const markOf = ({ target }: { target: EventTarget }): HandsMark | undefined =>
    byTask.get((target as Element).closest<SVGGElement>('[data-task]')?.dataset.task ?? '');
  const down = (event: PointerEvent) => {
    const mark = markOf(event);
    if (!mark || event.button !== 0) return;
    const bounds = svg.current!.getBoundingClientRect();
    drag.current = { task: mark.task, x: event.clientX, y: event.clientY, dx: event.clientX - bounds.left - x(mark.start) };
    (event.target as Element).setPointerCapture?.(event.pointerId);
  };
  const move = (event: PointerEvent) => {
    const dragged = drag.current;
    if (!dragged) return;
    if (!taken && Math.hypot(event.clientX - dragged.x, event.clientY - dragged.y) < 5) return;
    const at = pointAt(event);
    setTaken({ task: dragged.task, byKeys: false, maker: at.maker, step: fitting(dragged.task, at.maker, at.step, 0) });
  };
  const up = () => {
    const mark = byTask.get(drag.current?.task ?? '');
    drag.current = null;
    if (!mark) return;
    if (taken && !taken.byKeys) {
      onPut(taken.task, shop.makers[taken.maker]!.id, taken.step);
      setTaken(null);
    } else onChoose(chosen === mark.task ? null : mark.task);
  };
  const inTurn = useMemo(() => [...marks.hands].sort((a, b) => a.start - b.start || a.maker - b.maker), [marks.hands]);
  const focus = (task: string) => {
    onChoose(task);
    requestAnimationFrame(() => svg.current?.querySelector<SVGGElement>(`[data-task="${CSS.escape(task)}"]`)?.focus());
  };
  const keys = (event: KeyboardEvent) => {
    const mark = markOf(event);
    if (!mark) return;
    const arrows = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (event.key === 'Escape') {
      setTaken(null);
      return taken ? undefined : onChoose(null);
    }
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      if (!taken) return setTaken({ task: mark.task, step: mark.start, maker: mark.maker, byKeys: true });
      onPut(taken.task, shop.makers[taken.maker]!.id, taken.step);
      return setTaken(null);
    }
    if (!arrows) return;
    event.preventDefault();
    if (taken) {
      const by = event.shiftKey ? STEPS_A_DAY : 1;
      const maker = Math.min(shop.makers.length - 1, Math.max(0, taken.maker + arrows[1]!));
      const towards = Math.sign(arrows[0]!) as -1 | 0 | 1;
      const step = fitting(taken.task, maker, Math.max(0, taken.step + by * arrows[0]!), towards);
      return setTaken({ ...taken, step, maker });
    }
    const same = arrows[0] !== 0 ? inTurn.filter(({ maker }) => maker === mark.maker) : inTurn;
    const at = same.findIndex(({ task }) => task === mark.task);
    const next =
      arrows[0] !== 0
        ? same[at + arrows[0]!]
        : nearest(
            inTurn.filter(({ maker }) => maker === mark.maker + arrows[1]!),
            mark.start,
          );
    if (next) focus(next.task);
  };
  const ghost = taken && byTask.get(taken.task);
  return (
    <svg
      ref={svg}
      role="group"
      aria-label="The days: hands by maker, and what dries"
      width={width}
      height={height}
      className="figure block select-none"
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={() => {
        drag.current = null;
        setTaken(null);
      }}
      onKeyDown={keys}
    >
      <LaneMarks
        week={week}
        plan={plan}
        marks={marks}
        jobs={jobs}
        scale={scale}
        layout={layout}
        days={days}
        firstDay={firstDay}
        width={width}
        chosen={chosen}
        onChoose={onChoose}
      />
      {now >= scale.from && now < scale.to && (
        <g aria-hidden>
          <line x1={x(now)} x2={x(now)} y1={HEAD - 8} y2={height} strokeWidth={1.5} className="stroke-error" />
          <text x={x(now) + 4} y={HEAD - 10} className="fill-error text-[12px]">
            now
          </text>
        </g>
      )}
      {ghost && (
        <g aria-hidden>
          <rect
            data-testid="ghost"
            x={x(taken.step)}
            y={laneY(taken.maker) + 5}
            width={Math.max(6, x(taken.step + ghost.end - ghost.start) - x(taken.step))}
            height={lane - 14}
            strokeWidth={2}
            className="fill-primary/25 stroke-primary"
          />
          <text x={x(taken.step)} y={laneY(taken.maker) - 1} className="fill-primary text-[13px] font-semibold">
            {stepWords(week.firstDay, taken.step)}, {shop.makers[taken.maker]!.id}
          </text>
        </g>
      )}
      <text role="status" x={-999} y={-999}>
        {taken?.byKeys
          ? `Taken up: ${stepWords(week.firstDay, taken.step)}, ${shop.makers[taken.maker]!.id}. Enter puts it down, Escape lets it be.`
          : ''}
      </text>
    </svg>
  );
}

const nearest = (marks: readonly HandsMark[], start: number): HandsMark | undefined =>
  marks.reduce<HandsMark | undefined>(
    (best, one) => (!best || Math.abs(one.start - start) < Math.abs(best.start - start) ? one : best),
    undefined,
  );
