'use client';
/* Tension by a weight on a disc, and the weight of the cloth by a piece on the scale. */
import { printed } from '@/core/quantities/printed';
import { useState } from 'react';
import type { WeighedPiece, WeightReadings } from '@/core/stages/tune/tuneInputs';
import { USES, byId } from '@/core/house/schools';
import { weighedTension } from '@/core/stages/tune/weightVerdicts';
import { LengthField, NumberField, ReadingField } from '@/ui/form/fields';
import { ActButton } from '@/ui/form/Form';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { TuneStageProps } from './tuneProps';

export function WeightPanel({ live, plan, locked, fastened, change, onKeep, readAir }: TuneStageProps) {
  const { rules, tape } = useWorkshop();
  const { weight, piece } = live.tune;
  const weigh = (patch: Partial<WeightReadings>) => change({ weight: { ...weight, ...patch } });
  const cut = (patch: Partial<WeighedPiece>) => change({ piece: { ...piece, ...patch } });
  const [kept, setKept] = useState<WeightReadings | null>(null);
  const painted = byId(USES, live.brief.use).painted;
  const tension = painted ? null : weighedTension(live, { rules, tape });
  return (
    <div className="space-y-2">
      {painted ? (
        <p className="text-[14.5px]">This is a painting: nothing is laid on it. Go by the feel of the back.</p>
      ) : (
        <>
          <div className="grid grid-cols-2 items-end gap-x-4 gap-y-1 sm:grid-cols-4">
            <LengthField
              label="Disc across"
              of="disc"
              value={weight.disc}
              onChange={(disc) => weigh({ disc })}
              disabled={locked}
            />
            <ReadingField
              label={`Sag under ${printed('testWeight', weight.lightG)}`}
              of="tapeReading"
              value={weight.lightSag}
              onChange={(lightSag) => weigh({ lightSag })}
              disabled={locked}
            />
            <ReadingField
              label={`Sag under ${printed('testWeight', weight.heavyG)}`}
              of="tapeReading"
              value={weight.heavySag}
              onChange={(heavySag) => weigh({ heavySag })}
              disabled={locked}
            />
            <ActButton
              disabled={!tension || !fastened || locked || kept === weight}
              act={() => onKeep('keepWeight', { note: '', air: readAir }, () => setKept(weight))}
            >
              {kept === weight ? 'Kept in the log' : 'Keep this reading'}
            </ActButton>
          </div>
          <p className="soft text-[13px]">
            Level, face up, back free: lay the disc in the middle, a straight edge across the frame, and read how far it sinks.
            100 g and 200 g: twice the weight is twice the sag, or the cloth stretches under it.
          </p>
        </>
      )}
      <h3 className="text-[15px] font-semibold">What a square metre weighs</h3>
      <div className="grid grid-cols-2 items-end gap-x-4 gap-y-1 sm:grid-cols-4">
        <LengthField
          label="Piece, one side"
          of="sampleSide"
          value={piece.width}
          onChange={(width) => cut({ width })}
          disabled={locked}
        />
        <LengthField
          label="Piece, other side"
          of="sampleSide"
          value={piece.height}
          onChange={(height) => cut({ height })}
          disabled={locked}
        />
        <NumberField
          label="On the scale"
          of="sampleMass"
          value={piece.grams}
          onClear={() => cut({ grams: null })}
          onChange={(grams) => cut({ grams })}
          disabled={locked}
        />
        <p className="figure text-[14.5px]">
          {printed('clothWeight', plan.tune.mass.kgPerM2 * 1000)},{' '}
          {plan.tune.mass.source === 'piece' ? 'weighed' : 'from the cloth and its coats'}
        </p>
      </div>
    </div>
  );
}
