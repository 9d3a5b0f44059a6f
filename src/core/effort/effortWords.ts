import { assumption } from '../house/assumptions';
import { printed } from '../quantities/printed';
import type { StageEffort } from './effort';

/** Seconds below this, minutes above, for one of many. */
const IN_SECONDS_BELOW = 0.9;

const eachWords = (minutes: number): string =>
  minutes < IN_SECONDS_BELOW ? printed('rateSeconds', minutes * 60) : printed('rateMinutes', minutes);

/**
 * The sum that an estimate is made of: "set up 4 min; lay and centre, each 3 min; pull and fasten, each place 96 × 14 s".
 *
 * @param sharedBy how many canvases share what is set up once
 */
export function effortWords({ setUpMinutes, parts }: StageEffort, sharedBy = 1): string {
  const shared = sharedBy > 1 ? `, shared by ${sharedBy}` : '';
  const setUp = setUpMinutes > 0 ? [`set up ${eachWords(setUpMinutes)}${shared}`] : [];
  const rows = parts.map(({ rate, count, each }) => {
    const { label } = assumption(rate);
    const of = `${label[0]!.toLowerCase()}${label.slice(1)}`;
    return count === 1 ? `${of} ${eachWords(each)}` : `${of} ${printed('rateCount', count)} ${eachWords(each)}`;
  });
  return [...setUp, ...rows].join('; ');
}
