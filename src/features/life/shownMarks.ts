import { type Life, type LifeMark, MADE_ELSEWHERE } from '@/core/life/life';

/** The marks of a life that are drawn and numbered, oldest first: what was brushed on in its first weeks stands in the lines alone. */
export const shownMarks = ({ marks }: Pick<Life, 'marks'>): LifeMark[] =>
  marks.filter(({ kind, says }) => kind !== 'made' || says === 'stretched' || says === MADE_ELSEWHERE);
