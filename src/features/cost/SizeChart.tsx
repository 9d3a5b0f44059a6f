'use client';
/* Cost of this make-up against size, with ready-made prices as they were typed: D3 scales and lines. */
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { CostSettings } from '@/core/cost/costSettings';
import { type SizeCost, readyAlong } from '@/core/cost/readyMade';
import { MM_PER, printNumber } from '@/core/units/length';
import { ValueAxis } from '@/ui/drawing/ValueAxis';
import { useWorkshop } from '@/ui/WorkshopContext';

const SIZE = { width: 400, height: 190, left: 44, right: 12, top: 20, bottom: 34 };

interface SizeChartProps {
  curve: readonly SizeCost[];
  readyMade: CostSettings['readyMade'];
  /** The canvas at hand. */
  here: { widthMm: number; heightMm: number };
}

const sumOf = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) => widthMm + heightMm;

export function SizeChart({ curve, readyMade, here }: SizeChartProps) {
  const { rules, tape } = useWorkshop();
  const [least, most] = [sumOf(curve[0]!), sumOf(curve.at(-1)!)];
  const bought = readyMade
    .map((one) => ({ sum: sumOf(one), major: one.priceMinor / 100 }))
    .filter(({ sum }) => sum >= least && sum <= most)
    .sort((a, b) => a.sum - b.sum);
  // The line goes on to the edge of the chart where a price beyond it is known.
  const edges = [least, most].flatMap((sum) => {
    const minor = readyAlong({ readyMade }, sum);
    return minor === null ? [] : [{ sum, major: minor / 100 }];
  });
  const along = [...bought, ...edges].sort((a, b) => a.sum - b.sum);
  const made = curve.map((one) => ({ sum: sumOf(one), major: one.minor / 100 }));
  const top = Math.max(...[...along, ...made].map(({ major }) => major)) * 1.08;
  const x = scaleLinear([least, most], [SIZE.left, SIZE.width - SIZE.right]);
  const y = scaleLinear([0, top], [SIZE.height - SIZE.bottom, SIZE.top]);
  const path = line<{ sum: number; major: number }>(
    ({ sum }) => x(sum),
    ({ major }) => y(major),
  );
  const per = MM_PER[tape.unit];
  const ticks = scaleLinear([least / per, most / per], [0, 1]).ticks(5);
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="draw w-full"
      role="img"
      aria-label={`Cost against width and height together, ${tape.unit}: made here, and ready made`}
    >
      <ValueAxis y={y} left={SIZE.left} right={SIZE.width - SIZE.right} />
      <text x={4} y={12} style={{ stroke: 'none' }}>
        {rules.currency}
      </text>
      {ticks.map((tick) => (
        <text key={tick} x={x(tick * per)} y={SIZE.height - SIZE.bottom + 15} textAnchor="middle" style={{ stroke: 'none' }}>
          {printNumber(tick * per, tape)}
        </text>
      ))}
      <text x={SIZE.width - SIZE.right} y={SIZE.height - 4} textAnchor="end" style={{ stroke: 'none' }}>
        width and height together, {tape.unit}
      </text>
      <path d={`M${x(sumOf(here))} ${SIZE.top}V${SIZE.height - SIZE.bottom}`} stroke="var(--soft)" strokeDasharray="2 3" />
      <text x={x(sumOf(here)) + 4} y={SIZE.top + 10} style={{ stroke: 'none' }}>
        this one
      </text>
      <path d={path(made) ?? ''} fill="none" stroke="var(--color-primary)" strokeWidth="2" />
      <text x={x(made.at(-1)!.sum) - 4} y={y(made.at(-1)!.major) - 6} textAnchor="end" className="strong">
        made here
      </text>
      {along.length > 1 && (
        <path d={path(along) ?? ''} fill="none" stroke="var(--color-warning)" strokeWidth="2" strokeDasharray="7 3" />
      )}
      {bought.map(({ sum, major }) => (
        <rect key={sum} x={x(sum) - 3} y={y(major) - 3} width="6" height="6" fill="var(--color-warning)" />
      ))}
      {bought.length > 0 && (
        <text x={x(bought[0]!.sum) - 4} y={y(bought[0]!.major) - 10}>
          ready made
        </text>
      )}
    </svg>
  );
}
