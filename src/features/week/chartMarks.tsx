/* What the chart of the days is made of, each at the place it is given. */
import { STANDING_WORDS, dateStanding, dayWords } from '@/core/week/dateVerdicts';
import { STEPS_A_DAY } from '@/core/schedule/workCalendar';
import { type DryingMark, type HandsMark, type WeekMarks, shortStep } from '@/core/week/weekMarks';
import type { WeekShop } from '@/core/week/weekShop';
import { dayAfter } from '@/core/week/weekTime';
import type { WeekChartProps } from './weekChartProps';
import type { WeekScale } from './weekScale';

/** Measures of the chart, px: room for names, for days and for dates; a lane, a piece of work in it, a row of what dries. */
export const LEFT = 118;
export const HEAD = 42;
export const DATES = 40;
export const LANE = { least: 50, most: 92 } as const;
export const ROW = 13;

/** Where lanes and places lie, px; lanes grow into the room there is. */
export interface ChartLayout {
  lane: number;
  laneY: (maker: number) => number;
  placeY: readonly number[];
  height: number;
}

export function chartLayout(rows: readonly number[], makers: number, room: number): ChartLayout {
  const below = rows.reduce((sum, count) => sum + (count > 0 ? 10 + count * ROW : 0), 18);
  const lane = Math.min(LANE.most, Math.max(LANE.least, Math.floor((room - HEAD - DATES - below) / makers)));
  const laneY = (maker: number) => HEAD + DATES + maker * lane;
  const placeY: number[] = [];
  let y = laneY(makers) + 8;
  for (const count of rows) {
    placeY.push(y);
    if (count > 0) y += 10 + count * ROW;
  }
  return { lane, laneY, placeY, height: y + 10 };
}

/** Days and hours: what is worked is light, nights and closed days are shaded. */
export function Days({
  scale,
  week,
  firstDay,
  days,
  height,
  laneY,
}: {
  scale: WeekScale;
  week: WeekShop;
  firstDay: number;
  days: number;
  height: number;
  laneY: (maker: number) => number;
}) {
  const { x, open } = scale;
  const firsts = Array.from({ length: days }, (_, index) => firstDay + index);
  const firstOpen = Math.floor((open[0]?.[0] ?? 0) / STEPS_A_DAY);
  const openOn = (day: number) => open.filter(([from]) => Math.floor(from / STEPS_A_DAY) === day);
  return (
    <g aria-hidden>
      <rect x={LEFT} width={Math.max(0, x(scale.to) - LEFT)} y={HEAD} height={height - HEAD} className="fill-base-300" />
      {open.map(([from, to]) => (
        <rect key={from} x={x(from)} width={x(to) - x(from)} y={HEAD} height={height - HEAD} className="fill-base-100" />
      ))}
      {firsts.map((day) => {
        const windows = openOn(day);
        const at = windows[0]?.[0];
        if (at === undefined) return null;
        const wide = x(windows.at(-1)![1]) - x(at);
        const name = dayWords(dayAfter(week.firstDay, day));
        const [weekday, date, month] = name.split(' ');
        return (
          <g key={day}>
            <text x={x(at)} y={18} className={`fill-current text-[15px] ${day === 0 ? 'font-semibold' : ''}`}>
              {wide > 120
                ? `${weekday} ${date} ${month}`
                : wide > 56
                  ? `${weekday} ${date}`
                  : day === firstOpen || date === '1'
                    ? `${date} ${month}`
                    : date}
            </text>
            {wide > 90 &&
              [...new Set(windows.flat())].map((step) => (
                <g key={step}>
                  <line x1={x(step)} x2={x(step)} y1={HEAD - 6} y2={HEAD} className="stroke-[var(--soft)]" />
                  <text
                    x={x(step)}
                    y={HEAD - 9}
                    textAnchor={step === at ? 'start' : 'middle'}
                    className="fill-[var(--soft)] text-[11.5px]"
                  >
                    {wide > 150 || step === at || step === windows.at(-1)![1] ? String(Math.floor((step % STEPS_A_DAY) / 4)) : ''}
                  </text>
                </g>
              ))}
          </g>
        );
      })}
      <line x1={0} x2={x(scale.to)} y1={HEAD} y2={HEAD} className="stroke-[var(--hair)]" />
      <text x={14} y={laneY(0) - DATES / 2 + 5} className="fill-[var(--soft)] text-[12.5px]">
        wanted
      </text>
    </g>
  );
}

/** Dates of canvases at the end of their days: open and round where safe, a point down where late. */
export function Dates({
  week,
  plan,
  jobs,
  scale,
  chosen,
  onChoose,
  marks,
}: Pick<WeekChartProps, 'week' | 'plan' | 'jobs' | 'chosen' | 'onChoose' | 'marks'> & { scale: WeekScale }) {
  const byDay = new Map<number, string[]>();
  for (const [id, { due }] of plan.dates) if (due !== null) byDay.set(due, [...(byDay.get(due) ?? []), id]);
  const chosenJob = chosen === null ? null : week.tasks.get(chosen)?.jobId;
  const late: string[] = [...plan.dates].filter(([, { due }]) => due !== null && due <= scale.from).map(([id]) => id);
  const rows = [...byDay].filter(([due]) => due > scale.from && due <= scale.to);
  const opensAt = (due: number) => scale.open.filter(([, to]) => to <= due).at(-1)?.[1] ?? due;
  return (
    <g>
      {late.length > 0 && scale.from === 0 && (
        <text x={scale.x(scale.from) + 4} y={HEAD + 30} className="fill-error text-[12.5px] font-semibold">
          wanted before: {late.map((id) => jobs.get(id)?.number).join(', ')}
        </text>
      )}
      {rows.map(([due, ids]) => {
        const at = scale.x(Math.min(due, Math.max(scale.from, opensAt(due))));
        return ids.slice(0, 3).map((id, index) => {
          const date = plan.dates.get(id)!;
          const standing = dateStanding(date)!;
          const bad = standing === 'late' || standing === 'atRisk';
          const y = HEAD + 12 + index * 12;
          return (
            <g
              key={id}
              className="cursor-pointer"
              onClick={() => onChoose(marks.threads.get(id)?.find((one) => 'maker' in one)?.task ?? null)}
            >
              <title>{`No. ${jobs.get(id)?.number}: ${STANDING_WORDS[standing]}`}</title>
              {standing === 'late' ? (
                <path d={`M${at - 9} ${y - 5}h8l-4 8z`} className="fill-error" />
              ) : standing === 'atRisk' ? (
                <path d={`M${at - 9} ${y - 5}h8l-4 8z`} strokeWidth={1.5} className="fill-none stroke-error" />
              ) : (
                <circle
                  cx={at - 5}
                  cy={y - 1}
                  r={3.5}
                  strokeWidth={1.5}
                  className={standing === 'tight' ? 'fill-warning stroke-warning' : 'fill-none stroke-success'}
                />
              )}
              <text
                x={at - 12}
                y={y + 3}
                textAnchor="end"
                className={`text-[12.5px] ${id === chosenJob ? 'font-semibold underline' : ''} ${bad ? 'fill-error font-semibold' : 'fill-current'}`}
              >
                {jobs.get(id)?.number}
                {standing === 'safe' ? '' : ` ${STANDING_WORDS[standing]}`}
                {index === 2 && ids.length > 3 ? ` +${ids.length - 3}` : ''}
              </text>
            </g>
          );
        });
      })}
    </g>
  );
}

/** The run of each canvas across the lanes. */
export function Threads({
  marks,
  scale,
  lane,
  laneY,
  placeY,
  chosenJob,
}: {
  lane: number;
  marks: WeekMarks;
  scale: WeekScale;
  laneY: (maker: number) => number;
  placeY: readonly number[];
  chosenJob: string | null;
}) {
  const middle = (mark: HandsMark | DryingMark) =>
    'maker' in mark ? laneY(mark.maker) + 5 + (lane - 14) / 2 : placeY[mark.place]! + 4 + mark.row * ROW + ROW / 2;
  const pathOf = (thread: readonly (HandsMark | DryingMark)[]) =>
    thread
      .slice(1)
      .flatMap((mark, index) => {
        const before = thread[index]!;
        const [x1, x2] = [scale.x(Math.min(before.end, scale.to)), scale.x(mark.start)];
        if (before.end > scale.to || mark.start < scale.from || x2 <= LEFT) return [];
        const [y1, y2] = [middle(before), middle(mark)];
        const bend = Math.max(6, Math.min(28, Math.abs(x2 - x1) / 2));
        return [`M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`];
      })
      .join('');
  return (
    <g aria-hidden fill="none">
      {[...marks.threads].map(([job, thread]) => (
        <path
          key={job}
          d={pathOf(thread)}
          strokeWidth={job === chosenJob ? 2.5 : 1}
          className={job === chosenJob ? 'stroke-primary' : 'stroke-[var(--metal)]'}
          opacity={job === chosenJob ? 1 : chosenJob === null ? 0.22 : 0.08}
        />
      ))}
    </g>
  );
}

export function Drying({
  mark,
  y,
  from,
  to,
  chosen,
  faint,
}: {
  mark: DryingMark;
  y: number;
  from: number;
  to: number;
  chosen: boolean;
  faint: boolean;
}) {
  const wide = to - from;
  return (
    <g opacity={faint ? 0.35 : 1}>
      <title>{`No. ${mark.number}, ${mark.what}`}</title>
      <line
        x1={from}
        x2={to}
        y1={y}
        y2={y}
        strokeWidth={chosen ? 4 : 2.5}
        strokeDasharray={mark.what === 'glue' ? '1 3' : undefined}
        className={chosen ? 'stroke-primary' : 'stroke-[var(--cloth-edge)]'}
      />
      {wide > 34 && (
        <text x={from + 3} y={y - 2.5} className="fill-[var(--soft)] text-[10.5px]">
          {mark.number}
        </text>
      )}
    </g>
  );
}

interface HandsProps {
  mark: HandsMark;
  x: number;
  y: number;
  width: number;
  height: number;
  chosen: boolean;
  ofChosen: boolean;
  faint: boolean;
  label: string;
  tabIndex: number;
}

/** One piece of work: its number and step where there is room for them. */
export function Hands({ mark, x, y, width, height, chosen, ofChosen, faint, label, tabIndex }: HandsProps) {
  const wide = Math.max(2, width - 1);
  return (
    <g
      role="button"
      aria-label={label}
      aria-pressed={chosen}
      data-task={mark.task}
      opacity={faint ? 0.4 : 1}
      className="cursor-grab outline-none focus-visible:[&>rect]:stroke-[3px]"
      tabIndex={tabIndex}
    >
      <title>{label}</title>
      <rect
        x={x}
        y={y}
        width={wide}
        height={height}
        strokeWidth={chosen ? 2.5 : 1}
        className={`${ofChosen ? 'fill-[var(--timber)] stroke-primary' : 'fill-[var(--cloth)] stroke-[var(--cloth-edge)]'}`}
      />
      {mark.pinned && <path d={`M${x} ${y}h8l-8 8z`} className="fill-primary" />}
      {wide > 34 ? (
        <>
          <text x={x + 4} y={y + 16} className="pointer-events-none fill-current text-[14px] font-semibold">
            {mark.number}
          </text>
          <text x={x + 4} y={y + 32} className="pointer-events-none fill-current text-[12.5px]">
            {shortStep(mark).slice(0, Math.floor((wide - 5) / 5.4))}
          </text>
        </>
      ) : (
        wide > 10 && (
          <text
            transform={`translate(${x + wide / 2 + 4.5} ${y + height - 4}) rotate(-90)`}
            className="pointer-events-none fill-current text-[12.5px]"
          >
            <tspan className="font-semibold">{mark.number}</tspan>
            {height > 66 ? ` ${shortStep(mark)}` : ''}
          </text>
        )
      )}
    </g>
  );
}
