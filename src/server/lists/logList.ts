/* The log as a list: a line for every reading of every entry, and one for an entry without any. Written only: it is append-only. */
import { isPainted } from '@/core/house/schools';
import { stageActs } from '@/core/stages/stages';
import { listEntries } from '@/db/logEntries';
import { localCell, printLines } from './csvTable';
import type { List } from './list';

const NAMES = [
  ...['entry', 'time', 'job', 'title', 'stage', 'coat', 'kind', 'maker', 'did', 'note', 'reason', 'taken back'],
  ...['reading', 'of', 'value', 'unit', 'precision', 'tool', 'known'],
];
const AT_ONCE = 500;

export const logList: List = {
  *write({ database }) {
    yield `\uFEFF${printLines([NAMES])}`;
    for (let from: number | null = null; ;) {
      const entries = listEntries(database, { words: [], from, order: 'oldest', most: AT_ONCE });
      if (entries.length === 0) return;
      yield printLines(
        entries.flatMap(({ seq, jobNumber, jobTitle, jobUse, withdrawn, entry }) => {
          const { at, stage, step, kind, maker, did, note, reason } = entry;
          const coat = step === null ? '' : String(step + 1);
          const { name } = stageActs(stage, isPainted(jobUse));
          const own = [String(seq), localCell(at), String(jobNumber), jobTitle, name, coat, kind, maker, did, note, reason];
          const cells = [...own, withdrawn ? 'yes' : ''];
          if (entry.readings.length === 0) return [[...cells, '', '', '', '', '', '', '']];
          return entry.readings.map(({ quantity, of, value, unit, precision, tool, known }) => [
            ...cells,
            ...[quantity, of, String(value), unit, precision === null ? '' : String(precision), tool, known],
          ]);
        }),
      );
      from = entries.at(-1)!.seq;
    }
  },
  read: null,
};
