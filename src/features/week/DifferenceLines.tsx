import { printed } from '@/core/quantities/printed';
import { STANDING_WORDS, runsWords } from '@/core/week/dateVerdicts';
import type { DateFall, PlanDifference } from '@/core/week/planDifference';
import type { WeekJob } from '@/core/week/weekShop';

/** Lines that are read before one takes or leaves it. */
const MOST = 2;

const times = (count: number, one: string, many: string): string => `${Math.abs(count)} ${Math.abs(count) === 1 ? one : many}`;

/** What differs between two plans, in words. */
export function DifferenceLines({
  difference,
  falls = [],
  jobs,
}: {
  difference: PlanDifference;
  /** Dates that are kept more seldom: told first, and all of them. */
  falls?: readonly DateFall[];
  jobs: readonly WeekJob[];
}) {
  const { dates, ends, setUps, moved, finishSteps } = difference;
  const number = new Map(jobs.map(({ id, number: of }) => [id, of]));
  const fell = new Set(falls.map(({ jobId }) => jobId));
  const lines = [
    ...dates
      .filter(({ jobId }) => !fell.has(jobId))
      .map(({ jobId, from, to, chanceFrom, chanceTo }) => ({
        key: jobId,
        bad: chanceTo < chanceFrom,
        says: `No. ${number.get(jobId) ?? ''}: ${STANDING_WORDS[from]} (${runsWords(chanceFrom)}) becomes ${STANDING_WORDS[to]} (${runsWords(chanceTo)})`,
      })),
    ...ends
      .filter(({ jobId }) => !dates.some((one) => one.jobId === jobId))
      .map(({ jobId, days }) => ({
        key: jobId,
        bad: false,
        says: `No. ${number.get(jobId) ?? ''} ends ${times(days, 'day', 'days')} ${days < 0 ? 'sooner' : 'later'}`,
      })),
  ];
  return (
    <ul>
      {falls.map(({ jobId, chanceFrom, chanceTo }) => (
        <li key={jobId} className="text-error">
          No. {number.get(jobId) ?? ''}: kept in {runsWords(chanceFrom)}, then in {runsWords(chanceTo)}
        </li>
      ))}
      {lines.slice(0, MOST).map(({ key, bad, says }) => (
        <li key={key} className={bad ? 'text-error' : ''}>
          {says}
        </li>
      ))}
      {lines.length > MOST && <li className="soft">and {lines.length - MOST} more</li>}
      <li className="soft">
        {[
          setUps === 0 ? null : `${times(setUps, 'set-up', 'set-ups')} ${setUps < 0 ? 'fewer' : 'more'}`,
          Math.abs(finishSteps) < 1
            ? null
            : `ends ${printed('clockTime', Math.abs(finishSteps) * 15)} ${finishSteps < 0 ? 'sooner' : 'later'} on average`,
          moved === 0 ? 'no work moves' : `${times(moved, 'piece of work moves', 'pieces of work move')}`,
        ]
          .filter(Boolean)
          .join(', ')}
        {lines.length === 0 && dates.length === 0 ? '; every date stands as before' : ''}
      </li>
    </ul>
  );
}
