/* Fasteners of a drawing on the screen: each a stroke on the bar, with the numbers there is room for. */
import { type PlacedNumber, numbersWithRoom } from '@/drawing/numbersWithRoom';
import type { Mark, Point } from '@/drawing/scene/scene';
import { pathOf, round } from './svgPath';

export type StapleMark = Extract<Mark, { kind: 'staple' }>;

/** All fasteners: one path for those set, one for those to come, the present one on its own, and the numbers. */
export function Staples({ marks, px, scale }: { marks: StapleMark[]; px: (at: Point) => Point; scale: number }) {
  const line = (mark: StapleMark) => {
    const at = px(mark.at);
    const half = Math.max(4, (mark.lengthMm * scale) / 2);
    const angle = (mark.degrees * Math.PI) / 180;
    const along = { x: Math.cos(angle) * half, y: Math.sin(angle) * half };
    return pathOf([
      { x: at.x - along.x, y: at.y - along.y },
      { x: at.x + along.x, y: at.y + along.y },
    ]);
  };
  const passes = [...new Set(marks.map((mark) => mark.pass))];
  const lines = (pass: number, state: StapleMark['state']) =>
    marks
      .filter((mark) => mark.pass === pass && mark.state === state)
      .map((mark) => line(mark) + shape(px(mark.at), mark.take))
      .join('');
  const now = marks.find((mark) => mark.state === 'now');
  const written = numbersWithRoom(marks.filter(({ label }) => label !== '').map((mark) => placed(mark, px)));
  return (
    <g>
      {passes.map((pass) => (
        <g key={pass} className={`staple pass${pass % PASS_COLOURS}`}>
          <path d={lines(pass, 'to come')} className="come" />
          <path d={lines(pass, 'past')} />
        </g>
      ))}
      {now && <path d={line(now)} className="staple now" />}
      {now && <circle cx={round(px(now.at).x)} cy={round(px(now.at).y)} r="11" className="line measure" />}
      {[...written].map(({ mark, at }) => (
        <text
          key={marks.indexOf(mark)}
          x={round(at.x)}
          y={round(at.y + 4.5)}
          textAnchor="middle"
          className={`staple-number ${mark.state === 'to come' ? 'come' : mark.state}`}
        >
          {mark.label}
        </text>
      ))}
    </g>
  );
}

/** Colours there are for passes; further ones begin again. */
const PASS_COLOURS = 6;

/** A pass by its shape: a ring about the middles, a square about what holds for the time being, a cross at the corners. */
function shape({ x, y }: Point, take: StapleMark['take']): string {
  const [cx, cy] = [round(x), round(y)];
  switch (take) {
    case 'middle':
      return `M${cx - 6} ${cy}a6 6 0 1 0 12 0a6 6 0 1 0 -12 0`;
    case 'temporary':
      return `M${cx - 6} ${cy - 6}h12v12h-12z`;
    case 'corner':
      return `M${cx - 4} ${cy - 4}l8 8M${cx + 4} ${cy - 4}l-8 8`;
    default:
      return '';
  }
}

interface PlacedLabel extends PlacedNumber {
  mark: StapleMark;
}

/** Height of the lettering, px, as the style sheet has it; a figure is about half as wide. */
const LETTERING = { now: 17, others: 11 };

function placed(mark: StapleMark, px: (at: Point) => Point): PlacedLabel {
  const { outward, label, due } = mark;
  const at = px(mark.labelAt);
  const isNow = mark.state === 'now';
  const away = isNow ? 17 : 12;
  const high = isNow ? LETTERING.now : LETTERING.others;
  return {
    mark,
    at: { x: at.x + outward.x * away, y: at.y + outward.y * away },
    wide: label.length * high * 0.52,
    high,
    outward,
    due,
  };
}
