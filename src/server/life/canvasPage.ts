/* Finished canvases: listed, searched, and those that should be looked at. */
import { subMonths } from 'date-fns';
import { assumed } from '@/core/house/houseRules';
import type { HangingPlace } from '@/core/life/climates';
import { canvasStates } from '@/db/jobStates';
import { readRules } from '@/db/workshops';
import { type JobFacts, factsIn, settle } from '../job/jobStates';
import type { Workshop } from '../workshop';

export interface CanvasRow {
  id: string;
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  bars: JobFacts['bars'];
  handedAt: string;
  lookedAt: string | null;
  hangs: HangingPlace | null;
}

export const CANVAS_FILTERS = ['all', 'unseen', 'damp'] as const;
export type CanvasFilter = (typeof CANVAS_FILTERS)[number];

export interface CanvasPage {
  rows: CanvasRow[];
  count: number;
  find: string;
  filter: CanvasFilter;
  from: number;
  most: number;
  /** Months after which one is to be looked at again, and the air that counts as damp, % RH. */
  lookAgain: number;
  dampFrom: number;
}

const CANVAS_ROWS = 40;

/** The words of a search: whatever stands between blanks; "600 x 450" finds a size. */
const wordsIn = (find: string): string[] =>
  find
    .toLowerCase()
    .replace(/(\d)\s*[x×]\s*(\d)/g, '$1×$2')
    .split(/\s+/)
    .filter((word) => word !== '')
    .slice(0, 12);

export function canvasPage(
  workshop: Workshop,
  { find = '', filter = 'all', from = 0 }: { find?: string; filter?: CanvasFilter; from?: number } = {},
): CanvasPage {
  const { database, now } = workshop;
  settle(workshop);
  const { rules } = readRules(database);
  const [lookAgain, dampFrom] = [assumed(rules, 'lookAgain'), assumed(rules, 'dampSpell')];
  const { states, count } = canvasStates(database, {
    words: wordsIn(find),
    before: filter === 'unseen' ? subMonths(now(), lookAgain).toISOString() : null,
    dampFrom: filter === 'damp' ? dampFrom : null,
    from,
    most: CANVAS_ROWS,
  });
  return {
    rows: states.map((state) => {
      const { title, widthMm, heightMm, bars, hangs } = factsIn(state);
      return {
        id: state.jobId,
        number: state.number,
        title,
        widthMm,
        heightMm,
        bars,
        handedAt: state.handedAt!,
        lookedAt: state.lookedAt,
        hangs,
      };
    }),
    count,
    find,
    filter,
    from,
    most: CANVAS_ROWS,
    lookAgain,
    dampFrom,
  };
}
