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
] as const;
