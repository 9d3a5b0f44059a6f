import type { Life, LifeMark } from '@/core/life/life';

/** The marks of a life that are drawn and numbered, oldest first: what was brushed on in its first weeks stands in the lines alone. */
export const shownMarks = ({ marks }: Pick<Life, 'marks'>): LifeMark[] =>
  marks.filter(({ kind, begins }) => kind !== 'made' || begins);
