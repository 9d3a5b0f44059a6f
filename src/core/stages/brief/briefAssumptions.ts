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
] as const;
