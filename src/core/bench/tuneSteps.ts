/* Tension at the bench: how it feels, three taps, a weight where taps are not heard, and the corners opened. */
import { printed } from '../quantities/printed';
import type { JobCase } from '../case/jobCase';
import { CORNERS } from '../frame/square/corners';
import { USES, byId } from '../house/schools';
import type { SideWords } from '../job/sideWords';
import type { TuneInputs } from '../stages/tune/tuneInputs';
import { mayBeDone } from '../stages/look/mayBeDone';
import { FEELS, type FeelId } from '../tension/feel';
import { printFine } from '../units/length';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';

/** Steps of tuning. */
export function tuneSteps(here: JobCase, say: SideWords): BenchStep[] {
  const { inputs, plan } = here;
  const painted = byId(USES, inputs.brief.use).painted;
  const caution = 'Painted: one fingertip from the back. Flaking, torn or of value: do not touch, ask a conservator.';
  const feel: BenchStep = {
    id: 'tune/feel',
    stage: 'tune',
    group: 'Feel',
    says: 'How it feels under the hand',
    figure: inputs.tune.feel === null ? '?' : byId(FEELS, inputs.tune.feel).name,
    notes: painted ? [caution] : [],
    aloud: 'How does it feel?',
    act: { kind: 'choose', options: FEELS, chosen: inputs.tune.feel, put: (id) => ({ tune: { feel: id as FeelId } }) },
    show: SHOW_STAGE,
  };
  const taps: BenchStep = {
    id: 'tune/taps',
    stage: 'tune',
    group: 'Taps',
    says: 'Three taps: in the middle, a quarter in from one side, a quarter in from the top',
    figure: printed('tension', inputs.bars.tensionNPerM),
    notes: ['the tension aimed at', ...(painted ? [caution] : [])],
    aloud: 'Three taps. First in the middle.',
    act: { kind: 'tap' },
    show: SHOW_STAGE,
  };
  const weigh = plan.tune.hearing === 'weigh' || (!painted && inputs.tune.weight.lightSag !== null);
  return [
    feel,
    ...(plan.tune.hearing === 'weigh' || mayBeDone('tap', inputs).may !== 'allowed' ? [] : [taps]),
    ...(weigh && !painted ? sagSteps(here) : []),
    ...openSteps(here, say),
  ];
}

function sagSteps({ inputs: { tune }, house: { tape } }: JobCase): BenchStep[] {
  const { weight } = tune;
  const sag = (name: 'lightSag' | 'heavySag', grams: number): BenchStep => {
    const value = weight[name];
    const says = `Sag under ${printed('testWeight', grams)} on the disc`;
    const put = (next: TuneInputs['weight']['lightSag']) => ({ tune: { weight: { ...weight, [name]: next } } });
    return {
      id: `tune/${name}`,
      stage: 'tune',
      group: 'Weight',
      says,
      figure: value ? printFine(value.mm, tape) : '?',
      notes: ['In the middle, the canvas lying free.'],
      aloud: aloud(says),
      act: { kind: 'read', reading: { kind: 'length', label: says, of: 'tapeReading', value, put } },
      show: SHOW_STAGE,
    };
  };
  return [sag('lightSag', weight.lightG), sag('heavySag', weight.heavyG)];
}

/** Corners that are to be opened, one after the other, from the top left as one looks at it. */
function openSteps({ inputs: { tune }, house: { tape } }: JobCase, say: SideWords): BenchStep[] {
  if (!CORNERS.some((corner) => tune.corners[corner].mm > 0)) return [];
  return say.corners
    .filter((corner) => tune.corners[corner].mm > 0)
    .map((corner): BenchStep => {
      const figure = printFine(tune.corners[corner].mm, tape);
      const says = `Open ${say.corner(corner)} to`;
      return {
        id: `tune/open/${corner}`,
        stage: 'tune',
        group: 'Corners',
        says,
        figure,
        notes: ['A little at each corner in turn; card behind the keys.'],
        aloud: aloud(`${says} ${figure}`),
        act: { kind: 'do' },
        show: SHOW_STAGE,
      };
    });
}
