import { assumed, type HouseRules } from '../house/houseRules';
import { isPainted } from '../house/schools';
import { type JobInputs, newInputs } from '../job/job';

/**
 * What a job starts with once its cloth carries an image: the registered route, and no more tension than paint bears. Only what
 * still stands as for a blank canvas is changed; a job without an image is left as it is.
 *
 * @example paintedStart({ ...newInputs('Study', length(400), length(300)) }, DEFAULT_RULES).fasten.route // 'compass'
 */
export function paintedStart(inputs: JobInputs, rules: HouseRules): JobInputs {
  if (!isPainted(inputs.brief.use)) return inputs;
  const { title, width, height } = inputs.brief;
  const blank = newInputs(title, width, height);
  const { bars, fasten } = inputs;
  const most = assumed(rules, 'paintedMost');
  return {
    ...inputs,
    bars: bars.tensionNPerM === blank.bars.tensionNPerM ? { ...bars, tensionNPerM: Math.min(bars.tensionNPerM, most) } : bars,
    fasten: fasten.route === blank.fasten.route ? { ...fasten, route: 'registered' } : fasten,
  };
}
