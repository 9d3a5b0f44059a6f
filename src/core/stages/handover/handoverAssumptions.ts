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
  row(
    'coreThin',
    'handover',
    'Core for rolling a thin, supple painting, at least',
    100,
    'mm',
    [50, 400],
    'Paint that bends round less than this cracks; wider is kinder.',
  ),
  row(
    'coreThick',
    'handover',
    'Core for any other painting, at least',
    200,
    'mm',
    [100, 800],
    'Thick or stiff paint bends worst; where nobody knows how thick it is, it counts as thick.',
  ),
] as const;
