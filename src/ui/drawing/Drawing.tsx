'use client';
/*
 * The screen as a sink for scenes: fits the scene into its box, keeps lettering and line widths in pixels,
 * and draws a scale bar that is true for what is seen.
 */
import { type KeyboardEvent, memo, useRef, useState } from 'react';
import type { Bounds, Grab, Mark, Point, Scene } from '@/drawing/scene/scene';
import { type Tape, MM_PER_INCH, printLength } from '@/core/units/length';
import { fractionParts } from './Figure';
import { type StapleMark, Staples } from './Staples';
import { pathOf, round } from './svgPath';
import { type Box, useBox } from './useBox';

interface DrawingProps {
  scene: Scene;
  tape: Tape;
  scaleBar?: boolean;
  className?: string;
  /** Moves a part that can be grabbed to a value, mm. Without it nothing can be moved. */
  onMove?: (id: string, valueMm: number) => void;
  /** A spot of the scene was picked. */
  onPick?: (id: string) => void;
}

export const Drawing = memo(function Drawing({ scene, tape, scaleBar = true, className, onMove, onPick }: DrawingProps) {
  const ref = useRef<HTMLDivElement>(null);
  const box = useBox(ref);
  const whole = fitted(scene.bounds, scene.padPx, box);
  const long = Math.max(scene.bounds.maxX - scene.bounds.minX, scene.bounds.maxY - scene.bounds.minY);
  const close = scene.focus && whole.scale * long < SMALL_PX ? scene.focus : null;
  const { scale, originX, originY } = close ? fitted(close, CLOSE_PAD, box) : whole;
  const staples = scene.marks.filter((mark): mark is StapleMark => mark.kind === 'staple');
  const spots = scene.marks.filter((mark): mark is SpotMark => mark.kind === 'spot');
  const px = ({ x, y }: Point): Point => ({ x: originX + x * scale, y: originY + y * scale });
  return (
    <div ref={ref} className={`draw min-h-0 min-w-0 overflow-hidden ${className ?? ''}`}>
      <svg
        width={box.width}
        height={box.height}
        role={(onMove && scene.marks.some(grabOf)) || spots.length > 0 ? 'group' : 'img'}
        aria-label={scene.says}
      >
        <WeavePattern />
        {scene.marks.map((mark, index) => (
          <MarkShape key={grabOf(mark)?.id ?? index} mark={mark} px={px} scale={scale} onMove={onMove} />
        ))}
        {staples.length > 0 && <Staples marks={staples} px={px} scale={scale} />}
        {spots.length > 0 && onPick && <Spots spots={spots} px={px} onPick={onPick} />}
        {close && <Inset whole={scene.bounds} close={close} box={box} />}
        {scaleBar && <ScaleBar scale={scale} tape={tape} box={box} />}
      </svg>
    </div>
  );
});

/** Drawn smaller than this, where hands are is drawn by itself, px. */
const SMALL_PX = 240;
const CLOSE_PAD = { top: 8, right: 8, bottom: 8, left: 8 };

/** How large a part of a scene is drawn so that it fills its box, and where its origin lies then. */
function fitted({ minX, minY, maxX, maxY }: Bounds, pad: Scene['padPx'], box: Box) {
  const [width, height] = [box.width - pad.left - pad.right, box.height - pad.top - pad.bottom];
  const scale = Math.max(0.01, Math.min(width / (maxX - minX), height / (maxY - minY)));
  return {
    scale,
    originX: pad.left + (width - (maxX - minX) * scale) / 2 - minX * scale,
    originY: pad.top + (height - (maxY - minY) * scale) / 2 - minY * scale,
  };
}

/** The longer side of the whole beside a part of it, px. */
const INSET_PX = 56;

/** The whole, small, with the part that is drawn: at the top right. */
function Inset({ whole, close, box }: { whole: Bounds; close: Bounds; box: Box }) {
  const scale = INSET_PX / Math.max(whole.maxX - whole.minX, whole.maxY - whole.minY);
  const [left, top] = [box.width - (whole.maxX - whole.minX) * scale - 6, 6];
  const rect = ({ minX, minY, maxX, maxY }: Bounds) => ({
    x: left + (minX - whole.minX) * scale,
    y: top + (minY - whole.minY) * scale,
    width: (maxX - minX) * scale,
    height: (maxY - minY) * scale,
  });
  return (
    <g aria-hidden>
      <rect {...rect(whole)} className="area face" />
      <rect {...rect(close)} fill="none" className="line pullNow" />
    </g>
  );
}

/** The weave that areas of cloth are filled with. */
export const WeavePattern = () => (
  <defs>
    <pattern id="weave" width="4" height="4" patternUnits="userSpaceOnUse">
      <rect width="4" height="4" fill="var(--cloth)" />
      <path d="M0 1h4M1 0v4" stroke="var(--thread)" strokeWidth="1" />
    </pattern>
    <pattern id="slack" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0v7" stroke="var(--color-error)" strokeWidth="1.4" />
    </pattern>
  </defs>
);

interface MarkProps<M extends Mark = Mark> {
  mark: M;
  px: (at: Point) => Point;
  scale: number;
  onMove?: (id: string, valueMm: number) => void;
}
type Kind<K extends Mark['kind']> = Extract<Mark, { kind: K }>;

const grabOf = (mark: Mark) => (mark.kind === 'area' ? mark.grab : undefined);

function MarkShape({ mark, px, scale, onMove }: MarkProps) {
  switch (mark.kind) {
    case 'area':
      if (mark.grab && onMove) return <Grabbable mark={mark} grab={mark.grab} px={px} scale={scale} onMove={onMove} />;
      return <path d={`${pathOf(mark.points.map(px))}Z`} className={`area ${mark.role}`} />;
    case 'path':
      return <path d={pathOf(mark.points.map(px))} className={`line ${mark.role}`} />;
    case 'arrow':
      return <Arrow mark={mark} px={px} scale={scale} />;
    case 'dimension':
      return <Dimension mark={mark} px={px} scale={scale} />;
    case 'region':
      return (
        <path
          d={mark.rings.map((ring) => `${pathOf(ring.map(px))}Z`).join('')}
          className={`area ${mark.role}`}
          fillRule="evenodd"
        />
      );
    case 'spot':
      return null; // Drawn on top: see Spots.
    case 'staple':
      return null; // Drawn together: see Staples.
    case 'words': {
      const at = px(mark.at);
      return (
        <Words
          x={at.x + (mark.shiftPx?.x ?? 0)}
          y={at.y + (mark.shiftPx?.y ?? 0)}
          anchor={mark.anchor}
          className={`${mark.role} ${mark.strong ? 'strong' : ''}`}
          text={mark.text}
          rotate={mark.quarter === 1 ? 90 : mark.quarter === 3 ? -90 : undefined}
        />
      );
    }
  }
}

/** A part that is dragged, or moved by the arrow keys: 1 mm a press, 10 mm with Shift. */
function Grabbable({
  mark,
  grab,
  px,
  scale,
  onMove,
}: {
  mark: Kind<'area'>;
  grab: Grab;
  px: (at: Point) => Point;
  scale: number;
  onMove: (id: string, valueMm: number) => void;
}) {
  const held = useRef<{ pointer: number; valueMm: number } | null>(null);
  const pointer = (event: PointerEvent) => (grab.along === 'x' ? event.clientX : event.clientY);
  const key = (event: KeyboardEvent) => {
    const way = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
    if (way === undefined) return;
    event.preventDefault();
    onMove(grab.id, grab.valueMm + way * grab.sign * (event.shiftKey ? 10 : 1));
  };
  return (
    <path
      d={`${pathOf(mark.points.map(px))}Z`}
      className={`area grab ${mark.role} ${grab.along === 'x' ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
      role="slider"
      tabIndex={0}
      aria-label={grab.says}
      aria-valuemin={0}
      aria-valuemax={Math.round(grab.mostMm)}
      aria-valuenow={Math.round(grab.valueMm)}
      aria-valuetext={grab.valueText}
      onKeyDown={key}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = { pointer: pointer(event.nativeEvent), valueMm: grab.valueMm };
      }}
      onPointerMove={(event) => {
        if (!held.current) return;
        const by = (pointer(event.nativeEvent) - held.current.pointer) / scale;
        onMove(grab.id, held.current.valueMm + by * grab.sign);
      }}
      onPointerUp={() => (held.current = null)}
      onPointerCancel={() => (held.current = null)}
    />
  );
}

function Words({
  x,
  y,
  anchor,
  className,
  text,
  rotate,
}: {
  x: number;
  y: number;
  anchor: 'start' | 'middle' | 'end';
  className: string;
  text: string;
  rotate?: number;
}) {
  return (
    <text
      x={round(x)}
      y={round(y + 4.5)}
      textAnchor={anchor}
      className={className}
      transform={rotate ? `rotate(${rotate} ${round(x)} ${round(y)})` : undefined}
    >
      {fractionParts(text).map((part, index) => (
        <tspan key={index} className={part.fraction ? 'frac' : undefined}>
          {part.text}
        </tspan>
      ))}
    </text>
  );
}

function Arrow({ mark, px }: MarkProps<Kind<'arrow'>>) {
  const [from, to] = [px(mark.from), px(mark.to)];
  const angle = Math.atan2(to.y - from.y, to.x - from.x);
  const barb = (turn: number) => ({ x: to.x - 8 * Math.cos(angle + turn), y: to.y - 8 * Math.sin(angle + turn) });
  return <path d={pathOf([from, to]) + pathOf([barb(0.45), to, barb(-0.45)])} className={`line ${mark.role}`} />;
}

/** Room that a dimension's words take along its line, px: an estimate for a condensed face at 13 px. */
const wordsWidth = (text: string) => text.length * 6.4 + 10;

/** Words so many times as long as an upright line stand level beside it. */
const LEVEL_FROM = 4;

function Dimension({ mark, px }: MarkProps<Kind<'dimension'>>) {
  const [a, b] = [px(mark.from), px(mark.to)];
  const whole = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const normal = { x: (b.y - a.y) / whole, y: -(b.x - a.x) / whole };
  const shift = (at: Point, by: number): Point => ({ x: at.x + normal.x * by, y: at.y + normal.y * by });
  const [from, to] = [shift(a, mark.offPx), shift(b, mark.offPx)];
  const along = (t: number): Point => ({ x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t });
  const tick = (at: Point): Point[] => [
    { x: at.x - 4, y: at.y + 4 },
    { x: at.x + 4, y: at.y - 4 },
  ];
  const upright = Math.abs(b.y - a.y) > Math.abs(b.x - a.x);
  const half = wordsWidth(mark.text) / 2 / whole;
  const inside = half < 0.42;
  // Beside an upright line that is not much shorter they run along it: level ones would run out of the drawing, or into the next line.
  const turned = upright && half < LEVEL_FROM / 2;
  const beside = inside ? 0 : !upright ? 13 : turned ? 10 : 8;
  const middle = shift(along(0.5), beside);
  const lines = inside
    ? [
        [from, along(0.5 - half)],
        [along(0.5 + half), to],
      ]
    : [[from, to]];
  return (
    <g className={mark.role ?? 'measure'}>
      <path
        d={[
          [shift(a, 4), shift(a, mark.offPx + 5)],
          [shift(b, 4), shift(b, mark.offPx + 5)],
        ]
          .map(pathOf)
          .join('')}
        className="line"
        opacity="0.45"
      />
      <path d={[...lines, tick(from), tick(to)].map(pathOf).join('')} className="line" />
      <Words
        x={middle.x}
        y={middle.y}
        anchor={turned || !upright ? 'middle' : normal.x < 0 ? 'end' : 'start'}
        className="strong"
        text={mark.text}
        rotate={turned ? -90 : undefined}
      />
    </g>
  );
}

type SpotMark = Kind<'spot'>;

/** Places to pick, by click or by the arrow keys and Enter; one of them is reached by Tab. */
function Spots({ spots, px, onPick }: { spots: SpotMark[]; px: (at: Point) => Point; onPick: (id: string) => void }) {
  const [reached, reach] = useState<string | null>(null);
  const at = Math.max(
    0,
    spots.findIndex((spot) => spot.id === reached),
  );
  const key = (event: KeyboardEvent<SVGGElement>) => {
    const way = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      onPick(spots[at]!.id);
    }
    if (way === undefined) return;
    event.preventDefault();
    const next = (at + way + spots.length) % spots.length;
    reach(spots[next]!.id);
    (event.currentTarget.children[next] as SVGElement | undefined)?.focus();
  };
  return (
    <g onKeyDown={key}>
      {spots.map((spot, index) => {
        const { x, y } = px(spot.at);
        return (
          <g
            key={spot.id}
            role="button"
            tabIndex={index === at ? 0 : -1}
            aria-label={spot.says}
            className={`spot ${spot.state}`}
            onFocus={() => reach(spot.id)}
            onClick={() => onPick(spot.id)}
          >
            <circle cx={round(x)} cy={round(y)} r="12" className="reach" />
            <circle cx={round(x)} cy={round(y)} r="4.5" className="dot" />
          </g>
        );
      })}
    </g>
  );
}

/** The longest round length that is at most so many px at this scale. */
function scaleBarLength(scale: number, tape: Tape, mostPx: number): { mm: number; text: string } {
  const inches = tape.unit === 'in';
  const steps = inches
    ? [1, 2, 4, 6, 12, 24, 36, 48].map((value) => value * MM_PER_INCH)
    : [10, 20, 50, 100, 200, 500, 1000, 2000];
  const mm = steps.findLast((one) => one * scale <= mostPx) ?? steps[0]!;
  return { mm, text: printLength(mm, { unit: tape.unit, stepMm: inches ? MM_PER_INCH : 1 }) };
}

function ScaleBar({ scale, tape, box }: { scale: number; tape: Tape; box: Box }) {
  const { mm, text } = scaleBarLength(scale, tape, Math.min(150, box.width * 0.2));
  const [x, y, width] = [16, box.height - 12, mm * scale];
  return (
    <g className="quiet">
      <path
        d={`M${x} ${y - 4}v8M${x} ${y}h${round(width)}M${round(x + width / 2)} ${y - 2}v4M${round(x + width)} ${y - 4}v8`}
        className="line"
      />
      <Words x={x + width + 8} y={y} anchor="start" className="quiet" text={text} />
    </g>
  );
}
