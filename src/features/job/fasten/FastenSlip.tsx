'use client';
import { FASTENERS } from '@/core/fasten/fasteners';
import { byId } from '@/core/house/schools';
import { ROUTES } from '@/core/fasten/routes';
import { takenRoute, fastenShape } from '@/core/stages/fasten/fastenInputs';
import { SIDES } from '@/core/job/sides';
import { listOfWords } from '@/core/units/inWords';
import type { JobInputs } from '@/core/job/job';
import type { SideWords } from '@/core/job/sideWords';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { Choice, LengthField, Tick } from '@/ui/form/fields';
import { StripLinks } from '../header/MarkLinks';
import { type SlipProps, columns } from '../slip/slipProps';

const ONE_TO_THREE = (['1', '2', '3'] as const).map((id) => ({ id, name: id }));

/** Which sides of a painting are tacked whatever fastener is chosen; empty where none is. */
function tackedWords({ fasten, cloth }: SlipProps['plan'], say: SideWords): string {
  if (!cloth.painting || fasten.tacksToHave === 0) return '';
  return fasten.seen.length === SIDES.length
    ? 'All four sides are tacked on the edge: the fastener above is not used.'
    : `Tacked on the edge, whatever is chosen above: ${listOfWords(fasten.seen.map(say.side))}.`;
}

export function FastenSlip({ jobId, inputs: { fasten }, plan, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['fasten']>) => change('fasten', patch);
  const tacked = tackedWords(plan, useSideWords());
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
      {byId(FASTENERS, fasten.fastener).squeezed && (
        <Tick
          label="Over a strip of card"
          checked={fasten.overCard}
          onChange={(overCard) => set({ overCard })}
          disabled={locked}
        />
      )}
      {tacked && <p className="soft col-span-2 text-[13px]">{tacked}</p>}
      <LengthField
        label="Largest spacing"
        of={fastenShape.spacing}
        value={fasten.spacing}
        onChange={(spacing) => set({ spacing })}
        disabled={locked}
      />
      <LengthField
        label="Distance from corner"
        of={fastenShape.lastFromCorner}
        value={fasten.lastFromCorner}
        onChange={(lastFromCorner) => set({ lastFromCorner })}
        disabled={locked}
      />
      <Choice
        label="First fasteners per side"
        value={String(fasten.starters) as '1'}
        options={ONE_TO_THREE}
        onChange={(id) => set({ starters: Number(id) as 1 })}
        disabled={locked}
      />
      <Choice
        label="Pairs per side and turn"
        value={String(fasten.perTurn) as '1'}
        options={ONE_TO_THREE}
        onChange={(id) => set({ perTurn: Number(id) as 1 })}
        disabled={locked}
      />
      <Tick
        label="Second round: pull out and re-fasten"
        checked={fasten.secondRound}
        onChange={(secondRound) => set({ secondRound })}
        disabled={locked}
      />
      <StripLinks jobId={jobId} painted={plan.cloth.painted} />
    </div>
  );
}
