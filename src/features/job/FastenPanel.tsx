'use client';
/* Under the drawing of fastening: the route step by step, and the margins checked before the first fastener. */
import { memo } from 'react';
import type { FastenInputs, JobInputs } from '@/core/job/job';
import { SIDES } from '@/core/job/sides';
import type { Plan } from '@/core/plan/planJob';
import { capital } from '@/core/plan/paintingVerdicts';
import { SIDE_END_NAMES } from '@/core/plan/planPainting';
import { type Tape, printFine, printLength } from '@/core/units/length';
import { ReadingField } from '@/ui/fields';
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
      className="h-[168px] flex-none"
      tabs={[
        { id: 'route', name: 'Route', show: () => <Route {...props} /> },
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
  return (
    <FastenControls
      total={steps.length}
      current={step}
      onStep={onStep}
      now={`${now.turned ? 'turn; ' : ''}${now.side}, ${stepWords(now.take, now.offsetMm, tape)}, pull ${now.pull}`}
    />
  );
}

function stepWords(take: 'middle' | 'outward' | 'corner', offsetMm: number, tape: Tape): string {
  if (take === 'corner') return 'fold the corner, then this one';
  return Math.abs(offsetMm) < 1 ? 'at the middle' : `${printLength(Math.abs(offsetMm), tape)} from the middle`;
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
