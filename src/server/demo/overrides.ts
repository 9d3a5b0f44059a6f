import type { JobInputs } from '@/core/job/job';

/** What a job of the demo types over a fresh one, stage by stage. */
export type Overrides = { [K in keyof Omit<JobInputs, 'kit'>]?: Partial<JobInputs[K]> };
