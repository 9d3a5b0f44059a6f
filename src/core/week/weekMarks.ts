/* A plan of the days as it is drawn: hands in lanes of makers, drying in rows of its places, and the thread of every canvas. */
import type { WeekJob, WeekShop } from './weekShop';
import type { WeekPlan } from './weekPlan';
import type { StageId } from '../stages/stages';

export interface HandsMark {
  task: string;
  jobId: string;
  number: number;
  stage: StageId;
  coat: number | null;
  part: { number: number; of: number } | null;
  start: number;
  end: number;
  maker: number;
  pinned: boolean;
}

export interface DryingMark {
  task: string;
  jobId: string;
  number: number;
  what: string;
  start: number;
  end: number;
  /** Kind of place; one past the last where it found none, or needs none. */
  place: number;
  /** Row within its kind of place. */
  row: number;
}

export interface PotMark {
  maker: number;
  from: number;
  to: number;
  /** Where the first of its tasks begins, and the last ends. */
  work: readonly [number, number];
  tasks: readonly string[];
}

export interface WeekMarks {
  hands: HandsMark[];
  drying: DryingMark[];
  pots: PotMark[];
  /** Rows of each kind of place, and of what lies elsewhere. */
  rows: number[];
  /** Marks of each canvas, one after the other. */
  threads: Map<string, (HandsMark | DryingMark)[]>;
}

export function weekMarks({ shop, tasks }: WeekShop, jobs: readonly Pick<WeekJob, 'id' | 'number'>[], plan: WeekPlan): WeekMarks {
  const number = new Map(jobs.map((job) => [job.id, job.number]));
  const hands: HandsMark[] = [];
  const drying: DryingMark[] = [];
  for (const { id, duration, pin, release } of shop.tasks) {
    const at = plan.at.get(id);
    const of = tasks.get(id);
    if (!at || !of) continue;
    const base = { task: id, jobId: of.jobId, number: number.get(of.jobId) ?? 0, start: at.start, end: at.start + duration };
    if (of.is === 'hands')
      hands.push({
        ...base,
        stage: of.step!.stage,
        coat: of.step!.coat,
        part: of.part,
        maker: at.maker ?? 0,
        pinned: pin !== undefined && release === undefined,
      });
    else drying.push({ ...base, what: of.step?.wait?.what ?? 'drying', place: at.place ?? shop.places.length, row: 0 });
  }
  const rows = shop.places.map(() => 0).concat(0);
  drying.sort((a, b) => a.start - b.start || a.number - b.number);
  for (let place = 0; place < rows.length; place += 1) {
    const free: number[] = [];
    for (const mark of drying.filter((one) => one.place === place)) {
      const row = free.findIndex((until) => until <= mark.start);
      mark.row = row < 0 ? free.length : row;
      free[mark.row] = mark.end;
    }
    rows[place] = free.length;
  }
  const threads = new Map<string, (HandsMark | DryingMark)[]>();
  for (const mark of [...hands, ...drying].sort((a, b) => a.start - b.start || a.end - b.end))
    threads.set(mark.jobId, [...(threads.get(mark.jobId) ?? []), mark]);
  const at = (id: string) => plan.at.get(id)!.start;
  const lasts = new Map(shop.tasks.map(({ id, duration }) => [id, duration]));
  return {
    hands,
    drying,
    pots: plan.pots
      .filter(({ tasks: of }) => of.every((id) => lasts.has(id)))
      .map(({ maker, from, to, tasks: of }) => ({
        maker,
        from,
        to,
        work: [at(of[0]!), at(of.at(-1)!) + lasts.get(of.at(-1)!)!] as const,
        tasks: of,
      })),
    rows,
    threads,
  };
}

/** A step’s name where there is little room, and where there is some. */
const SHORT: Record<StageId, string> = {
  look: 'Look',
  brief: 'Brief',
  bars: 'Frame',
  square: 'Square',
  cloth: 'Cut',
  fasten: 'Fasten',
  tune: 'Tune',
  prime: 'Prime',
  handover: 'Label',
};

/** @example shortStep({ stage: 'prime', coat: 1, part: null }) // 'Coat 2' */
export const shortStep = ({ stage, coat, part }: Pick<HandsMark, 'stage' | 'coat' | 'part'>): string =>
  `${coat === null ? SHORT[stage] : `Coat ${coat + 1}`}${part ? ` ${part.number}/${part.of}` : ''}`;
