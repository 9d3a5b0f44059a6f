'use client';
/* How a stage is begun, told once on each device. */
import { useSyncExternalStore } from 'react';
import type { StageId } from '@/core/stages/stages';
import { keep, kept } from '@/ui/form/kept';

const HINTS: Record<StageId, string> = {
  look: 'Look before a hand is laid on it. Choose what you see, then pick the place on the drawing; what it asks for stands beside it.',
  brief: 'Say what the canvas is for and how large its face is. Bars, cloth, coats and the kit are worked out from it.',
  bars: 'The drawing is the frame to scale, seen from the back. Take a make-up below it, or draw a brace to where you want it.',
  square: 'Read both diagonals, then the sides if they differ. The verdict says which corners to press, and by how much.',
  cloth: 'The large figure is what to cut. On the drawing lies the frame on its cloth, with what each band is for.',
  fasten: 'Follow the numbers from 1. The full stop goes on to the next fastener; it is ringed, and its pull stands beside it.',
  tune: 'Tap, weigh or feel the cloth. Its tension is told with how sure it is, and what to do about it.',
  prime: 'The coats stand in their order, with what to weigh out. A recorded coat starts its clock.',
  handover: 'What goes on the back, and what to tell whoever takes it.',
};

const keyOf = (stage: StageId): string => `keen-batten.hint.${stage}`;
const listeners = new Set<() => void>();
const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

export function StageHint({ stage }: { stage: StageId }) {
  const seen = useSyncExternalStore(
    subscribe,
    () => kept(keyOf(stage)) !== null,
    () => true,
  );
  if (seen) return null;
  const understood = () => {
    keep(keyOf(stage), 'seen');
    for (const listener of listeners) listener();
  };
  return (
    <p role="note" className="no-print flex items-start gap-2 border-l-4 border-primary py-0.5 pl-3 text-[14.5px] leading-5">
      <span className="min-w-0 flex-1">{HINTS[stage]}</span>
      <button type="button" className="btn btn-ghost btn-sm -mt-1" onClick={understood}>
        Got it
      </button>
    </p>
  );
}
