/* The finished canvas: on the scale, its hanging, its label. */
import { printed } from '../quantities/printed';
import type { JobCase } from '../case/jobCase';
import { byId } from '../house/schools';
import { HANGINGS } from '../stages/handover/hangings';
import { printLength } from '../units/length';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';

/** Steps of handing over. */
export function handoverSteps({ inputs, plan, house: { tape } }: JobCase): BenchStep[] {
  const { handover, brief } = inputs;
  const hanging = byId(HANGINGS, handover.hanging);
  const drop = printLength(brief.height.mm / 4, tape);
  const weight: BenchStep = {
    id: 'handover/weight',
    stage: 'handover',
    group: 'Weight',
    says: 'On the scale, kg',
    figure: handover.weighedKg === null ? '?' : printed('mass', handover.weighedKg, tape),
    notes: [`${printed('mass', plan.handover.totalKg, tape)} worked out`],
    aloud: 'On the scale, in kilograms',
    act: {
      kind: 'read',
      reading: {
        kind: 'number',
        label: 'On the scale',
        of: 'mass',
        value: handover.weighedKg,
        put: (weighedKg) => ({ handover: { weighedKg } }),
      },
    },
    show: SHOW_STAGE,
  };
  const sides = brief.hangs === 'eitherWay' ? 'on all four bars' : 'on both side bars';
  const hang: BenchStep = {
    id: 'handover/hanging',
    stage: 'handover',
    group: 'Hanging',
    says: hanging.id === 'none' ? 'No hanging on the canvas: say so on the label' : `${hanging.name}, ${sides}, from the top`,
    figure: hanging.id === 'none' ? 'none' : drop,
    notes: ['Screws go into the bar, never through to the cloth.'],
    aloud: aloud(hanging.id === 'none' ? 'No hanging.' : `${hanging.name}, ${sides}, ${drop} from the top`),
    act: { kind: 'do' },
    show: SHOW_STAGE,
  };
  const label: BenchStep = {
    id: 'handover/label',
    stage: 'handover',
    group: 'Label',
    says: handover.label === '' ? 'Label on the back, which way up' : handover.label,
    figure: brief.hangs === 'eitherWay' ? '↻' : '↑ up',
    notes: [brief.title],
    aloud: 'Label on the back.',
    act: { kind: 'label' },
    show: SHOW_STAGE,
  };
  return [weight, hang, label];
}
