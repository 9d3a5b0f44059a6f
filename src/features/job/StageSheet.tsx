'use client';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { memo, useMemo } from 'react';
import type { RackBar } from '@/core/frame/sawing/rack';
import type { JobInputs } from '@/core/job/job';
import { braceRange } from '@/core/stages/bars/barsInputs';
import { isPainted } from '@/core/house/schools';
import { type StageId, isFaceUp } from '@/core/stages/stages';
import type { HouseLessons } from '@/core/case/jobCase';
import type { ReadAir } from '@/core/log/readAir';
import type { Plan } from '@/core/case/planJob';
import { type Progress, staysOpen } from '@/core/case/progress';
import { fromBack } from '@/drawing/scene/scene';
import { stageScene } from '@/drawing/stageScene';
import { useWorkshop } from '@/ui/WorkshopContext';
import dynamic from 'next/dynamic';
import { KitList } from './brief/KitList';
import type { View } from '@/core/job/sideWords';
import { SheetDrawing } from './SheetDrawing';
import { CoatTable } from './prime/CoatTable';
import type { Air } from '@/server/air/airWrites';
import type { Keep } from './record/keep';

/** Panels are loaded when their stage is opened; the room for them is kept. */
const BarsPanel = dynamic(() => import('./bars/BarsPanel').then((module) => module.BarsPanel), {
  loading: () => <div className="hair-t h-[248px] flex-none" />,
});
const ClothPanel = dynamic(() => import('./cloth/ClothPanel').then((module) => module.ClothPanel), {
  loading: () => <div className="hair-t h-[248px] flex-none" />,
});
const MeasurePanel = dynamic(() => import('./painting/MeasurePanel').then((module) => module.MeasurePanel), {
  loading: () => <div className="hair-t h-[248px] flex-none" />,
});
const PlacePanel = dynamic(() => import('./painting/PlacePanel').then((module) => module.PlacePanel), {
  loading: () => <div className="hair-t h-[248px] flex-none" />,
});
const SquarePanel = dynamic(() => import('./square/SquarePanel').then((module) => module.SquarePanel), {
  loading: () => <div className="hair-t h-[226px] flex-none" />,
});
const LookStage = dynamic(() => import('./look/LookStage').then((module) => module.LookStage), {
  loading: () => <div className="bench:flex-1" />,
});
const FastenStage = dynamic(() => import('./fasten/FastenStage').then((module) => module.FastenStage), {
  loading: () => <div className="bench:flex-1" />,
});

const TuneStage = dynamic(() => import('./tune/TuneStage').then((module) => module.TuneStage), {
  loading: () => <div className="bench:flex-1" />,
});

const SHEET = 'order-3 bench:order-none flex min-h-0 min-w-0 flex-col bg-base-200 bench:border-l bench:border-[var(--hair)]';

interface StageSheetProps {
  jobId: string;
  open: StageId;
  /** As typed this moment, for fields and ticks on the sheet; `inputs` and `plan` may lag behind a key. */
  live: JobInputs;
  inputs: JobInputs;
  plan: Plan;
  progress: Progress;
  view: View;
  onView: (view: View) => void;
  step: number;
  onStep: (step: number) => void;
  nowMs: number;
  rack: RackBar[];
  ticked: string[];
  onTick: (ticked: string[]) => void;
  air: Air;
  readAir: ReadAir;
  recordings: string[];
  lessons: HouseLessons;
  photographs: readonly string[];
  onKeep: Keep;
  onWithdraw: (entryId: string, reason: string) => Promise<string | null>;
  onStage: (stage: StageId) => void;
  onChange: <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>) => void;
}

/** The sheet in the middle: the drawing of the open stage, and its lists under it. */
export const StageSheet = memo(function StageSheet(props: StageSheetProps) {
  const {
    jobId,
    open,
    live,
    inputs,
    plan,
    progress,
    view,
    onView,
    step,
    onStep,
    nowMs,
    rack,
    ticked,
    onTick,
    onChange,
    air,
    readAir,
    recordings,
    lessons,
    photographs,
    onKeep,
    onWithdraw,
    onStage,
  } = props;
  const { coatsDone, records } = progress;
  const locked = progress.done.has(open) && !staysOpen(open);
  if (open === 'look')
    return (
      <div id="drawing" className={SHEET}>
        <LookStage
          jobId={jobId}
          inputs={live}
          plan={plan}
          locked={locked}
          change={(patch) => onChange('look', patch)}
          photographs={photographs}
          onKeep={onKeep}
        />
      </div>
    );
  if (open === 'fasten')
    return (
      <div id="drawing" className={SHEET}>
        <FastenStage
          live={live}
          inputs={inputs}
          plan={plan}
          lessons={lessons}
          locked={locked}
          view={view}
          onView={onView}
          step={step}
          onStep={onStep}
          change={(patch) => onChange('fasten', patch)}
          onKeep={onKeep}
          onStage={onStage}
        />
      </div>
    );
  if (open === 'tune')
    return (
      <div id="drawing" className={SHEET}>
        <TuneStage
          jobId={jobId}
          live={live}
          inputs={inputs}
          plan={plan}
          locked={locked}
          fastened={progress.done.has('fasten')}
          view={view}
          onView={onView}
          air={air}
          readAir={readAir}
          recordings={recordings}
          change={(patch) => onChange('tune', patch)}
          onKeep={onKeep}
          onWithdraw={onWithdraw}
        />
      </div>
    );
  return (
    <div id="drawing" className={SHEET}>
      <StageDrawing
        open={open}
        inputs={inputs}
        plan={plan}
        coatsDone={coatsDone}
        view={view}
        onView={onView}
        onMove={open === 'bars' && !locked ? (id, mm) => onChange('bars', movedBrace(inputs, id, mm)) : undefined}
      />
      {open === 'brief' && !plan.brief.painting && <KitList lines={plan.kit} ticked={ticked} onTick={onTick} />}
      {open === 'bars' && (
        <BarsPanel inputs={inputs} plan={plan.bars} rack={rack} locked={locked} onPick={(patch) => onChange('bars', patch)} />
      )}
      {open === 'square' && (
        <SquarePanel inputs={live} plan={plan.square} locked={locked} change={(patch) => onChange('square', patch)} />
      )}
      {open === 'cloth' && !plan.cloth.painted && (
        <ClothPanel jobId={jobId} inputs={live} plan={plan} locked={locked} change={(patch) => onChange('cloth', patch)} />
      )}
      {open === 'cloth' && plan.cloth.painting && (
        <MeasurePanel inputs={live} locked={locked} change={(patch) => onChange('cloth', patch)} />
      )}
      {open === 'brief' && plan.brief.painting && (
        <PlacePanel
          jobId={jobId}
          inputs={live}
          plan={plan}
          locked={locked}
          change={(patch) => onChange('brief', patch)}
          onFold={(patch) => onChange('cloth', patch)}
          kit={<KitList lines={plan.kit} ticked={ticked} onTick={onTick} />}
        />
      )}
      {open === 'prime' && (
        <CoatTable
          plan={plan}
          coats={plan.prime.coats}
          coatsDone={coatsDone}
          nowMs={nowMs}
          startedEntries={records.filter((entry) => entry.stage === 'prime')}
        />
      )}
    </div>
  );
});

interface StageDrawingProps {
  open: Exclude<StageId, 'look' | 'fasten' | 'tune'>;
  inputs: JobInputs;
  plan: Plan;
  coatsDone: number;
  view: View;
  onView: (view: View) => void;
  onMove?: (id: string, mm: number) => void;
}

function StageDrawing({ open, inputs, plan, coatsDone, view, onView, onMove }: StageDrawingProps) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const fixed = isFaceUp(open, isPainted(inputs.brief.use));
  const seen = fixed ? say.view : view;
  const scene = useMemo(() => {
    const drawn = stageScene(open, { inputs, plan, tape, say }, coatsDone);
    return seen === 'back' ? fromBack(drawn, inputs.brief.width.mm) : drawn;
  }, [open, inputs, plan, tape, say, coatsDone, seen]);
  return <SheetDrawing scene={scene} view={view} onView={fixed ? undefined : onView} onMove={onMove} />;
}

/** The braces with one of them moved to a place, mm, kept in order and apart. */
function movedBrace({ brief, bars }: JobInputs, id: string, mm: number): Partial<JobInputs['bars']> {
  const [way, place] = [id.startsWith('upright') ? 'bracesUpright' : 'bracesLevel', Number(id.split(' ')[1])] as const;
  const parts = bars[way];
  const whole = way === 'bracesUpright' ? brief.width.mm : brief.height.mm;
  const [low, high] = braceRange(parts, place);
  const part = Math.min(high, Math.max(low, Math.round(mm) / whole));
  return { [way]: parts.map((one, index) => (index === place ? part : one)) };
}
