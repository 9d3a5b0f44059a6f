/* The frame on the bench: its parts, where the braces come to sit, and how it goes together. */
import type { JobCase } from '../case/jobCase';
import { type SideWords } from '../job/sideWords';
import { printLength } from '../units/length';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';

/** Steps of laying out and joining the bars. */
export function barsSteps({ plan: { bars }, inputs, house: { tape } }: JobCase, say: SideWords): BenchStep[] {
  const parts = bars.parts.map((part, index): BenchStep => {
    const figure = printLength(part.lengthMm, tape);
    const inside = part.insideMm === null ? [] : [`inside edge ${printLength(part.insideMm, tape)}`];
    return {
      id: `bars/part/${index}`,
      stage: 'bars',
      group: 'Parts',
      says: `${part.count} × ${part.name}`,
      figure,
      notes: [`ends: ${part.ends}`, ...inside],
      aloud: aloud(`${part.count} of ${part.name}, ${figure}`),
      act: { kind: 'do' },
      show: SHOW_STAGE,
    };
  });
  const assembly = bars.assembly.map((one, index): BenchStep => ({
    id: `bars/join/${index}`,
    stage: 'bars',
    group: 'Joining',
    says: one.do,
    figure: `${index + 1} of ${bars.assembly.length}`,
    notes: [one.check],
    aloud: aloud(`${one.do} ${one.check}`),
    act: { kind: 'do' },
    show: SHOW_STAGE,
  }));
  const { width, height } = inputs.brief;
  // From the end that lies at the left, or above, as the frame is looked at.
  const uprights = inputs.bars.bracesUpright
    .map((part) => (say.view === 'back' ? 1 - part : part) * width.mm)
    .sort((a, b) => a - b)
    .map((mm) => ({ mm, from: 'left end', what: 'upright brace' }));
  const levels = [...inputs.bars.bracesLevel]
    .sort((a, b) => a - b)
    .map((part) => ({ mm: part * height.mm, from: 'top', what: 'level brace' }));
  const braces = [...uprights, ...levels].map(({ mm, from, what }, index): BenchStep => {
    const figure = printLength(mm, tape);
    return {
      id: `bars/brace/${index}`,
      stage: 'bars',
      group: 'Braces',
      says: `Middle of the ${what}, from the ${from}`,
      figure,
      notes: ['Mark it on both bars; the brace stays clear of the cloth.'],
      aloud: aloud(`Middle of the ${what}, ${figure} from the ${from}`),
      act: { kind: 'do' },
      show: SHOW_STAGE,
    };
  });
  return [...parts, ...braces, ...assembly];
}
