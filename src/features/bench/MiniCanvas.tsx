import { profileOf } from '@/core/house/materials';
import { frameMarks } from '@/drawing/frameMarks';
import type { BenchRow } from '@/server/bench/benchPage';
import { useWorkshop } from '@/ui/WorkshopContext';

interface MiniCanvasProps {
  row: Pick<BenchRow, 'widthMm' | 'heightMm' | 'bars' | 'done'>;
  scale: number;
  cell: { width: number; height: number };
}

/** One canvas from the back at the common scale of the bench. */
export function MiniCanvas({ row, scale, cell }: MiniCanvasProps) {
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
  const px = (offset: number, mm: number) => (offset + mm * scale).toFixed(1);
  /** Everything of one role as one path. */
  const outlines = new Map<string, string>();
  for (const mark of marks) {
    if (mark.kind !== 'area') continue;
    const corners = mark.points.map(({ x, y }) => `${px(left, x)} ${px(top, y)}`);
    outlines.set(mark.role, `${outlines.get(mark.role) ?? ''}M${corners.join('L')}z`);
  }
  return (
    <svg width={cell.width} height={cell.height} aria-hidden className="draw hidden sm:block">
      <rect
        x={left.toFixed(1)}
        y={top.toFixed(1)}
        width={width.toFixed(1)}
        height={height.toFixed(1)}
        style={{ fill: row.done.includes('prime') ? 'var(--primed)' : 'var(--cloth)', stroke: 'var(--cloth-edge)' }}
      />
      {row.done.includes('bars') &&
        [...outlines].map(([role, d]) => <path key={role} d={d} className={role} style={{ strokeWidth: 0.6 }} />)}
    </svg>
  );
}
