'use client';
/* One kind of reading over time: D3 scales, each dot a reading with its tool's error as a line. */
import { printedIn } from '@/core/quantities/printed';
import { extent } from 'd3-array';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { format } from 'date-fns';
import { useWorkshop } from '@/ui/WorkshopContext';
import { ValueAxis } from '@/ui/drawing/ValueAxis';
import { type Dot, KINDS, type KindId } from './readingDots';

const SIZE = { width: 1180, height: 168, left: 52, right: 40, top: 20, bottom: 24 };

export function ReadingPlot({ plot, dots, onPlot }: { plot: KindId; dots: Dot[]; onPlot: (kind: KindId) => void }) {
  const { tape } = useWorkshop();
  const kind = KINDS.find((one) => one.id === plot)!;
  const [first, last] = extent(dots, (dot) => new Date(dot.at));
  const x = scaleUtc([first ?? new Date(0), last ?? new Date(1)], [SIZE.left, SIZE.width - SIZE.right]).nice();
  const top = Math.max(...dots.map((dot) => dot.value + dot.precision), 1);
  const y = scaleLinear([0, top], [SIZE.height - SIZE.bottom, SIZE.top]).nice(4);
  return (
    <section aria-label="Plot" className="hair-b px-5 py-2">
      <div className="flex flex-wrap items-center gap-1">
        {KINDS.map((one) => (
          <button
            key={one.id}
            type="button"
            aria-pressed={one.id === plot}
            className={`btn btn-xs h-7 ${one.id === plot ? 'btn-neutral' : 'btn-ghost'}`}
            onClick={() => onPlot(one.id)}
          >
            {one.name}
          </button>
        ))}
      </div>
      {dots.length < 2 ? (
        <p className="soft py-4 text-[14px]">Two readings or more make a plot; {dots.length === 0 ? 'none' : 'one'} found.</p>
      ) : (
        <svg
          viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
          className="draw w-full"
          role="img"
          aria-label={`${kind.name} over time, ${dots.length} readings in ${kind.unit}`}
        >
          <ValueAxis y={y} left={SIZE.left} right={SIZE.width - SIZE.right} />
          <text x={SIZE.left} y={SIZE.top - 8} style={{ stroke: 'none', fill: 'var(--soft)' }}>
            {kind.unit}
          </text>
          {x.ticks(8).map((tick) => (
            <text key={tick.getTime()} x={x(tick)} y={SIZE.height - 6} textAnchor="middle" style={{ stroke: 'none' }}>
              {format(tick, 'MMM yyyy')}
            </text>
          ))}
          {dots.map((dot) => (
            <g key={`${dot.says}${dot.at}${dot.value}`}>
              <path
                d={`M${x(new Date(dot.at))} ${y(Math.max(0, dot.value - dot.precision))}V${y(dot.value + dot.precision)}`}
                stroke="var(--color-primary)"
                opacity="0.4"
              />
              <circle cx={x(new Date(dot.at))} cy={y(dot.value)} r="3.5" fill="var(--color-primary)">
                <title>{`${dot.says}: ${printedIn(kind.unit, dot.value, tape)}`}</title>
              </circle>
            </g>
          ))}
        </svg>
      )}
    </section>
  );
}
