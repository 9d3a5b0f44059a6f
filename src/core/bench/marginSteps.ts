/* Eight margins, two a side, read one after the other as the canvas lies. */
import type { EndMargins } from '../cloth/centring';
import { SIDES, type Side } from '../job/sides';
import type { SideWords } from '../job/sideWords';
import type { SideEnds } from '../painting/paintingInputs';
import type { StageId } from '../stages/stages';
import { type Tape, printFine, printLength } from '../units/length';
import { aloud } from './aloud';
import { type BenchStep, type JobPatch } from './benchStep';

export interface MarginRead {
  stage: StageId;
  group: string;
  ends: Record<Side, SideEnds>;
  /** What they should be, mm; null where nothing is asked. */
  wanted: EndMargins | null;
  says: (side: Side, end: string) => string;
  note: string;
  put: (ends: Record<Side, SideEnds>) => JobPatch;
}

/** Wider margins are no margins, mm. */

export const marginSteps = (
  { stage, group, ends, wanted, says, note, put }: MarginRead,
  tape: Tape,
  say: SideWords,
): BenchStep[] =>
  say.sides.flatMap((side) =>
    (['first', 'second'] as const).map((end, index): BenchStep => {
      const value = ends[side][end];
      const asked = wanted?.[side][index] ?? null;
      const line = says(side, say.end(side, index));
      return {
        id: `${stage}/margin/${SIDES.indexOf(side)}${end}`,
        stage,
        group,
        says: line,
        figure: value ? printLength(value.mm, tape) : '?',
        notes: [...(asked === null ? [] : [`${printFine(asked, tape)} wanted`]), note],
        aloud: aloud(`${line}${asked === null ? '' : `, ${printFine(asked, tape)} wanted`}`),
        act: {
          kind: 'read',
          reading: {
            kind: 'length',
            label: line,
            of: 'tapeReading',
            value,
            put: (read) => put({ ...ends, [side]: { ...ends[side], [end]: read } }),
          },
        },
        show: { kind: 'end', side, index: index as 0 | 1 },
      };
    }),
  );
