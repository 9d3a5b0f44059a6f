'use client';
/* Tuning: where to tap or how the corners open, drawn to scale, and what is measured and done about it under it. */
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { fromBack } from '@/drawing/scene/scene';
import { cornersScene, tapScene } from '@/drawing/tuneScenes';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';
import { SheetDrawing } from '../SheetDrawing';
import type { TuneStageProps } from './tuneProps';
import { useTaps } from './useTaps';
import { WeightPanel } from './WeightPanel';
import { TapPanel } from './TapPanel';

const CornersTurnPanel = dynamic(() => import('./CornersTurnPanel').then((module) => module.CornersTurnPanel));
const TensionAirPanel = dynamic(() => import('./TensionAirPanel').then((module) => module.TensionAirPanel));
const TensionPastPanel = dynamic(() => import('./TensionPastPanel').then((module) => module.TensionPastPanel));

export function TuneStage(props: TuneStageProps) {
  const { live, inputs, plan, view, onView, locked, change } = props;
  const { tape } = useWorkshop();
  const [tab, setTab] = useState('tap');
  const say = useSideWords();
  const { span, mass } = plan.tune;
  const taps = useTaps({ span, sigma: mass.kgPerM2, sigmaPart: mass.spread });
  const next = taps.next;
  const done = taps.done.join('');
  const scene = useMemo(() => {
    const input = { inputs, plan, tape, say };
    const drawn = tab === 'tap' ? tapScene(input, next, [...done] as typeof taps.done) : cornersScene(input);
    return view === 'back' ? fromBack(drawn, inputs.brief.width.mm) : drawn;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `done` stands for the list
  }, [inputs, plan, tape, say, tab, next, done, view]);
  return (
    <>
      <SheetDrawing scene={scene} view={view} onView={onView} />
      <Tabs
        label="Tuning"
        className="flex-none bench:min-h-[292px]"
        split="tune"
        onOpen={setTab}
        tabs={[
          { id: 'tap', name: 'Tap', show: () => <TapPanel {...props} taps={taps} /> },
          { id: 'weight', name: 'Weight', show: () => <WeightPanel {...props} /> },
          {
            id: 'corners',
            name: 'Corners',
            show: () => <CornersTurnPanel {...props} live={live} change={change} locked={locked} />,
          },
          { id: 'air', name: 'Air', show: () => <TensionAirPanel {...props} /> },
          {
            id: 'past',
            name: `Past${plan.tune.history.tensions.length > 0 ? ` (${plan.tune.history.tensions.length})` : ''}`,
            show: () => <TensionPastPanel {...props} />,
          },
        ]}
      />
    </>
  );
}
