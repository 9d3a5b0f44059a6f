/*
 * The past of one demo canvas: tapped when it was new, found slack in damp weeks, its corners opened, tapped again. The
 * taps are simulated; they go the way of every reading, through the writes.
 */
import type { Database } from 'better-sqlite3';
import { randomLcg } from 'd3-random';
import { allCorners } from '@/core/tension/openCorners';
import type { TapPlace } from '@/core/tension/tap/membraneTone';
import { ordinaryTap } from '@/core/tension/tap/ordinaryTap';
import { writeWav } from '@/core/tension/tap/wav';
import { toEnd } from '@/core/toEnd';
import { caseOfJob, openJob } from '../job/jobReading';
import { type Outcome, andWrite } from '../write/outcome';
import { keepRemedy, keepTaps, keepTurns } from '../reading/readingWrites';
import type { Workshop } from '../workshop';

const RATE = 8000;
const DAY_MS = 86_400_000;

/** Something that is done at a moment of the past. */
export interface DemoAct {
  at: Date;
  act: () => void;
}

/** Readings of a finished job over the last three weeks. */
export function tapActs(database: Database, jobId: string, maker: string, now: Date): DemoAct[] {
  const random = randomLcg(0.4142);
  let [clock, serial] = [now, 0];
  const workshop: Workshop = { database, now: () => clock, newId: () => `${jobId}-tap-${(serial += 1)}` };
  const asked = (note: string) => ({ jobId, revision: openJob(workshop, jobId)!.job.revision, maker, note });
  const act = (daysAgo: number, make: () => Outcome<unknown>): DemoAct => {
    const at = new Date(now.getTime() - daysAgo * DAY_MS);
    return {
      at,
      act: () => {
        clock = at;
        const outcome = make();
        if (!outcome.ok) throw new Error(`demo reading was refused: ${JSON.stringify(outcome)}`);
      },
    };
  };
  const tap = (nPerM: number, rh: number, note: string) => () => {
    const wavs = wavsOf(workshop, jobId, nPerM, random);
    return andWrite(toEnd(keepTaps.workOut(workshop, { ...asked(note), air: { celsius: null, rh }, source: 'simulated', wavs })));
  };
  return [
    act(21, tap(232, 52, 'The day it was collected.')),
    act(9, tap(188, 68, 'Brought back after the wet weeks.')),
    act(8.9, () => keepTurns.act(workshop, { ...asked('Card behind every key.'), opened: allCorners(0.6) })),
    act(8.9, () => keepRemedy.act(workshop, { ...asked(''), remedy: 'keys' })),
    act(8.8, tap(236, 54, '')),
  ];
}

function wavsOf(workshop: Workshop, jobId: string, nPerM: number, random: () => number): Record<TapPlace, string> {
  const { span, mass } = caseOfJob(workshop, openJob(workshop, jobId)!).plan.tune;
  const cloth = { span, sigma: mass.kgPerM2, pull: { tx: nPerM * 1.04, ty: nPerM * 0.96 } };
  const wav = (place: TapPlace) =>
    Buffer.from(writeWav({ samples: ordinaryTap(place, cloth, random, RATE), rate: RATE })).toString('base64');
  return { C: wav('C'), X: wav('X'), Y: wav('Y') };
}
