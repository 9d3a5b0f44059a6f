import type { ScaleLinear } from 'd3-scale';
import { tickText } from '@/core/quantities/printed';

/** The values of a chart up its left side, with a hairline across for each. */
export function ValueAxis({ y, left, right }: { y: ScaleLinear<number, number>; left: number; right: number }) {
  return y.ticks(4).map((tick) => (
    <g key={tick}>
      <path d={`M${left} ${y(tick)}H${right}`} stroke="var(--hair)" />
      <text x={left - 6} y={y(tick) + 4} textAnchor="end" style={{ stroke: 'none' }}>
        {tickText(tick)}
      </text>
    </g>
  ));
}
