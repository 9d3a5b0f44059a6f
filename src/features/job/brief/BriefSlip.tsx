'use client';
import { paintedStart } from '@/core/painting/paintedStart';
import { briefShape } from '@/core/stages/brief/briefInputs';
import type { JobInputs } from '@/core/job/job';
import { EDGES, HANGS, MEDIUMS, USES, byId, isPainted } from '@/core/house/schools';
import { parsed, refused } from '@/core/units/result';
import { OpenDayField } from '@/ui/form/DayField';
import { Choice, LengthField, TypedField } from '@/ui/form/fields';
import { useWorkshop } from '@/ui/WorkshopContext';
import { type SlipProps, columns } from '../slip/slipProps';
import { GRIPS } from '../cloth/grips';
import { RebateFields } from './RebateFields';

type Part = Pick<SlipProps, 'jobId' | 'inputs' | 'locked' | 'change'>;

export function BriefSlip({ jobId, inputs, plan, locked, change }: SlipProps) {
  const part = { jobId, inputs, locked, change };
  return plan.brief.painting ? <PlaceOrder {...part} /> : <CanvasOrder {...part} />;
}

/** What a blank canvas is to become. */
function CanvasOrder(part: Part) {
  return (
    <div className="space-y-1.5">
      <TitleField {...part} />
      <div className={columns}>
        <FaceFields {...part} />
        <MediumField {...part} />
        <HangAndDate {...part} />
        <ClearanceField {...part} />
      </div>
      {byId(EDGES, part.inputs.brief.edges).inRebate && <RebateFields {...part} />}
      <AboutFields {...part} />
    </div>
  );
}

/** How a painting is placed: what decides its face stands first. */
function PlaceOrder(part: Part) {
  const { inputs, locked, change } = part;
  const { brief, cloth } = inputs;
  return (
    <div className="space-y-1.5">
      <div className={columns}>
        <FaceFields {...part} />
        <ClearanceField {...part} />
        <LengthField
          label="May go round the edge"
          of="wrap"
          value={brief.placing.mostWrap}
          onChange={(mostWrap) => change('brief', { placing: { ...brief.placing, mostWrap } })}
          disabled={locked}
        />
        <Choice
          label="Pull with"
          value={cloth.grip}
          options={GRIPS}
          onChange={(grip) => change('cloth', { grip })}
          disabled={locked}
        />
      </div>
      <details>
        <summary className="cursor-pointer py-1 text-[14.5px]">Title, hanging, date</summary>
        <TitleField {...part} />
        <div className={columns}>
          <HangAndDate {...part} />
        </div>
        <AboutFields {...part} />
      </details>
    </div>
  );
}

const setter =
  ({ change }: Part) =>
  (patch: Partial<JobInputs['brief']>) =>
    change('brief', patch);

function TitleField(part: Part) {
  return (
    <TypedField
      label="Title"
      value={part.inputs.brief.title}
      print={(text) => text}
      read={(text) =>
        text.trim() && text.length <= 120
          ? parsed(text)
          : refused<string>(text, text.trim() ? 'is over 120 letters' : 'is empty', 'A title of 1 to 120 letters.')
      }
      onChange={(title) => setter(part)({ title })}
      disabled={part.locked}
    />
  );
}

function FaceFields(part: Part) {
  const { rules } = useWorkshop();
  const { brief } = part.inputs;
  const set = setter(part);
  /** A canvas that turns out to be a painting is fastened and pulled as one. */
  const take = (use: JobInputs['brief']['use']) => {
    set({ use });
    if (isPainted(brief.use)) return;
    const { bars, fasten } = paintedStart({ ...part.inputs, brief: { ...brief, use } }, rules);
    if (bars !== part.inputs.bars) part.change('bars', bars);
    if (fasten !== part.inputs.fasten) part.change('fasten', fasten);
  };
  return (
    <>
      <LengthField
        label="Face width"
        of="faceLength"
        value={brief.width}
        onChange={(width) => set({ width })}
        disabled={part.locked}
      />
      <LengthField
        label="Face height"
        of="faceLength"
        value={brief.height}
        onChange={(height) => set({ height })}
        disabled={part.locked}
      />
      <Choice label="What it is" value={brief.use} options={USES} onChange={take} disabled={part.locked} />
      <Choice label="Edges" value={brief.edges} options={EDGES} onChange={(edges) => set({ edges })} disabled={part.locked} />
    </>
  );
}

function MediumField(part: Part) {
  return (
    <Choice
      label="Medium to come"
      value={part.inputs.brief.medium}
      options={MEDIUMS}
      onChange={(medium) => setter(part)({ medium })}
      disabled={part.locked}
    />
  );
}

function HangAndDate(part: Part) {
  const { brief } = part.inputs;
  const set = setter(part);
  return (
    <>
      <Choice label="Hangs" value={brief.hangs} options={HANGS} onChange={(hangs) => set({ hangs })} disabled={part.locked} />
      <OpenDayField label="Wanted on" value={brief.dueOn} onChange={(dueOn) => set({ dueOn })} disabled={part.locked} />
    </>
  );
}

function ClearanceField(part: Part) {
  const { brief } = part.inputs;
  if (!byId(EDGES, brief.edges).inRebate) return null;
  return (
    <LengthField
      label="Rebate clearance, in all"
      of={briefShape.rebateClearance}
      value={brief.rebateClearance}
      onChange={(rebateClearance) => setter(part)({ rebateClearance })}
      disabled={part.locked}
    />
  );
}

function AboutFields(part: Part) {
  const { brief } = part.inputs;
  const set = setter(part);
  return (
    <>
      <TypedField
        label="About it"
        value={brief.note}
        print={(text) => text}
        read={(text) => (text.length <= 2000 ? parsed(text) : refused<string>(text, 'is over 2000 letters', 'Shorten it.'))}
        onChange={(note) => set({ note })}
        disabled={part.locked}
      />
      <button
        type="button"
        className="btn btn-ghost btn-sm -ml-2"
        disabled={part.locked}
        onClick={() => set({ width: brief.height, height: brief.width })}
      >
        Swap width and height
      </button>
    </>
  );
}
