/* Where the corners of the image lie on a photograph in the log of a job. */
import { idText } from '@/core/job/job';
import { areCorners, photographCornersShape } from '@/core/life/straightened';
import { part } from '@/core/shape/shape';
import { findPhotograph, saveCorners } from '@/db/photographs';
import { type Outcome, done, refuse } from '../write/outcome';
import { write } from '../write/write';
import type { Workshop } from '../workshop';

export const keepCorners = write({
  asks: { jobId: idText, entryId: idText, corners: part('photographCorners', photographCornersShape) },
  act({ database }: Workshop, { jobId, entryId, corners }): Outcome<true> {
    if (!areCorners(corners)) return refuse('The corners cross each other: put each of them on its own corner of the image.');
    return database
      .transaction((): Outcome<true> => {
        if (!findPhotograph(database, jobId, entryId)) return refuse('There is no such photograph in this job.');
        saveCorners(database, entryId, corners);
        return done(true as const);
      })
      .immediate();
  },
  again: () => done(true as const),
});
