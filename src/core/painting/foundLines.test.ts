/* Old folds and holes under a placed face: on the edge where the size allows, fasteners between the holes. */
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { planJob } from '../case/planJob';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { profileOf } from '../house/materials';
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
const foldsAt = (by: Partial<Record<Side, number>>) =>
  found([900, 600], (of) => {
    for (const side of SIDES) {
      const mm = by[side];
      if (mm !== undefined) of.fold[side] = { by: length(Math.abs(mm)), within: mm < 0 };
    }
  });
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
    expect(verdictsOf(found([900, 600], folds(10)))[0]![0]).toBe('good');
    expect(verdictsOf(found([930, 630], folds(0)))[0]![0]).toBe('watch');
  });

  it('is offered as a face of its own, first of all sizes, and that face has the folds on its edges', () => {
    const [first] = sizeRows(found([900, 600], folds(3)), context);
    expect(first).toMatchObject({ why: 'folds', widthMm: 906, heightMm: 606 });
    expect(sizeRows(foldsAt({ top: 3 }), context)[0]!.why).toBe('exact');
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

describe('old folds on two sides', () => {
  it('offer a face whose edges they are, the others as the image fills it', () => {
    expect(sizeRows(foldsAt({ left: 4, right: 6 }), context)[0]).toMatchObject({ why: 'folds', widthMm: 910, heightMm: 600 });
    expect(sizeRows(foldsAt({ left: 4, top: -2 }), context)[0]).toMatchObject({ why: 'folds', widthMm: 904, heightMm: 598 });
  });

  it('come to lie on the edges of that face; the other way keeps its limits', () => {
    const inputs = foldsAt({ left: 4, right: 6 });
    const { sides } = sizeRows(inputs, context)[0]!.registration;
    expect([sides.left.middleMm, sides.right.middleMm]).toEqual([expect.closeTo(-4, 4), expect.closeTo(-6, 4)]);
    expect([sides.top.middleMm, sides.bottom.middleMm]).toEqual([expect.closeTo(0, 4), expect.closeTo(0, 4)]);
    // A fold alone across the width is kept to, however wide the face: the other edge takes the rest.
    inputs.brief.width = length(893);
    inputs.cloth.found.fold.right = null;
    inputs.cloth.found.fold.top = { by: length(1), within: false };
    const placed = planJob(inputs, context, 0).brief.painting!.registration!;
    expect(placed.sides.left.middleMm).toBeCloseTo(-4, 0);
    expect(placed.sides.right.middleMm).toBeCloseTo(11, 0);
  });

  it('near the back edge of the bar they are bent a second time', () => {
    // A bar 20 mm deep with a bead of 2.
    const at = (by: number) => verdictsOf(foldsAt({ top: by, bottom: by }));
    const { depthMm, beadMm } = profileOf(DEFAULT_RULES, 'standard');
    expect(at(depthMm + beadMm + 0.6)[0]).toEqual(['good', 'The old fold of the top lies on the back edge of the bar.']);
    expect(at(depthMm + beadMm - 4)[0]).toEqual(['watch', 'The old fold of the top lies 4 mm beside the back edge of the bar.']);
    expect(at(depthMm + beadMm + 12)[0]![0]).toBe('good');
  });
});

describe('torn edges', () => {
  const torn = (side: Side, from: number, to: number) =>
    found([900, 600], (of) => of.torn.push({ side, from: length(from), to: length(to) }));

  it('hold nothing: no fastener of any route goes there, the rest of the side is held as before', () => {
    const random = randomLcg(0.83);
    for (let turn = 0; turn < 40; turn += 1) {
      const side = SIDES[turn % 4]!;
      const from = Math.round(500 * random());
      const to = from + Math.round(20 + 200 * random());
      const inputs = torn(side, turn % 2 ? from : to, turn % 2 ? to : from);
      inputs.fasten.route = random() < 0.5 ? 'registered' : 'compass';
      const { fasten } = planJob(inputs, context, 0);
      const along = fasten.route.steps
        .filter((step) => step.side === side && step.act === 'fix')
        .map(({ xMm, yMm }) => (side === 'top' || side === 'bottom' ? xMm : yMm));
      expect(along.filter((at) => at > from + 1e-6 && at < to - 1e-6)).toEqual([]);
      expect(along.length).toBeGreaterThan(5);
      expect(fasten.route.leftOut).toEqual([]);
      const told = fasten.verdicts.find(({ id }) => id === 'torn 1')!;
      expect(told.level).toBe(Math.min(to, side === 'left' || side === 'right' ? 600 : 900) - from > 60 ? 'stop' : 'watch');
    }
  });

  it('lie on the face where the image comes to lie: off its corner, not off that of the face', () => {
    const inputs = torn('bottom', 100, 150);
    inputs.brief.width = length(880);
    const { brief, fasten } = planJob(inputs, context, 0);
    const at = 100 + brief.painting!.registration!.corners.bottomLeft.x;
    expect(at).toBeCloseTo(90, 1);
    expect(fasten.verdicts.find(({ id }) => id === 'torn 1')!.says).toMatch(/from 90 mm to 140 mm of the left end/);
  });

  it('do not condemn their side; of no length or beyond it they say nothing', () => {
    const sides = (inputs: JobInputs) =>
      planJob(inputs, context, 0)
        .brief.verdicts.filter(({ level }) => level === 'stop')
        .map(({ id }) => id);
    expect(sides(torn('left', 20, 70))).toEqual([]);
    expect(sides(torn('left', 20, 120))).toEqual(['torn 1']);
    for (const [from, to] of [
      [0, 0],
      [300, 300],
      [700, 900],
    ] as const)
      expect(planJob(torn('right', from, to), context, 0).brief.verdicts.some(({ id }) => id.startsWith('torn'))).toBe(false);
  });
});

it('cloth that ends before the face does is said to, never a margin below nothing', () => {
  const inputs = found([960, 600], () => undefined);
  inputs.cloth.left.right = { first: length(10), second: length(12) };
  const told = planJob(inputs, context, 0).brief.verdicts.find(({ id }) => id === 'rightMargin')!;
  expect([told.level, told.says]).toEqual([
    'stop',
    'Right: the cloth ends 20 mm short of the edge of the face, nothing to hold: strip-lining by a conservator.',
  ]);
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
