'use client';
import type { TapeName } from '@/core/frame/square/corners';
import type { JobInputs } from '@/core/job/job';
import { ReadingField } from '@/ui/fields';
import { useSideWords } from '@/ui/SideWordsContext';
import { type SlipProps, columns } from '../slipProps';

export function SquareSlip({ inputs: { square, brief }, locked, change }: SlipProps) {
  const say = useSideWords();
  const set = (patch: Partial<JobInputs['square']>) => change('square', patch);
  const most = 2 * (brief.width.mm + brief.height.mm);
  const field = (name: TapeName | 'lift', label: string, mostMm = most) => (
    <ReadingField
      key={name}
      label={label}
      value={square[name]}
      mostMm={mostMm}
      leastMm={name === 'lift' ? 0 : 1}
      onChange={(value) => set({ [name]: value })}
      disabled={locked}
    />
  );
  return (
    <div className={columns}>
      {field(say.seen('down'), 'Diagonal, top left down')}
      {field(say.seen('up'), 'Diagonal, bottom left up')}
      {field('top', 'Top')}
      {field('bottom', 'Bottom')}
      {field(say.side('left'), 'Left')}
      {field(say.side('right'), 'Right')}
      {field('lift', 'Corner lift on a flat table', 200)}
    </div>
  );
}
