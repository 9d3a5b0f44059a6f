'use client';
/* The frame that a canvas goes into, as measured, and the face that fits it. */
import { TAPE_NAMES, isDiagonal } from '@/core/frame/square/corners';
import { FRONT_WORDS } from '@/core/job/sideWords';
import { SIDES } from '@/core/job/sides';
import { capital } from '@/core/painting/paintingVerdicts';
import { REBATE_FIXINGS } from '@/core/painting/rebateFixings';
import { faceForRebate } from '@/core/painting/planRebate';
import type { BriefInputs } from '@/core/stages/brief/briefInputs';
import { length, printSize } from '@/core/units/length';
import { Choice, ReadingField } from '@/ui/form/fields';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { type SlipProps, columns } from '../slip/slipProps';

/** The readings of a frame behind a word that opens them; open where any was read. */
export function RebateFields({ change, ...of }: Pick<SlipProps, 'jobId' | 'inputs' | 'locked' | 'change'>) {
  const read = TAPE_NAMES.some((name) => of.inputs.brief.rebate[name]);
  return (
    <details open={read || undefined}>
      <summary className="cursor-pointer py-1 text-[14.5px]">The frame it goes into, as measured</summary>
      <RebateReadings {...of} change={(patch) => change('brief', patch)} className={columns} />
    </details>
  );
}

interface RebateReadingsProps extends Pick<SlipProps, 'jobId' | 'inputs' | 'locked'> {
  change: (patch: Partial<BriefInputs>) => void;
  className: string;
}

/** The readings of a frame, and the face that fits it. */
export function RebateReadings({ jobId, inputs, locked, change, className }: RebateReadingsProps) {
  const { rules, tape } = useWorkshop();
  const { brief } = inputs;
  const { rebate } = brief;
  const set = (patch: Partial<typeof rebate>) => change({ rebate: { ...rebate, ...patch } });
  const read = TAPE_NAMES.some((name) => rebate[name]);
  const face = read ? faceForRebate(inputs, { rules, tape }) : null;
  return (
    <>
      <div className={className}>
        {TAPE_NAMES.map((name) => (
          <ReadingField
            key={name}
            label={isDiagonal(name) ? capital(FRONT_WORDS.diagonal(name)) : `Rebate, ${FRONT_WORDS.side(name)}`}
            of="sideReading"
            value={rebate[name]}
            onChange={(value) => set({ [name]: value })}
            disabled={locked}
          />
        ))}
        {SIDES.map((side) => (
          <ReadingField
            key={side}
            label={`Lip, ${FRONT_WORDS.side(side)}`}
            of="rebatePart"
            value={rebate.lip[side]}
            onChange={(value) => set({ lip: { ...rebate.lip, [side]: value } })}
            disabled={locked}
          />
        ))}
        <ReadingField
          label="Depth, step to back"
          of="rebatePart"
          value={rebate.depth}
          onChange={(depth) => set({ depth })}
          disabled={locked}
        />
        <Choice
          label="Held in it by"
          value={rebate.fixing}
          options={REBATE_FIXINGS}
          onChange={(fixing) => set({ fixing })}
          disabled={locked}
        />
      </div>
      {face && (face.widthMm !== brief.width.mm || face.heightMm !== brief.height.mm) && (
        <button
          type="button"
          className="btn btn-outline btn-sm mt-2 mr-4 h-9"
          disabled={locked}
          onClick={() =>
            change({ width: length(face.widthMm, brief.width.unit), height: length(face.heightMm, brief.height.unit) })
          }
        >
          Take the face from it: <Figure>{printSize(face.widthMm, face.heightMm, tape)}</Figure>
        </button>
      )}
      <a
        className="link link-primary mt-2 mr-3 inline-block text-[13.5px]"
        href={`/job/${jobId}/framer`}
        target="_blank"
        rel="noreferrer"
      >
        A frame to order for this face
      </a>
    </>
  );
}
