'use client';
import { useEffect } from 'react';
import type { StageId } from '@/core/stages/stages';
import { typing } from '@/ui/form/typing';

interface JobKeys {
  run: readonly StageId[];
  open: StageId;
  openStage: (id: StageId) => void;
  step: number;
  total: number;
  setStep: (step: number) => void;
  toggleView: () => void;
  undo: () => void;
  atBench: () => void;
}

/** Keys of the job page; the list stands under "?". Left alone while somebody types in a field. */
export function useJobKeys({ run, open, openStage, step, total, setStep, toggleView, undo, atBench }: JobKeys): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (typing(event)) return;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        return undo();
      }
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const index = run.indexOf(open);
      const stage = (to: number) => run[to] && openStage(run[to]);
      const acts: Record<string, () => void> = {
        n: () => stage(index + 1),
        p: () => stage(index - 1),
        b: toggleView,
        h: atBench,
        '.': () => setStep(Math.min(total, step + 1)),
        ',': () => setStep(Math.max(1, step - 1)),
      };
      if (/^[1-8]$/.test(event.key)) return void stage(Number(event.key) - 1);
      acts[event.key]?.();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [run, open, openStage, step, total, setStep, toggleView, undo, atBench]);
}
