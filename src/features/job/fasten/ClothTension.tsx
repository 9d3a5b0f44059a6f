'use client';
/* The simulated cloth of this job in figures: at this step and at the end, the pull it asks for, and what to set again. */
import { bare, printed } from '@/core/quantities/printed';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { useEffect, useRef, useState } from 'react';
import { FELT, type FeltId, type FeltPlace, type SecondLook } from '@/core/fasten/membrane/bestRepulls';
import type { RunFrame, StapleModel } from '@/core/fasten/membrane/simulateRoute';
import type { HandNoise } from '@/core/fasten/hand';
import { isLevel } from '@/core/job/sides';
import type { JobInputs } from '@/core/job/job';
import { type FastenInputs, type Knot, MOST_NOTES, fastenShape } from '@/core/stages/fasten/fastenInputs';
import { pullBounds } from '@/core/stages/fasten/pullPlan';
import { MODEL_LIMITS } from '@/core/stages/fasten/stapleModel';
import { clothRunVerdicts, handBand } from '@/core/stages/fasten/clothRunVerdicts';
import { length, printFine } from '@/core/units/length';
import { Choice, NumberField, Tick } from '@/ui/form/fields';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { MembraneWorker } from '@/workers/membraneWorker';
import { TaskCancelled } from '@/workers/taskClient';
import { Figure } from '@/ui/drawing/Figure';
import { Fact } from '../slip/Fact';
import { PlaceOnBar } from './PlaceOnBar';
import type { MembraneAnswer, MembraneRun } from './useMembraneRun';
import { failureWords } from './useTaskAnswer';

/** Places named to be set again. */
const MOST_REPULLS = 4;

interface ClothTensionProps {
  inputs: JobInputs;
  locked: boolean;
  worker: () => MembraneWorker;
  /** How much the hands of the house vary, where that was tried. */
  noise: HandNoise | null;
  cloth: MembraneAnswer;
  /** The cloth waits for its pulls to be worked out. */
  clothWaits: boolean;
  pullError: string | null;
  frame: RunFrame | null;
  fine: boolean;
  onFine: (fine: boolean) => void;
  change: (patch: Partial<FastenInputs>) => void;
}

export function ClothTension({
  inputs,
  locked,
  worker,
  noise,
  cloth,
  clothWaits,
  pullError,
  frame,
  fine,
  onFine,
  change,
}: ClothTensionProps) {
  const { rules, tape } = useWorkshop();
  const say = useSideWords();
  const { answer, fresh, error } = cloth;
  const [felt, setFelt] = useState<Felt[]>([]);
  const repulls = useSecondLook(worker, inputs, answer, felt, noise);
  const { fasten } = inputs;
  const worked = fasten.pulls === 'worked';
  return (
    <div className="space-y-2">
      {error && (
        <p role="alert" className="text-error">
          {error}
        </p>
      )}
      {clothWaits && <p className="soft">{pullError ?? 'Working out the pulls first …'}</p>}
      {!clothWaits && !answer?.run?.doubt && <ClothFigures answer={answer} fresh={fresh} frame={frame} />}
      {repulls.error && (
        <p role="alert" className="text-error">
          {repulls.error}
        </p>
      )}
      {answer?.run && (
        <VerdictList
          verdicts={clothRunVerdicts(inputs, answer.model, answer.run, repulls.found, { rules, tape, view: say.view })}
        />
      )}
      <div className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-[1fr_1fr_1fr_auto_auto]">
        {!worked && (
          <>
            <NumberField
              label="Firm pull at a place"
              of={fastenShape.firmPull}
              value={fasten.firmPull}
              placeholder={
                answer?.run && fasten.firmPull === null && answer.run.doubt === null
                  ? `${Math.round(answer.run.firmN)} asked for`
                  : undefined
              }
              onClear={() => change({ firmPull: null })}
              onChange={(firmPull) => change({ firmPull })}
              disabled={locked}
            />
            <NumberField
              label="Last pull over middle"
              of={fastenShape.ramp}
              value={fasten.ramp}
              onChange={(ramp) => change({ ramp })}
              disabled={locked}
            />
          </>
        )}
        <NumberField
          label="Slant of the crown"
          of={fastenShape.slantDeg}
          value={fasten.slantDeg}
          onChange={(slantDeg) => change({ slantDeg })}
          disabled={locked}
        />
        <Tick label="Fine mesh" checked={fine} onChange={onFine} />
        {(!worked || felt.length > 0) && (
          <button
            type="button"
            className="btn btn-outline btn-sm self-end"
            disabled={!fresh || repulls.busy}
            onClick={repulls.find}
          >
            {repulls.busy ? 'Trying every place …' : 'What to set again?'}
          </button>
        )}
      </div>
      {felt.map((one, index) => (
        <PlaceOnBar
          key={index}
          name={`Felt ${index + 1}`}
          place={one}
          brief={inputs.brief}
          locked={false}
          onPlace={(place) => setFelt(felt.map((old, at) => (at === index ? { ...old, ...place } : old)))}
          onTakeOff={() => setFelt(felt.filter((_one, at) => at !== index))}
        >
          <div className="w-32">
            <Choice
              label={`Felt ${index + 1}, it is`}
              value={one.felt}
              options={FELT}
              onChange={(how) => setFelt(felt.map((old, at) => (at === index ? { ...old, felt: how } : old)))}
            />
          </div>
        </PlaceOnBar>
      ))}
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-outline btn-sm h-9"
          disabled={felt.length >= MOST_NOTES}
          onClick={() =>
            setFelt([...felt, { side: 'top', at: length(Math.round(inputs.brief.width.mm / 2), tape.unit), felt: 'loose' }])
          }
        >
          Felt at a place
        </button>
        <span className="soft text-[13px]">
          What a finger tells of a fastener, to a fifth or so, counts in what to set again.
        </span>
      </div>
      <p className="soft text-[13px]">
        {worked &&
          felt.length === 0 &&
          'After worked-out pulls a second look by the model alone gains less than hands vary by: say what you feel at places, and it has something to go by. '}
        {MODEL_LIMITS}
      </p>
    </div>
  );
}

/** What is measured at this step, and at the end with the band of hands that vary. */
function ClothFigures({ answer, fresh, frame }: { answer: MembraneRun | null; fresh: boolean; frame: RunFrame | null }) {
  const { tape } = useWorkshop();
  if (!answer) return <p className="soft">Stretching the simulated cloth …</p>;
  const held = frame ? [...frame.edgeNPerM].filter((value) => value !== 0) : [];
  const mean = held.length > 0 ? held.reduce((sum, value) => sum + value, 0) / held.length : 0;
  const { run } = answer;
  const [least, most] = run ? handBand(run) : [0, 0];
  const drift = run ? Math.hypot(run.end.drift.xMm, run.end.drift.yMm) : 0;
  return (
    <dl
      className="figure flex flex-wrap justify-between gap-x-3 gap-y-1 text-[14px]"
      aria-label="The simulated cloth"
      aria-busy={!fresh}
    >
      <Fact name="now, at the edge">
        {printed('tension', mean)}, {held.length} hold
        {frame?.unopposed && <strong className="text-warning"> · nothing holds the other side yet</strong>}
      </Fact>
      {answer.rough && <Fact name="roughly">first steps on a coarse cloth; the whole one is being worked out</Fact>}
      {run && (
        <>
          <Fact name="end, across × down">
            {bare('tension', run.end.acrossNPerM)} × {printed('tension', run.end.downNPerM)}
          </Fact>
          <Fact name="unevenness by hand">
            {bare('unevenness', least)} to {bare('unevenness', most)}
          </Fact>
          <Fact name="slack">{printed('slackShare', run.end.slackShare)} of the face</Fact>
          <Fact name="weave askew">{printed('skew', Math.abs(run.end.skewDeg))}</Fact>
          <Fact name="middle drifts">
            <Figure>{drift < 1 ? `under ${printFine(1, tape)}` : `${printFine(Math.round(drift), tape)} or so`}</Figure>
          </Fact>
        </>
      )}
    </dl>
  );
}

/** What a finger told at a place of a bar. */
interface Felt extends Knot {
  felt: FeltId;
}

/** What was felt, at the fasteners next to where it was felt. */
function feltPlaces(felt: readonly Felt[], { places }: StapleModel, { brief }: JobInputs): FeltPlace[] {
  return felt.flatMap(({ side, at, felt: how }): FeltPlace[] => {
    const offsetMm = at.mm - (isLevel(side) ? brief.width.mm : brief.height.mm) / 2;
    const own = places.flatMap((place, index) =>
      place.side === side ? [{ index, off: Math.abs(place.offsetMm - offsetMm) }] : [],
    );
    const nearest = own.reduce<(typeof own)[number] | null>((a, b) => (a && a.off <= b.off ? a : b), null);
    return nearest ? [{ place: nearest.index, felt: how }] : [];
  });
}

/** The places to set again and how hard, found when asked for; forgotten when the job changes, or what was felt of it. */
function useSecondLook(
  worker: () => MembraneWorker,
  inputs: JobInputs,
  ran: MembraneRun | null,
  felt: readonly Felt[],
  noise: HandNoise | null,
) {
  const { rules } = useWorkshop();
  const [found, setFound] = useState<{ of: MembraneRun; felt: readonly Felt[]; look: SecondLook } | null>(null);
  const [busyFor, setBusy] = useState<JobInputs | null>(null);
  const [error, setError] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const find = async () => {
    if (!ran?.run) return;
    stop.current?.abort();
    const own = (stop.current = new AbortController());
    setBusy(inputs);
    setError(null);
    try {
      const { model, run } = ran;
      const look = await worker().run(
        'repulls',
        {
          model,
          look: {
            most: MOST_REPULLS,
            firmN: run.firmN,
            bounds: pullBounds(inputs, rules, noise),
            felt: feltPlaces(felt, model, inputs),
          },
        },
        { signal: own.signal },
      );
      setFound({ of: ran, felt, look });
    } catch (failure) {
      if (!(failure instanceof TaskCancelled)) setError(failureWords(failure as Error));
    } finally {
      setBusy(null);
    }
  };
  return {
    found: found && found.of === ran && found.felt === felt ? found.look : null,
    busy: busyFor === inputs,
    error,
    find: () => void find(),
  };
}
