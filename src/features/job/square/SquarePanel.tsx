'use client';
/* Under the drawing of the square frame: what was read against what fits, the tries, set square, wind, and a practice tape. */
import { printed } from '@/core/quantities/printed';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import dynamic from 'next/dynamic';
import type { Corner } from '@/core/frame/square/corners';
import { NOTHING_READ } from '@/core/frame/square/readings';
import { WIND_PATTERNS } from '@/core/frame/square/wind';
import type { JobInputs } from '@/core/job/job';
import { type CornerGap, MOST_TRIES, type SquareInputs, squareShape } from '@/core/stages/square/squareInputs';
import { type SquarePlan, anotherTry, tapeReadings } from '@/core/stages/square/planSquare';
import { MM_PER_INCH, finerTape, length, printFine, printLength } from '@/core/units/length';
import { Choice, LengthField, ReadingField } from '@/ui/form/fields';
import { Figure } from '@/ui/drawing/Figure';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';
import { FitTable } from '../cloth/FitTable';
import type { SquarePart } from '../slip/slipProps';

/** Loaded when it is opened: most frames are measured with a real tape. */
const PracticeTape = dynamic(() => import('./PracticeTape').then((module) => module.PracticeTape), { loading: () => null });

interface SquarePanelProps {
  inputs: JobInputs;
  plan: SquarePlan;
  locked: boolean;
  change: (patch: Partial<SquareInputs>) => void;
}

export function SquarePanel({ inputs, plan, locked, change }: SquarePanelProps) {
  const { square } = inputs;
  return (
    <Tabs
      label="Square"
      className="min-h-[226px] flex-none"
      split="square"
      tabs={[
        {
          id: 'fit',
          name: 'Measured and fitted',
          show: () => <FitTable square={square} plan={plan} locked={locked} change={change} />,
        },
        {
          id: 'tries',
          name: `Tries${square.tries.length > 0 ? ` (${plan.tries.length})` : ''}`,
          show: () => <Tries square={square} plan={plan} locked={locked} change={change} />,
        },
        { id: 'square', name: 'Set square', show: () => <SetSquare square={square} locked={locked} change={change} /> },
        { id: 'wind', name: 'Wind', show: () => <Wind square={square} locked={locked} change={change} /> },
        { id: 'means', name: 'What the difference looks like', show: () => <Meaning inputs={inputs} plan={plan} /> },
        {
          id: 'practice',
          name: 'Practice tape',
          show: () => <PracticeTape inputs={inputs} plan={plan} locked={locked} change={change} />,
        },
      ]}
    />
  );
}

function Tries({ square, plan, locked, change }: SquarePart & { plan: SquarePlan }) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const read = tapeReadings(square);
  const complete = read.down !== null && read.up !== null;
  const rows = [...square.tries, ...(complete ? [read] : [])];
  const print = (mm: number | null) => (mm === null ? '–' : printLength(mm, finerTape(tape)));
  return (
    <div className="grid items-start gap-x-8 gap-y-2 text-[14px] md:grid-cols-[1.4fr_1fr]">
      <table className="figure w-full">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">try</th>
            <th className="text-right font-normal">down</th>
            <th className="text-right font-normal">up</th>
            <th className="text-right font-normal">difference</th>
            <th className="text-right font-normal">top aside</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, index) => (
            <tr key={index} className={`hair-b ${index === rows.length - 1 ? 'font-semibold' : ''}`}>
              <td>{index + 1}</td>
              <td className="text-right">
                <Figure>{print(row[say.seen('down')])}</Figure>
              </td>
              <td className="text-right">
                <Figure>{print(row[say.seen('up')])}</Figure>
              </td>
              <td className="text-right">
                <Figure>{plan.tries[index] ? printFine(Math.abs(plan.tries[index].differenceMm), tape) : '–'}</Figure>
              </td>
              <td className="text-right">
                <Figure>{plan.tries[index] ? printFine(Math.abs(plan.tries[index].slideMm), tape) : '–'}</Figure>
              </td>
            </tr>
          ))}
          {rows.length === 0 && (
            <tr>
              <td colSpan={5} className="soft py-1">
                No try yet: read both diagonals.
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <div className="space-y-2">
        <p className="soft">Press, then read again. Each try is kept with the record; the drawing shows the path to square.</p>
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-sm btn-outline"
            disabled={locked || !complete || square.tries.length >= MOST_TRIES}
            onClick={() => change(anotherTry(square))}
          >
            Save this attempt and measure again
          </button>
          {square.tries.length > 0 && (
            <button
              type="button"
              className="btn btn-sm btn-ghost"
              disabled={locked}
              onClick={() => {
                const last = square.tries.at(-1) ?? NOTHING_READ;
                const back = (mm: number | null) => (mm === null ? null : length(mm));
                change({ tries: square.tries.slice(0, -1), down: back(last.down), up: back(last.up) });
              }}
            >
              Back to the try before
            </button>
          )}
        </div>
      </div>
    </div>
  );
}

function SetSquare({ square, locked, change }: SquarePart) {
  const say = useSideWords();
  const set = (corner: Corner, gap: CornerGap | null) => change({ gaps: { ...square.gaps, [corner]: gap } });
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-1 sm:grid-cols-[150px_1fr_1fr]">
      <div className="sm:row-span-2">
        <LengthField
          label="Blade"
          of={squareShape.blade}
          value={square.blade}
          onChange={(blade) => change({ blade })}
          disabled={locked}
        />
        <p className="soft mt-1 text-[13px] leading-4">
          Hold it inside the corner. Gap at the tip: wider than square; at the heel: narrower. 0 where light does not pass.
        </p>
      </div>
      {say.corners.map((corner) => {
        const one = square.gaps[corner];
        return (
          <div key={corner} className="grid grid-cols-[1fr_120px] gap-2">
            <ReadingField
              label={`Gap, ${say.corner(corner)}`}
              of="gap"
              value={one?.gap ?? null}
              onChange={(gap) => set(corner, gap ? { gap, wider: one?.wider ?? true } : null)}
              disabled={locked}
            />
            <Choice
              label="open at"
              value={one && !one.wider ? 'heel' : 'tip'}
              options={[
                { id: 'tip', name: 'the tip' },
                { id: 'heel', name: 'the heel' },
              ]}
              onChange={(way) => one && set(corner, { ...one, wider: way === 'tip' })}
              disabled={locked || one === null}
            />
          </div>
        );
      })}
    </div>
  );
}

function Wind({ square, locked, change }: SquarePart) {
  return (
    <div className="grid gap-x-6 gap-y-1 sm:grid-cols-2">
      <Choice
        label="On a flat table"
        value={square.windPattern}
        options={WIND_PATTERNS}
        onChange={(windPattern) => change({ windPattern })}
        disabled={locked}
      />
      <ReadingField
        label="Gap between two strings, corner to corner"
        of={squareShape.strings}
        value={square.strings}
        onChange={(strings) => change({ strings })}
        disabled={locked}
      />
      <p className="soft text-[13.5px] leading-5 sm:col-span-2">
        No flat table? Stretch two strings from corner to corner, just touching the bars: where they cross, the gap between them
        is half of what one corner lifts. Change which string is on top and read again: the mean is free of the string’s
        thickness.
      </p>
    </div>
  );
}

/** The same lack of squareness as a difference of the diagonals, an angle, and a gap along the rebate. */
function Meaning({ inputs, plan }: { inputs: JobInputs; plan: SquarePlan }) {
  const { tape } = useWorkshop();
  const { width, height } = inputs.brief;
  const of = (differenceMm: number) => {
    const sine = Math.min(1, (differenceMm * plan.targetDiagonalMm) / (2 * width.mm * height.mm));
    return { degrees: (Math.asin(sine) * 180) / Math.PI, side: sine * height.mm, top: sine * width.mm };
  };
  const rows = [
    ...(plan.result.kind === 'fitted' ? [{ name: 'this frame', mm: Math.abs(plan.result.difference.value) }] : []),
    { name: 'the limit', mm: plan.limitMm },
    ...(tape.unit === 'in' ? [1 / 16, 1 / 8, 1 / 4].map((inches) => inches * MM_PER_INCH) : [1, 2, 5]).map((mm) => ({
      name: '',
      mm,
    })),
  ];
  return (
    <table className="figure w-full max-w-2xl text-[14px]">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="font-normal">
            <span className="sr-only">what</span>
          </th>
          <th className="text-right font-normal">diagonals differ</th>
          <th className="text-right font-normal">angle</th>
          <th className="text-right font-normal">gap along left and right</th>
          <th className="text-right font-normal">gap along top and bottom</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, mm }) => {
          const { degrees, side, top } = of(mm);
          return (
            <tr key={`${name}${mm}`} className="hair-b">
              <td>{name}</td>
              <td className="text-right font-semibold">
                <Figure>{printFine(mm, tape)}</Figure>
              </td>
              <td className="text-right">{printed('angle', degrees)}</td>
              <td className="text-right">
                <Figure>{printFine(side, tape)}</Figure>
              </td>
              <td className="text-right">
                <Figure>{printFine(top, tape)}</Figure>
              </td>
            </tr>
          );
        })}
      </tbody>
      <caption className="soft pt-1 text-left text-[13px] [caption-side:bottom]">
        In a rebate or a float frame the gap runs from nothing to this along one side.
      </caption>
    </table>
  );
}
