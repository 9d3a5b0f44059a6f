/* What the brief asks for, to be seen before anything is cut. */
import type { JobCase } from '../case/jobCase';
import { printLength } from '../units/length';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';

export const briefSteps = ({ inputs: { brief }, house: { tape } }: JobCase): BenchStep[] =>
  (['width', 'height'] as const).map((name): BenchStep => {
    const figure = printLength(brief[name].mm, tape);
    return {
      id: `brief/${name}`,
      stage: 'brief',
      group: 'Face',
      says: `Face, ${name}`,
      figure,
      notes: [brief.title],
      aloud: aloud(`Face, ${name}, ${figure}`),
      act: { kind: 'look' },
      show: SHOW_STAGE,
    };
  });
