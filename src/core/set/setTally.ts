/* How far a set is: the stage that holds it up, and how many of its canvases have it behind them. */
import { type StageId, runOf, stageActs } from '../stages/stages';

export interface MemberState {
  done: readonly StageId[];
  coatsDone: number;
  /** The next stage; null when it is handed over. */
  stage: StageId | null;
}

export interface SetTally {
  /** The first stage that some canvas still has before it; null when all are handed over. */
  stage: StageId | null;
  /** Of priming the coat that is next, from 0; null elsewhere. */
  coat: number | null;
  behind: number;
  of: number;
  /** "9 of 12 fastened". */
  words: string;
}

/**
 * @param members at least one
 * @param painted their cloth carries an image: they run by the stages of paintings
 * @example setTally([{ done: ['brief'], coatsDone: 0, stage: 'bars' }, { done: [], coatsDone: 0, stage: 'brief' }]).words // '1 of 2 briefed'
 */
export function setTally(members: readonly MemberState[], painted = false): SetTally {
  const of = members.length;
  const run = runOf(painted);
  const held = run.find((id) => members.some(({ stage }) => stage === id));
  if (!held) return { stage: null, coat: null, behind: of, of, words: `all ${of} handed over` };
  const past = ({ stage }: MemberState) => stage === null || run.indexOf(stage) > run.indexOf(held);
  if (held !== 'prime') {
    const behind = members.filter(past).length;
    return { stage: held, coat: null, behind, of, words: `${behind} of ${of} ${stageActs(held, painted).past}` };
  }
  const coat = Math.min(...members.filter(({ stage }) => stage === 'prime').map(({ coatsDone }) => coatsDone));
  const behind = members.filter((one) => past(one) || (one.stage === 'prime' && one.coatsDone > coat)).length;
  return { stage: 'prime', coat, behind, of, words: `${behind} of ${of} have coat ${coat + 1}` };
}
