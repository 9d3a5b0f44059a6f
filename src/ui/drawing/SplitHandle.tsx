'use client';
import { type CSSProperties, type KeyboardEvent, type PointerEvent, useSyncExternalStore } from 'react';
import { keep, kept } from '../form/kept';

const CHANGED = 'keen-batten:split';
const STEP_PX = 24;
const LEAST_PX = 120;
/** What stays of the drawing above, px. */
const DRAWING_PX = 160;

const keyOf = (id: string) => `keen-batten.split.${id}`;

function store(id: string, px: number | null): void {
  keep(keyOf(id), px === null ? null : String(Math.round(px)));
  dispatchEvent(new Event(CHANGED));
}

const hear = (heard: () => void) => {
  addEventListener(CHANGED, heard);
  addEventListener('storage', heard);
  return () => {
    removeEventListener(CHANGED, heard);
    removeEventListener('storage', heard);
  };
};

/** Height that a panel was drawn to, px; null where it takes what its content needs. */
export function useSplit(id: string | undefined): number | null {
  const text = useSyncExternalStore(
    hear,
    () => (id ? kept(keyOf(id)) : null),
    () => null,
  );
  const px = Number(text);
  return text !== null && px >= LEAST_PX && px < 10_000 ? px : null;
}

/** A height that was drawn, for the wide screen; on a narrow one all is in one column. */
export const splitStyle = (px: number | null): CSSProperties => (px === null ? {} : ({ '--split': `${px}px` } as CSSProperties));
export const splitClass = (px: number | null): string =>
  px === null ? 'bench:max-h-[48%]' : 'bench:h-[var(--split)] bench:min-h-0! bench:max-h-[calc(100%-160px)]';

/** The edge between a drawing and the lists under it: drawn by hand or by arrow keys; Enter gives the lists what they need. */
export function SplitHandle({ id, px }: { id: string; px: number | null }) {
  const panel = (handle: HTMLElement) => handle.parentElement!;
  const most = (handle: HTMLElement) => (panel(handle).parentElement?.clientHeight ?? 800) - DRAWING_PX;
  const put = (handle: HTMLElement, to: number) => store(id, Math.min(Math.max(to, LEAST_PX), most(handle)));
  const draw = (event: PointerEvent<HTMLDivElement>) => {
    const handle = event.currentTarget;
    if (handle.hasPointerCapture(event.pointerId)) put(handle, panel(handle).getBoundingClientRect().bottom - event.clientY);
  };
  const key = (event: KeyboardEvent<HTMLDivElement>) => {
    const handle = event.currentTarget;
    const now = panel(handle).getBoundingClientRect().height;
    const to = { ArrowUp: now + STEP_PX, ArrowDown: now - STEP_PX, Home: LEAST_PX, End: most(handle) }[event.key];
    if (to === undefined && event.key !== 'Enter') return;
    event.preventDefault();
    event.stopPropagation();
    if (to === undefined) store(id, null);
    else put(handle, to);
  };
  return (
    <div
      role="separator"
      aria-orientation="horizontal"
      aria-label="Room for the lists under the drawing"
      aria-valuenow={px ?? 0}
      aria-valuetext={px === null ? 'as much as they need' : `${px} pixels`}
      tabIndex={0}
      className="no-print absolute inset-x-0 -top-1.5 z-20 hidden h-3 cursor-row-resize touch-none after:absolute after:top-1 after:left-1/2 after:h-1 after:w-9 after:-translate-x-1/2 after:rounded-full after:bg-[var(--hair)] hover:after:bg-primary bench:block"
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={draw}
      onDoubleClick={() => store(id, null)}
      onKeyDown={key}
    />
  );
}
