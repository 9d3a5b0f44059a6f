import { effortOf, withMinutes } from '../../effort/effort';
import { printed } from '../../quantities/printed';
import type { CutSize } from '../../cloth/cutSize';
import { assumed } from '../../house/houseRules';
import { fabricOf } from '../../house/materials';
import type { JobInputs } from '../../job/job';
import { EDGES, byId, isPainted } from '../../house/schools';
import { reading } from '../../log/reading';
import { type Verdict, verdict } from '../../job/verdict';
import { printLength } from '../../units/length';
import { HANGINGS } from './hangings';
import type { PlanContext, StagePlan } from '../planContext';
import type { BarsPlan } from '../bars/planBars';
import type { PrimePlan } from '../prime/planPrime';

export interface HandoverPlan extends StagePlan {
  frameKg: number;
  clothKg: number;
  groundKg: number;
  totalKg: number;
}

/** Weight worked out and weighed, the hanging for it, and the cautions of lifting. */
export function planHandover(
  inputs: JobInputs,
  context: PlanContext,
  bars: BarsPlan,
  cut: CutSize,
  prime: PrimePlan,
): HandoverPlan {
  const { tape } = context;
  const fabric = fabricOf(context.rules, inputs.cloth.fabric);
  const clothKg = (cut.areaM2 * fabric.gsm) / 1000;
  const groundKg = prime.coats.reduce((sum, { recipe }) => sum + recipe.dryG / 1000, 0);
  const totalKg = bars.chosen.weightKg + clothKg + groundKg;
  const { weighedKg } = inputs.handover;
  const painted = isPainted(inputs.brief.use);
  return {
    frameKg: bars.chosen.weightKg,
    clothKg,
    groundKg,
    totalKg,
    answer: printed('mass', weighedKg ?? totalKg, tape),
    answerNote:
      weighedKg === null
        ? `worked out: frame ${printed('mass', bars.chosen.weightKg, tape)}, cloth ${printed('mass', clothKg, tape)}, ${painted ? 'its ground and paint not counted' : `ground ${printed('mass', groundKg, tape)}`}`
        : `on the scale; ${printed('mass', totalKg, tape)} worked out`,
    verdicts: [
      ...weightVerdict(weighedKg, totalKg, painted, context),
      hangingVerdict(inputs, weighedKg ?? totalKg, context),
      ...liftVerdict(inputs, weighedKg ?? totalKg, context),
    ],
    readings: weighedKg === null ? [] : [reading('weight', weighedKg, 'kg', { precision: 0.01, tool: 'scale' })],
    ...withMinutes(effortOf(context.rules, ['handSetUp'], { handEach: 1 })),
    setsMinutes: null,
  };
}

function weightVerdict(weighedKg: number | null, totalKg: number, painted: boolean, { tape }: PlanContext): Verdict[] {
  if (weighedKg === null) return [];
  const off = Math.abs(weighedKg - totalKg) / totalKg;
  const level = off <= 0.25 ? 'good' : 'watch';
  return [
    verdict({
      id: 'weight',
      about: 'weight',
      level,
      measured: off * 100,
      limit: 25,
      of: 'percent',
      says: `The scale says ${printed('mass', weighedKg, tape)}, ${printed('percent', off * 100)} ${weighedKg >= totalKg ? 'more' : 'less'} than worked out.`,
      because: painted
        ? 'Wood of one kind varies by 15 %; its ground and paint are not counted.'
        : 'Wood of one kind varies by 15 %, ground by as much.',
      doThis:
        level === 'good'
          ? ''
          : `Check the species${painted ? ', and go by the scale' : ' and the number of coats in the record'}.`,
    }),
  ];
}

function hangingVerdict({ handover, brief }: JobInputs, kg: number, { tape }: PlanContext): Verdict {
  const hanging = byId(HANGINGS, handover.hanging);
  const marks =
    brief.hangs === 'eitherWay'
      ? 'on all four bars: it hangs any way up'
      : 'on the side bars, a quarter of the height below the top';
  if (hanging.id === 'none')
    return verdict({
      id: 'hanging',
      about: 'hanging',
      level: byId(EDGES, brief.edges).inRebate ? 'good' : 'watch',
      says: 'No hanging on the canvas.',
      because: 'The frame carries it, if there is one.',
      doThis: 'Say so on the label.',
    });
  const ok = kg <= hanging.carriesKg;
  return verdict({
    id: 'hanging',
    about: 'hanging',
    level: ok ? 'good' : 'stop',
    measured: kg,
    limit: hanging.carriesKg,
    of: 'mass',
    says: `${hanging.name}: ${marks}; carries ${printed('mass', hanging.carriesKg, tape)}.`,
    because: 'Screws go into the bar, never through to the cloth; the wall fixing is another matter.',
    doThis: ok ? '' : 'Take plates on hooks or a cleat.',
  });
}

function liftVerdict({ brief }: JobInputs, kg: number, { tape, rules }: PlanContext): Verdict[] {
  const longest = Math.max(brief.width.mm, brief.height.mm);
  if (kg < assumed(rules, 'twoPeopleKg') && longest < assumed(rules, 'twoPeopleMm')) return [];
  return [
    verdict({
      id: 'lifting',
      about: 'lifting',
      level: 'watch',
      measured: longest,
      limit: assumed(rules, 'twoPeopleMm'),
      of: 'longestSide',
      says: `${printLength(longest, tape)} long, ${printed('mass', kg, tape)}: carry it with two.`,
      because: 'The usual caution for size or weight; local rules come first.',
      doThis: 'Hands on the bars, never on the cloth.',
      uses: ['twoPeopleKg', 'twoPeopleMm'],
    }),
  ];
}
