import { runOf } from '@/core/stages/stages';
import type { BenchRow } from '@/server/bench/benchPage';

const STEP = 25;

const at = (index: number) => 8 + index * STEP;

/** A mark at each stage from one to before another. */
const places = (from: number, to: number, mark: (x: number) => string): string =>
  Array.from({ length: Math.max(0, to - from) }, (_, index) => mark(at(from + index))).join('');

/** The chalk line of a job: squares for stages done, an open one for what is next. */
export function StageLine({ row, waits }: { row: BenchRow; waits: boolean }) {
  const run = runOf(row.painted);
  const next = row.next.stage === null ? -1 : run.indexOf(row.next.stage);
  const reached = at(next < 0 ? run.length - 1 : next);
  const says = next < 0 ? 'all stages done' : `${next} of ${run.length} stages done`;
  const colour = row.stop ? 'var(--color-error)' : waits ? 'var(--color-warning)' : 'var(--color-primary)';
  return (
    <svg width={STEP * (run.length - 1) + 16} height="24" role="img" aria-label={says} className="hidden sm:block">
      <path d={`M${at(0)} 12H${at(run.length - 1)}`} stroke="var(--hair)" />
      <path d={`M${at(0)} 12H${reached}`} stroke="var(--color-primary)" strokeWidth="2.5" />
      {/* One stroke for what is done, one for what is to come: a bench has many lines. */}
      <path d={places(0, next < 0 ? run.length : next, (x) => `M${x - 4.5} 7.5h9v9h-9z`)} fill="var(--color-primary)" />
      {next >= 0 && <path d={places(next + 1, run.length, (x) => `M${x} 8v8`)} stroke="var(--soft)" />}
      {next >= 0 && (
        <g stroke={colour} strokeWidth="2.5" fill="var(--color-base-100)">
          <rect x={at(next) - 6} y="6" width="12" height="12" />
          {row.stop && <path d={`M${at(next) - 3} 9l6 6m0-6l-6 6`} strokeWidth="1.6" />}
          {waits && <path d={`M${at(next)} 9v3l2 2`} fill="none" strokeWidth="1.6" />}
        </g>
      )}
    </svg>
  );
}
