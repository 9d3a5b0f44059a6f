'use client';
/*
 * Rolls and offcuts to one scale, the length of the cloth running to the right from its cut end: pieces with their
 * faces, flaws, cuts in their order, offcuts that are kept. Pieces are dragged or moved by keys; a click marks a flaw.
 */
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { ClothFlaw, StockCloth } from '@/core/cloth/clothStock';
import type { CutOrder } from '@/core/cloth/layout/cutOrder';
import { type ClothPiece, type PlacedPiece, keptClear } from '@/core/cloth/layout/rollLayout';
import { type Tape, printLength, printSize } from '@/core/units/length';
import { WeavePattern } from '@/ui/drawing/Drawing';
import { useBox } from '@/ui/drawing/useBox';

export interface DrawnSheet {
  cloth: StockCloth;
  placed: PlacedPiece[];
  order: CutOrder;
  /** A roll that is not in the store: its length is not known. */
  endless: boolean;
}

export interface DrawnPiece {
  piece: Omit<ClothPiece, 'pin'>;
  name: string;
  pin: { x: number; y: number } | null;
}

export interface RollDrawingProps {
  sheets: DrawnSheet[];
  pieces: Map<string, DrawnPiece>;
  tape: Tape;
  /** The layout answers an earlier question. */
  stale: boolean;
  marking: boolean;
  onMark: (clothId: string, x: number, y: number) => void;
  /** A piece let go at a place of a sheet, mm; null sets it free. */
  onPin: (id: string, pin: { sheet: string; x: number; y: number; turned: boolean } | null, reachMm: number) => void;
}

/** Room above, below and beside each sheet, px. */
const ROOM = { top: 30, bottom: 30, left: 60, right: 24 };

interface Laid extends DrawnSheet {
  top: number;
  shownMm: number;
}

export function RollDrawing({ sheets, pieces, tape, stale, marking, onMark, onPin }: RollDrawingProps) {
  const ref = useRef<HTMLDivElement>(null);
  const box = useBox(ref);
  const shown = sheets.map((sheet) => shownLength(sheet));
  const widths = sheets.reduce((sum, { cloth }) => sum + cloth.widthMm, 0);
  const across = box.height - sheets.length * (ROOM.top + ROOM.bottom);
  const scale = Math.max(
    0.05,
    Math.min((box.width - ROOM.left - ROOM.right) / Math.max(1, ...shown), across / Math.max(1, widths)),
  );
  const heights = sheets.map(({ cloth }) => cloth.widthMm * scale + ROOM.top + ROOM.bottom);
  const topOf = (index: number) => heights.slice(0, index).reduce((sum, height) => sum + height, 0);
  const laid = sheets.map((sheet, index): Laid => ({ ...sheet, top: topOf(index) + ROOM.top, shownMm: shown[index]! }));
  const drop = (id: string, left: number, topPx: number, turned: boolean) => {
    const at = laid.findLast((sheet) => topPx >= sheet.top - ROOM.top) ?? laid[0]!;
    const pin = { sheet: at.cloth.id, x: (topPx - at.top) / scale, y: (left - ROOM.left) / scale, turned };
    onPin(id, pin, 14 / scale);
  };
  return (
    <div
      ref={ref}
      className={`draw h-[46vh] min-h-[280px] flex-none overflow-auto bench:h-auto bench:flex-1 ${stale ? 'opacity-60' : ''}`}
      data-testid="rolls"
    >
      <svg width={box.width} height={Math.max(box.height, topOf(sheets.length))} role="group" aria-label={saysOf(sheets, tape)}>
        <WeavePattern />
        {laid.map((sheet) => (
          <Sheet key={sheet.cloth.id} sheet={sheet} scale={scale} tape={tape} />
        ))}
        {laid.flatMap((sheet) =>
          sheet.placed.map((at) => (
            <Piece
              key={at.id}
              at={at}
              drawn={pieces.get(at.id)}
              sheet={sheet}
              scale={scale}
              tape={tape}
              onDrop={(left, topPx) => drop(at.id, left, topPx, at.turned)}
              onPin={(pin) => onPin(at.id, pin && { sheet: sheet.cloth.id, ...pin }, 0)}
            />
          )),
        )}
        {laid.flatMap(({ cloth, top, shownMm }) =>
          cloth.flaws
            .filter((flaw) => flaw.y < shownMm)
            .map((flaw, index) => <Flaw key={`${cloth.id} ${index}`} flaw={flaw} top={top} scale={scale} />),
        )}
        {laid.map((sheet) => (
          <Cuts key={sheet.cloth.id} sheet={sheet} scale={scale} tape={tape} />
        ))}
        {marking &&
          laid.map(({ cloth, top, shownMm }) => (
            <rect
              key={cloth.id}
              x={ROOM.left}
              y={top}
              width={shownMm * scale}
              height={cloth.widthMm * scale}
              fill="transparent"
              className="cursor-crosshair"
              onPointerUp={(event: PointerEvent<SVGRectElement>) => {
                const corner = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
                const at = (px: number, from: number) => (px - from) / scale;
                onMark(cloth.id, at(event.clientY, corner.top + top), at(event.clientX, corner.left + ROOM.left));
              }}
            />
          ))}
      </svg>
    </div>
  );
}

/** So much of a roll is drawn: what is used and some more; an offcut whole. */
function shownLength({ cloth, placed, endless }: DrawnSheet): number {
  if (cloth.kind === 'offcut') return cloth.lengthMm;
  const used = Math.max(0, ...placed.map((one) => one.y + one.h));
  const some = Math.max(used * 1.06 + 150, cloth.widthMm * 1.2);
  return endless ? some : Math.min(cloth.lengthMm, some);
}

const saysOf = (sheets: DrawnSheet[], tape: Tape): string =>
  sheets
    .map(
      ({ cloth, placed }) =>
        `${cloth.tag}, ${printLength(cloth.widthMm, tape)} wide, with ${placed.length} ${placed.length === 1 ? 'piece' : 'pieces'}`,
    )
    .join('; ') || 'No cloth';

function Sheet({ sheet: { cloth, top, shownMm, endless }, scale, tape }: { sheet: Laid; scale: number; tape: Tape }) {
  const [width, height] = [shownMm * scale, cloth.widthMm * scale];
  const goesOn = endless || cloth.lengthMm > shownMm + 1;
  const right = ROOM.left + width;
  const teeth = Array.from({ length: 9 }, (_, index) => `L${right + (index % 2 ? 6 : -2)} ${top + (height * index) / 8}`);
  const outline = goesOn
    ? `M${ROOM.left} ${top}${teeth.join('')}L${ROOM.left} ${top + height}Z`
    : `M${ROOM.left} ${top}H${right}V${top + height}H${ROOM.left}Z`;
  return (
    <g>
      <text x={ROOM.left} y={top - 10} className="strong">
        {cloth.tag}{' '}
        <tspan className="quiet" fontWeight="400">
          {endless
            ? 'as it is bought'
            : `${cloth.kind === 'roll' ? 'roll' : 'offcut'}, ${printLength(cloth.lengthMm, tape, 'down')} left`}
        </tspan>
      </text>
      <path d={outline} className="area cloth" data-testid={`sheet ${cloth.tag}`} />
      {cloth.selvedgeMm > 0 &&
        [top - 4, top + height + 1].map((y) => (
          <rect key={y} x={ROOM.left} y={y} width={width} height={3} className="area hemBand" />
        ))}
      <text
        x={ROOM.left - 12}
        y={top + height / 2}
        textAnchor="middle"
        className="measure strong"
        transform={`rotate(-90 ${ROOM.left - 12} ${top + height / 2})`}
      >
        {printLength(cloth.widthMm, tape, 'down')}
      </text>
      {goesOn && !endless && (
        <text x={right - 14} y={top + height - 12} textAnchor="end" className="quiet">
          {printLength(cloth.lengthMm - shownMm, tape, 'down')} more
        </text>
      )}
    </g>
  );
}

function Flaw({ flaw, top, scale }: { flaw: ClothFlaw; top: number; scale: number }) {
  const [w, h] = [Math.max(7, flaw.h * scale), Math.max(7, flaw.w * scale)];
  const [x, y] = [ROOM.left + (flaw.y + flaw.h / 2) * scale - w / 2, top + (flaw.x + flaw.w / 2) * scale - h / 2];
  return (
    <g className="pointer-events-none">
      <path d={`M${x} ${y}h${w}v${h}h${-w}zM${x} ${y}l${w} ${h}M${x + w} ${y}l${-w} ${h}`} className="line stop" />
      <text x={x + w + 4} y={y + h / 2 + 4} className="stop">
        {flaw.note}
      </text>
    </g>
  );
}

interface PieceProps {
  at: PlacedPiece;
  drawn: DrawnPiece | undefined;
  sheet: Laid;
  scale: number;
  tape: Tape;
  onDrop: (left: number, top: number) => void;
  onPin: (pin: { x: number; y: number; turned: boolean } | null) => void;
}

function Piece({ at, drawn, sheet, scale, tape, onDrop, onPin }: PieceProps) {
  const [held, setHeld] = useState<{ x: number; y: number; dx: number; dy: number } | null>(null);
  if (!drawn) return null;
  const { piece, name, pin } = drawn;
  // A pin that cannot be kept is not shown as if it were.
  const pinned = pin !== null && pin.x === at.x && pin.y === at.y;
  const [left, top] = [ROOM.left + at.y * scale, sheet.top + at.x * scale];
  const seen = keptClear({ ...piece, flawRule: 'face' }, at);
  const [w, h] = [at.h * scale, at.w * scale];
  const key = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 100 : 10;
    const by = { ArrowLeft: [0, -step], ArrowRight: [0, step], ArrowUp: [-step, 0], ArrowDown: [step, 0] }[event.key];
    if (by) onPin({ x: Math.max(0, at.x + by[0]!), y: Math.max(0, at.y + by[1]!), turned: at.turned });
    else if (event.key === 'Enter' || event.key === ' ') onPin(pin ? null : at);
    else if (event.key === 't' && piece.mayTurn) onPin({ ...at, turned: !at.turned });
    else return;
    event.preventDefault();
  };
  const size = printSize(at.h, at.w, tape, 'up').replace(` ${tape.unit}`, '');
  const roomy = w > 74 && h > 34;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name}, ${size} ${tape.unit}, ${printLength(at.y, tape)} from the cut end, ${printLength(at.x, tape)} from the edge${at.turned ? ', turned' : ''}${pinned ? ', pinned' : ''}`}
      aria-pressed={pinned}
      className="piece cursor-grab touch-none"
      transform={held ? `translate(${held.dx} ${held.dy})` : undefined}
      onKeyDown={key}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld({ x: event.clientX, y: event.clientY, dx: 0, dy: 0 });
      }}
      onPointerMove={(event) => held && setHeld({ ...held, dx: event.clientX - held.x, dy: event.clientY - held.y })}
      onPointerUp={() => {
        if (held && Math.hypot(held.dx, held.dy) > 4) onDrop(left + held.dx, top + held.dy);
        setHeld(null);
      }}
      onPointerCancel={() => setHeld(null)}
    >
      <rect x={left} y={top} width={w} height={h} className="area returnBand" />
      <rect
        x={ROOM.left + seen.y * scale}
        y={sheet.top + seen.x * scale}
        width={seen.h * scale}
        height={seen.w * scale}
        className="area face"
      />
      {pinned && <circle cx={left + 10} cy={top + 10} r={4.5} className="area pin" />}
      <text x={left + w / 2} y={top + h / 2 + (roomy ? -3 : 4)} textAnchor="middle" className="strong">
        {name}
      </text>
      {roomy && (
        <text x={left + w / 2} y={top + h / 2 + 14} textAnchor="middle">
          {size}
          {at.turned ? ', turned' : ''}
          {pinned ? ', pinned' : ''}
        </text>
      )}
    </g>
  );
}

/** Cuts in the order they are made, and what is kept. */
function Cuts({ sheet: { order, top, placed, cloth }, scale, tape }: { sheet: Laid; scale: number; tape: Tape }) {
  if (placed.length === 0) return null;
  const at = (x: number, y: number) => [ROOM.left + y * scale, top + x * scale] as const;
  const bottom = top + cloth.widthMm * scale;
  const used = ROOM.left + Math.max(...placed.map((one) => one.y + one.h)) * scale;
  return (
    <g className="pointer-events-none">
      {order.offcuts.map((offcut) => {
        const [x, y] = at(offcut.x, offcut.y);
        const [w, h] = [offcut.h * scale, offcut.w * scale];
        return (
          <g key={`${offcut.x} ${offcut.y}`}>
            <rect x={x + 2} y={y + 2} width={Math.max(0, w - 4)} height={Math.max(0, h - 4)} fill="none" className="line good" />
            {w > 60 && h > 16 && (
              <text x={x + w / 2} y={y + h / 2 + 4} textAnchor="middle" className="good">
                {w > 130 ? 'keep ' : ''}
                {printSize(offcut.h, offcut.w, tape, 'down').replace(` ${tape.unit}`, '')}
              </text>
            )}
          </g>
        );
      })}
      {order.cuts.map((cut, index) => {
        const [x1, y1] = at(cut.x1, cut.y1);
        const [x2, y2] = at(cut.x2, cut.y2);
        // The number stands where its line begins, a little in so that lines that meet keep theirs apart.
        const along = 13 / Math.max(13, Math.hypot(x2 - x1, y2 - y1));
        const [cx, cy] = [x1 + (x2 - x1) * along, y1 + (y2 - y1) * along];
        return (
          <g key={index}>
            <path d={`M${x1} ${y1}L${x2} ${y2}`} className="line measure" />
            <circle cx={cx} cy={cy} r={9} className="area cutNumber" />
            <text x={cx} y={cy + 4.5} textAnchor="middle" className="cutNumber strong">
              {index + 1}
            </text>
          </g>
        );
      })}
      <path
        d={`M${ROOM.left} ${bottom + 16}H${used}M${ROOM.left} ${bottom + 11}v10M${used} ${bottom + 11}v10`}
        className="line measure"
      />
      <text x={(ROOM.left + used) / 2} y={bottom + 21} textAnchor="middle" className="measure strong">
        {printLength(Math.max(...placed.map((one) => one.y + one.h)), tape, 'up')}
      </text>
    </g>
  );
}
