'use client';
/* Evenness against minutes, every route as it is taught and with pulls of its own, and the floor under all of them. */
import { bare } from '@/core/quantities/printed';
import { scaleLinear } from 'd3-scale';
import { ValueAxis } from '@/ui/drawing/ValueAxis';

export interface EvennessPoint {
  id: string;
  /** One letter or figure that stands at the point. */
  mark: string;
  minutes: number;
  taught: number;
  worked: number;
  chosen: boolean;
}

interface EvennessChartProps {
  points: readonly EvennessPoint[];
  /** Under this no list that was tried comes. */
  floor: number;
}

const SIZE = { width: 420, height: 230, left: 40, right: 14, top: 22, bottom: 34 };

export function EvennessChart({ points, floor }: EvennessChartProps) {
  const minutes = points.map((one) => one.minutes);
  const [least, most] = [Math.min(...minutes), Math.max(...minutes)];
  const room = Math.max(1, (most - least) * 0.12);
  const x = scaleLinear([least - room, most + room], [SIZE.left, SIZE.width - SIZE.right]);
  const top = Math.max(...points.map(({ taught, worked }) => Math.max(taught, worked))) * 1.12;
  const y = scaleLinear([0, top], [SIZE.height - SIZE.bottom, SIZE.top]);
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="draw w-full max-w-xl"
      role="img"
      aria-label={`Unevenness against minutes, ${points.length} routes: as taught, and with pulls of their own. No list tried comes under ${bare('unevenness', floor)}.`}
    >
      <ValueAxis y={y} left={SIZE.left} right={SIZE.width - SIZE.right} />
      <text x={4} y={12} style={{ stroke: 'none' }}>
        unevenness expected
      </text>
      {x.ticks(5).map((tick) => (
        <text key={tick} x={x(tick)} y={SIZE.height - SIZE.bottom + 15} textAnchor="middle" style={{ stroke: 'none' }}>
          {tick}
        </text>
      ))}
      <text x={SIZE.width - SIZE.right} y={SIZE.height - 4} textAnchor="end" style={{ stroke: 'none' }}>
        minutes
      </text>
      <path d={`M${SIZE.left} ${y(floor)}H${SIZE.width - SIZE.right}`} stroke="var(--color-success)" strokeDasharray="6 3" />
      <text x={SIZE.left + 4} y={y(floor) + 14} style={{ stroke: 'none' }}>
        floor {bare('unevenness', floor)}, with these hands
      </text>
      {points.map(({ id, minutes: at, taught, worked, chosen }) => (
        <g key={id}>
          <path d={`M${x(at)} ${y(taught)}V${y(worked)}`} stroke="var(--soft)" />
          <circle
            cx={x(at)}
            cy={y(taught)}
            r="4"
            fill="var(--color-base-200)"
            stroke="var(--color-base-content)"
            strokeWidth="1.5"
          />
          <circle cx={x(at)} cy={y(worked)} r="4.5" fill={chosen ? 'var(--color-primary)' : 'var(--color-base-content)'} />
        </g>
      ))}
      {marksApart(points, (one) => ({ x: x(one.minutes), y: y(one.taught) })).map(({ marks, at }) => (
        <text key={marks} x={at.x + 7} y={at.y - 3} style={{ stroke: 'none' }}>
          {marks}
        </text>
      ))}
    </svg>
  );
}

/** Marks of points that would cover each other stand as one: "1, 3". */
function marksApart(points: readonly EvennessPoint[], placed: (point: EvennessPoint) => { x: number; y: number }) {
  const groups: { marks: string; at: { x: number; y: number } }[] = [];
  for (const point of points) {
    const at = placed(point);
    const near = groups.find((group) => Math.abs(group.at.x - at.x) < 12 && Math.abs(group.at.y - at.y) < 10);
    if (near) near.marks = `${near.marks}, ${point.mark}`;
    else groups.push({ marks: point.mark, at });
  }
  return groups;
}
