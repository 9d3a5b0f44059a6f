'use client';
/* How even the tension ends on the simulated cloth, for several make-ups of one job, each worked out once. */
import { useEffect, useState } from 'react';
import { assumed } from '@/core/house/houseRules';
import type { JobInputs } from '@/core/job/job';
import { handBand } from '@/core/stages/fasten/clothRunVerdicts';
import { useWorkshop } from '@/ui/WorkshopContext';
import { TaskCancelled } from '@/workers/taskClient';
import { HANDS, clothKey } from '../job/fasten/clothKey';
import { HAND_SEED, failureWords, useMembraneWorker } from '../job/fasten/useMembraneRun';

/** The band of hands, or why there is none. */
export type Unevenness = { band: [number, number] } | { says: string };

/** For each make-up its unevenness; null while it is worked out. */
export function useUnevenness(makeUps: readonly JobInputs[]): (Unevenness | null)[] {
  const { rules } = useWorkshop();
  const worker = useMembraneWorker();
  const keys = makeUps.map((inputs) => clothKey(inputs, rules));
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
          const [run] = await worker().run(
            'routes',
            { inputs, rules, routes: [inputs.fasten.route], hands: HANDS, noise: assumed(rules, 'handNoise'), seed: HAND_SEED },
            { signal: stop.signal },
          );
          tell(run!.doubt === null ? { band: handBand(run!) } : { says: 'the model tells nothing here' });
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
