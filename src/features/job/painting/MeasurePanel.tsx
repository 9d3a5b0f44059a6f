'use client';
/* Under the drawing of a painting that is measured: its image and the margins left, as read. */
import { memo } from 'react';
import { TAPE_NAMES, isDiagonal } from '@/core/frame/square/corners';
import type { JobInputs } from '@/core/job/job';
import type { PaintingInputs } from '@/core/painting/paintingInputs';
import { capital } from '@/core/painting/paintingVerdicts';
import type { ClothInputs } from '@/core/stages/cloth/clothInputs';
import { ReadingField, Tick } from '@/ui/form/fields';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { Tabs } from '@/ui/Tabs';
import { TornEdges } from './TornEdges';

interface MeasurePanelProps {
  inputs: JobInputs;
  locked: boolean;
  change: (patch: Partial<ClothInputs>) => void;
}

export const MeasurePanel = memo(function MeasurePanel(props: MeasurePanelProps) {
  const { torn } = props.inputs.cloth.found;
  return (
    <Tabs
      label="Measures"
      className="min-h-[248px] flex-none"
      split="cloth"
      tabs={[
        { id: 'image', name: 'Image', show: () => <ImageReadings {...props} /> },
        { id: 'margins', name: 'Margins left', show: () => <MarginsLeft {...props} /> },
        { id: 'found', name: 'Old folds and holes', show: () => <FoundReadings {...props} /> },
        {
          id: 'torn',
          name: `Torn edges${torn.length > 0 ? ` (${torn.length})` : ''}`,
          show: () => (
            <TornEdges
              torn={torn}
              locked={props.locked}
              change={(next) => props.change({ found: { ...props.inputs.cloth.found, torn: next } })}
            />
          ),
        },
      ]}
    />
  );
});

function ImageReadings({ inputs, locked, change }: MeasurePanelProps) {
  const say = useSideWords();
  const { painting } = inputs.cloth;
  const set = (patch: Partial<PaintingInputs>) => change({ painting: { ...painting, ...patch } });
  return (
    <div className="space-y-1.5">
      <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 sm:grid-cols-3">
        {TAPE_NAMES.map((name) => (
          <ReadingField
            key={name}
            label={isDiagonal(name) ? capital(say.diagonal(name)) : `Image, ${say.side(name)}`}
            of="sideReading"
            value={painting[name]}
            onChange={(read) => set({ [name]: read })}
            disabled={locked}
          />
        ))}
      </div>
      <div className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-4">
        {say.sides.map((side) => {
          const bow = painting.bow[side];
          return (
            <div key={side}>
              <ReadingField
                label={`Bow at the middle, ${say.side(side)}`}
                of="edgeBow"
                value={bow?.by ?? null}
                onChange={(by) => set({ bow: { ...painting.bow, [side]: by && { by, outward: bow?.outward ?? true } } })}
                disabled={locked}
              />
              {bow && (
                <Tick
                  label="outward"
                  checked={bow.outward}
                  onChange={(outward) => set({ bow: { ...painting.bow, [side]: { ...bow, outward } } })}
                  disabled={locked}
                />
              )}
            </div>
          );
        })}
      </div>
      <p className="soft text-[13px]">
        Corner to corner of the paint. Bow: a string from corner to corner, the gap in the middle.
      </p>
    </div>
  );
}

function MarginsLeft({ inputs: { cloth }, locked, change }: MeasurePanelProps) {
  const say = useSideWords();
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 sm:grid-cols-4">
      {say.sides.flatMap((side) =>
        (['first', 'second'] as const).map((end, index) => (
          <ReadingField
            key={`${side} ${end}`}
            label={`${capital(say.side(side))}, ${say.end(side, index)} end`}
            of="tapeReading"
            value={cloth.left[side][end]}
            onChange={(read) => change({ left: { ...cloth.left, [side]: { ...cloth.left[side], [end]: read } } })}
            disabled={locked}
          />
        )),
      )}
      <p className="soft col-span-full text-[13px]">
        From the paint to the edge of the cloth, a hand’s width from each corner, at its narrowest.
      </p>
    </div>
  );
}

function FoundReadings({ inputs: { cloth }, locked, change }: MeasurePanelProps) {
  const say = useSideWords();
  const { fold, holes } = cloth.found;
  const set = (patch: Partial<typeof cloth.found>) => change({ found: { ...cloth.found, ...patch } });
  return (
    <div className="space-y-1.5">
      <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 sm:grid-cols-4">
        {say.sides.map((side) => {
          const [old, row, words] = [fold[side], holes[side], say.side(side)];
          return (
            <div key={side} className="space-y-1">
              <ReadingField
                label={`Old fold, ${words}`}
                of="foldOffset"
                value={old?.by ?? null}
                onChange={(by) => set({ fold: { ...fold, [side]: by && { by, within: old?.within ?? false } } })}
                disabled={locked}
              />
              {old && (
                <Tick
                  label="within the image"
                  checked={old.within}
                  onChange={(within) => set({ fold: { ...fold, [side]: { ...old, within } } })}
                  disabled={locked}
                />
              )}
              <ReadingField
                label={`First hole, ${words}`}
                of="firstHole"
                value={row.first}
                onChange={(first) => set({ holes: { ...holes, [side]: { ...row, first } } })}
                disabled={locked}
              />
              <ReadingField
                label={`Holes apart, ${words}`}
                of="holesApart"
                value={row.apart}
                onChange={(apart) => set({ holes: { ...holes, [side]: { ...row, apart } } })}
                disabled={locked}
              />
            </div>
          );
        })}
      </div>
      <p className="soft text-[13px]">
        The fold: from the paint to the line of the old edge. Holes: middle to middle; the first from the image’s left or upper
        corner, seen from the front.
      </p>
    </div>
  );
}
