/* What the house’s own records teach for a job’s cloth: the middle one of the last few. */
import { stiffnessOf } from '@/core/cloth/fabrics';
import type { HouseRules } from '@/core/job/houseRules';
import type { JobInputs } from '@/core/job/job';
import { fabricOf } from '@/core/job/materials';
import type { Learned, LearnedValue, Pace } from '@/core/plan/context';
import { TIME_OVER_PLAN } from '@/core/plan/planFasten';
import { absorbedReading } from '@/core/plan/planPrime';
import { allCorners, openCorners } from '@/core/tension/openCorners';
import { latestReadings } from '@/db/logEntries';
import type { Workshop } from './workshop';

/** Records that are learned from. */
const RECORDS = 7;

/** Name of the reading that the stiffness of a cloth is learned from, parts of its table. */
export const stiffnessReading = (fabric: string): string => `stiffness over table, ${fabric}`;

type Stored = Pick<Workshop, 'database'>;

function middle({ database }: Stored, quantity: string): LearnedValue | undefined {
  const values = latestReadings(database, quantity, RECORDS).sort((one, other) => one - other);
  return values.length === 0 ? undefined : { value: values[values.length >> 1]!, records: values.length };
}

/** How long fastening took against what was reckoned, or nothing yet. */
export function fasteningPace(workshop: Stored): Pace | undefined {
  const found = middle(workshop, TIME_OVER_PLAN);
  return found && { factor: found.value, records: found.records };
}

/** Stiffness and absorption of the cloth of a job, as far as they were measured. */
export function learnedFor(workshop: Stored, { cloth }: Pick<JobInputs, 'cloth'>): Learned {
  const absorbed = (['sizeAbsorb', 'firstAbsorb', 'laterAbsorb'] as const).flatMap((id) => {
    const found = middle(workshop, absorbedReading(id, cloth.fabric));
    return found ? [[id, found] as const] : [];
  });
  return { stiffness: middle(workshop, stiffnessReading(cloth.fabric)), absorption: Object.fromEntries(absorbed) };
}

/** Rise of the mean tension that an opening of 1 mm at all corners makes by the table of the cloth, N/m. */
export function tableRisePerMm({ brief, cloth }: Pick<JobInputs, 'brief' | 'cloth'>, rules: HouseRules): number {
  const stiff = stiffnessOf(fabricOf(rules, cloth.fabric));
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const { riseWidthNPerM, riseHeightNPerM } = openCorners(allCorners(1), face, [stiff, stiff]);
  return (riseWidthNPerM + riseHeightNPerM) / 2;
}
