'use client';
/* Fastening: the order on the back of the frame, or the simulated cloth in step with it, and the lists under it. */
import { useEffect, useMemo, useState } from 'react';
import type { EdgePlace } from '@/core/fasten/membrane/edgePlaces';
import type { FastenInputs, JobInputs } from '@/core/job/job';
import { assumed } from '@/core/job/houseRules';
import type { StageId } from '@/core/job/stages';
import { type Seen, type Zone, ZONES } from '@/core/plan/diagnosis';
import type { Plan } from '@/core/plan/planJob';
import { stapleModel } from '@/core/plan/stapleModel';
import { fastenScene } from '@/drawing/fastenScene';
import { type Mark, type Scene, fromBack } from '@/drawing/scene';
import { placePoint, tensionScene } from '@/drawing/tensionScene';
import { useWorkshop } from '@/ui/WorkshopContext';
import { HANDS, clothKey } from './clothKey';
import { FastenPanel, type KeepRehearsal } from './FastenPanel';
import { SheetDrawing, type View } from './SheetDrawing';
import type { Signs } from './SignsPanel';
import { TensionLegend } from './TensionLegend';
import { useMembraneRun, useMembraneWorker } from './useMembraneRun';
import { type Rehearsal, useRehearsal } from './useRehearsal';

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
  onKeep: KeepRehearsal;
  onStage: (stage: StageId) => void;
}

export function FastenStage({
  live,
  inputs,
  plan,
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
  const signs = useSigns();
  const total = plan.fasten.route.steps.length;
  const worker = useMembraneWorker();
  const showsCloth = tab === 'cloth';
  const rehearses = tab === 'rehearse';
  const cloth = useMembraneRun(worker, showsCloth || rehearses ? clothKey(inputs, rules, fine) : null, () => ({
    model: stapleModel(inputs, rules, fine ? 'fine' : 'play'),
    hands: HANDS,
    noise: assumed(rules, 'handNoise'),
    everyField: true,
  }));
  const model = useMemo(() => stapleModel(inputs, rules), [inputs, rules]);
  const firmN = cloth.fresh ? cloth.answer!.run!.firmN : null;
  const rehearsal = useRehearsal(worker, inputs, model, firmN, rehearses);
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
  const order = useMemo(() => fastenScene({ inputs, plan, tape }, step), [inputs, plan, tape, step]);
  const tension = useMemo(() => {
    if (!shown || !frame?.tensionsNPerM) return null;
    const { mesh, places, widths, targetNPerM } = shown.model;
    const { edgeNPerM, tensionsNPerM, place } = frame;
    return tensionScene({ face, mesh, places, widths, targetNPerM, edgeNPerM, tensionsNPerM, now: place });
  }, [shown, frame, face]);
  const looksFor = tab === 'signs';
  const drawn = rehearses ? rehearsalScene(rehearsal, face) : looksFor ? signsScene(order, signs, face) : (tension ?? order);
  const scene = view === 'back' ? fromBack(drawn, face.widthMm) : drawn;
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
      <SheetDrawing
        scene={scene}
        view={view}
        onView={onView}
        onPick={rehearses ? (id) => rehearsal.pick(Number(id)) : looksFor ? (id) => signs.setZone(id as Zone) : undefined}
      >
        {(shown || rehearses) && <TensionLegend targetNPerM={model.targetNPerM} />}
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
        rehearsal={rehearsal}
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
function signsScene(order: Scene, { zone, seen }: Signs, { widthMm, heightMm }: { widthMm: number; heightMm: number }): Scene {
  const spots = ZONES.map(({ id, name, x, y }): Mark => {
    const count = seen.filter((one) => one.zone === id).length;
    return {
      kind: 'spot',
      id,
      at: { x: x * widthMm, y: y * heightMm },
      says: `${name}${count > 0 ? `, ${count} seen` : ''}`,
      state: id === zone ? 'hint' : count > 0 ? 'marked' : 'free',
    };
  });
  const marks = order.marks.map((mark) => (mark.kind === 'staple' ? { ...mark, label: '' } : mark));
  return { ...order, marks: [...marks, ...spots] };
}

/** The cloth as rehearsed so far, with every place to pick. */
function rehearsalScene({ model, held, hint, cloth }: Rehearsal, face: { widthMm: number; heightMm: number }): Scene {
  const { places, widths, mesh, targetNPerM } = model;
  const run = cloth.answer?.run;
  const last = cloth.answer?.frames.at(-1);
  const same = cloth.answer?.model.mesh.xs.length === mesh.xs.length && cloth.answer.model.places.length === places.length;
  const scene = tensionScene({
    face,
    mesh,
    places,
    widths,
    targetNPerM,
    edgeNPerM: same && last ? last.edgeNPerM : new Float32Array(places.length),
    tensionsNPerM: same && run ? run.endNPerM : new Float32Array(3 * (mesh.xs.length - 1) * (mesh.ys.length - 1)),
    now: last?.place ?? null,
  });
  const words = (index: number) => (held.has(index) ? 'take out' : index === hint?.place ? 'fasten, the hint' : 'fasten');
  return {
    ...scene,
    marks: [
      ...scene.marks,
      ...places.map((place, index): Mark => ({
        kind: 'spot',
        id: String(index),
        at: placePoint(place, face),
        says: `${place.side}, ${Math.round(Math.abs(place.offsetMm))} mm ${offsetWay(place)}: ${words(index)}`,
        state: index === hint?.place ? 'hint' : held.has(index) ? 'set' : 'free',
      })),
    ],
  };
}

const offsetWay = ({ side, offsetMm }: EdgePlace): string =>
  side === 'top' || side === 'bottom' ? (offsetMm < 0 ? 'left' : 'right') : offsetMm < 0 ? 'up' : 'down';
