/* Old folds and holes under a placed face: on the edge where the size allows, fasteners between the holes. */
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { planJob } from '../case/planJob';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import { SIDES, type Side } from '../job/sides';
import { trueTape } from '../testReadings';
import { length } from '../units/length';
import type { FoundInputs } from './foundInputs';
import { foldsOff, holesOf } from './foundLines';
import { sizeRows } from './planPainting';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };

/** A true image of 900 × 600 mm with the fold so far outside it, margins enough on all sides. */
function found(face: [number, number], change: (found: FoundInputs) => void): JobInputs {
  const inputs = newInputs('Harbour', length(face[0]), length(face[1]));
  inputs.brief.use = 'restretch';
  inputs.brief.placing.mostWrap = length(20);
  inputs.brief.placing.mayBare = true;
  inputs.bars.profile = 'standard';
  Object.assign(inputs.cloth.painting, trueTape(900, 600));
  for (const side of SIDES) inputs.cloth.left[side] = { first: length(70), second: length(70) };
  change(inputs.cloth.found);
  return inputs;
}
const folds =
  (by: number, within = false) =>
  (of: FoundInputs) => {
    for (const side of SIDES) of.fold[side] = { by: length(by), within };
  };
const verdictsOf = (inputs: JobInputs) =>
  planJob(inputs, context, 0)
    .brief.verdicts.filter(({ id }) => id.startsWith('oldFold'))
    .map(({ level, says }) => [level, says]);

describe('the old fold', () => {
  it('lies on the edge of the face that is as much larger than the image as it lies outside', () => {
    expect(verdictsOf(found([906, 606], folds(3)))[0]).toEqual(['good', 'The old fold lies on the top edge.']);
    expect(verdictsOf(found([894, 594], folds(3, true)))[3]).toEqual(['good', 'The old fold lies on the left edge.']);
  });

  it('close beside the new one breaks the strip between, on the face it shows, far round it is bent no more', () => {
    expect(verdictsOf(found([900, 600], folds(4)))[0]).toEqual(['watch', 'The old fold of the top lies 4 mm round the edge.']);
    expect(verdictsOf(found([914, 614], folds(3)))[1]).toEqual(['watch', 'The old fold of the right lies 4 mm on the face.']);
    expect(verdictsOf(found([900, 600], folds(15)))[0]![0]).toBe('good');
    expect(verdictsOf(found([930, 630], folds(0)))[0]![0]).toBe('watch');
  });

  it('is offered as a face of its own, first of all sizes, and that face has the folds on its edges', () => {
    const [first] = sizeRows(found([900, 600], folds(3)), context);
    expect(first).toMatchObject({ why: 'folds', widthMm: 906, heightMm: 606 });
    expect(
      sizeRows(
        found([900, 600], (of) => (of.fold.top = { by: length(3), within: false })),
        context,
      )[0]!.why,
    ).toBe('exact');
    const random = randomLcg(0.61);
    for (let turn = 0; turn < 60; turn += 1) {
      const by = Object.fromEntries(SIDES.map((side) => [side, Math.round(12 * random())])) as Record<Side, number>;
      const inputs = found([900, 600], (of) => {
        for (const side of SIDES) of.fold[side] = { by: length(by[side]), within: false };
      });
      const [offered] = sizeRows(inputs, context);
      const off = foldsOff(inputs.cloth.found, offered!.registration);
      for (const side of SIDES) expect(off[side]!.firstMm).toBeCloseTo(0, 4);
    }
  });
});

describe('old holes', () => {
  const rows = (apart: number) => (of: FoundInputs) => {
    for (const side of SIDES) of.holes[side] = { first: length(12), apart: length(apart) };
  };
  /** The least distance of any fastener that stays from any hole of its side, told anew. */
  function leastOff(inputs: JobInputs): number {
    const { fasten, brief } = planJob(inputs, context, 0);
    const { widthMm, heightMm } = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
    const holes = holesOf(inputs.cloth.found, brief.painting!.registration!, { widthMm, heightMm });
    return Math.min(
      ...fasten.route.steps
        .filter(({ act }) => act === 'fix')
        .flatMap(({ side, xMm, yMm }) =>
          holes[side].map((at) => Math.abs(at - (side === 'top' || side === 'bottom' ? xMm : yMm))),
        ),
    );
  }

  it('are passed by: every fastener stands clear of every one of them, whatever the route', () => {
    const random = randomLcg(0.37);
    let moved = 0;
    for (let turn = 0; turn < 40; turn += 1) {
      const inputs = found([880 + Math.round(40 * random()), 600], rows(14 + Math.round(30 * random())));
      inputs.fasten.spacing = length(30 + Math.round(30 * random()));
      inputs.fasten.route = random() < 0.5 ? 'registered' : 'compass';
      expect(leastOff(inputs)).toBeGreaterThanOrEqual(5 - 1e-6);
      const bare = structuredClone(inputs);
      for (const side of SIDES) bare.cloth.found.holes[side] = { first: null, apart: null };
      const places = (of: JobInputs) =>
        JSON.stringify(planJob(of, context, 0).fasten.route.steps.map(({ xMm, yMm }) => [xMm, yMm]));
      if (places(inputs) !== places(bare)) moved += 1;
    }
    expect(moved).toBeGreaterThan(30);
  });

  it('that stand too close are said to, and bar nothing; a row half read is no row', () => {
    const says = (inputs: JobInputs) => planJob(inputs, context, 0).fasten.verdicts.find(({ id }) => id === 'oldHoles');
    expect(says(found([900, 600], rows(9)))).toMatchObject({ level: 'watch', measured: 4.5, limit: 5 });
    expect(planJob(found([900, 600], rows(9)), context, 0).fasten.route.leftOut).toEqual([]);
    expect(says(found([900, 600], rows(25)))!.level).toBe('good');
    expect(says(found([900, 600], (of) => (of.holes.top = { first: null, apart: length(25) })))).toBeUndefined();
  });
});
