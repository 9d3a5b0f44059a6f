/*
 * Three canvases of the demo that went out ten years ago: where they hung, who had them, what was seen and done since. The readings
 * go the way of every reading, through the writes, with the clock set to each day.
 */
import { set } from 'date-fns';
import type { Database } from 'better-sqlite3';
import type { HangingPlace } from '@/core/life/climates';
import type { LifeEventId } from '@/core/life/lifeEvents';
import { allCorners } from '@/core/tension/openCorners';
import { freeSpan } from '@/core/tension/freeSpan';
import type { FeelId } from '@/core/tension/feel';
import { sagUnder } from '@/core/tension/weightTest';
import { profileOf } from '@/core/house/materials';
import { length } from '@/core/units/length';
import { readRules } from '@/db/workshops';
import { saveInputs } from '../job/jobWrites';
import { openJob } from '../job/jobReading';
import { keepCare, keepHanging } from '../life/lifeWrites';
import type { Outcome } from '../write/outcome';
import { keepRemedy, keepTurns, keepWeight } from '../reading/readingWrites';
import type { Workshop } from '../workshop';
import type { DemoAct } from './demoTaps';

/** Years ago, and what was done then. */
type LifeStep = [yearsAgo: number, step: Step];
type Step =
  | { weigh: number; rh: number; note?: string }
  | { feel: FeelId; rh: number; note?: string; event?: LifeEventId }
  | { event: LifeEventId; note?: string }
  | { hang: HangingPlace }
  | { open: number; note?: string };

export interface DemoLife {
  number: number;
  title: string;
  size: [widthMm: number, heightMm: number];
  profile: string;
  fabric: string;
  maker: string;
  /** When it was handed over, years ago. */
  wentOut: number;
  steps: LifeStep[];
}

const place = (
  where: string,
  owner: string,
  climate: HangingPlace['climate'],
  leastRh: number,
  mostRh: number,
): HangingPlace => ({ place: where, owner, climate, leastRh, mostRh });

export const DEMO_LIVES: readonly DemoLife[] = [
  {
    number: 41,
    title: 'Lamp room, both lights',
    size: [820, 610],
    profile: 'standard',
    fabric: 'cottonMedium',
    maker: 'Wenna',
    wentOut: 10.1,
    steps: [
      [10.094, { weigh: 246, rh: 52 }],
      [10.09, { hang: place('Harbour office, stair', 'The harbour board', 'lived', 40, 60) }],
      [9.1, { weigh: 205, rh: 50 }],
      [7.2, { feel: 'firm', rh: 47, note: 'Frame dusted; hangs flat.' }],
      [5.0, { weigh: 196, rh: 51, note: 'Same as ever.' }],
      [2.6, { feel: 'firm', rh: 55 }],
      [1.2, { weigh: 189, rh: 49 }],
    ],
  },
  {
    number: 57,
    title: 'Night ferry, departing',
    size: [1080, 720],
    profile: 'broad',
    fabric: 'linenMedium',
    maker: 'Tove',
    wentOut: 9.6,
    steps: [
      [9.594, { weigh: 258, rh: 50 }],
      [9.59, { hang: place('Ferry inn, cellar bar', 'The innkeeper', 'damp', 65, 88) }],
      [9.1, { feel: 'slack', rh: 84, event: 'slack', note: 'Waves at the lower edge all winter.' }],
      [8.8, { weigh: 96, rh: 74 }],
      [8.79, { open: 0.5, note: 'Card behind every key.' }],
      [8.78, { weigh: 212, rh: 73 }],
      [6.9, { feel: 'soft', rh: 80 }],
      [6.2, { event: 'knocked', note: 'A chair through the back; no mark on the face.' }],
      [6.1, { hang: place('Ferry inn, dining room', 'The innkeeper', 'lived', 40, 62) }],
      [6.0, { weigh: 204, rh: 52 }],
      [4.1, { weigh: 176, rh: 54 }],
      [3.2, { feel: 'firm', rh: 49 }],
    ],
  },
  {
    number: 73,
    title: 'Plaster dome, noon',
    size: [1350, 950],
    profile: 'deep',
    fabric: 'cottonMedium',
    maker: 'Ansel',
    wentOut: 9.9,
    steps: [
      [9.894, { weigh: 252, rh: 54 }],
      [9.89, { hang: place('Observatory, lecture hall', 'The observatory', 'dryHeated', 25, 50) }],
      [8.6, { weigh: 226, rh: 38, note: 'Heating season: tight as a drum.' }],
      [7.0, { weigh: 208, rh: 45 }],
      [5.5, { event: 'newFrame', note: 'Into the oak frame of the old meridian.' }],
      [4.0, { feel: 'firm', rh: 41 }],
      [1.51, { event: 'ripples', note: 'Ripples from the lower left corner.' }],
      [1.5, { weigh: 118, rh: 42 }],
    ],
  },
];

const YEAR_MS = 365.25 * 86_400_000;
const LIGHT_G = 100;

/** What became of a canvas, as acts with their moments. */
export function lifeActs(database: Database, id: string, { maker, steps }: DemoLife, now: Date): DemoAct[] {
  let [clock, serial] = [now, 0];
  const workshop: Workshop = { database, now: () => clock, newId: () => `${id}-life-${(serial += 1)}` };
  const asked = (note = '') => ({ jobId: id, revision: openJob(workshop, id)!.job.revision, maker, note });
  const must = (outcome: Outcome<unknown>) => {
    if (!outcome.ok) throw new Error(`the life of ${id} was refused: ${JSON.stringify(outcome)}`);
  };
  const carryOut = (step: Step) => {
    if ('hang' in step) return must(keepHanging.act(workshop, { ...asked(), hangs: step.hang }));
    if ('open' in step) {
      must(keepTurns.act(workshop, { ...asked(step.note), opened: allCorners(step.open) }));
      return must(keepRemedy.act(workshop, { ...asked(), remedy: 'keys' }));
    }
    if ('weigh' in step) {
      setSag(workshop, id, step.weigh);
      return must(keepWeight.act(workshop, { ...asked(step.note), air: { celsius: null, rh: step.rh } }));
    }
    const [feel, rh] = 'feel' in step ? [step.feel, step.rh] : [null, null];
    const read = { down: null, up: null, bulge: null, air: rh === null ? null : { celsius: null, rh }, jpeg: null };
    return must(keepCare.act(workshop, { ...asked(step.note), ...read, feel, event: step.event ?? null }));
  };
  return steps.map(([yearsAgo, step], index) => {
    const at = set(new Date(now.getTime() - yearsAgo * YEAR_MS), { hours: 9 + (index % 8), minutes: 20, seconds: 0 });
    return {
      at,
      act: () => {
        clock = at;
        carryOut(step);
      },
    };
  });
}

/** What a weight would sag on a cloth of this tension, read to a tenth. */
function setSag(workshop: Workshop, id: string, nPerM: number): void {
  const { job } = openJob(workshop, id)!;
  const { brief, bars, tune } = job.inputs;
  const span = freeSpan(
    { widthMm: brief.width.mm, heightMm: brief.height.mm },
    profileOf(readRules(workshop.database).rules, bars.profile),
  );
  const sag = sagUnder(span, { weightG: LIGHT_G, discMm: tune.weight.disc.mm }, nPerM);
  const weight = { ...tune.weight, lightG: LIGHT_G, lightSag: length(Math.round(sag * 10) / 10), heavySag: null };
  const inputs = { ...job.inputs, tune: { ...tune, weight } };
  const saved = saveInputs.act(workshop, { jobId: id, revision: job.revision, inputs });
  if (!saved.ok) throw new Error(`the sag of ${id} was refused: ${JSON.stringify(saved)}`);
}
