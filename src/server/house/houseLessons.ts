/* What the house’s own records teach: the middle one of the last few, by cloth. */
import type { HouseLessons } from '@/core/case/jobCase';
import { stiffnessOf } from '@/core/cloth/fabrics';
import { handNoise, handOf } from '@/core/fasten/hand';
import type { HouseRules } from '@/core/house/houseRules';
import { fabricOf } from '@/core/house/materials';
import type { JobInputs } from '@/core/job/job';
import { type LearnedValue, NOTHING_TAUGHT, type Taught } from '@/core/log/logEntry';
import { type CreepLesson, creepLesson } from '@/core/life/creep';
import { groupsBy } from '@/core/groupsBy';
import { allCorners, openCorners } from '@/core/tension/openCorners';
import { latestHandTrials } from '@/db/handTrials';
import { latestReadings } from '@/db/logEntries';
import type { Workshop } from '../workshop';

/** Trials of a hand that are learned from, of each feel, and pulls that were told at work. */
const HAND_TRIALS = 3;
const TOLD_PULLS = 60;

/** Records that are learned from. */
const RECORDS = 7;

function middle(values: number[]): LearnedValue | null {
  const sorted = [...values].sort((one, other) => one - other);
  return sorted.length === 0 ? null : { value: sorted[sorted.length >> 1]!, records: sorted.length };
}

/** How long fastening took against what was reckoned; stiffness and absorption of each cloth, as far as they were measured. */
export function houseLessons({ database }: Pick<Workshop, 'database'>): HouseLessons {
  const rows = latestReadings(database, ['fasteningPace', 'stiffnessOverTable', 'absorbed'], RECORDS);
  const trials = latestHandTrials(database, HAND_TRIALS);
  const ratios = latestReadings(database, ['pullOverAsked'], TOLD_PULLS).map(({ value }) => value);
  const values = (quantity: string, of: string) =>
    middle(rows.filter((row) => row.quantity === quantity && row.of === of).map(({ value }) => value));
  const { pace: _pace, creep: _creep, ...nothing } = NOTHING_TAUGHT;
  const cloths: HouseLessons['cloths'] & Record<string, Omit<Taught, 'pace' | 'creep'>> = {};
  for (const { quantity, of } of rows) {
    if (quantity === 'fasteningPace') continue;
    const [lesson, cloth] = quantity === 'absorbed' ? of.split(' ') : ['stiffness', of];
    cloths[cloth!] = { ...(cloths[cloth!] ?? nothing), [lesson!]: values(quantity, of) };
  }
  return {
    pace: values('fasteningPace', ''),
    cloths,
    creep: creepLessons(database),
    hands: [...new Set(trials.map(({ maker }) => maker))].map((maker) => handOf(trials, maker)!),
    handNoise: handNoise(trials, ratios),
  };
}

/** Pairs of readings that creep is learned from: a canvas gives one in years. */
const CREEP_CASES = 40;

function creepLessons(database: Workshop['database']): HouseLessons['creep'] {
  const lessons: Record<string, CreepLesson> = {};
  for (const [of, rows] of groupsBy(latestReadings(database, ['creepPerDecade'], CREEP_CASES), (row) => row.of)) {
    lessons[of] = creepLesson(rows.map(({ value }) => value / 100))!;
  }
  return lessons;
}

/** Rise of the mean tension that an opening of 1 mm at all corners makes by the table of the cloth, N/m. */
export function tableRisePerMm({ brief, cloth }: Pick<JobInputs, 'brief' | 'cloth'>, rules: HouseRules): number {
  const stiff = stiffnessOf(fabricOf(rules, cloth.fabric));
  const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
  const { riseWidthNPerM, riseHeightNPerM } = openCorners(allCorners(1), face, [stiff, stiff]);
  return (riseWidthNPerM + riseHeightNPerM) / 2;
}
