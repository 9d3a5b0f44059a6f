/* What is judged about pieces laid on the store of cloth: is there enough, is it the least, what is left. */
import { printed } from '../../quantities/printed';
import { cutOrder } from '../../cloth/layout/cutOrder';
import type { StockLayout, StockSheet } from '../../cloth/layout/layStock';
import { type Tape, printLength, printSize } from '../../units/length';
import { capital } from '../../painting/paintingVerdicts';
import { type Verdict, verdict } from '../../job/verdict';

export interface LaidSheet extends StockSheet {
  tag: string;
  kind: 'roll' | 'offcut';
}

/** What is proven of a layout, in words; null where nothing is. */
export function provenWords({ sheets, sharedOut }: StockLayout): string | null {
  if (!sheets.at(-1)?.layout.proven) return null;
  if (!sharedOut) return 'proven for what lies on the roll; other pieces on the offcuts might take less';
  const others = sheets.length > 1 ? ', whichever pieces lie on the offcuts' : '';
  return `proven: cut from edge to edge, no layout takes less${others}`;
}

/**
 * Verdicts of a layout; the roll is the last of its sheets.
 *
 * @param least size of an offcut worth keeping, mm
 */
export function layoutVerdicts(layout: StockLayout, sheets: readonly LaidSheet[], least: number, tape: Tape): Verdict[] {
  const proven = provenWords(layout);
  return layout.sheets.flatMap(({ id, layout: { placed, length, bound } }) => {
    const sheet = sheets.find((one) => one.id === id)!;
    if (placed.length === 0) return [];
    const { tag, width, tear } = sheet;
    const short = length > sheet.length;
    const [largest] = cutOrder(placed, width, tear, least).offcuts;
    const above = bound > 0 ? (length / bound - 1) * 100 : 0;
    const used = printLength(length, tape, 'up');
    return [
      verdict({
        id: `length of ${tag}`,
        about: `length of ${tag}`,
        level: short ? 'stop' : 'good',
        measured: length,
        limit: sheet.length,
        of: 'rollLength',
        says: short
          ? `Takes ${used}, ${printLength(sheet.length, tape, 'down')} is left on ${tag}.`
          : `Takes ${used} of ${tag}; ${printLength(sheet.length - length, tape, 'down')} stays.`,
        because:
          sheet.kind === 'offcut'
            ? 'Offcuts are used first.'
            : proven
              ? `${capital(proven)}.`
              : `No layout takes less than ${printLength(bound, tape, 'up')}: at most ${printed('aboveBound', above)} more than the least. Not proven.`,
        doThis: short ? 'Leave a job out, or take another roll.' : '',
        uses: ['tearLoss', 'cutLoss'],
      }),
      ...(largest
        ? [
            verdict({
              id: `left of ${tag}`,
              about: `left of ${tag}`,
              level: 'good',
              says: `The largest offcut to keep: ${printSize(largest.w, largest.h, tape, 'down')}.`,
              because: 'Of layouts that take the same, the one that leaves the largest piece is shown.',
              doThis: 'Write its tag on it when it goes to the store.',
              uses: ['leastOffcut'],
            }),
          ]
        : []),
    ];
  });
}

/** A piece wider than the roll it was to be laid on. */
export const wideVerdict = (number: number, acrossMm: number, roll: { tag: string; widthMm: number }, tape: Tape): Verdict =>
  verdict({
    id: `width of No. ${number}`,
    about: `width of No. ${number}`,
    level: 'stop',
    measured: acrossMm,
    limit: roll.widthMm,
    of: 'cutLength',
    says: `No. ${number} is ${printLength(acrossMm, tape, 'up')} across, ${roll.tag} ${printLength(roll.widthMm, tape)}.`,
    because: 'The warp runs along the roll; cloth is never joined.',
    doThis: 'Its Cloth stage says what would fit: a leaner margin, the warp the other way, a wider roll.',
  });
