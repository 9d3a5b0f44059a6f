'use client';
/* How even the tension ends on the simulated cloth, for several make-ups of one job, each worked out once. */
import { useEffect, useState } from 'react';
import type { HandNoise } from '@/core/fasten/hand';
import type { RouteRun } from '@/core/fasten/membrane/simulateRoute';
import type { JobInputs } from '@/core/job/job';
import { handBand } from '@/core/stages/fasten/clothRunVerdicts';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { PullsRequest } from '@/workers/membraneTasks';
import type { MembraneWorker } from '@/workers/membraneWorker';
import { TaskCancelled } from '@/workers/taskClient';
import { HANDS, clothKey } from '../job/fasten/clothKey';
import { HAND_SEED, useMembraneWorker } from '../job/fasten/useMembraneRun';
import { pullsRequest } from '../job/fasten/usePullPlan';
import { failureWords } from '../job/fasten/useTaskAnswer';

/** The band of hands, or why there is none. */
export type Unevenness = { band: [number, number] } | { says: string };

/** For each make-up its unevenness; null while it is worked out. */
export function useUnevenness(makeUps: readonly JobInputs[], noise: HandNoise | null): (Unevenness | null)[] {
  const { rules } = useWorkshop();
  const worker = useMembraneWorker();
  const keys = makeUps.map((inputs) => clothKey(inputs, rules, noise));
  const [known, setKnown] = useState<ReadonlyMap<string, Unevenness>>(new Map());
  const all = keys.join('\n');
  useEffect(() => {
    const stop = new AbortController();
    const ask = async () => {
      for (const [index, inputs] of makeUps.entries()) {
        const key = keys[index]!;
        if (known.has(key)) continue;
        const tell = (one: Unevenness) => setKnown((before) => new Map(before).set(key, one));
        try {
          const run = await endOf(worker(), inputs, pullsRequest(inputs, rules, noise), stop.signal);
          tell(run.doubt === null ? { band: handBand(run) } : { says: 'the model tells nothing here' });
        } catch (failure) {
          if (failure instanceof TaskCancelled || stop.signal.aborted) return;
          tell({ says: failureWords(failure as Error) });
        }
      }
    };
    const timer = setTimeout(() => void ask(), 400);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the keys stand for the make-ups and the rules
  }, [all]);
  return keys.map((key) => known.get(key) ?? null);
}

/** How a make-up ends by the pulls it goes by. */
async function endOf(worker: MembraneWorker, inputs: JobInputs, request: PullsRequest, signal: AbortSignal): Promise<RouteRun> {
  const asked = { ...request, routes: [inputs.fasten.route], hands: HANDS, seed: HAND_SEED };
  if (inputs.fasten.pulls === 'taught') {
    const [run] = await worker.run('routes', { ...asked, noise: request.bounds.noise }, { signal });
    return run!;
  }
  const runs: RouteRun[] = [];
  await worker.run('routePulls', asked, { signal, onProgress: ({ pulled }) => runs.push(pulled.run) });
  return runs[0]!;
}
