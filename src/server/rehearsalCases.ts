/*
 * A rehearsal kept in the log. The moves come from the screen, the score is worked out here: what stands in the log is
 * what the simulated cloth says, whoever asks.
 */
import { condensedMembrane } from '@/core/fasten/membrane/membrane';
import { type RouteRun, type StapleModel, simulateRoute } from '@/core/fasten/membrane/simulateRoute';
import { rehearsalViolation } from '@/core/fasten/rehearsal';
import { rehearsalModel, rehearsalReadings, rehearsalScore } from '@/core/stages/fasten/rehearsalScore';
import { stapleModel } from '@/core/stages/fasten/stapleModel';
import { toEnd } from '@/core/toEnd';
import { findJob } from '@/db/jobs';
import { insertLogEntry } from '@/db/logEntries';
import { readRules } from '@/db/workshops';
import { type JobWithLog, openJob } from './jobReading';
import { type Outcome, done, refuse } from './outcome';
import type { Request } from './requests';
import type { Workshop } from './workshop';

const runOf = (model: StapleModel): RouteRun => toEnd(simulateRoute(toEnd(condensedMembrane(model.mesh, model.cloth)), model));

export function keepRehearsal(workshop: Workshop, dto: Request<'keepRehearsal'>): Outcome<JobWithLog> {
  const { database, now, newId } = workshop;
  const job = findJob(database, dto.jobId);
  if (!job) return refuse('This job is not in the workshop any more: go back to the bench.');
  if (job.revision !== dto.revision) return { ok: false, kind: 'stale', theirs: job };
  const { rules } = readRules(database);
  const model = stapleModel(job.inputs, rules);
  const wrong = rehearsalViolation(dto.moves, model.places.length);
  if (wrong) return refuse(`${wrong} Nothing was kept: start the rehearsal over.`);
  const { firmN, doubt } = runOf(model);
  if (doubt !== null)
    return refuse('The simulated cloth tells nothing of this job’s route: choose another spacing or one starter, then rehearse.');
  const run = runOf(rehearsalModel(model, dto.moves, firmN, dto.offGrainDeg, rules));
  const score = rehearsalScore(job.inputs, model, dto.moves, rules);
  insertLogEntry(database, job.id, {
    id: newId(),
    stage: 'fasten',
    step: null,
    kind: 'rehearsal',
    of: '',
    at: now().toISOString(),
    maker: dto.maker,
    did: `Rehearsal: unevenness ${run.end.unevenness.toFixed(2)}, ${score.fasteners} of ${score.ofPlaces} places`,
    note: dto.note.trim(),
    reason: '',
    corrects: null,
    readyAt: null,
    readings: rehearsalReadings(score, run),
    plan: null,
  });
  return done(openJob(workshop, job.id)!);
}
