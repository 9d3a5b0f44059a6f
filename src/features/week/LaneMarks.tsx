/* All that lies in the lanes. Drawn again when the plan, the days or what is chosen changes; not while something is dragged over it. */
import { memo } from 'react';
import { stepWords } from '@/core/week/dateVerdicts';
import { STEPS_A_DAY, clockOfStep } from '@/core/schedule/workCalendar';
import { shortStep } from '@/core/week/weekMarks';
import { type ChartLayout, Dates, Days, Drying, Hands, ROW, Threads } from './chartMarks';
import type { WeekChartProps } from './weekChartProps';
import type { WeekScale } from './weekScale';

interface LaneMarksProps extends Omit<WeekChartProps, 'height' | 'nowMs' | 'onPut'> {
  scale: WeekScale;
  layout: ChartLayout;
}

export const LaneMarks = memo(function LaneMarks(props: LaneMarksProps) {
  const { week, plan, marks, jobs, scale, layout, days, firstDay, width, chosen, onChoose } = props;
  const { shop } = week;
  const { lane, laneY, placeY, height } = layout;
  const { x } = scale;
  const seen = (start: number, end: number) => end > scale.from && start < scale.to;
  const hands = marks.hands.filter(({ start, end }) => seen(start, end));
  const chosenJob = chosen === null ? null : (week.tasks.get(chosen)?.jobId ?? null);
  const tabStop = hands.find(({ task }) => task === chosen)?.task ?? hands[0]?.task;
  return (
    <>
      <Days scale={scale} week={week} firstDay={firstDay} days={days} height={height} laneY={laneY} />
      {shop.makers.map(({ id }, maker) => (
        <g key={id}>
          <text x={14} y={laneY(maker) + lane / 2 + 5} className="fill-current text-[15px] font-semibold">
            {id.length > 13 ? `${id.slice(0, 12)}…` : id}
          </text>
          <line x1={0} x2={width} y1={laneY(maker)} y2={laneY(maker)} className="stroke-[var(--hair)]" />
        </g>
      ))}
      <line x1={0} x2={width} y1={laneY(shop.makers.length)} y2={laneY(shop.makers.length)} className="stroke-[var(--hair)]" />
      {marks.rows.map((rows, place) =>
        rows === 0 ? null : (
          <text key={place} x={14} y={placeY[place]! + 11} className="fill-[var(--soft)] text-[12.5px]">
            {placeName(shop.places[place])}
          </text>
        ),
      )}
      <Dates week={week} plan={plan} marks={marks} jobs={jobs} scale={scale} chosen={chosen} onChoose={onChoose} />
      <Threads marks={marks} scale={scale} lane={lane} laneY={laneY} placeY={placeY} chosenJob={chosenJob} />
      {marks.pots
        .filter(({ from, to }) => seen(from, to))
        .map(({ maker, from, to, work, tasks }) => (
          <g key={`${maker} ${from}`} aria-hidden>
            {[
              [from, work[0]],
              [work[1], to],
            ].map(([a, b]) => (
              <rect
                key={a}
                x={x(a!)}
                width={Math.max(0, x(b!) - x(a!))}
                y={laneY(maker) + lane - 7}
                height={4}
                className="fill-[var(--metal)]"
              />
            ))}
            {tasks.length > 1 && (
              <line
                x1={x(work[0])}
                x2={x(work[1])}
                y1={laneY(maker) + lane - 5}
                y2={laneY(maker) + lane - 5}
                strokeWidth={1.5}
                className="stroke-[var(--metal)]"
              />
            )}
          </g>
        ))}
      {marks.drying
        .filter(({ start, end }) => seen(start, end))
        .map((mark) => (
          <Drying
            key={mark.task}
            mark={mark}
            y={placeY[mark.place]! + 4 + mark.row * ROW + ROW / 2}
            from={x(mark.start)}
            to={x(mark.end)}
            chosen={mark.jobId === chosenJob}
            faint={chosenJob !== null && mark.jobId !== chosenJob}
          />
        ))}
      {hands.map((mark) => (
        <Hands
          key={mark.task}
          mark={mark}
          x={x(mark.start)}
          y={laneY(mark.maker) + 5}
          width={x(mark.end) - x(mark.start)}
          height={lane - 14}
          chosen={mark.task === chosen}
          ofChosen={mark.jobId === chosenJob}
          faint={chosenJob !== null && mark.jobId !== chosenJob}
          label={`No. ${mark.number}, ${shortStep(mark)}, ${stepWords(week.firstDay, mark.start)} to ${clockOfStep(mark.end % STEPS_A_DAY)}, ${shop.makers[mark.maker]?.id ?? ''}${mark.pinned ? ', moved by hand' : ''}`}
          tabIndex={mark.task === tabStop ? 0 : -1}
        />
      ))}
    </>
  );
});

const placeName = (place: { id: string; count: number } | undefined): string => {
  const name = place ? place.id : 'elsewhere';
  return name.length > 18 ? `${name.slice(0, 17)}…` : name;
};
