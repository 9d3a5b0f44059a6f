import { STAGES } from '@/core/stages/stages';
import type { BenchRow } from '@/server/workshopCases';

const STEP = 25;

/** The chalk line of a job: squares for stages done, an open one for what is next. */
export function StageLine({ row, waits }: { row: BenchRow; waits: boolean }) {
  const next = STAGES.findIndex((stage) => stage.id === row.next.stage);
  const at = (index: number) => 8 + index * STEP;
  const reached = at(next < 0 ? STAGES.length - 1 : next);
  const says = next < 0 ? 'all stages done' : `${next} of ${STAGES.length} stages done`;
  const colour = row.stop ? 'var(--color-error)' : waits ? 'var(--color-warning)' : 'var(--color-primary)';
  return (
    <svg width={STEP * 7 + 16} height="24" role="img" aria-label={says} className="hidden sm:block">
      <path d={`M${at(0)} 12H${at(7)}`} stroke="var(--hair)" />
      <path d={`M${at(0)} 12H${reached}`} stroke="var(--color-primary)" strokeWidth="2.5" />
      {STAGES.map((stage, index) => {
        if (next < 0 || index < next)
          return <rect key={stage.id} x={at(index) - 4.5} y="7.5" width="9" height="9" fill="var(--color-primary)" />;
        if (index > next) return <path key={stage.id} d={`M${at(index)} 8v8`} stroke="var(--soft)" />;
        return (
          <g key={stage.id} stroke={colour} strokeWidth="2.5" fill="var(--color-base-100)">
            <rect x={at(index) - 6} y="6" width="12" height="12" />
            {row.stop && <path d={`M${at(index) - 3} 9l6 6m0-6l-6 6`} strokeWidth="1.6" />}
            {waits && <path d={`M${at(index)} 9v3l2 2`} fill="none" strokeWidth="1.6" />}
          </g>
        );
      })}
    </svg>
  );
}
