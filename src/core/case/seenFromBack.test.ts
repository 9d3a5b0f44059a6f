/* A frame seen from the back is told as its mirror image is told from the front: no word keeps the name of the other side. */
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { CORNERS } from '../frame/square/corners';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { SIDES } from '../job/sides';
import { sideWords } from '../job/sideWords';
import { OTHER_CORNER, mirrored, readJob } from '../testReadings';
import { isPainted } from '../house/schools';
import { isFaceUp } from '../stages/stages';
import { NO_LESSONS, caseOf } from './jobCase';
import { planJob } from './planJob';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };
const told = (inputs: JobInputs, view: 'front' | 'back') => {
  const plan = planJob(inputs, { ...context, view }, 0);
  // The paint of a painting is measured from the front, wherever one stands.
  const turned = (['cloth', 'square', 'fasten', 'tune'] as const).filter(
    (stage) => !isFaceUp(stage, isPainted(inputs.brief.use)),
  );
  return turned.map((stage) => [
    plan[stage].answerNote,
    ...plan[stage].verdicts.map(({ about, says, because, doThis }) => `${about}: ${says} ${because} ${doThis}`).sort(),
  ]);
};

describe('what is seen from the back', () => {
  it.each(Array.from({ length: 60 }, (_, seed) => seed))('is the mirror image, job %i', (seed) => {
    const inputs = readJob(randomLcg((seed + 1) / 1000));
    expect(told(inputs, 'back')).toEqual(told(mirrored(inputs), 'front'));
  });

  it('has no place where a painting is measured: its words are those of the front, and the record keeps them so', () => {
    const inputs = readJob(randomLcg(0.007));
    inputs.brief.use = 'restretch';
    const here = (view: 'front' | 'back') => caseOf({ inputs }, [], { ...context, view, lessons: NO_LESSONS }, 0);
    expect([here('back').viewOf('cloth'), here('back').viewOf('fasten')]).toEqual(['front', 'back']);
    expect(here('back').verdictsOf('cloth')).toEqual(here('front').verdictsOf('cloth'));
  });

  it('leaves top and bottom alone, and is the front seen twice', () => {
    const [front, back] = [sideWords('front'), sideWords('back')];
    expect(SIDES.map(back.side)).toEqual(['top', 'left', 'bottom', 'right']);
    expect(CORNERS.map(back.corner)).toEqual(CORNERS.map((corner) => front.corner(OTHER_CORNER[corner])));
    expect([back.diagonal('up'), front.end('left', 1), back.end('left', 1), back.end('bottom', 1)]).toEqual([
      'top left to bottom right',
      'lower',
      'lower',
      'left',
    ]);
  });
});
