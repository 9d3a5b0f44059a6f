'use client';
/* The simulated cloth of this job in figures: at this step and at the end, the pull it asks for, and what to set again. */
import { useSideWords } from '@/ui/SideWordsContext';
import { useEffect, useRef, useState } from 'react';
import type { Repull, RunFrame } from '@/core/fasten/membrane/simulateRoute';
import type { JobInputs } from '@/core/job/job';
import type { FastenInputs } from '@/core/stages/fasten/fastenInputs';
import { MODEL_LIMITS, stapleModel } from '@/core/stages/fasten/stapleModel';
import { clothRunVerdicts, handBand } from '@/core/stages/fasten/clothRunVerdicts';
import { decimal } from '@/core/units/numeral';
import { printFine } from '@/core/units/length';
import { NumberField, Tick } from '@/ui/fields';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { MembraneWorker } from '@/workers/membraneWorker';
import { TaskCancelled } from '@/workers/taskClient';
import { Figure } from '@/ui/Figure';
import { Fact } from '../Fact';
import { type MembraneAnswer, type MembraneRun, failureWords } from './useMembraneRun';

/** Places named to be set again. */
const MOST_REPULLS = 4;

interface ClothTensionProps {
  inputs: JobInputs;
  locked: boolean;
  worker: () => MembraneWorker;
  cloth: MembraneAnswer;
  frame: RunFrame | null;
  fine: boolean;
  onFine: (fine: boolean) => void;
  change: (patch: Partial<FastenInputs>) => void;
}

export function ClothTension({ inputs, locked, worker, cloth, frame, fine, onFine, change }: ClothTensionProps) {
  const { rules, tape } = useWorkshop();
  const say = useSideWords();
  const repulls = useRepulls(worker, inputs);
  const { answer, fresh, error } = cloth;
  const { fasten } = inputs;
  return (
    <div className="space-y-2">
      {error && (
        <p role="alert" className="text-error">
          {error}
        </p>
      )}
      {!answer?.run?.doubt && <ClothFigures answer={answer} fresh={fresh} frame={frame} />}
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
        <NumberField
          label="Firm pull at a place"
          value={fasten.firmPull}
          unit="N"
          least={1}
          most={500}
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
          value={fasten.ramp}
          unit="×"
          least={1}
          most={2}
          onChange={(ramp) => change({ ramp })}
          disabled={locked}
        />
        <NumberField
          label="Slant of the crown"
          value={fasten.slantDeg}
          unit="°"
          least={0}
          most={60}
          onChange={(slantDeg) => change({ slantDeg })}
          disabled={locked}
        />
        <Tick label="Fine mesh" checked={fine} onChange={onFine} />
        <button
          type="button"
          className="btn btn-outline btn-sm self-end"
          disabled={!fresh || repulls.busy}
          onClick={repulls.find}
        >
          {repulls.busy ? 'Trying every place …' : 'What to set again?'}
        </button>
      </div>
      <p className="soft text-[13px]">{MODEL_LIMITS}</p>
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
        {decimal(mean, 0)} N/m, {held.length} hold
        {frame?.unopposed && <strong className="text-warning"> · nothing holds the other side yet</strong>}
      </Fact>
      {answer.rough && <Fact name="roughly">first steps on a coarse cloth; the whole one is being worked out</Fact>}
      {run && (
        <>
          <Fact name="end, across × down">
            {decimal(run.end.acrossNPerM, 0)} × {decimal(run.end.downNPerM, 0)} N/m
          </Fact>
          <Fact name="unevenness by hand">
            {least.toFixed(2)} to {most.toFixed(2)}
          </Fact>
          <Fact name="slack">{decimal(100 * run.end.slackShare, 0)} % of the face</Fact>
          <Fact name="weave askew">{decimal(Math.abs(run.end.skewDeg), 1)}°</Fact>
          <Fact name="middle drifts">
            <Figure>{drift < 1 ? `under ${printFine(1, tape)}` : `${printFine(Math.round(drift), tape)} or so`}</Figure>
          </Fact>
        </>
      )}
    </dl>
  );
}

/** The places to set again, found when asked for; forgotten when the job changes. */
function useRepulls(worker: () => MembraneWorker, inputs: JobInputs) {
  const { rules } = useWorkshop();
  const [found, setFound] = useState<{ inputs: JobInputs; repulls: Repull[] } | null>(null);
  const [busyFor, setBusy] = useState<JobInputs | null>(null);
  const [error, setError] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const find = async () => {
    stop.current?.abort();
    const own = (stop.current = new AbortController());
    setBusy(inputs);
    setError(null);
    try {
      const model = stapleModel(inputs, rules);
      const repulls = await worker().run('repulls', { model, most: MOST_REPULLS }, { signal: own.signal });
      setFound({ inputs, repulls });
    } catch (failure) {
      if (!(failure instanceof TaskCancelled)) setError(failureWords(failure as Error));
    } finally {
      setBusy(null);
    }
  };
  return { found: found?.inputs === inputs ? found.repulls : null, busy: busyFor === inputs, error, find: () => void find() };
}
