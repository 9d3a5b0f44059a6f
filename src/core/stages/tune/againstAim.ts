/* Where a measured tension lies against the one that is aimed at. */
import { printed } from '../../quantities/printed';
import type { Verdict } from '../../job/verdict';

/** `untold`: it is known too badly to say. */
export type AgainstAim = 'near' | 'above' | 'below' | 'untold';

/** A change is told apart from none by this many standard deviations. */
export const TOLD_APART = 2;
/** Off the aim by no more than this part is near it. */
const NEAR = 0.15;
/** What may lie this part of the aim to either side says nothing of it. */
const BLIND = 0.5;

/**
 * A tension against its aim: near by 15 %, or where its scatter does not tell it from the aim; untold where that scatter is so wide
 * that a slack cloth and a hard one would both be near.
 *
 * @example [againstAim(240, 16, 250), againstAim(180, 16, 250), againstAim(300, 120, 250)] // ['near', 'below', 'untold']
 */
export function againstAim(nPerM: number, sdNPerM: number, aimedNPerM: number): AgainstAim {
  const off = nPerM - aimedNPerM;
  const scatter = TOLD_APART * sdNPerM;
  if (Math.abs(off) > Math.max(scatter, NEAR * aimedNPerM)) return off > 0 ? 'above' : 'below';
  return scatter > BLIND * aimedNPerM ? 'untold' : 'near';
}

/** How a tension is judged by its aim, and what follows; `near` is what is left to do then. */
export function aimJudged(nPerM: number, sdNPerM: number, aimedNPerM: number, near = ''): Pick<Verdict, 'level' | 'doThis'> {
  const stands = againstAim(nPerM, sdNPerM, aimedNPerM);
  const doThis = {
    near,
    above: 'Tighter than aimed at: look at the bow of the bars.',
    below: 'Looser than aimed at: a remedy now is easier than later.',
    untold: `Known to ± ${printed('tension', sdNPerM)} only, which tells neither slack nor hard: measure again, more finely.`,
  }[stands];
  return { level: stands === 'near' ? 'good' : 'watch', doThis };
}
