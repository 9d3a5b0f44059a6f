import { describe, expect, it } from 'vitest';
import { toEnd } from '../toEnd';
import { DEFAULT_RULES } from '../house/houseRules';
import { newInputs } from '../job/job';
import { length } from '../units/length';
import {
  mendedModels,
  rehearsalEvents,
  rehearsalModel,
  rehearsalReadings,
  rehearsalScore,
  rehearsalVerdicts,
} from '../stages/fasten/rehearsalScore';
import { stapleModel } from '../stages/fasten/stapleModel';
import { LESSONS } from './lessons';
import { condensedMembrane } from './membrane/membrane';
import { type RouteRun, type StapleModel, simulateRoute } from './membrane/simulateRoute';
import { type RehearsalMove, heldAfter, hintOf, rehearsalFaults, rehearsalViolation } from './rehearsal';

const inputs = newInputs('t', length(600), length(450));
const model = stapleModel(inputs, DEFAULT_RULES);
const order = model.events.map((event) => event.place);
const good: RehearsalMove[] = order.map((place, index) => ({ act: 'fasten', place, pull: index < 4 ? 'snug' : 'firm' }));
const faultsOf = (moves: readonly RehearsalMove[]) => rehearsalFaults(moves, model.places, 80).map((fault) => fault.id);

const runOf = (one: StapleModel): RouteRun => toEnd(simulateRoute(toEnd(condensedMembrane(one.mesh, one.cloth)), one));
const judged = (moves: readonly RehearsalMove[], offGrainDeg = 0) => {
  const own = rehearsalModel(model, moves, 15, offGrainDeg, DEFAULT_RULES);
  const runs = mendedModels(model, own).map(runOf) as [RouteRun, RouteRun, RouteRun, RouteRun];
  return {
    runs,
    verdicts: rehearsalVerdicts(
      rehearsalScore(inputs, model, moves, DEFAULT_RULES),
      runs,
      { unit: 'mm', stepMm: 1 },
      offGrainDeg,
    ),
  };
};

describe('a rehearsal', () => {
  it('hints what a school would do next, whatever else was done', () => {
    expect(hintOf(model.events, [])?.place).toBe(order[0]);
    expect(hintOf(model.events, good.slice(0, 5))?.place).toBe(order[5]);
    expect(hintOf(model.events, [good[7]!, good[0]!])?.place).toBe(order[1]);
    expect(hintOf(model.events, good)).toBeNull();
  });

  it('holds what was fastened and not taken out, and refuses what cannot be', () => {
    const moves: RehearsalMove[] = [good[0]!, good[1]!, { act: 'takeOut', place: good[0]!.place, pull: 'none' }];
    expect([...heldAfter(moves)]).toEqual([good[1]!.place]);
    expect(rehearsalViolation(moves, model.places.length)).toBeNull();
    expect(rehearsalViolation([good[0]!, good[0]!], 9)).toBe('Move 2 fastens a place that holds already.');
    expect(rehearsalViolation([{ act: 'fasten', place: 99, pull: 'firm' }], 9)).toBe(
      'Move 1 is at place 99; there are places 0 to 8.',
    );
  });

  it('along the route has no fault, and is as even as the route', () => {
    expect(faultsOf(good)).toEqual([]);
    expect(rehearsalEvents(good, DEFAULT_RULES).map(({ act, place, part }) => [act, place, part])).toEqual(
      model.events.map(({ act, place, part }) => [act, place, part]),
    );
    const { runs, verdicts } = judged(good);
    expect(verdicts).toHaveLength(1);
    expect(verdicts[0]).toMatchObject({ level: 'good', id: 'hurtMost' });
    expect(runs[0].end.unevenness).toBeCloseTo(runs[3].end.unevenness, 9);
    const readings = rehearsalReadings(rehearsalScore(inputs, model, good, DEFAULT_RULES), runs[0]);
    expect(readings.find((one) => one.quantity === 'rehearsalFasteners')?.value).toBe(model.places.length);
  });
});

describe('the lessons', () => {
  it.each([
    ['oneSideFirst', ['oneSideFirst', 'hardFirst']],
    ['walkRound', ['oneSideFirst', 'walkRound', 'hardFirst']],
    ['hardFirst', ['hardFirst']],
    ['tooWide', ['tooWide']],
    ['leftIn', ['leftIn']],
    ['offGrain', []],
  ])('%s shows its fault', (id, faults) => {
    const lesson = LESSONS.find((one) => one.id === id)!;
    const moves = lesson.moves(order, model.places);
    expect(rehearsalViolation(moves, model.places.length)).toBeNull();
    expect(faultsOf(moves).sort()).toEqual([...faults].sort());
    expect(LESSONS.map((one) => one.id)).toContain(id);
  });

  it('are worse on the cloth than the route, each in its way', () => {
    const plain = judged(good).runs[0].end;
    const ends = Object.fromEntries(
      LESSONS.map((lesson) => [lesson.id, judged(lesson.moves(order, model.places), lesson.offGrainDeg)] as const),
    );
    expect(ends.oneSideFirst!.runs[0].end.unevenness).toBeGreaterThan(1.3 * plain.unevenness);
    expect(ends.oneSideFirst!.verdicts[0]!.says).toMatch(/^What hurt most: the order\./);
    expect(ends.walkRound!.runs[0].end.unevenness).toBeGreaterThan(1.3 * plain.unevenness);
    expect(Math.hypot(ends.hardFirst!.runs[0].end.drift.xMm, ends.hardFirst!.runs[0].end.drift.yMm)).toBeGreaterThan(
      1.5 * Math.hypot(plain.drift.xMm, plain.drift.yMm),
    );
    expect(ends.tooWide!.runs[0].end.slackShare).toBeGreaterThan(plain.slackShare);
    expect(ends.leftIn!.runs[0].end.unevenness).toBeGreaterThan(plain.unevenness);
    expect(ends.offGrain!.verdicts.map((one) => one.says)).toContain('The threads lie 6° off the bars.');
    // The linear cloth pulled alike both ways hardly racks: what it does not show is not claimed.
    expect(Math.abs(ends.offGrain!.runs[0].end.unevenness - plain.unevenness)).toBeLessThan(0.05);
  });
});
