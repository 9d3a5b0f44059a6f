/* The old painting of the ferry saloon: as it was found and measured, and the old frame it goes back into. */
import type { JobInputs } from '@/core/job/job';
import { length } from '@/core/units/length';
import type { Overrides } from './overrides';

/** Margins left at the two ends of each side, mm: top, right, bottom, left. */
export const leftAtEnds = (...ends: [first: number, second: number][]): JobInputs['cloth']['left'] => {
  const [top, right, bottom, left] = ends.map(([first, second]) => ({ first: length(first), second: length(second) }));
  return { top: top!, right: right!, bottom: bottom!, left: left! };
};

/** The saloon painting as it was read: top and left square to each other, the bottom running off, the right edge bowed. */
const SALOON_IMAGE: JobInputs['cloth']['painting'] = {
  top: length(1191),
  right: length(844),
  bottom: length(1187.5),
  left: length(839.5),
  down: length(1459.5),
  up: length(1453.5),
  bow: { top: null, right: { by: length(1.5), outward: true }, bottom: { by: length(2), outward: false }, left: null },
};

/** The old frame of the saloon, out of square, its lips unequal. */
const SALOON_FRAME: JobInputs['brief']['rebate'] = {
  top: length(1191),
  right: length(841),
  bottom: length(1192),
  left: length(842),
  down: length(1460),
  up: length(1456.5),
  depth: length(24),
  fixing: 'nails',
  lip: { top: length(8), right: length(9), bottom: length(7), left: length(6) },
};

export const SALOON_INPUTS: Overrides = {
  look: {
    lookedOver: true,
    conditions: [
      { kind: 'tackRust', at: { x: 0, y: 0.5 }, note: 'every second hole, the cloth brown round it' },
      { kind: 'dent', at: { x: 0.75, y: 1 / 6 }, note: 'a thumb wide, nothing cracked' },
      { kind: 'crease', at: { x: 0.5, y: 1 }, note: 'along the lower bar, where it lay on its edge' },
    ],
    value: 'ordinary',
  },
  brief: {
    use: 'restretch',
    edges: 'rebate',
    rebateClearance: length(5),
    rebate: SALOON_FRAME,
    placing: { keep: ['top', 'left', 'right'], mostWrap: length(8), mayBare: false, way: 'leastSquares', onFolds: true },
    medium: 'oil',
    note: 'Hung in the saloon for decades. Old tack holes along the left edge.',
  },
  bars: { profile: 'standard', bracesUpright: [0.5], bracesLevel: [0.5], tensionNPerM: 150 },
  cloth: {
    fabric: 'linenMedium',
    grip: 'pliers',
    marginStyle: 'edge',
    left: leftAtEnds([52, 49], [43, 47], [31, 26], [12, 12]),
    painting: SALOON_IMAGE,
    found: {
      fold: {
        top: { by: length(1), within: true },
        right: { by: length(2), within: true },
        bottom: { by: length(1), within: true },
        left: { by: length(1), within: true },
      },
      holes: {
        top: { first: length(31), apart: length(52) },
        right: { first: length(28), apart: length(55) },
        bottom: { first: length(26), apart: length(52) },
        left: { first: length(33), apart: length(54) },
      },
      torn: [{ side: 'bottom', from: length(118), to: length(153) }],
    },
  },
  fasten: { fastener: 'tack', route: 'registered' },
  prime: { system: 'none' },
};
