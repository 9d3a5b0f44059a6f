'use client';
/* Three taps at the bench: the tap meter of the job, under a fingertip. */
import type { JobCase } from '@/core/case/jobCase';
import { NOT_READ } from '../AirFields';
import { TapPanel } from '../job/tune/TapPanel';
import { useTaps } from '../job/tune/useTaps';
import type { Records } from '../job/record/useRecords';

export function BenchTaps({ here, records }: { here: JobCase; records: Records }) {
  const { inputs, plan, progress } = here;
  const { span, mass } = plan.tune;
  const taps = useTaps({ span, sigma: mass.kgPerM2, sigmaPart: mass.spread });
  return (
    <div className="max-h-[40dvh] overflow-y-auto">
      <TapPanel
        inputs={inputs}
        plan={plan}
        fastened={progress.done.has('fasten')}
        onKeep={records.keep}
        taps={taps}
        readAir={NOT_READ}
      />
    </div>
  );
}
