'use client';
import { typedReading } from '@/core/stages/square/squareInputs';
import type { TapeName } from '@/core/frame/square/corners';
import type { JobInputs } from '@/core/job/job';
import { ReadingField } from '@/ui/form/fields';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { type SlipProps, columns } from '../slip/slipProps';

export function SquareSlip({ inputs: { square }, locked, change }: SlipProps) {
  const say = useSideWords();
  const set = (patch: Partial<JobInputs['square']>) => change('square', patch);
  const field = (name: TapeName | 'lift', label: string) => (
    <ReadingField
      key={name}
      label={label}
      of={typedReading(name)}
      value={square[name]}
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
      {field('lift', 'Corner lift on a flat table')}
    </div>
  );
}
