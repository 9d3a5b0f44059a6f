'use client';
/* The simulated cloth drawn: a step of the route, or a rehearsal with its places to pick. */
import { placeWords } from '@/core/stages/fasten/clothRunVerdicts';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { useMemo } from 'react';
import type { EdgePlace } from '@/core/fasten/membrane/edgePlaces';
import type { RunFrame, StapleModel } from '@/core/fasten/membrane/simulateRoute';
import { type Mark, type Scene, fromBack } from '@/drawing/scene/scene';
import { placePoint, tensionScene } from '@/drawing/tensionScene';
import type { View } from '@/core/job/sideWords';
import { SheetDrawing } from '../SheetDrawing';
import { TensionLegend } from './TensionLegend';
import type { Rehearsal } from './useRehearsal';

export interface Face {
  widthMm: number;
  heightMm: number;
}

interface ShownStep {
  model: StapleModel;
  frame: RunFrame;
  /** The cloth inside, tension of every element, N/m. */
  field: Float32Array;
}

interface TensionDrawingProps {
  face: Face;
  targetNPerM: number;
  shown: ShownStep | Rehearsal;
  view: View;
  onView: (view: View) => void;
}

export function TensionDrawing({ face, targetNPerM, shown, view, onView }: TensionDrawingProps) {
  const say = useSideWords();
  const { tape } = useWorkshop();
  const rehearsal = 'moves' in shown ? shown : null;
  const step = 'frame' in shown ? shown : null;
  const stepped = useMemo(() => (step ? stepScene(step, face) : null), [step, face]);
  const drawn = rehearsal ? rehearsalScene(rehearsal, face, (place) => placeWords(place, tape, say)) : stepped!;
  return (
    <SheetDrawing
      scene={view === 'back' ? fromBack(drawn, face.widthMm) : drawn}
      view={view}
      onView={onView}
      onPick={rehearsal ? (id) => rehearsal.pick(Number(id)) : undefined}
    >
      <TensionLegend targetNPerM={targetNPerM} />
    </SheetDrawing>
  );
}

function stepScene({ model, frame, field }: ShownStep, face: Face): Scene {
  const { mesh, places, widths, targetNPerM } = model;
  const { edgeNPerM, place } = frame;
  return tensionScene({ face, mesh, places, widths, targetNPerM, edgeNPerM, tensionsNPerM: field, now: place });
}

/** The cloth as rehearsed so far, with every place to pick. */
function rehearsalScene({ model, held, hint, cloth }: Rehearsal, face: Face, named: (place: EdgePlace) => string): Scene {
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
        says: `${named(place)}: ${words(index)}`,
        state: index === hint?.place ? 'hint' : held.has(index) ? 'set' : 'free',
      })),
    ],
  };
}
