/* What cloth assumes unless the house says otherwise: value, unit, range and reason. */
import { row } from '../../house/assumptionRow';

export const CLOTH_ASSUMPTIONS = [
  row('handGrip', 'cloth', 'Cloth a hand needs beyond the fold', 25, 'mm', [15, 60], 'Fingers slip on less.'),
  row('pliersGrip', 'cloth', 'Cloth pliers need beyond the fold', 20, 'mm', [10, 50], 'Depth of the jaw.'),
  row('rawEdge', 'cloth', 'Fastener to raw edge, at least', 10, 'mm', [5, 25], 'Nearer than 8 to 10 mm it tears through.'),
  row('hem', 'cloth', 'Hem turned under', 12, 'mm', [8, 25], '10 to 15 mm folds flat and holds.'),
  row('shortReturn', 'cloth', 'Short return', 25, 'mm', [15, 50], 'Enough for a fastener and its distance to the raw edge.'),
  row('coveredExtra', 'cloth', 'Beyond the bar, covered', 12, 'mm', [5, 40], 'Covers the wood and leaves a little to hold.'),
  row(
    'reserveTotal',
    'cloth',
    'Reserve margin in all',
    100,
    'mm',
    [80, 150],
    '90 to 110 mm lets it be shipped rolled and stretched again.',
  ),
  row(
    'parallelLimit',
    'cloth',
    'Painted edge against the bar, over its length',
    1.5,
    'mm',
    [0.5, 10],
    'More is seen beside the straight edge of a frame.',
  ),
  row('cornerBulk', 'cloth', 'Bulk of a corner on the back', 4, 'mm', [1, 15], 'A fatter corner holds the canvas off the wall.'),
  row('tearLoss', 'cloth', 'Cloth lost to a tear', 5, 'mm', [0, 30], 'Threads that come loose along a torn edge.'),
  row('cutLoss', 'cloth', 'Cloth lost to a cut', 2, 'mm', [0, 20], 'A blade along the rule, and a hand that is not one.'),
  row('leastOffcut', 'cloth', 'Offcut worth keeping, both ways', 200, 'mm', [50, 1000], 'Smaller ones are rags and samples.'),
  row('edgeShare', 'cloth', 'Edge-fastened: part of the depth covered', 0.7, '× depth', [0.5, 0.95], '60 to 80 % of the depth.'),
] as const;
