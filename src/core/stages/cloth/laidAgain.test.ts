import { describe, expect, it } from 'vitest';
import { type JobInputs, newInputs } from '../../job/job';
import { length } from '../../units/length';
import { NO_CHANGE, withChanges } from '../../variant/variant';
import { laidForItsCut } from './laidAgain';

const fresh = newInputs('Laid', length(900), length(600));
const laid: JobInputs = { ...fresh, cloth: { ...fresh.cloth, laidAgain: true } };

describe('a frame laid on the cloth before the cut', () => {
  it.each<[string, (inputs: JobInputs) => JobInputs]>([
    ['face', (one) => ({ ...one, brief: { ...one.brief, height: length(605) } })],
    ['use', (one) => ({ ...one, brief: { ...one.brief, use: 'finished' } })],
    ['bar', (one) => ({ ...one, bars: { ...one.bars, profile: 'deep' } })],
    ['cloth', (one) => ({ ...one, cloth: { ...one.cloth, fabric: 'linenMedium' } })],
    ['margin', (one) => ({ ...one, cloth: { ...one.cloth, ownMargin: { ...one.cloth.ownMargin, left: length(70) } } })],
    ['warp', (one) => ({ ...one, cloth: { ...one.cloth, warp: 'height' } })],
    ['washing', (one) => ({ ...one, cloth: { ...one.cloth, washFirst: true } })],
  ])('was not laid on another cut: %s', (_what, change) => {
    expect(laidForItsCut(laid, change(laid)).cloth.laidAgain).toBe(false);
    expect(change(laid).cloth.laidAgain).toBe(true);
  });

  it('stays laid where the cut stays, and is laid when it is ticked', () => {
    const other = { ...laid, brief: { ...laid.brief, title: 'Other' }, cloth: { ...laid.cloth, corner: 'doublePleat' as const } };
    expect(laidForItsCut(laid, other)).toBe(other);
    expect(laidForItsCut(fresh, { ...laid, brief: { ...laid.brief, width: length(700) } }).cloth.laidAgain).toBe(true);
  });

  it('was not laid on the cut of a variant', () => {
    expect(withChanges(laid, { ...NO_CHANGE, width: length(800) }).cloth.laidAgain).toBe(false);
    expect(withChanges(laid, { ...NO_CHANGE, route: 'halving' })).toEqual({
      ...laid,
      fasten: { ...laid.fasten, route: 'halving' },
    });
  });
});
