/** The id of the canvas to practise on; what is made from it begins with the same. */
export const PRACTICE = 'practice';

/**
 * Whether a job is one to practise on.
 *
 * @example isPractice('practice') // true
 * @example isPractice('practical-joke') // false
 */
export const isPractice = (jobId: string): boolean => jobId === PRACTICE || jobId.startsWith(`${PRACTICE}-`);
