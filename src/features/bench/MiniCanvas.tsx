import { profileOf } from '@/core/house/materials';
import { frameMarks } from '@/drawing/frameMarks';
import type { BenchRow } from '@/server/workshopCases';
import { useWorkshop } from '@/ui/WorkshopContext';

/** One canvas from the back at the common scale of the bench. */
export function MiniCanvas({ row, scale, cell }: { row: BenchRow; scale: number; cell: { width: number; height: number } }) {
  const { rules } = useWorkshop();
  const marks = frameMarks({
    widthMm: row.widthMm,
    heightMm: row.heightMm,
    profile: profileOf(rules, row.bars.profile),
    joint: row.bars.joint,
    bracesUpright: row.bars.bracesUpright,
    bracesLevel: row.bars.bracesLevel,
  });
  const [width, height] = [row.widthMm * scale, row.heightMm * scale];
  const left = (cell.width - width) / 2;
  const top = (cell.height - height) / 2;
  return (
    <svg width={cell.width} height={cell.height} aria-hidden className="draw hidden sm:block">
      <rect
        x={left}
        y={top}
        width={width}
        height={height}
        style={{ fill: row.done.includes('prime') ? 'var(--primed)' : 'var(--cloth)', stroke: 'var(--cloth-edge)' }}
      />
      {row.done.includes('bars') &&
        marks.map((mark, index) =>
          mark.kind === 'area' ? (
            <polygon
              key={index}
              points={mark.points.map(({ x, y }) => `${(left + x * scale).toFixed(1)},${(top + y * scale).toFixed(1)}`).join(' ')}
              className={mark.role}
              style={{ strokeWidth: 0.6 }}
            />
          ) : null,
        )}
    </svg>
  );
}
