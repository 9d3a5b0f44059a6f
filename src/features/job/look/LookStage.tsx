'use client';
/* A painting looked at: places are picked on its drawing and marked with what was seen there. */
import { useMemo, useState } from 'react';
import type { Plan } from '@/core/case/planJob';
import type { JobInputs } from '@/core/job/job';
import type { ConditionId } from '@/core/stages/look/conditions';
import type { LookInputs } from '@/core/stages/look/lookInputs';
import { lookScene, placeOf } from '@/drawing/painting/lookScene';
import { useWorkshop } from '@/ui/WorkshopContext';
import { SheetDrawing } from '../SheetDrawing';
import type { Keep } from '../record/keep';
import { LookPhotographs } from './LookPhotographs';
import { LookPanel, MOST_CONDITIONS } from './LookPanel';

interface LookStageProps {
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  change: (patch: Partial<LookInputs>) => void;
  jobId: string;
  /** Entries of the log that a photograph of the look stands in. */
  photographs: readonly string[];
  onKeep: Keep;
}

export function LookStage({ inputs, plan, locked, change, jobId, photographs, onKeep }: LookStageProps) {
  const { tape } = useWorkshop();
  const [kind, setKind] = useState<ConditionId>('flaking');
  const { conditions } = inputs.look;
  const scene = useMemo(() => lookScene({ inputs, plan, tape }), [inputs, plan, tape]);
  const pick = (id: string) => {
    const at = placeOf(id);
    const here = conditions.findIndex((one) => one.kind === kind && one.at?.x === at.x && one.at.y === at.y);
    if (here >= 0) change({ conditions: conditions.filter((_, index) => index !== here) });
    else if (conditions.length < MOST_CONDITIONS) change({ conditions: [...conditions, { kind, at, note: '' }] });
  };
  return (
    <>
      <SheetDrawing scene={scene} view="front" onPick={locked ? undefined : pick} />
      <LookPanel look={inputs.look} locked={locked} kind={kind} onKind={setKind} change={change}>
        <LookPhotographs jobId={jobId} photographs={photographs} onKeep={onKeep} />
      </LookPanel>
    </>
  );
}
