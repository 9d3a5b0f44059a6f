'use client';
/* Fastening: the order on the back of the frame, or the simulated cloth in step with it, and the lists under it. */
import type { Face } from './TensionDrawing';
import type { SideWords, View } from '@/core/job/sideWords';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useState } from 'react';
import type { JobInputs } from '@/core/job/job';
import type { FastenInputs } from '@/core/stages/fasten/fastenInputs';
import type { StageId } from '@/core/stages/stages';
import type { Seen } from '@/core/diagnosis/diagnosis';
import type { Plan } from '@/core/case/planJob';
import type { HouseLessons } from '@/core/case/jobCase';
import { noiseOf, pulledModel } from '@/core/stages/fasten/pullPlan';
import { useJobPulls } from './usePullPlan';
import { clothRefusal } from '@/core/stages/fasten/clothRefusal';
import { stapleModel } from '@/core/stages/fasten/stapleModel';
import { type Zone, ZONES, zoneWords } from '@/core/diagnosis/zones';
import { fastenScene } from '@/drawing/fastenScene';
import { type Mark, type Scene, fromBack } from '@/drawing/scene/scene';
import { useWorkshop } from '@/ui/WorkshopContext';
import { HANDS, clothKey } from './clothKey';
import { FastenPanel } from './FastenPanel';
import { SheetDrawing } from '../SheetDrawing';
import type { Signs } from './SignsPanel';
import { useField, useMembraneRun, useMembraneWorker } from './useMembraneRun';
import type { Keep } from '../record/keep';
import { useRehearsal } from './useRehearsal';

/** Loaded when the cloth is looked at. */
const TensionDrawing = dynamic(() => import('./TensionDrawing').then((module) => module.TensionDrawing), {
  loading: () => <div className="h-[46vh] min-h-[320px] flex-none bench:h-auto bench:min-h-[200px] bench:flex-1" />,
});

/** Time each step stays when the route is played, ms. */
const PLAY_MS = 420;

interface FastenStageProps {
  /** As typed this moment; `inputs` and `plan` may lag behind a key. */
  live: JobInputs;
  inputs: JobInputs;
  plan: Plan;
  lessons: HouseLessons;
  locked: boolean;
  view: View;
  onView: (view: View) => void;
  step: number;
  onStep: (step: number) => void;
  change: (patch: Partial<FastenInputs>) => void;
  onKeep: Keep;
  onStage: (stage: StageId) => void;
}

export function FastenStage({
  live,
  inputs,
  plan,
  lessons,
  locked,
  view,
  onView,
  step,
  onStep,
  change,
  onKeep,
  onStage,
}: FastenStageProps) {
  const { rules, tape } = useWorkshop();
  const [tab, setTab] = useState('route');
  const [fine, setFine] = useState(false);
  const [playing, setPlaying] = useState(false);
  const say = useSideWords();
  const signs = useSigns();
  const total = plan.fasten.route.steps.length;
  const worker = useMembraneWorker();
  const refusal = clothRefusal(plan.fasten.route);
  const showsCloth = tab === 'cloth' && refusal === null;
  const rehearses = tab === 'rehearse' && refusal === null;
  const pulls = useJobPulls(worker, { inputs, plan, lessons }, tab === 'pulls');
  const { goesBy } = pulls;
  const cloth = useMembraneRun(
    worker,
    (showsCloth || rehearses) && !pulls.waits ? clothKey(inputs, rules, fine, goesBy?.pulls ?? null, lessons.handNoise) : null,
    () => {
      const model = stapleModel(inputs, rules, fine ? 'fine' : 'play');
      return { model: goesBy ? pulledModel(model, goesBy) : model, hands: HANDS, noise: noiseOf(rules, lessons.handNoise) };
    },
  );
  const model = useMemo(() => (rehearses ? stapleModel(inputs, rules) : null), [rehearses, inputs, rules]);
  const firmN = cloth.fresh && cloth.answer!.run!.doubt === null ? cloth.answer!.run!.firmN : null;
  const rehearsal = useRehearsal(worker, inputs, model, firmN);
  const runs = playing && step < total;
  useEffect(() => {
    if (!runs) return;
    const timer = setTimeout(() => onStep(step + 1), PLAY_MS);
    return () => clearTimeout(timer);
  }, [runs, step, onStep]);
  const face = useMemo(
    () => ({ widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm }),
    [inputs.brief.width.mm, inputs.brief.height.mm],
  );
  // What the model cannot tell is not drawn.
  const shown = showsCloth && !cloth.answer?.run?.doubt ? cloth.answer : null;
  const told = shown?.frames.findLast((one) => one.order <= step) ?? null;
  // Beyond the first steps a rough answer tells nothing.
  const frame = shown?.rough && told === shown.frames.at(-1) && step > told!.order ? null : told;
  const ran = shown?.model ?? null;
  const field = useField(worker, ran, frame);
  const ranStep = useMemo(() => (ran && frame && field ? { model: ran, frame, field } : null), [ran, frame, field]);
  const newtons = useMemo(
    () =>
      tab === 'pulls' && pulls.answer?.plan
        ? new Map(pulls.answer.plan.pulls.map(({ order: at, workedN, laidOn }) => [at, laidOn ? '0' : `${workedN}`]))
        : null,
    [tab, pulls.answer],
  );
  const order = useMemo(
    () => fastenScene({ inputs, plan, tape, say }, step, 'many', newtons),
    [inputs, plan, tape, say, step, newtons],
  );
  const looksFor = tab === 'signs';
  const drawn = looksFor ? signsScene(order, signs, face, say) : order;
  const move = (to: number) => {
    setPlaying(false);
    onStep(to);
  };
  const play = () => {
    if (!runs && step >= total) onStep(1);
    setPlaying(!runs);
  };
  return (
    <>
      {rehearsal || ranStep ? (
        <TensionDrawing
          face={face}
          targetNPerM={inputs.bars.tensionNPerM}
          shown={rehearsal ?? ranStep!}
          view={view}
          onView={onView}
        />
      ) : (
        <SheetDrawing
          scene={view === 'back' ? fromBack(drawn, face.widthMm) : drawn}
          view={view}
          onView={onView}
          onPick={looksFor ? (id) => signs.setZone(id as Zone) : undefined}
        />
      )}
      <FastenPanel
        inputs={live}
        plan={plan}
        locked={locked}
        controls={{ step, total, onStep: move, playing: runs, onPlay: play }}
        change={change}
        onTab={setTab}
        worker={worker}
        cloth={cloth}
        pulls={pulls}
        lessons={lessons}
        frame={frame}
        fine={fine}
        onFine={setFine}
        rehearsal={rehearsal}
        refusal={refusal}
        onKeep={onKeep}
        signs={signs}
        onStage={onStage}
      />
    </>
  );
}

function useSigns(): Signs {
  const [zone, setZone] = useState<Zone>('top');
  const [seen, setSeen] = useState<Seen[]>([]);
  const toggle = (sign: string) => {
    const rest = seen.filter((one) => one.sign !== sign || one.zone !== zone);
    setSeen(rest.length < seen.length ? rest : [...seen, { sign, zone }]);
  };
  return { zone, seen, setZone, toggle, clear: () => setSeen([]) };
}

/** The canvas with the nine places where signs are seen. */
function signsScene(order: Scene, { zone, seen }: Signs, { widthMm, heightMm }: Face, say: SideWords): Scene {
  const spots = ZONES.map(({ id, x, y }): Mark => {
    const count = seen.filter((one) => one.zone === id).length;
    return {
      kind: 'spot',
      id,
      at: { x: x * widthMm, y: y * heightMm },
      says: `${zoneWords(id, say)}${count > 0 ? `, ${count} seen` : ''}`,
      state: id === zone ? 'hint' : count > 0 ? 'marked' : 'free',
    };
  });
  const marks = order.marks.map((mark) => (mark.kind === 'staple' ? { ...mark, label: '' } : mark));
  return { ...order, marks: [...marks, ...spots] };
}
