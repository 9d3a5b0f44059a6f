'use client';
/* Bow along both pairs of bars in time, with the limit of every span: D3 scales and lines. */
import { printed } from '@/core/quantities/printed';
import { range } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { deflectionAt } from '@/core/frame/beam';
import type { BarBow } from '@/core/frame/chooseBars';
import type { BarsPlan } from '@/core/stages/bars/planBars';
import { type Tape, MM_PER, printNumber } from '@/core/units/length';
import { ValueAxis } from '@/ui/drawing/ValueAxis';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { useWorkshop } from '@/ui/WorkshopContext';

const SIZE = { width: 700, height: 176, left: 46, right: 14, top: 22, bottom: 34 };
const POINTS = 96;

interface Pair {
  name: string;
  bow: BarBow;
  dash?: string;
}

/** The step line of the limit: the smaller of the house’s and each span’s own part. */
function limitLine({ solution }: BarBow, limitOf: (spanMm: number) => number): [number, number][] {
  return solution.nodesMm.slice(1).flatMap((to, index): [number, number][] => {
    const from = solution.nodesMm[index]!;
    return [
      [from, limitOf(to - from)],
      [to, limitOf(to - from)],
    ];
  });
}

export function BowChart({ plan, limitOf }: { plan: BarsPlan; limitOf: (spanMm: number) => number }) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const pairs: Pair[] = [
    { name: 'top and bottom', bow: plan.chosen.topBottom },
    { name: 'left and right', bow: plan.chosen.leftRight, dash: '7 3' },
  ];
  const along = Math.max(...pairs.map(({ bow }) => bow.solution.beam.lengthMm));
  const lines = pairs.map(({ bow }) =>
    range(POINTS + 1).map((step): [number, number] => {
      const at = (bow.solution.beam.lengthMm * step) / POINTS;
      return [at, deflectionAt(bow.solution, at) * bow.lasting];
    }),
  );
  const limits = pairs.map(({ bow }) => limitLine(bow, limitOf));
  const top = Math.max(...lines.flat().map(([, mm]) => mm), ...limits.flat().map(([, mm]) => mm)) * 1.08;
  const x = scaleLinear([0, along], [SIZE.left, SIZE.width - SIZE.right]);
  const y = scaleLinear([0, top], [SIZE.height - SIZE.bottom, SIZE.top]);
  const path = line<[number, number]>(
    ([at]) => x(at),
    ([, mm]) => y(mm),
  );
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="draw max-h-full w-full"
      role="img"
      aria-label={`Bow along the bars in time: ${pairs.map(({ name, bow }) => `${name} ${printed('bow', bow.lastingMm, tape)} at ${alongText(bow.atMm, tape)} ${tape.unit}, limit ${printed('bow', bow.limitMm, tape)}`).join('; ')}`}
    >
      <ValueAxis y={y} left={SIZE.left} right={SIZE.width - SIZE.right} />
      <text x={4} y={11} style={{ stroke: 'none', fill: 'var(--soft)' }}>
        long-term bow, mm
      </text>
      {x.ticks(8).map((tick) => (
        <text key={tick} x={x(tick)} y={SIZE.height - SIZE.bottom + 15} textAnchor="middle" style={{ stroke: 'none' }}>
          {alongText(tick, tape)}
        </text>
      ))}
      <text x={SIZE.width - SIZE.right} y={SIZE.height - 4} textAnchor="end" style={{ stroke: 'none', fill: 'var(--soft)' }}>
        along the bar, {tape.unit}; from the {say.side('left')}, from the top
      </text>
      {pairs.map(({ name, bow, dash }, index) => (
        <g key={name}>
          <path d={path(limits[index]!)!} fill="none" stroke="var(--soft)" strokeWidth="1" strokeDasharray={dash ?? '2 3'} />
          <path d={path(lines[index]!)!} fill="none" stroke={inkOf(bow)} strokeWidth="2.2" strokeDasharray={dash} />
          <g transform={`translate(${SIZE.left + 190 + index * 235}, 8)`}>
            <path d="M0 0h26" stroke={inkOf(bow)} strokeWidth="2.2" strokeDasharray={dash} />
            <text x={32} y={4} className="strong" style={{ stroke: 'none' }}>
              {name}: {printed('bow', bow.lastingMm, tape)} at {alongText(bow.atMm, tape)}
            </text>
          </g>
        </g>
      ))}
      <text x={SIZE.left + 4} y={SIZE.height - 4} style={{ stroke: 'none', fill: 'var(--soft)' }}>
        thin: the limit of each span
      </text>
    </svg>
  );
}

const inkOf = (bow: BarBow) => (bow.lastingMm <= bow.limitMm ? 'var(--color-success)' : 'var(--color-error)');

const alongText = (mm: number, tape: Tape) => printNumber(mm, { unit: tape.unit, stepMm: tape.unit === 'in' ? MM_PER.in : 1 });
