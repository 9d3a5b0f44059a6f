/* For tests: canvases still to be made, and a house of two that is open from Monday to Friday. */
import type { JobStep, JobWork } from '../case/jobWork';
import type { WeekFacts, WeekJob } from './weekShop';
import { USUAL_WEEK } from './weekSettings';

export const step = (key: string, minutes: number, more: Partial<JobStep> = {}): JobStep => ({
  key,
  stage: key.startsWith('prime') ? 'prime' : (key as JobStep['stage']),
  coat: key.startsWith('prime') ? Number(key.slice(6)) : null,
  name: key,
  minutes,
  after: [],
  afterDry: [],
  squeezes: 0,
  setUp: null,
  wait: null,
  ...more,
});

/** A frame that is glued, fastened and gets two coats. */
export const canvasWork = (longMm = 600, squeezes = 100, coatMinutes: readonly [number, number] = [60, 180]): JobWork => {
  const wait = { what: 'coat' as const, minutes: coatMinutes, damp: false };
  const pot = { what: 'pot' as const, family: 'pot acrylic' };
  return {
    longMm,
    shortMm: 400,
    steps: [
      step('bars', 40, { wait: { what: 'glue', minutes: [720, 720], damp: false } }),
      step('fasten', 30, { after: ['bars'], afterDry: ['bars'], squeezes }),
      step('prime:0', 20, { after: ['fasten'], setUp: pot, wait }),
      step('prime:1', 20, { after: ['prime:0'], afterDry: ['prime:0'], setUp: pot, wait }),
      step('handover', 15, { after: ['prime:1'], afterDry: ['prime:1'] }),
    ],
    runs: null,
  };
};

export const weekJob = (number: number, dueOn: string | null, work = canvasWork()): WeekJob => ({
  id: `j${number}`,
  number,
  title: `Canvas ${number}`,
  dueOn,
  work,
});

/** Monday, a quarter to nine. */
export const MONDAY = new Date(2031, 4, 5, 8, 45).getTime();

export const weekFactsOf = (jobs: WeekJob[], change: Partial<WeekFacts> = {}): WeekFacts => ({
  settings: USUAL_WEEK,
  makers: ['Ida', 'Jon'],
  handLimit: 350,
  jobs,
  pins: [],
  begun: [],
  nowMs: MONDAY,
  ...change,
});
