/* What handover assumes unless the house says otherwise: value, unit, range and reason. */
import { row } from '../../house/assumptionRow';

export const HANDOVER_ASSUMPTIONS = [
  row(
    'twoPeopleKg',
    'handover',
    'Two people from a weight of',
    15,
    'kg',
    [5, 40],
    'Usual caution for lifting; local rules come first.',
  ),
  row('twoPeopleMm', 'handover', 'Two people from a length of', 1500, 'mm', [800, 3000], 'Too wide for one pair of arms.'),
] as const;
