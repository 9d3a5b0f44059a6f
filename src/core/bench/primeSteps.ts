/* The next coat: what it waits for, what is weighed out, the direction it is brushed in, what was mixed and is left. */
import { toldTo } from '../quantities/toldTo';
import type { Tape } from '../units/length';
import { printed } from '../quantities/printed';
import type { JobCase } from '../case/jobCase';
import type { CoatPlan } from '../stages/prime/CoatPlan';
import type { PrimeInputs } from '../stages/prime/primeInputs';
import { SUBSTANCES } from '../prime/substances';
import { byId } from '../house/schools';
import { aloud } from './aloud';
import { type BenchAct, type BenchStep, SHOW_STAGE } from './benchStep';

/** Steps of the coat that is due; none when all are on. */
export function primeSteps({ plan, progress, inputs, house }: JobCase): BenchStep[] {
  const index = progress.coatsDone;
  const coat = plan.prime.coats[index];
  if (!coat) return [];
  const step = (
    name: string,
    words: { says: string; figure: string; notes?: readonly string[]; aloud?: string },
    act: BenchAct = { kind: 'do' },
  ): BenchStep => ({
    id: `prime/${index}/${name}`,
    stage: 'prime',
    group: coat.name,
    says: words.says,
    figure: words.figure,
    notes: words.notes ?? [],
    aloud: aloud(words.aloud ?? `${words.says}, ${words.figure}`),
    act,
    show: SHOW_STAGE,
  });
  const { roomC, roomRh } = inputs.prime;
  const dry = coat.dryMinutes === null ? 'will not dry in this air' : 'as estimated for this air';
  const air = step(
    'air',
    {
      says: 'The room, as assumed',
      figure: printed('humidity', roomRh),
      notes: [printed('temperature', roomC, house.tape), dry],
      aloud: `The room: ${printed('humidity', roomRh)}, ${printed('temperature', roomC, house.tape)}`,
    },
    { kind: 'look' },
  );
  const [down, across] = [coat.direction === 'down', coat.direction === 'across'];
  const brush = step('brush', {
    says: `Brush ${down ? 'from top to bottom' : across ? 'from side to side' : coat.direction}, wet into wet`,
    figure: coat.direction,
    notes: [
      `coat ${index + 1} of ${plan.prime.coats.length}`,
      ...plan.prime.system.cautions.map((one) => toldTo(one, house.tape)),
    ],
  });
  return [
    ...sanded(plan.prime.coats[index - 1], step),
    air,
    ...mixed(coat, step),
    brush,
    ...noted(inputs.prime, house.tape, step),
  ];
}

type MakeStep = (
  name: string,
  words: { says: string; figure: string; notes?: readonly string[]; aloud?: string },
  act?: BenchAct,
) => BenchStep;

const sanded = (before: CoatPlan | undefined, step: MakeStep): BenchStep[] =>
  before?.sandAfter
    ? [
        step('sand', {
          says: 'Sand the last coat, mask on, dust wiped off',
          figure: before.grit ? `grit ${before.grit}` : 'fine',
        }),
      ]
    : [];

function mixed({ recipe }: CoatPlan, step: MakeStep): BenchStep[] {
  const name = byId(SUBSTANCES, recipe.substance).name;
  const weigh = (id: string, what: string, grams: number) =>
    step(
      id,
      { says: `Weigh ${what}`, figure: printed('scale', grams), notes: ['Scale to nought with the pot on it.'] },
      { kind: 'weigh', grams },
    );
  return [
    ...(recipe.substanceG > 0 ? [weigh('substance', name.toLowerCase(), recipe.substanceG)] : []),
    ...(recipe.waterG > 0 ? [weigh('water', 'water', recipe.waterG)] : []),
  ];
}

const noted = (prime: PrimeInputs, tape: Tape, step: MakeStep): BenchStep[] =>
  [
    { name: 'mixedMl' as const, says: 'Mixed in all, if you measured it' },
    { name: 'leftMl' as const, says: 'Left over, if you measured it' },
  ].map(({ name, says }) => {
    const value = prime[name];
    return step(
      name,
      {
        says,
        figure: value === null ? '?' : printed('volume', value, tape),
        notes: ['Left open, nothing is noted.'],
        aloud: says,
      },
      {
        kind: 'read',
        reading: { kind: 'number', label: says, of: 'volume', value, put: (next) => ({ prime: { [name]: next } }) },
      },
    );
  });
