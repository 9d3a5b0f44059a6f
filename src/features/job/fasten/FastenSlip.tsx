'use client';
import { FASTENERS } from '@/core/fasten/fasteners';
import { ROUTES } from '@/core/fasten/routes';
import { takenRoute, fastenShape } from '@/core/stages/fasten/fastenInputs';
import type { JobInputs } from '@/core/job/job';
import { Choice, LengthField, Tick } from '@/ui/form/fields';
import { StripLinks } from '../header/MarkLinks';
import { type SlipProps, columns } from '../slip/slipProps';

const ONE_TO_THREE = (['1', '2', '3'] as const).map((id) => ({ id, name: id }));

export function FastenSlip({ jobId, inputs: { fasten }, plan, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['fasten']>) => change('fasten', patch);
  return (
    <div className={columns}>
      <Choice
        label="Route"
        value={fasten.route}
        options={ROUTES}
        onChange={(route) => set(takenRoute(route))}
        disabled={locked}
      />
      <Choice
        label="Fastener"
        value={fasten.fastener}
        options={FASTENERS}
        onChange={(fastener) => set({ fastener })}
        disabled={locked}
      />
      <LengthField
        label="Spacing, at most"
        of={fastenShape.spacing}
        value={fasten.spacing}
        onChange={(spacing) => set({ spacing })}
        disabled={locked}
      />
      <LengthField
        label="Last from corner"
        of={fastenShape.lastFromCorner}
        value={fasten.lastFromCorner}
        onChange={(lastFromCorner) => set({ lastFromCorner })}
        disabled={locked}
      />
      <Choice
        label="Starters at each middle"
        value={String(fasten.starters) as '1'}
        options={ONE_TO_THREE}
        onChange={(id) => set({ starters: Number(id) as 1 })}
        disabled={locked}
      />
      <Choice
        label="Pairs a side each turn"
        value={String(fasten.perTurn) as '1'}
        options={ONE_TO_THREE}
        onChange={(id) => set({ perTurn: Number(id) as 1 })}
        disabled={locked}
      />
      <Tick
        label="Second round: draw and set again"
        checked={fasten.secondRound}
        onChange={(secondRound) => set({ secondRound })}
        disabled={locked}
      />
      <StripLinks jobId={jobId} painted={plan.cloth.painted} />
    </div>
  );
}
