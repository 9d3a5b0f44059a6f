/*
 * The workshop defaults every judgement rests on: value, unit, range and reason. House rules override
 * the values; the ids are what verdicts name.
 */
import type { StageId } from './stages';

export interface Assumption {
  id: string;
  stage: StageId;
  label: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  because: string;
}

const row = <const I extends string>(
  id: I,
  stage: StageId,
  label: string,
  value: number,
  unit: string,
  [min, max]: [number, number],
  because: string,
) => ({ id, stage, label, value, unit, min, max, because });

export const ASSUMPTIONS = [
  row(
    'creep',
    'bars',
    'Creep of wood under lasting load',
    1.7,
    '×',
    [1, 2.5],
    'Wood goes on giving: 1.6 to 1.8 times the first bow after months.',
  ),
  row('knots', 'bars', 'Stiffness left with knots and finger joints', 0.8, '×', [0.4, 1], 'Table values are for clear wood.'),
  row('bowLimit', 'bars', 'Most bow allowed', 2, 'mm', [0.5, 6], 'More shows as a waist against a straight frame or wall.'),
  row(
    'bowRatio',
    'bars',
    'Bow allowed as a part of the span',
    400,
    'of span',
    [150, 1000],
    'Short spans are judged more strictly: span / 400.',
  ),
  row('braceFrom', 'bars', 'Rule of thumb: brace from', 950, 'mm', [600, 1500], 'Makers brace from 900 to 1000 mm a side.'),
  row(
    'twoBracesFrom',
    'bars',
    'Rule of thumb: two braces from',
    1500,
    'mm',
    [1000, 2500],
    'Two the same way from about 1500 mm.',
  ),
  row(
    'brushSag',
    'bars',
    'Sag of the cloth under a brush',
    6,
    'mm',
    [3, 12],
    'A brace nearer than this prints through: 5 to 7 mm.',
  ),
  row('glueHours', 'bars', 'Glue sets in', 12, 'h', [1, 48], 'Wood glue in a strainer is left 12 to 24 h; some go on at once.'),
  row(
    'tapePrecision',
    'square',
    'Tape reading, one standard deviation',
    0.5,
    'mm',
    [0.1, 3],
    'A steel tape read in the corner repeats to half a millimetre.',
  ),
  row('squareRebate', 'square', 'Diagonal difference, covered by a rebate', 3, 'mm/m', [0.5, 10], 'A deep rebate hides it.'),
  row('squareUnframed', 'square', 'Diagonal difference, unframed', 2, 'mm/m', [0.5, 10], 'The eye compares with the wall.'),
  row(
    'squareFloat',
    'square',
    'Diagonal difference, float frame',
    1,
    'mm/m',
    [0.2, 5],
    'The gap of a float frame shows every millimetre.',
  ),
  row('squarePanel', 'square', 'Diagonal difference, panel of a set', 0.5, 'mm/m', [0.2, 5], 'Panels meet edge to edge.'),
  row('windFine', 'square', 'Corner lift that is fine', 2, 'mm/m', [0.5, 5], 'Pulls flat on the wall.'),
  row('windShows', 'square', 'Corner lift that shows', 5, 'mm/m', [2, 15], 'A corner stands off the wall.'),
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
  row('edgeShare', 'cloth', 'Edge-fastened: part of the depth covered', 0.7, '× depth', [0.5, 0.95], '60 to 80 % of the depth.'),
  row('secondsFastener', 'fasten', 'Pull and fasten, each place', 14, 's', [4, 60], 'Pull, set, look.'),
  row('secondsTurn', 'fasten', 'Change of side', 10, 's', [2, 90], 'Turn the frame, or walk round it.'),
  row(
    'handLimit',
    'fasten',
    'Squeezes of a hand stapler in a day',
    350,
    'squeezes',
    [50, 1500],
    'Hard on the hand: one or two canvases a day, change hands.',
  ),
  row(
    'sparePercent',
    'fasten',
    'Spare fasteners',
    20,
    '%',
    [0, 100],
    'The first ones are drawn and set again; bent ones happen.',
  ),
  row('keyWatch', 'tune', 'Corner opening that is a lot', 1.5, 'mm', [0.5, 4], 'Beyond this, re-stretching is the better tool.'),
  row('keyEnd', 'tune', 'Corner opening that is the end', 6, 'mm', [2, 10], 'The joint leaves its slot.'),
  row('sizeAbsorb', 'prime', 'Size taken up by raw cloth', 160, 'ml/m²', [60, 400], '120 to 200 ml/m².'),
  row('firstAbsorb', 'prime', 'First ground coat', 200, 'ml/m²', [80, 500], 'Raw cotton takes 150 to 250 ml/m².'),
  row('laterAbsorb', 'prime', 'Later ground coats', 115, 'ml/m²', [50, 300], '90 to 140 ml/m².'),
  row('potLoss', 'prime', 'Left in pot and brush', 10, '%', [0, 50], 'Never comes out of the brush.'),
  row(
    'refTemperature',
    'prime',
    'Label drying time holds at',
    20,
    '°C',
    [10, 30],
    'Makers of grounds state times for 20 to 23 °C.',
  ),
  row('refHumidity', 'prime', 'Label drying time holds at', 50, '% RH', [20, 70], 'Usual reference climate.'),
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

export type AssumptionId = (typeof ASSUMPTIONS)[number]['id'];

/** A row of the table by its id. */
export const assumption = (id: AssumptionId): Assumption => ASSUMPTIONS.find((one) => one.id === id)!;
