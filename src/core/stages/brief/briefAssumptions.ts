/* What brief assumes unless the house says otherwise: value, unit, range and reason. */
import { row } from '../../house/assumptionRow';

export const BRIEF_ASSUMPTIONS = [
  row(
    'handsADay',
    'brief',
    'Hours of hands on canvases in a day',
    5,
    'h',
    [1, 12],
    'Tells the latest start: what takes hands is spread over the days, what dries goes on at night.',
  ),
  row('deepFrom', 'brief', 'A deep bar from', 30, 'mm', [15, 60], 'Unframed work is usually stretched on bars of 35 to 40 mm.'),
  row(
    'rebateGap',
    'brief',
    'Gap to the rebate on each side',
    1.5,
    'mm',
    [0, 15],
    'Room for cloth, a shrinking frame and a little keying.',
  ),
  row(
    'lipHides',
    'brief',
    'The lip hides of the face, at least',
    2,
    'mm',
    [0, 30],
    'Less lets light through when the frame shrinks.',
  ),
  row(
    'plateApart',
    'brief',
    'Plates or clips in the frame, furthest apart',
    350,
    'mm',
    [100, 1000],
    'Further apart a large canvas shakes in its frame.',
  ),
  row(
    'slipThick',
    'brief',
    'Thickness of a slip or build-out under the lip',
    3,
    'mm',
    [0.5, 12],
    'It takes as much of the depth.',
  ),
] as const;
