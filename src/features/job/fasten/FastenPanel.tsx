'use client';
/* Under the drawing of fastening: the route step by step, and the margins checked before the first fastener. */
import type { SideWords } from '@/core/job/sideWords';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import dynamic from 'next/dynamic';
import { memo } from 'react';
import type { RunFrame } from '@/core/fasten/membrane/simulateRoute';
import { checksBefore, landmarks } from '@/core/fasten/routeChecks';
import type { RouteStep } from '@/core/fasten/routeSteps';
import type { HouseLessons } from '@/core/case/jobCase';
import { type NewtonWords, newtonWordsOf } from '@/core/fasten/newtonWords';
import type { JobPulls } from './usePullPlan';
import type { MembraneWorker } from '@/workers/membraneWorker';
import type { JobInputs } from '@/core/job/job';
import { type FastenInputs, type Knot, MOST_KNOTS } from '@/core/stages/fasten/fastenInputs';
import type { StageId } from '@/core/stages/stages';
import type { Plan } from '@/core/case/planJob';
import { capital } from '@/core/painting/paintingVerdicts';
import { type Tape, length, printFine, printLength } from '@/core/units/length';
import { ReadingField } from '@/ui/form/fields';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';
import { AsDonePanel } from './AsDonePanel';
import { FastenControls, type RouteControls } from './FastenControls';
import { PlaceOnBar } from './PlaceOnBar';
import type { Signs } from './SignsPanel';
import type { MembraneAnswer } from './useMembraneRun';
import type { Keep } from '../record/keep';
import type { Rehearsal } from './useRehearsal';

/** Loaded when they are opened. */
const ClothTension = dynamic(() => import('./ClothTension').then((module) => module.ClothTension));
const CompareRoutes = dynamic(() => import('./CompareRoutes').then((module) => module.CompareRoutes));
const PullsPanel = dynamic(() => import('./PullsPanel').then((module) => module.PullsPanel));
const RehearsalPanel = dynamic(() => import('./RehearsalPanel').then((module) => module.RehearsalPanel));
const SignsPanel = dynamic(() => import('./SignsPanel').then((module) => module.SignsPanel));

interface FastenPanelProps {
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  controls: RouteControls;
  change: (patch: Partial<FastenInputs>) => void;
  onTab: (id: string) => void;
  worker: () => MembraneWorker;
  cloth: MembraneAnswer;
  pulls: JobPulls;
  lessons: HouseLessons;
  /** The simulated cloth after the step in sight. */
  frame: RunFrame | null;
  fine: boolean;
  onFine: (fine: boolean) => void;
  /** Null while another tab is in sight. */
  rehearsal: Rehearsal | null;
  /** Why the simulated cloth is not worked out; null where it is. */
  refusal: string | null;
  onKeep: Keep;
  signs: Signs;
  onStage: (stage: StageId) => void;
}

export const FastenPanel = memo(function FastenPanel(props: FastenPanelProps) {
  return (
    <Tabs
      label="Fastening"
      className="min-h-[228px] flex-none"
      split="fasten"
      onOpen={props.onTab}
      tabs={[
        { id: 'route', name: 'Route', show: () => <RouteSteps {...props} /> },
        {
          id: 'cloth',
          name: 'Cloth',
          show: () => (
            <>
              <RouteSteps {...props} />
              {props.refusal ?? (
                <ClothTension
                  {...props}
                  clothWaits={props.pulls.waits}
                  pullError={props.pulls.error}
                  noise={props.lessons.handNoise}
                />
              )}
            </>
          ),
        },
        { id: 'pulls', name: 'Pulls', show: () => props.refusal ?? <PullsPanel {...props} /> },
        {
          id: 'rehearse',
          name: 'Rehearse',
          show: () => props.refusal ?? (props.rehearsal && <RehearsalPanel {...props} rehearsal={props.rehearsal} />),
        },
        { id: 'compare', name: 'Compare routes', show: () => props.refusal ?? <CompareRoutes {...props} /> },
        { id: 'signs', name: 'Signs', show: () => <SignsPanel {...props} /> },
        {
          id: 'knots',
          name: `Knots${props.inputs.fasten.knots.length > 0 ? ` (${props.inputs.fasten.knots.length})` : ''}`,
          show: () => <Knots {...props} />,
        },
        { id: 'centring', name: 'Centring', show: () => <CentringCheck {...props} /> },
        { id: 'done', name: 'Actual fastening', show: () => <AsDonePanel {...props} /> },
      ]}
    />
  );
});

function RouteSteps({ inputs, plan, controls, pulls }: FastenPanelProps) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const { route } = plan.fasten;
  const now = route.steps[controls.step - 1];
  if (!now) return null;
  return (
    <FastenControls
      {...controls}
      now={stepWords(now, tape, say, pulls.words)}
      checks={checksBefore(route, inputs.fasten.route).get(now.order) ?? []}
      landmarks={landmarks(route, say)}
    />
  );
}

const ACTS: Record<RouteStep['act'], string> = { fix: '', hold: 'hold, ', takeOut: 'take out, ', again: 'draw and set again, ' };

/** "turn; bottom, at the middle, pull snug", "take out, top, 120 mm from the middle". */
function stepWords(
  { order, act, turned, side, take, offsetMm, pull, with: by }: RouteStep,
  tape: Tape,
  say: SideWords,
  worked: NewtonWords | null,
): string {
  const where =
    take === 'corner'
      ? 'fold the corner, then this one'
      : Math.abs(offsetMm) < 1
        ? 'at the middle'
        : `${printLength(Math.abs(offsetMm), tape)} from the middle`;
  const newtons = act === 'takeOut' || take === 'corner' ? null : newtonWordsOf(worked, order);
  const force =
    newtons !== null ? `, ${newtons}` : act === 'takeOut' ? '' : pull === 'none' ? ', laid on without pull' : `, pull ${pull}`;
  const hand =
    newtons !== null
      ? ''
      : by === 'hand' && pull !== 'none'
        ? ' by hand'
        : by === 'clamps' && act === 'hold'
          ? ', with a clamp'
          : '';
  return `${turned ? 'turn; ' : ''}${ACTS[act]}${say.side(side)}, ${where}${force}${hand}`;
}

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
      {fasten.knots.map((knot, index) => (
        <PlaceOnBar
          key={index}
          name={`Knot ${index + 1}`}
          place={knot}
          brief={brief}
          locked={locked}
          onPlace={(place) => put(index, place)}
          onTakeOff={() => put(index, null)}
        />
      ))}
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
  const say = useSideWords();
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-4">
      {say.sides.flatMap((side) =>
        (['first', 'second'] as const).map((end, index) => {
          const wanted = plan.fasten.wanted[side][index]!;
          return (
            <ReadingField
              key={`${side} ${end}`}
              label={`${capital(say.side(side))}, ${say.end(side, index)} end`}
              of="tapeReading"
              placeholder={wanted === null ? undefined : `${printFine(wanted, tape)} wanted`}
              value={fasten.laid[side][end]}
              onChange={(read) => change({ laid: { ...fasten.laid, [side]: { ...fasten.laid[side], [end]: read } } })}
              disabled={locked}
            />
          );
        }),
      )}
    </div>
  );
}
