import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { StockCloth } from '@/core/cloth/clothStock';
import { cutOrder } from '@/core/cloth/layout/cutOrder';
import type { PlacedPiece } from '@/core/cloth/layout/rollLayout';
import { type DrawnPiece, type DrawnSheet, RollDrawing, type RollDrawingProps } from './RollDrawing';

const cloth = (patch: Partial<StockCloth> = {}): StockCloth => ({
  id: 'r',
  kind: 'roll',
  fabric: 'linenMedium',
  tag: 'L2',
  widthMm: 2000,
  selvedgeMm: 10,
  lengthMm: 9000,
  flaws: [{ x: 1500, y: 300, w: 40, h: 40, note: 'slub' }],
  ...patch,
});
const placed: PlacedPiece[] = [
  { id: 'a', x: 0, y: 0, w: 900, h: 1200, turned: false },
  { id: 'b', x: 905, y: 0, w: 700, h: 500, turned: true },
];
const pieces = new Map<string, DrawnPiece>([
  ['a', { piece: piece('a', 900, 1200), name: 'No. 129', pin: null }],
  ['b', { piece: piece('b', 500, 700), name: 'No. 130', pin: { x: 905, y: 0 } }],
]);
function piece(id: string, w: number, h: number): DrawnPiece['piece'] {
  return { id, w, h, mayTurn: true, flawRule: 'face', margin: [80, 80, 80, 80] };
}
const sheet = (patch: Partial<DrawnSheet> = {}): DrawnSheet => ({
  cloth: cloth(),
  placed,
  order: cutOrder(placed, 2000, 5, 200),
  endless: false,
  ...patch,
});
const drawn = (props: Partial<RollDrawingProps>) =>
  renderToStaticMarkup(
    <RollDrawing
      sheets={[sheet()]}
      pieces={pieces}
      tape={{ unit: 'mm', stepMm: 1 }}
      stale={false}
      marking={false}
      onMark={() => undefined}
      onPin={() => undefined}
      {...props}
    />,
  );
const texts = (markup: string) =>
  [...markup.matchAll(/<text[^>]*>(.*?)<\/text>/g)].map((match) => match[1]!.replace(/<[^>]+>/g, ''));
const sizeOf = (markup: string, testId: RegExp) => {
  const [, width, height] = testId.exec(markup)!;
  return [Number(width), Number(height)];
};

describe('the roll as it is drawn', () => {
  it('says each piece with its size, place, turn and pin to somebody who cannot see it', () => {
    const markup = drawn({});
    expect(markup).toContain('aria-label="No. 129, 1200 × 900 mm, 0 mm from the cut end, 0 mm from the edge"');
    expect(markup).toContain('aria-label="No. 130, 500 × 700 mm, 0 mm from the cut end, 905 mm from the edge, turned, pinned"');
    expect(markup).toContain('aria-label="L2, 2000 mm wide, with 2 pieces"');
  });

  it('shows a pin only where the piece lies on it', () => {
    const moved = new Map(pieces).set('b', { ...pieces.get('b')!, pin: { x: 0, y: 2000 } });
    expect(drawn({ pieces: moved })).not.toContain('pinned"');
  });

  it('numbers the cuts in order, names flaws and what is kept, and gives the length taken', () => {
    const all = texts(drawn({}));
    const numbers = all.filter((text) => /^\d+$/.test(text)).map(Number);
    expect(numbers).toEqual(numbers.map((_, index) => index + 1));
    expect(numbers.length).toBeGreaterThan(2);
    expect(all).toContain('slub');
    expect(all).toContain('1200 mm');
    expect(all.some((text) => /^(keep )?\d+ × \d+$/.test(text))).toBe(true);
  });

  it('keeps proportions: all cloths and pieces to one scale', () => {
    const rect = /class="piece[^"]*"[^>]*><rect x="[\d.]+" y="[\d.]+" width="([\d.]+)" height="([\d.]+)"/;
    const [w, h] = sizeOf(drawn({}), rect);
    expect(w! / h!).toBeCloseTo(1200 / 900, 3);
    const offcut = sheet({
      cloth: cloth({ id: 'o', kind: 'offcut', tag: 'L2-1', widthMm: 900, lengthMm: 1400 }),
      placed: [placed[0]!],
    });
    const two = drawn({ sheets: [offcut, sheet({ placed: [] })] });
    expect(two).toContain('L2-1, 900 mm wide, with 1 piece; L2, 2000 mm wide, with 0 pieces');
  });

  it('a roll that goes on says how much more there is; a bought one has no end', () => {
    expect(texts(drawn({})).some((text) => /^\d+ mm more$/.test(text))).toBe(true);
    const bought = texts(drawn({ sheets: [sheet({ endless: true })] }));
    expect(bought.some((text) => text.endsWith('more'))).toBe(false);
    expect(bought).toContain('L2 as it is bought');
  });

  it('an answer to an earlier question is drawn faint, never as the new one', () => {
    expect(drawn({ stale: true })).toContain('opacity-60');
    expect(drawn({})).not.toContain('opacity-60');
  });
});
