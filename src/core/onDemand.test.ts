import { describe, expect, it } from 'vitest';
import { onDemand } from './onDemand';

describe('an object of parts on demand', () => {
  it('works out a part when it is asked for, once, and what is wrong with another is told to whoever asks for that', () => {
    const made: string[] = [];
    const parts: Record<'bars' | 'cloth' | 'wrong', number> = onDemand({
      bars: () => made.push('bars'),
      cloth: () => parts.bars + made.push('cloth'),
      wrong: () => {
        throw new RangeError('no such bar');
      },
    });
    expect(made).toEqual([]);
    expect([parts.cloth, parts.cloth, parts.bars]).toEqual([3, 3, 1]);
    expect(made).toEqual(['bars', 'cloth']);
    expect(() => parts.wrong).toThrow('no such bar');
    expect(() => parts.wrong).toThrow('no such bar');
    expect(() => ({ ...parts })).toThrow('no such bar');
  });
});
