import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STAGE_IDS, type StageId } from '../stages/stages';
import { length } from '../units/length';
import { type JobInputs, newInputs } from './job';
import { mergeInputs } from './mergeInputs';

const base = newInputs('Harbour', length(900), length(600));

/** A change in one stage, another for every mark. */
const CHANGES: Record<StageId, (inputs: JobInputs, mark: number) => JobInputs> = {
  look: (one, mark) => ({ ...one, look: { ...one.look, decidedBy: `Ida ${mark}` } }),
  brief: (one, mark) => ({ ...one, brief: { ...one.brief, title: `Quay ${mark}` } }),
  bars: (one, mark) => ({ ...one, bars: { ...one.bars, bracesLevel: [0.1 * mark] } }),
  square: (one, mark) => ({ ...one, square: { ...one.square, up: length(1000 + mark) } }),
  cloth: (one, mark) => ({ ...one, cloth: { ...one.cloth, rollWidth: length(2000 + mark) } }),
  fasten: (one, mark) => ({ ...one, fasten: { ...one.fasten, spacing: length(40 + mark) } }),
  tune: (one, mark) => ({ ...one, tune: { ...one.tune, piece: { ...one.tune.piece, grams: mark } } }),
  prime: (one, mark) => ({ ...one, prime: { ...one.prime, roomC: 15 + mark } }),
  handover: (one, mark) => ({ ...one, handover: { ...one.handover, weighedKg: mark } }),
};
const changed = (stages: readonly StageId[], mark: number) =>
  stages.reduce((inputs, stage) => CHANGES[stage](inputs, mark), base);

describe('two versions of one job', () => {
  it('take each stage from whoever changed it; only what both changed collides', () => {
    const some = fc.subarray([...STAGE_IDS]);
    fc.assert(
      fc.property(some, some, fc.constantFrom('mine' as const, 'theirs' as const), (byMe, byThem, prefer) => {
        const [mine, theirs] = [changed(byMe, 1), changed(byThem, 2)];
        const { inputs, collided, theirs: news } = mergeInputs(base, mine, theirs, prefer);
        expect(collided).toEqual(byMe.filter((stage) => byThem.includes(stage)));
        expect(news).toEqual(byThem.filter((stage) => !byMe.includes(stage)));
        for (const stage of STAGE_IDS) {
          const own = byMe.includes(stage) && (!byThem.includes(stage) || prefer === 'mine');
          expect(inputs[stage]).toEqual(own ? mine[stage] : theirs[stage]);
        }
      }),
    );
  });

  it('that changed the same to the same do not collide; with no common ground everything that differs does', () => {
    const same = changed(['brief', 'bars'], 3);
    expect(mergeInputs(base, same, structuredClone(same), 'mine')).toMatchObject({ collided: [], theirs: [] });
    const { inputs, collided } = mergeInputs(null, changed(['brief'], 1), base, 'theirs');
    expect(collided).toEqual(['brief']);
    expect(inputs.brief.title).toBe('Harbour');
  });

  it('keep the ticks of both, and what either took off stays off', () => {
    const kit = (...lines: string[]): JobInputs => ({ ...base, kit: lines });
    const merged = mergeInputs(kit('tape', 'mallet'), kit('tape', 'shears'), kit('tape', 'mallet', 'brush'), 'mine');
    expect([...merged.inputs.kit].sort()).toEqual(['brush', 'shears', 'tape']);
    expect(mergeInputs(kit('tape'), kit('tape', 'mallet'), kit(), 'mine').inputs.kit).toEqual(['mallet']);
  });
});
