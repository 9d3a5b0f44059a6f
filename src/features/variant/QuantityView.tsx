'use client';
/* One quantity moved over its range: what every stage comes to, as small charts of one kind. */
import { printed } from '@/core/quantities/printed';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useEffect, useMemo, useState } from 'react';
import type { JobInputs } from '@/core/job/job';
import type { Level } from '@/core/job/verdict';
import { type FigureReader, VARIANT_FIGURES, type VariantFigure } from '@/core/variant/figures';
import { FIELD_OF, QUANTITIES, type QuantityId, quantityNow, quantityValues, withQuantity } from '@/core/variant/quantities';
import { isFixed } from '@/core/variant/variant';
import type { WeighedVariant } from '@/core/variant/weighedVariant';
import { type Tape, printLength, printTyped } from '@/core/units/length';
import { Choice } from '@/ui/form/fields';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { Weighing } from './weighing';

interface Point {
  value: number;
  weighed: WeighedVariant;
}

/** A value as it is told; a size as the face that it makes. */
function valueWords(id: QuantityId, value: number, inputs: JobInputs, tape: Tape): string {
  if (id === 'tension') return printed('tension', value);
  if (id !== 'size') return String(value);
  const { width, height } = withQuantity('size', inputs, value).brief;
  if (value === 100) return `${printTyped(width)} × ${printTyped(height)}`;
  return `${printLength(width.mm, tape)} × ${printLength(height.mm, tape)}`;
}

export function QuantityView({ inputs, weigh }: { inputs: JobInputs; weigh: (inputs: JobInputs) => Weighing }) {
  const { rules, tape } = useWorkshop();
  const [id, setId] = useState<QuantityId>('tension');
  const [asked, setAsked] = useState<number | null>(null);
  const base = useMemo(() => weigh(inputs), [weigh, inputs]);
  const fixed = 'here' in base && isFixed(FIELD_OF[id], base.here.progress);
  const values = fixed ? [] : quantityValues(id, inputs);
  const { points, says } = usePoints(id, values, inputs, weigh);
  if ('says' in base)
    return (
      <p role="alert" className="px-5 py-4 text-error">
        This job cannot be planned: {base.says}
      </p>
    );
  const { progress } = base.here;
  const now = quantityNow(id, inputs);
  const at = Math.max(0, values.indexOf(asked !== null && values.includes(asked) ? asked : now));
  const value = values[at] ?? now;
  const here = points.find((one) => one.value === value);
  const figures = VARIANT_FIGURES.filter(({ blankOnly }) => !(blankOnly && progress.painted));
  const reader = { tape, currency: rules.currency };
  return (
    <div className="relative min-h-0 flex-1 overflow-auto bg-base-100 px-5 py-3">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <div className="w-52">
          <Choice
            label="What is moved"
            value={id}
            options={QUANTITIES}
            onChange={(next) => {
              setId(next);
              setAsked(null);
            }}
          />
        </div>
        {values.length > 1 && (
          <label className="min-w-64 flex-1">
            <span className="figure text-[26px] leading-8 font-semibold">
              <Figure>{valueWords(id, value, inputs, tape)}</Figure>
            </span>
            <span className="soft ml-3 text-[14px]">
              {value === now ? 'as it stands' : `stands at ${valueWords(id, now, inputs, tape)}`}
            </span>
            <input
              type="range"
              className="range range-primary range-sm block w-full"
              aria-label={QUANTITIES.find((one) => one.id === id)!.name}
              aria-valuetext={valueWords(id, value, inputs, tape)}
              min={0}
              max={values.length - 1}
              step={1}
              value={at}
              onChange={(event) => setAsked(values[Number(event.target.value)]!)}
            />
          </label>
        )}
      </div>
      {values.length <= 1 && !fixed && (
        <p className="soft mt-2">A painting is as large as its image: its size is not moved here.</p>
      )}
      {fixed && <p className="soft mt-2">It is recorded already, and is not moved any more.</p>}
      {says && (
        <p role="alert" className="mt-2 text-error">
          {says}
        </p>
      )}
      {values.length > 1 && (
        <div className="mt-3 grid grid-cols-1 gap-x-8 gap-y-4 sm:grid-cols-2 bench:grid-cols-4" data-testid="multiples">
          {figures.map((figure) => (
            <SmallMultiple
              key={figure.id}
              figure={figure}
              points={points}
              values={values}
              value={value}
              now={now}
              reader={reader}
            />
          ))}
        </div>
      )}
      {here && <StageLevels points={points} values={values} value={value} stages={here.weighed.stages} />}
    </div>
  );
}

/** Weighs one value after the other, so that the page stays awake between them. */
function usePoints(id: QuantityId, values: readonly number[], inputs: JobInputs, weigh: (inputs: JobInputs) => Weighing) {
  const [found, setFound] = useState<{ points: Point[]; says: string | null }>({ points: [], says: null });
  const key = JSON.stringify([id, values]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const points: Point[] = [];
    const next = (index: number) => {
      const value = values[index];
      if (value === undefined) return;
      const weighing = weigh(withQuantity(id, inputs, value));
      if ('weighed' in weighing) points.push({ value, weighed: weighing.weighed });
      setFound({ points: [...points], says: 'says' in weighing ? `At ${value}: ${weighing.says}` : null });
      timer = setTimeout(() => next(index + 1), 0);
    };
    timer = setTimeout(() => next(0), 0);
    return () => {
      if (timer) clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for what is moved and its values
  }, [key, inputs, weigh]);
  return found;
}

const SIZE = { width: 260, height: 104, left: 6, right: 6, top: 16, bottom: 8 };

function SmallMultiple({
  figure,
  points,
  values,
  value,
  now,
  reader,
}: {
  figure: VariantFigure;
  points: readonly Point[];
  values: readonly number[];
  value: number;
  now: number;
  reader: FigureReader;
}) {
  const known = points.flatMap(({ value: x, weighed }) => {
    const y = figure.of(weighed);
    return y === null ? [] : [{ x, y, limit: figure.limit?.(weighed) ?? null }];
  });
  const [at, was] = [known.find(({ x }) => x === value), known.find(({ x }) => x === now)];
  const ys = known.flatMap(({ y, limit }) => (limit === null ? [y] : [y, limit]));
  const [low, high] = ys.length > 0 ? [Math.min(...ys), Math.max(...ys)] : [0, 1];
  const room = Math.max((high - low) * 0.12, high * 0.02, 1e-9);
  const x = scaleLinear([values[0]!, values.at(-1)!], [SIZE.left, SIZE.width - SIZE.right]);
  const y = scaleLinear([low - room, high + room], [SIZE.height - SIZE.bottom, SIZE.top]);
  const path = line<{ x: number; y: number }>(
    (one) => x(one.x),
    (one) => y(one.y),
  );
  const print = (one: number) => figure.print(one, reader);
  const flat = ys.length > 0 && known.every((one) => Math.abs(one.y - known[0]!.y) < figure.least);
  const ink = flat ? 'var(--soft)' : 'var(--color-primary)';
  // The least and the most are written where the line does not run.
  const rising = known.length > 0 && known.at(-1)!.y >= known[0]!.y;
  return (
    <figure>
      <figcaption className="flex items-baseline gap-2 text-[14px]">
        <span className="soft">{figure.name}</span>
        <strong className={`figure text-[17px] ${at && at.limit !== null && at.y > at.limit ? 'text-error' : ''}`}>
          {at ? <Figure>{print(at.y)}</Figure> : '…'}
        </strong>
        {at && was && value !== now && (
          <span className="figure soft">
            {at.y - was.y >= 0 ? '+' : '−'}
            <Figure>{print(Math.abs(at.y - was.y))}</Figure>
          </span>
        )}
      </figcaption>
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="draw w-full"
        role="img"
        aria-label={`${figure.name}: ${known.map((one) => print(one.y)).join(', ')}`}
      >
        <path d={`M${SIZE.left} ${SIZE.height - SIZE.bottom}H${SIZE.width - SIZE.right}`} stroke="var(--hair)" />
        <path d={`M${x(now)} ${SIZE.top}V${SIZE.height - SIZE.bottom}`} stroke="var(--soft)" strokeDasharray="2 3" />
        {known.some(({ limit }) => limit !== null) && (
          <path
            d={path(known.map((one) => ({ x: one.x, y: one.limit! }))) ?? ''}
            fill="none"
            stroke="var(--color-error)"
            strokeDasharray="5 3"
          />
        )}
        <path d={path(known) ?? ''} fill="none" stroke={ink} strokeWidth={flat ? 1 : 2} />
        {at && <circle cx={x(at.x)} cy={y(at.y)} r={flat ? 3 : 4.5} fill={ink} />}
        {ys.length > 0 && (
          <>
            <text {...(rising ? atLeft : atRight)} y={SIZE.top - 4} style={{ stroke: 'none', fontSize: 11 }}>
              {flat ? '' : print(high)}
            </text>
            <text
              {...(rising && !flat ? atRight : atLeft)}
              y={SIZE.height - SIZE.bottom - 3}
              style={{ stroke: 'none', fontSize: 11 }}
            >
              {flat ? 'stays' : print(low)}
            </text>
          </>
        )}
      </svg>
    </figure>
  );
}

const atLeft = { x: SIZE.left, textAnchor: 'start' } as const;
const atRight = { x: SIZE.width - SIZE.right, textAnchor: 'end' } as const;

const MARK: Record<Level, { sign: string; ink: string }> = {
  good: { sign: '●', ink: 'text-success' },
  watch: { sign: '▲', ink: 'text-warning' },
  stop: { sign: '■', ink: 'text-error' },
};

/** How every stage stands at every value: a sign for each, the one at hand in words. */
function StageLevels({
  points,
  values,
  value,
  stages,
}: {
  points: readonly Point[];
  values: readonly number[];
  value: number;
  stages: WeighedVariant['stages'];
}) {
  return (
    <table className="figure mt-4 text-[14px]" aria-label="How the stages stand">
      <tbody>
        {stages.map(({ stage, name, answer, level, verdicts }) => (
          <tr key={stage} className="hair-b align-baseline">
            <th scope="row" className="soft py-0.5 pr-4 text-left font-normal">
              {name}
            </th>
            <td className="pr-5 whitespace-nowrap">
              {values.map((one) => {
                const there = points.find((point) => point.value === one)?.weighed.stages.find((two) => two.stage === stage);
                const mark = there ? MARK[there.level] : null;
                return (
                  <span
                    key={one}
                    className={`inline-block w-5 text-center ${mark?.ink ?? 'soft'} ${one === value ? 'outline-2 outline-current' : ''}`}
                  >
                    {mark?.sign ?? '·'}
                  </span>
                );
              })}
            </td>
            <td className="pr-5 font-semibold whitespace-nowrap">
              <Figure>{answer}</Figure>
            </td>
            <td className="soft">
              {level === 'good' ? 'good' : `${level}: ${verdicts.find((one) => one.level === level)!.says}`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
