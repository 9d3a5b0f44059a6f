/* What prime assumes unless the house says otherwise: value, unit, range and reason. */
import { row } from '../../house/assumptionRow';

export const PRIME_ASSUMPTIONS = [
  row('sizeAbsorb', 'prime', 'Size taken up by raw cloth', 160, 'ml/m²', [60, 400], '120 to 200 ml/m².'),
  row('firstAbsorb', 'prime', 'First ground coat', 200, 'ml/m²', [80, 500], 'Raw cotton takes 150 to 250 ml/m².'),
  row('laterAbsorb', 'prime', 'Later ground coats', 115, 'ml/m²', [50, 300], '90 to 140 ml/m².'),
  row('pourPrecision', 'prime', 'Pour is right within', 2, '%', [0.5, 10], 'What the brush does not notice.'),
  row('workFrom', 'prime', 'Hands are there from', 8, 'h', [0, 12], 'What dries in the night waits for the morning.'),
  row('workUntil', 'prime', 'Hands are there until', 18, 'h', [12, 24], 'After it the next coat is put on in the morning.'),
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
  row('dryFloor', 'prime', 'Least part of the label time', 0.25, '× label', [0.05, 1], 'In dry air too a film must still form.'),
  row('wetTakes', 'prime', 'Water to wet raw cloth', 250, 'ml/m²', [50, 800], 'Damp through, not dripping.'),
  row('wetDries', 'prime', 'Wetted cloth dries in', 3, 'h', [0.5, 24], 'At the reference climate, air on both sides.'),
  row(
    'wetRise',
    'prime',
    'Tension added once wetted cloth is dry',
    30,
    'N/m',
    [-50, 150],
    'Raw cloth shrinks a little the first time; a guess.',
  ),
] as const;
