import { describe, expect, it } from 'vitest';
import { UNPLACED } from '@/core/life/straightened';
import { openJob } from '../job/jobReading';
import { workedWorkshop } from '../testWorked';
import { value, wordsOf } from '../testWorkshop';
import { keepCorners } from './cornerWrites';
import { lifeOfJob } from './lifeWrites';

describe('corners of a photograph', () => {
  it('are kept with it, the last ones counting, and only where they are corners of a photograph of this job', () => {
    const { workshop, ids } = workedWorkshop();
    const entryId = openJob(workshop, ids.tuned)!.log[0]!.id;
    const keep = (corners = UNPLACED, jobId = ids.tuned, entry = entryId) =>
      keepCorners.act(workshop, { jobId, entryId: entry, corners });
    expect(lifeOfJob(workshop, ids.tuned)).toMatchObject({ photographs: [entryId], corners: {} });
    value(keep());
    const moved = { ...UNPLACED, topLeft: { x: 0.2, y: 0.05 } };
    value(keep(moved));
    expect(lifeOfJob(workshop, ids.tuned)!.corners).toEqual({ [entryId]: moved });
    expect(wordsOf(keep({ ...UNPLACED, topLeft: UNPLACED.bottomRight }))).toMatch(/cross each other/);
    expect(wordsOf(keep(UNPLACED, ids.fastened))).toMatch(/no such photograph in this job/);
    expect(wordsOf(keep(UNPLACED, ids.tuned, openJob(workshop, ids.tuned)!.log[1]!.id))).toMatch(/no such photograph/);
    expect(lifeOfJob(workshop, ids.tuned)!.corners).toEqual({ [entryId]: moved });
  });
});
