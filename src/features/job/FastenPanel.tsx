'use client';
/* Under the drawing of fastening: the route step by step, and the margins checked before the first fastener. */
import { memo } from 'react';
import { ROUTES } from '@/core/fasten/routes';
import { type RouteStep, routePlan } from '@/core/fasten/routeSteps';
import { type FastenInputs, type JobInputs, type Knot, MOST_KNOTS } from '@/core/job/job';
import { SIDES } from '@/core/job/sides';
import type { Plan } from '@/core/plan/planJob';
import { capital } from '@/core/plan/paintingVerdicts';
import { SIDE_END_NAMES } from '@/core/plan/planPainting';
import { barredPlaces, routeHandwork } from '@/core/plan/planFasten';
import { printDuration } from '@/core/units/duration';
import { type Tape, length, printFine, printLength } from '@/core/units/length';
import { Choice, LengthField, ReadingField } from '@/ui/fields';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';
import { FastenControls } from './StageExtras';

interface FastenPanelProps {
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  step: number;
  onStep: (step: number) => void;
  change: (patch: Partial<FastenInputs>) => void;
}

export const FastenPanel = memo(function FastenPanel(props: FastenPanelProps) {
  return (
    <Tabs
      label="Fastening"
      className="h-[204px] flex-none"
      tabs={[
        { id: 'route', name: 'Route', show: () => <Route {...props} /> },
        { id: 'compare', name: 'Compare routes', show: () => <CompareRoutes {...props} /> },
        {
          id: 'knots',
          name: `Knots${props.inputs.fasten.knots.length > 0 ? ` (${props.inputs.fasten.knots.length})` : ''}`,
          show: () => <Knots {...props} />,
        },
        { id: 'centring', name: 'Centring', show: () => <CentringCheck {...props} /> },
      ]}
    />
  );
});

function Route({ plan, step, onStep }: FastenPanelProps) {
  const { tape } = useWorkshop();
  const { steps } = plan.fasten.route;
  const now = steps[step - 1];
  if (!now) return null;
  return <FastenControls total={steps.length} current={step} onStep={onStep} now={stepWords(now, tape)} />;
}

const ACTS: Record<RouteStep['act'], string> = { fix: '', hold: 'hold, ', takeOut: 'take out, ', again: 'draw and set again, ' };

/** "turn; bottom, at the middle, pull snug", "take out, top, 120 mm from the middle". */
function stepWords({ act, turned, side, take, offsetMm, pull, with: by }: RouteStep, tape: Tape): string {
  const where =
    take === 'corner'
      ? 'fold the corner, then this one'
      : Math.abs(offsetMm) < 1
        ? 'at the middle'
        : `${printLength(Math.abs(offsetMm), tape)} from the middle`;
  const force = act === 'takeOut' ? '' : pull === 'none' ? ', laid on without pull' : `, pull ${pull}`;
  const hand = by === 'hand' && pull !== 'none' ? ' by hand' : by === 'clamps' && act === 'hold' ? ', with a clamp' : '';
  return `${turned ? 'turn; ' : ''}${ACTS[act]}${side}, ${where}${force}${hand}`;
}

/** Every route on this very frame, side by side. */
function CompareRoutes({ inputs, plan, locked, change }: FastenPanelProps) {
  const { rules } = useWorkshop();
  const { brief, fasten } = inputs;
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const barred = barredPlaces(inputs, rules);
  return (
    <table className="figure w-full text-[14px]">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="font-normal">route</th>
          {['fasteners', 'steps', 'turns', 'walk, m', 'squeezes', 'pulls'].map((name) => (
            <th key={name} className="text-right font-normal">
              {name}
            </th>
          ))}
          <th className="text-right font-normal">about</th>
          <th className="hidden pl-4 font-normal sm:table-cell">taken for</th>
        </tr>
      </thead>
      <tbody>
        {ROUTES.map((row) => {
          const route = row.id === fasten.route ? plan.fasten.route : routePlan(face, { ...fasten, route: row.id }, barred);
          const hands = routeHandwork(route, face, rules);
          return (
            <tr
              key={row.id}
              title={`${row.suits}; ${row.trades}`}
              className={`hair-b ${row.id === fasten.route ? 'font-semibold text-primary' : ''}`}
            >
              <td>
                <button
                  type="button"
                  aria-pressed={row.id === fasten.route}
                  disabled={locked}
                  className="cursor-pointer text-left whitespace-nowrap underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                  onClick={() => change({ route: row.id })}
                >
                  {row.name}
                </button>
              </td>
              {[route.fasteners, route.steps.length, hands.turns, Math.round(hands.walkM), hands.squeezes, hands.pulls].map(
                (count, index) => (
                  <td key={index} className="text-right">
                    {count}
                  </td>
                ),
              )}
              <td className="text-right whitespace-nowrap">{printDuration(hands.minutes)}</td>
              <td className="hidden pl-4 sm:table-cell">{row.suits}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const SIDE_CHOICES = SIDES.map((id) => ({ id, name: id }));

/** Knots that no fastener goes into; ends of braces are kept clear without being told. */
function Knots({ inputs: { brief, fasten }, locked, change }: FastenPanelProps) {
  const { tape } = useWorkshop();
  const put = (index: number, knot: Knot | null) =>
    change({
      knots: knot
        ? fasten.knots.map((one, place) => (place === index ? knot : one))
        : fasten.knots.filter((_one, place) => place !== index),
    });
  return (
    <div className="space-y-1.5">
      {fasten.knots.map((knot, index) => {
        const long = knot.side === 'top' || knot.side === 'bottom' ? brief.width.mm : brief.height.mm;
        return (
          <div key={index} className="grid max-w-xl grid-cols-[1fr_1.4fr_auto] items-end gap-3">
            <Choice
              label={`Knot ${index + 1}, bar`}
              value={knot.side}
              options={SIDE_CHOICES}
              onChange={(side) => put(index, { ...knot, side })}
              disabled={locked}
            />
            <LengthField
              label={`Knot ${index + 1}, from the ${knot.side === 'top' || knot.side === 'bottom' ? 'left' : 'upper'} end`}
              value={knot.at}
              mostMm={long}
              onChange={(at) => put(index, { ...knot, at })}
              disabled={locked}
            />
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9"
              disabled={locked}
              onClick={() => put(index, null)}
              aria-label={`Take off knot ${index + 1}`}
            >
              take off
            </button>
          </div>
        );
      })}
      <button
        type="button"
        className="btn btn-outline btn-sm"
        disabled={locked || fasten.knots.length >= MOST_KNOTS}
        onClick={() =>
          change({ knots: [...fasten.knots, { side: 'top', at: length(Math.round(brief.width.mm / 4), tape.unit) }] })
        }
      >
        Mark a knot
      </button>
      <p className="soft text-[13px]">
        Fasteners keep clear of knots and of the ends of braces: they split the one and miss the wood of the other.
      </p>
    </div>
  );
}

/** Eight margins with the frame lying on the cloth; the verdict in the slip says how to move it. */
function CentringCheck({ inputs: { fasten }, plan, locked, change }: FastenPanelProps) {
  const { tape } = useWorkshop();
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-4">
      {SIDES.flatMap((side) =>
        (['first', 'second'] as const).map((end, index) => {
          const wanted = plan.fasten.wanted[side][index]!;
          return (
            <ReadingField
              key={`${side} ${end}`}
              label={`${capital(side)}, ${SIDE_END_NAMES[side][index]} end`}
              placeholder={wanted === null ? undefined : `${printFine(wanted, tape)} wanted`}
              value={fasten.laid[side][end]}
              mostMm={2000}
              onChange={(read) => change({ laid: { ...fasten.laid, [side]: { ...fasten.laid[side], [end]: read } } })}
              disabled={locked}
            />
          );
        }),
      )}
    </div>
  );
}
