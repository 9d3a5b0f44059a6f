'use client';
/* The frame a painting goes into: its readings, and a cut through both where the room is least. */
import { useMemo } from 'react';
import type { Plan } from '@/core/case/planJob';
import type { JobInputs } from '@/core/job/job';
import type { BriefInputs } from '@/core/stages/brief/briefInputs';
import { wholeDepth } from '@/core/painting/canvasDepth';
import { rebateSection } from '@/drawing/painting/rebateSection';
import { Drawing } from '@/ui/drawing/Drawing';
import { useWorkshop } from '@/ui/WorkshopContext';
import { RebateReadings } from '../brief/RebateFields';

interface FramePanelProps {
  jobId: string;
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  change: (patch: Partial<BriefInputs>) => void;
}

export function FramePanel({ jobId, inputs, plan, locked, change }: FramePanelProps) {
  const { rules, tape } = useWorkshop();
  const { rebate } = plan.brief;
  const { profile } = plan.bars;
  const { thicknessMm } = plan.cloth.fabric;
  const section = useMemo(
    () =>
      rebate?.kind === 'measured'
        ? rebateSection(inputs, rebate.plan, profile, wholeDepth(inputs, rules), thicknessMm, tape)
        : null,
    [inputs, rebate, profile, thicknessMm, rules, tape],
  );
  return (
    <div className="grid gap-x-6 gap-y-2 md:grid-cols-[1.6fr_1fr]">
      <div>
        <RebateReadings
          jobId={jobId}
          inputs={inputs}
          locked={locked}
          change={change}
          className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-3"
        />
      </div>
      {section ? (
        <Drawing scene={section} tape={tape} className="h-[210px]" />
      ) : (
        <p className="soft text-[14px]">Read the sides of the rebate and a diagonal, the lips and the depth: then it is drawn.</p>
      )}
    </div>
  );
}
