'use client';
import { printed } from '@/core/quantities/printed';
import type { SideWords } from '@/core/job/sideWords';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { TAPE_NAMES, type TapeName, isDiagonal } from '@/core/frame/square/corners';
import type { Estimate, Quadrilateral } from '@/core/frame/square/quadrilateral';
import { type SquarePlan, tapeReadings } from '@/core/stages/square/planSquare';
import { type Tape, printFine } from '@/core/units/length';
import { Figure } from '@/ui/drawing/Figure';
import { Tick } from '@/ui/form/fields';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { SquarePart } from '../slip/slipProps';

const nameWords = (name: TapeName, say: SideWords) => (isDiagonal(name) ? `diagonal ${say.seen(name)}` : say.side(name));

/** A length as finely as it is known, without its unit, which stands in the heading. */
const fineNumber = (mm: number, tape: Tape) => printFine(mm, tape).replace(/ (mm|in)$/, '');
const fineUnit = (tape: Tape) => (tape.unit === 'in' ? 'in' : 'mm');

/** What was read against what fits, the corners, and the size with its trapezium part. */
export function FitTable({ square, plan, locked, change }: SquarePart & { plan: SquarePlan }) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const { result } = plan;
  if (result.kind !== 'fitted') return <p className="soft text-[14px]">Read the diagonals, or hold a set square in a corner.</p>;
  const read = tapeReadings(square);
  const { doubt } = result;
  const doubted = (name: TapeName) =>
    doubt !== null && ((doubt.kind === 'diagonals' && isDiagonal(name)) || ('name' in doubt && doubt.name === name));
  const signed = (mm: number) => `${mm > 0.05 ? '+' : mm < -0.05 ? '−' : ''}${fineNumber(Math.abs(mm), tape)}`;
  return (
    <div className="grid items-start gap-x-6 gap-y-2 md:grid-cols-[1.25fr_0.8fr_0.8fr]">
      <table className="figure w-full text-[14px] whitespace-nowrap [&_td+td]:pl-3">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">reading</th>
            <th className="text-right font-normal">read, {fineUnit(tape)}</th>
            <th className="text-right font-normal">fits</th>
            <th className="text-right font-normal">off</th>
          </tr>
        </thead>
        <tbody>
          {TAPE_NAMES.map((name) => (
            <tr key={name} className={`hair-b ${doubted(name) ? 'font-semibold text-warning' : ''}`}>
              <td>
                {nameWords(name, say)}
                {doubted(name) && ', doubted'}
              </td>
              <td className="text-right">{read[name] === null ? '–' : <Figure>{fineNumber(read[name], tape)}</Figure>}</td>
              <td className="text-right">
                <Figure>{fineNumber(result.fitted[name], tape)}</Figure>
              </td>
              <td className="text-right">{read[name] !== null && <Figure>{signed(read[name] - result.fitted[name])}</Figure>}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="text-[14px]">
        <table className="figure w-full whitespace-nowrap">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">corner</th>
              <th className="text-right font-normal">angle</th>
            </tr>
          </thead>
          <tbody>
            {say.corners.map((corner) => (
              <tr key={corner} className="hair-b">
                <td>{say.corner(corner)}</td>
                <td className="text-right">
                  {printed('angle', 90 + result.cornersDegrees[corner].value)} ±{' '}
                  {printed('angle', result.cornersDegrees[corner].sd)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="text-[14px]">
        <SizeTable result={result} />
        <Tick
          label="Use the tape only (ignore nominal bar lengths)"
          checked={square.trust === 'tape'}
          disabled={locked}
          onChange={(on) => change({ trust: on ? 'tape' : 'bars' })}
        />
      </div>
    </div>
  );
}

/** Size and trapezium part of the fitted frame, each with its standard error. */
function SizeTable({ result }: { result: Quadrilateral }) {
  const say = useSideWords();
  const { tape } = useWorkshop();
  const rows: [name: string, of: Estimate][] = [
    ['width', result.widthMm],
    ['height', result.heightMm],
    ['top less bottom', result.taperWidthMm],
    [`${say.side('right')} less ${say.side('left')}`, result.taperHeightMm],
  ];
  return (
    <table className="figure w-full whitespace-nowrap">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="font-normal">fitted</th>
          <th className="text-right font-normal">{fineUnit(tape)}, ± one error</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, { value, sd }]) => (
          <tr key={name} className="hair-b">
            <td>{name}</td>
            <td className="text-right">
              <Figure>{`${value < -0.05 ? '−' : ''}${fineNumber(Math.abs(value), tape)} ± ${fineNumber(sd, tape)}`}</Figure>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
