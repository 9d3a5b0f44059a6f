/* The one figure of a step, as large as it fits: read from two metres. */
import { Figure } from '@/ui/drawing/Figure';

/** A number with its unit behind it. */
const WITH_UNIT = /^(.*\d)\s*(mm|cm|m|in|g|kg|lb|oz|ml|N\/m|min|h|% RH)$/;

/** Widths of letters, in parts of the height of the lettering: a condensed face. */
const LETTER = 0.52;
const UNIT = 0.23;

export function BenchFigure({ figure }: { figure: string }) {
  const parts = WITH_UNIT.exec(figure);
  const [number, unit] = [parts?.[1] ?? figure, parts?.[2] ?? ''];
  // A fraction is set small: it takes about the room of one letter and a half.
  const letters = number.replace(/\d+[/⁄]\d+/g, 'xx').length;
  // What is still to be read leaves its room to the drawing.
  const most = /\d/.test(number) ? 24 : 13;
  const ems = Math.max(1.2, letters * LETTER + (unit.length + 1) * UNIT);
  return (
    <div className="[container-type:inline-size]">
      <p
        data-testid="bench-figure"
        aria-label={figure}
        className="figure leading-[1.08] font-semibold whitespace-nowrap"
        style={{ fontSize: `clamp(12dvh, ${(100 / ems).toFixed(1)}cqw, ${most}dvh)` }}
      >
        <Figure>{number}</Figure>
        {unit !== '' && <span className="pl-[0.15em] text-[0.38em]">{unit}</span>}
      </p>
    </div>
  );
}
