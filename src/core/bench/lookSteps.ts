/* A painting on the table: what is looked at in turn, before a hand is laid on it. */
import { byId } from '../house/schools';
import type { JobCase } from '../case/jobCase';
import { CONDITIONS } from '../stages/look/conditions';
import { DECISIONS, VALUES } from '../stages/look/lookInputs';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';

const LOOKS = [
  { id: 'front', says: 'The front, in light from one side', notes: ['Flaking, dents, creases, tears, mould. Touch nothing.'] },
  { id: 'back', says: 'The back', notes: ['A lining, patches, damp marks, mould, what is written on it.'] },
  {
    id: 'edges',
    says: 'All four edges',
    notes: ['Tack rust, torn holes, cut edges, old folds and how far they lie from the paint.'],
  },
] as const;

export function lookSteps({ inputs: { look } }: JobCase): BenchStep[] {
  const step = (id: string, group: string, says: string, more: Partial<BenchStep>): BenchStep => ({
    id: `look/${id}`,
    stage: 'look',
    group,
    says,
    figure: '',
    notes: [],
    aloud: aloud(says),
    act: { kind: 'look' },
    show: SHOW_STAGE,
    ...more,
  });
  const found = look.conditions.length === 0 ? 'nothing marked' : `${look.conditions.length} marked`;
  return [
    ...LOOKS.map(({ id, says, notes }) => step(id, 'Look', says, { figure: found, notes })),
    step('lookedOver', 'Look', 'Was all of it looked at?', {
      figure: look.lookedOver ? 'yes' : 'not yet',
      notes: ['What you saw is marked by its place on the page of the job.'],
      act: {
        kind: 'choose',
        options: [
          { id: 'yes', name: 'Yes, front, back and edges' },
          { id: 'no', name: 'Not yet' },
        ],
        chosen: look.lookedOver ? 'yes' : 'no',
        put: (id) => ({ look: { lookedOver: id === 'yes' } }),
      },
    }),
    step('value', 'Who decides', 'What is it worth?', {
      figure: byId(VALUES, look.value).name,
      act: { kind: 'choose', options: VALUES, chosen: look.value, put: (id) => ({ look: { value: byId(VALUES, id).id } }) },
    }),
    step('decided', 'Who decides', 'What was decided?', {
      figure: byId(DECISIONS, look.decided).name,
      notes: look.conditions.map(({ kind }) => byId(CONDITIONS, kind).name),
      act: {
        kind: 'choose',
        options: DECISIONS,
        chosen: look.decided,
        put: (id) => ({ look: { decided: byId(DECISIONS, id).id } }),
      },
    }),
  ];
}
