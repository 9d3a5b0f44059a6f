'use client';
/* The pot to scale of its parts, filled on the kitchen scale one part after the other. */
import { toldTo } from '@/core/quantities/toldTo';
import { printed } from '@/core/quantities/printed';
import { useState } from 'react';
import { randomLcg } from 'd3-random';
import { assumed } from '@/core/house/houseRules';
import { byId } from '@/core/house/schools';
import type { CoatRecipe } from '@/core/prime/coatRecipe';
import { pour, toMatch } from '@/core/prime/pour';
import { SUBSTANCES } from '@/core/prime/substances';
import { useWorkshop } from '@/ui/WorkshopContext';
import { simulatedScale } from './kitchenScale';

const GLUE_STEPS = [
  'Soak the dry glue in the water, cold, 1 to 12 h, until it is swollen through.',
  'Warm it in a water bath to {55 °C}, {60 to 65 °C} at the most; it must never boil.',
  'Brush on warm and thin. Hot plate: it is the hands that get burned.',
];
const POURED_STEPS = ['Stir the ground before it is poured.', 'Water into the ground, a little at a time, stirring; sieve it.'];

interface Part {
  name: string;
  grams: number;
  ml: number | null;
}

export function Pot({ recipe }: { recipe: CoatRecipe }) {
  const { rules, tape } = useWorkshop();
  const { name, unit } = byId(SUBSTANCES, recipe.substance);
  const [poured, setPoured] = useState<number[]>([]);
  const first = poured[0];
  // Too much of the first part is kept, and the second follows it.
  const waterG =
    first === undefined || recipe.substanceG === 0
      ? recipe.waterG
      : toMatch(first, { part: recipe.substanceG, other: recipe.waterG });
  const parts: Part[] = [
    { name, grams: recipe.substanceG, ml: unit === 'g' ? null : recipe.groundMl },
    ...(recipe.waterG > 0 ? [{ name: 'Water', grams: waterG, ml: waterG }] : []),
  ];
  return (
    <div className="grid gap-6 sm:grid-cols-[230px_minmax(0,1fr)]">
      <PotDrawing parts={parts} poured={poured} />
      <div className="space-y-2">
        <table className="figure w-full text-[15px] [&_td]:py-1">
          <tbody>
            {parts.map(({ name: part, grams, ml }) => (
              <tr key={part} className="hair-b">
                <td className="font-semibold">{part}</td>
                <td className="text-right">{printed('scale', grams)}</td>
                <td className="soft pl-4 text-right">{ml === null ? 'dry' : printed('volume', ml, tape)}</td>
              </tr>
            ))}
            <tr>
              <td>In the pot</td>
              <td className="text-right font-semibold">
                {printed(
                  'scale',
                  parts.reduce((sum, { grams }) => sum + grams, 0),
                )}
              </td>
              <td className="soft pl-4 text-right">{printed('volume', recipe.totalMl, tape)}</td>
            </tr>
          </tbody>
        </table>
        <ol className="list-decimal pl-5 text-[14px]">
          {(unit === 'g' ? GLUE_STEPS : POURED_STEPS).map((step) => (
            <li key={step}>{toldTo(step, tape)}</li>
          ))}
        </ol>
        <Scale
          parts={parts}
          poured={poured}
          within={assumed(rules, 'pourPrecision') / 100}
          onPoured={(grams) => setPoured([...poured, grams])}
          onAgain={() => setPoured([])}
        />
      </div>
    </div>
  );
}

/** The simulated scale: tare, pour by button, take the part when it is right. */
function Scale({
  parts,
  poured,
  within,
  onPoured,
  onAgain,
}: {
  parts: Part[];
  poured: number[];
  within: number;
  onPoured: (grams: number) => void;
  onAgain: () => void;
}) {
  const [scale] = useState(() => simulatedScale(randomLcg(0.271)));
  const [shows, setShows] = useState(0);
  const part = parts[poured.length];
  if (!part)
    return (
      <p className="text-[15px]">
        <strong className="text-success">The mix is in the pot.</strong>{' '}
        <button type="button" className="btn btn-ghost btn-xs h-8" onClick={onAgain}>
          Weigh again
        </button>
      </p>
    );
  const state = pour(part.grams, shows, within);
  const add = (grams: number) => {
    scale.pour(grams);
    setShows(scale.read());
  };
  const take = () => {
    onPoured(shows);
    scale.tare();
    setShows(scale.read());
  };
  return (
    <div className="border-t border-[var(--hair)] pt-2">
      <p className="soft text-[13px]">Kitchen scale, simulated: tared with the pot on it</p>
      <p className="figure text-[34px] leading-10 font-semibold" role="status" data-testid="scale">
        {printed('scale', shows)}
      </p>
      <p className="text-[14.5px]">
        {part.name} to {printed('scale', part.grams)}:{' '}
        {state.state === 'right' ? (
          <strong className="text-success">right</strong>
        ) : state.state === 'under' ? (
          <strong>{printed('scale', state.byG)} more</strong>
        ) : (
          <strong className="text-warning">
            {printed('scale', state.byG)} too much
            {poured.length === 0 && parts.length > 1 ? ': the water will follow it' : ': spoon some out'}
          </strong>
        )}
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        {[100, 10, 1, -10].map((grams) => (
          <button key={grams} type="button" className="btn btn-outline btn-sm h-10" onClick={() => add(grams)}>
            {grams > 0 ? '+' : '−'} {printed('scale', Math.abs(grams))}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-primary btn-sm h-10"
          disabled={state.state === 'under' || (state.state === 'over' && poured.length > 0)}
          onClick={take}
        >
          Tare, next
        </button>
      </div>
    </div>
  );
}

const DRAW = { width: 220, height: 250, left: 30, right: 190, top: 18, bottom: 232 };

/** The parts above one another, as high as they are heavy; what is poured is filled. */
function PotDrawing({ parts, poured }: { parts: Part[]; poured: number[] }) {
  const whole = parts.reduce((sum, { grams }) => sum + grams, 0) || 1;
  const high = DRAW.bottom - DRAW.top - 16;
  const levels = parts.map(({ grams }, index) => ({
    from: parts.slice(0, index).reduce((sum, one) => sum + one.grams, 0) / whole,
    part: grams / whole,
  }));
  return (
    <svg
      viewBox={`0 0 ${DRAW.width} ${DRAW.height}`}
      className="draw w-full max-w-[260px]"
      role="img"
      aria-label={`The pot by weight: ${parts.map(({ name, grams }) => `${printed('scale', grams)} of ${name.toLowerCase()}`).join(', ')}`}
    >
      {levels.map(({ from, part }, index) => {
        const y = DRAW.bottom - (from + part) * high;
        return (
          <g key={parts[index]!.name}>
            <rect
              x={DRAW.left}
              y={y}
              width={DRAW.right - DRAW.left}
              height={part * high}
              fill={index === 0 ? 'var(--color-secondary)' : 'var(--color-primary)'}
              opacity={index < poured.length ? 0.85 : 0.25}
            />
            {part > 0.07 && (
              <text x={(DRAW.left + DRAW.right) / 2} y={y + (part * high) / 2 + 5} textAnchor="middle" className="strong">
                {printed('scale', parts[index]!.grams)}
              </text>
            )}
          </g>
        );
      })}
      <path
        d={`M${DRAW.left} ${DRAW.top}V${DRAW.bottom}H${DRAW.right}V${DRAW.top}`}
        fill="none"
        stroke="var(--color-base-content)"
        strokeWidth="2.5"
      />
      <path
        d={`M${DRAW.right} ${DRAW.top + 40}q26 0 26 40t-26 40`}
        fill="none"
        stroke="var(--color-base-content)"
        strokeWidth="2.5"
      />
    </svg>
  );
}
