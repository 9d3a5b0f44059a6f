'use client';
/* Fastening: the order on the back of the frame, or the simulated cloth in step with it, and the lists under it. */
import { useEffect, useMemo, useState } from 'react';
import type { FastenInputs, JobInputs } from '@/core/job/job';
import { assumed } from '@/core/job/houseRules';
import type { Plan } from '@/core/plan/planJob';
import { stapleModel } from '@/core/plan/stapleModel';
import { fastenScene } from '@/drawing/fastenScene';
import { fromBack } from '@/drawing/scene';
import { tensionScene } from '@/drawing/tensionScene';
import { useWorkshop } from '@/ui/WorkshopContext';
import { HANDS, clothKey } from './clothKey';
import { FastenPanel } from './FastenPanel';
import { SheetDrawing, type View } from './SheetDrawing';
import { TensionLegend } from './TensionLegend';
import { useMembraneRun, useMembraneWorker } from './useMembraneRun';

/** Time each step stays when the route is played, ms. */
const PLAY_MS = 420;

interface FastenStageProps {
  /** As typed this moment; `inputs` and `plan` may lag behind a key. */
  live: JobInputs;
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  view: View;
  onView: (view: View) => void;
  step: number;
  onStep: (step: number) => void;
  change: (patch: Partial<FastenInputs>) => void;
}

export function FastenStage({ live, inputs, plan, locked, view, onView, step, onStep, change }: FastenStageProps) {
  const { rules, tape } = useWorkshop();
  const [tab, setTab] = useState('route');
  const [fine, setFine] = useState(false);
  const [playing, setPlaying] = useState(false);
  const total = plan.fasten.route.steps.length;
  const worker = useMembraneWorker();
  const showsCloth = tab === 'cloth';
  const cloth = useMembraneRun(worker, showsCloth ? clothKey(inputs, rules, fine) : null, () => ({
    model: stapleModel(inputs, rules, fine ? 'fine' : 'play'),
    hands: HANDS,
    noise: assumed(rules, 'handNoise'),
    everyField: true,
  }));
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
  const shown = showsCloth ? cloth.answer : null;
  const frame = shown?.frames.findLast((one) => one.order <= step) ?? null;
  const scene = useMemo(() => {
    const drawn =
      shown && frame?.tensionsNPerM
        ? tensionScene({
            face,
            mesh: shown.model.mesh,
            places: shown.model.places,
            widths: shown.model.widths,
            targetNPerM: shown.model.targetNPerM,
            edgeNPerM: frame.edgeNPerM,
            tensionsNPerM: frame.tensionsNPerM,
            now: frame.place,
          })
        : fastenScene({ inputs, plan, tape }, step);
    return view === 'back' ? fromBack(drawn, face.widthMm) : drawn;
  }, [shown, frame, face, inputs, plan, tape, step, view]);
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
      <SheetDrawing scene={scene} view={view} onView={onView}>
        {shown && <TensionLegend targetNPerM={shown.model.targetNPerM} />}
      </SheetDrawing>
      <FastenPanel
        inputs={live}
        plan={plan}
        locked={locked}
        controls={{ step, total, onStep: move, playing: runs, onPlay: play }}
        change={change}
        onTab={setTab}
        worker={worker}
        cloth={cloth}
        frame={frame}
        fine={fine}
        onFine={setFine}
      />
    </>
  );
}
