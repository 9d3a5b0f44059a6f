/*
 * A rehearsal kept in the log. The moves come from the screen, the score is worked out here: what stands in the log is
 * what the simulated cloth says, whoever asks.
 */
import { bare } from '@/core/quantities/printed';
import { condensedMembrane } from '@/core/fasten/membrane/membrane';
import { type RouteRun, type StapleModel, simulateRoute } from '@/core/fasten/membrane/simulateRoute';
import { rehearsalViolation } from '@/core/fasten/rehearsal';
import { rehearsalModel, rehearsalReadings, rehearsalScore } from '@/core/stages/fasten/rehearsalScore';
import { jobRoute } from '@/core/stages/fasten/jobRoute';
import { clothRefusal } from '@/core/stages/fasten/clothRefusal';
import { stapleModel } from '@/core/stages/fasten/stapleModel';
import { updateInputs } from '@/db/jobs';
import { readRules } from '@/db/workshops';
import { type JobWithLog, openJob } from '../job/jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import { seenJob } from '../job/seenJob';
import type { Workshop } from '../workshop';
import { writeDown } from '../job/writeDown';
import { longWrite } from '../write/write';
import { ofJob, note } from '../write/asked';
import { listOf, part, oneOf, whole, numberOf } from '@/core/shape/shape';
import { jobWithLog } from '../job/jobAgain';

function* runOf(model: StapleModel): Generator<unknown, RouteRun> {
  return yield* simulateRoute(yield* condensedMembrane(model.mesh, model.cloth), model);
}

/**
 * The write that keeps a rehearsal. Works in steps, so that others are served meanwhile; what was read before the work is
 * asked again when it is written.
 */
export const keepRehearsal = longWrite({
  asks: {
    ...ofJob,
    note,
    moves: listOf(
      part('move', {
        act: oneOf(['fasten', 'takeOut']),
        place: whole(0, 100_000),
        pull: oneOf(['none', 'gentle', 'snug', 'firm']),
      }),
      2000,
      [],
      { least: 1 },
    ),
    /** How far the cloth lay off its grain, degrees. */
    offGrainDeg: numberOf('offGrain'),
  },
  *workOut(workshop: Workshop, dto): Generator<unknown, Outcome<() => Outcome<JobWithLog>>> {
    const { database, now } = workshop;
    const seen = seenJob(database, dto);
    if (!seen.ok) return seen;
    const { inputs } = seen.value;
    const { rules } = readRules(database);
    const refusal = clothRefusal(jobRoute(inputs, rules));
    if (refusal) return refuse(`${refusal} Nothing was kept.`);
    const model = stapleModel(inputs, rules);
    const wrong = rehearsalViolation(dto.moves, model.places.length);
    if (wrong) return refuse(`${wrong} Nothing was kept: start the rehearsal over.`);
    const { firmN, doubt } = yield* runOf(model);
    if (doubt !== null)
      return refuse(
        'The simulated cloth tells nothing of this job’s route: choose another spacing or one starter, then rehearse.',
      );
    const run = yield* runOf(rehearsalModel(model, dto.moves, firmN, dto.offGrainDeg, rules));
    const score = rehearsalScore(inputs, model, dto.moves, rules);
    const write = database.transaction((): Outcome<JobWithLog> => {
      const still = seenJob(database, dto);
      if (!still.ok) return still;
      writeDown(workshop, dto.jobId, {
        stage: 'fasten',
        kind: 'rehearsal',
        maker: dto.maker,
        did: `Rehearsal: unevenness ${bare('unevenness', run.end.unevenness)}, ${score.fasteners} of ${score.ofPlaces} places`,
        note: dto.note,
        readings: rehearsalReadings(score, run),
      });
      updateInputs(database, dto.jobId, dto.revision, inputs, now().toISOString());
      return done(openJob(workshop, dto.jobId)!);
    });
    return done(() => write.immediate());
  },
  again: jobWithLog,
});
