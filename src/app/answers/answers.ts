import { brokenJob } from '@/server/job/jobReading';
import { workshopOf } from '@/server/job/practice';
import * as file from './fileAnswers';
import * as job from './jobAnswers';
import * as mark from './markAnswers';
import * as week from './weekAnswers';

/** Everything that is answered with a file, figures or a stream instead of a page, by name. */
export const ANSWERS = { ...file, ...job, ...mark, ...week };

/** What is answered where an answer broke off: that the job cannot be read, or that the terminal says more. */
export function failureAnswer(name: string, error: unknown, jobId: string | undefined): Response {
  const broken = jobId === undefined ? null : brokenJob(workshopOf(jobId), jobId);
  if (broken) return new Response(`No. ${broken.number} cannot be read. ${broken.because}`, { status: 409 });
  console.error(`${name} failed:`, error);
  return new Response('This could not be answered; nothing was changed. The terminal where the app runs says more.', {
    status: 500,
  });
}
