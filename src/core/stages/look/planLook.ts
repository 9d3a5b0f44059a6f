import { effortOf, withMinutes } from '../../effort/effort';
import type { JobInputs } from '../../job/job';
import { byId } from '../../house/schools';
import { listOfWords } from '../../units/inWords';
import type { PlanContext, StagePlan } from '../planContext';
import { type Care, careOf } from './care';
import { CONDITIONS } from './conditions';
import { DECISIONS } from './lookInputs';
import { lookVerdicts } from './lookVerdicts';

export interface LookPlan extends StagePlan {
  care: Care;
}

/** What was seen of a painting and what follows from it. */
export function planLook({ look }: JobInputs, { rules }: PlanContext): LookPlan {
  const care = careOf(look);
  const seen = CONDITIONS.filter(({ id }) => look.conditions.some(({ kind }) => kind === id));
  const found =
    seen.length > 0 ? listOfWords(seen.map(({ words }) => words)) : look.lookedOver ? 'nothing found' : 'not looked at';
  return {
    answer: care.handsMay ? (look.lookedOver ? 'Go on' : 'Look first') : 'Conservator',
    answerNote: `${found}${look.decided === 'nobody' ? '' : `; ${byId(DECISIONS, look.decided).name.toLowerCase()}`}`,
    verdicts: lookVerdicts(look, care),
    readings: [],
    ...withMinutes(effortOf(rules, [], { lookEach: 1 })),
    setsMinutes: null,
    care,
  };
}
