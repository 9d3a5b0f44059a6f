'use client';
/* Humidity and warmth over the year, one band and one line: D3 scales and shapes. */
import { printed } from '@/core/quantities/printed';
import { extent } from 'd3-array';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, line } from 'd3-shape';
import { format } from 'date-fns';
import type { AirDay } from '@/server/air/airWrites';
import { ValueAxis } from '@/ui/drawing/ValueAxis';

const SIZE = { width: 1180, left: 44, right: 16 };
const RH = { top: 22, bottom: 250 };
const WARM = { top: 286, bottom: 380 };
const HEIGHT = 404;

export function AirChart({ days, dampFrom }: { days: AirDay[]; dampFrom: number }) {
  const points = days.map((day) => ({ ...day, at: new Date(`${day.day}T12:00:00Z`) }));
  type P = (typeof points)[number];
  const x = scaleUtc(extent(points, ({ at }) => at) as [Date, Date], [SIZE.left, SIZE.width - SIZE.right]);
  const rh = scaleLinear([20, 100], [RH.bottom, RH.top]);
  const [coldest, warmest] = extent(points, ({ celsius }) => celsius) as [number, number];
  const warm = scaleLinear([Math.floor(coldest - 1), Math.ceil(warmest + 1)], [WARM.bottom, WARM.top]);
  const band = area<P>(
    ({ at }) => x(at),
    ({ leastRh }) => rh(leastRh),
    ({ mostRh }) => rh(mostRh),
  );
  const lineOf = (y: (point: P) => number) => line<P>(({ at }) => x(at), y)(points)!;
  const damp = points.filter((point) => point.rh >= dampFrom).length;
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${HEIGHT}`}
      className="draw w-full"
      role="img"
      aria-label={`Air over ${days.length} days; ${damp} of them damp, from ${printed('humidity', dampFrom)}`}
    >
      <ValueAxis y={rh} left={SIZE.left} right={SIZE.width - SIZE.right} />
      <text x={4} y={12} style={{ stroke: 'none', fill: 'var(--soft)' }}>
        % RH: mean of the day, with its driest and dampest hour
      </text>
      <path d={`M${SIZE.left} ${rh(dampFrom)}H${SIZE.width - SIZE.right}`} stroke="var(--color-warning)" strokeDasharray="5 3" />
      <text
        x={SIZE.width - SIZE.right}
        y={rh(dampFrom) - 5}
        textAnchor="end"
        style={{ stroke: 'none', fill: 'var(--color-warning)' }}
      >
        damp from {printed('humidity', dampFrom)}, {damp} days
      </text>
      <path d={band(points)!} fill="var(--color-primary)" opacity="0.22" />
      <path d={lineOf((point) => rh(point.rh))} fill="none" stroke="var(--color-primary)" strokeWidth="1.6" />
      <ValueAxis y={warm} left={SIZE.left} right={SIZE.width - SIZE.right} />
      <text x={4} y={WARM.top - 12} style={{ stroke: 'none', fill: 'var(--soft)' }}>
        °C: mean of the day
      </text>
      <path d={lineOf((point) => warm(point.celsius))} fill="none" stroke="var(--color-base-content)" strokeWidth="1.6" />
      {x.ticks(12).map((tick) => (
        <text key={tick.getTime()} x={x(tick)} y={HEIGHT - 6} textAnchor="middle" style={{ stroke: 'none' }}>
          {format(tick, 'MMM')}
        </text>
      ))}
    </svg>
  );
}
