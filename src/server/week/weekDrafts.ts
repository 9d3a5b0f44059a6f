/* Canvases that are not taken, or made otherwise than they are: what they would take of the days. */
import { worksTogether } from '@/db/jobSets';
import { rangeRefusal } from '@/core/quantities/printed';
import { isTyped } from '@/core/quantities/quantities';
import { caseOf } from '@/core/case/jobCase';
import { jobWork } from '@/core/case/jobWork';
import { SYSTEMS } from '@/core/prime/grounds';
import { primingOf } from '@/core/prime/primingOf';
import type { WeekJob } from '@/core/week/weekShop';
import type { WhatIf } from '@/core/week/whatIf';
import { length } from '@/core/units/length';
import { readRules } from '@/db/workshops';
import { firstInputs } from '../job/jobWrites';
import { caseOfJob, houseOf, openJob } from '../job/jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';

/** A canvas of a size as the house would begin it, as work to be planned with. */
export function draftWork(workshop: Workshop, widthMm: number, heightMm: number): Outcome<WeekJob> {
  const wrong = [widthMm, heightMm].find((side) => !isTyped('faceLength', side));
  if (wrong !== undefined) return refuse(`A side of ${rangeRefusal('faceLength', wrong)}`);
  const inputs = firstInputs('Not taken yet', length(widthMm), length(heightMm), readRules(workshop.database).rules);
  const work = jobWork(caseOf({ inputs }, [], houseOf(workshop), workshop.now().getTime()));
  return done({ id: 'draft', number: 0, title: 'Not taken yet', dueOn: null, work });
}

/** The same canvas with every other ground that may still be chosen, as changes to be tried. */
export function otherGrounds(workshop: Workshop, jobId: string): Outcome<Extract<WhatIf, { kind: 'instead' }>[]> {
  const found = openJob(workshop, jobId);
  if (!found) return refuse('There is no such job.');
  const now = caseOfJob(workshop, found);
  if (now.progress.painted || now.progress.coatsDone > 0 || now.next.stage === null) return done([]);
  const is = primingOf(now.inputs);
  return done(
    SYSTEMS.filter(
      ({ id, coats, takesWaterborne }) => id !== is.id && coats.length > 0 && (takesWaterborne || !is.takesWaterborne),
    ).map((system) => {
      const inputs = { ...found.job.inputs, prime: { ...found.job.inputs.prime, system: system.id, waterParts: null } };
      const work = jobWork(
        caseOf({ inputs }, found.log, now.house, workshop.now().getTime()),
        worksTogether(workshop.database, jobId),
      );
      return { kind: 'instead', jobId, label: `${system.name} in place of ${is.name.toLowerCase()}`, work };
    }),
  );
}
