'use client';
/* Photographs of two dates side by side at one scale: each is laid flat by its four corners, which are dragged once and kept. */
import { format } from 'date-fns';
import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import { CORNERS, type Corner } from '@/core/frame/square/corners';
import { FRONT_WORDS } from '@/core/job/sideWords';
import { type PhotographCorners, UNPLACED, areCorners, straightened } from '@/core/life/straightened';
import type { LogEntry } from '@/core/log/logEntry';
import { Dialog } from '@/ui/Dialog';
import { Choice } from '@/ui/form/fields';
import { Form, FormScope, FormTrouble, SendButton } from '@/ui/form/Form';

/** An entry with a photograph, and the job that it stands in. */
export interface Photographed {
  entry: LogEntry;
  jobId: string;
}

interface ComparePhotographsProps {
  photographs: readonly Photographed[];
  corners: Readonly<Record<string, PhotographCorners>>;
  face: { widthMm: number; heightMm: number };
  /** Null where this device only looks on. */
  onKeep: ((photograph: Photographed, corners: PhotographCorners) => Promise<string | null>) | null;
  onClose: () => void;
}

const named = ({ entry }: Photographed) => `${format(new Date(entry.at), 'd MMM yyyy')}: ${entry.did}`.slice(0, 70);

export function ComparePhotographs({ photographs, corners, face, onKeep, onClose }: ComparePhotographsProps) {
  const [chosen, setChosen] = useState([photographs[0]!.entry.id, photographs.at(-1)!.entry.id] as const);
  const options = photographs.map((one) => ({ id: one.entry.id, name: named(one) }));
  return (
    <Dialog title="Photographs compared" onClose={onClose} wide>
      <div className="grid gap-4 sm:grid-cols-2">
        {([0, 1] as const).map((place) => {
          const shown = photographs.find(({ entry }) => entry.id === chosen[place])!;
          return (
            <div key={place} className="min-w-0">
              <FormScope>
                <Choice
                  label={place === 0 ? 'Earlier' : 'Later'}
                  value={chosen[place]}
                  options={options}
                  onChange={(id) => setChosen(place === 0 ? [id, chosen[1]] : [chosen[0], id])}
                />
              </FormScope>
              <FlatPhotograph
                key={shown.entry.id}
                shown={shown}
                kept={corners[shown.entry.id] ?? null}
                face={face}
                onKeep={onKeep}
              />
            </div>
          );
        })}
      </div>
      <div className="mt-4 flex justify-end">
        <button type="button" className="btn btn-outline h-11" onClick={onClose}>
          Close
        </button>
      </div>
    </Dialog>
  );
}

/** The longer side of a face as it is shown, px. */
const SHOWN_PX = 300;
/** An arrow key moves a corner so far, of the photograph. */
const STEP = 0.005;

interface FlatPhotographProps extends Pick<ComparePhotographsProps, 'face' | 'onKeep'> {
  shown: Photographed;
  kept: PhotographCorners | null;
}

function FlatPhotograph({ shown, kept, face, onKeep }: FlatPhotographProps) {
  const [corners, setCorners] = useState(kept ?? UNPLACED);
  const [places, setPlaces] = useState(kept === null);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const src = `/api/job/${shown.jobId}/photograph/${shown.entry.id}`;
  const scale = SHOWN_PX / Math.max(face.widthMm, face.heightMm);
  const flat = { width: face.widthMm * scale, height: face.heightMm * scale };
  if (places)
    return (
      <Form
        label="Corners of the image"
        className="space-y-2"
        onSend={async () => {
          if (!areCorners(corners)) return 'The corners cross each other: put each of them on its own corner of the image.';
          const wrong = onKeep === null ? null : await onKeep(shown, corners);
          if (wrong === null) setPlaces(false);
          return wrong;
        }}
      >
        <p className="soft text-[13px]">Drag each mark onto its corner of the image, or move it by the arrow keys.</p>
        <CornerHandles src={src} says={named(shown)} corners={corners} onMove={setCorners} />
        <FormTrouble />
        <SendButton className="btn btn-primary btn-sm h-9" quiet>
          {onKeep === null ? 'Lay it flat' : 'Save the corners'}
        </SendButton>
      </Form>
    );
  const map =
    size &&
    straightened(
      Object.fromEntries(
        CORNERS.map((corner) => [corner, { x: corners[corner].x * size.width, y: corners[corner].y * size.height }]),
      ) as PhotographCorners,
      flat,
    );
  const [a, b, c, d, e, f, g, h] = map ?? [];
  return (
    <div className="space-y-2 pt-2">
      <div className="relative max-w-full overflow-hidden" style={flat}>
        {/* eslint-disable-next-line @next/next/no-img-element -- it lies in the workshop’s own file */}
        <img
          src={src}
          alt={`Laid flat: ${named(shown)}`}
          className="absolute top-0 left-0 max-w-none origin-top-left"
          style={map ? { transform: `matrix3d(${[a, d, 0, g, b, e, 0, h, 0, 0, 1, 0, c, f, 0, 1].join(',')})` } : { opacity: 0 }}
          onLoad={({ currentTarget }) => setSize({ width: currentTarget.naturalWidth, height: currentTarget.naturalHeight })}
          ref={(image) => {
            if (image?.complete && image.naturalWidth > 0 && size === null)
              setSize({ width: image.naturalWidth, height: image.naturalHeight });
          }}
        />
      </div>
      <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => setPlaces(true)}>
        Move the corners
      </button>
    </div>
  );
}

interface CornerHandlesProps {
  src: string;
  says: string;
  corners: PhotographCorners;
  onMove: (corners: PhotographCorners) => void;
}

function CornerHandles({ src, says, corners, onMove }: CornerHandlesProps) {
  const put = (corner: Corner, x: number, y: number) =>
    onMove({ ...corners, [corner]: { x: Math.min(1, Math.max(0, x)), y: Math.min(1, Math.max(0, y)) } });
  const drag = (corner: Corner) => (event: PointerEvent<HTMLButtonElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = event.currentTarget.parentElement!.getBoundingClientRect();
    put(corner, (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
  };
  const nudge = (corner: Corner) => (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[event.key];
    if (!by) return;
    event.preventDefault();
    put(corner, corners[corner].x + by[0]!, corners[corner].y + by[1]!);
  };
  return (
    <div className="relative w-fit max-w-full touch-none select-none">
      {/* eslint-disable-next-line @next/next/no-img-element -- it lies in the workshop’s own file */}
      <img src={src} alt={says} className="block max-h-[360px] w-auto max-w-full" draggable={false} />
      <svg
        aria-hidden
        viewBox="0 0 1 1"
        preserveAspectRatio="none"
        className="pointer-events-none absolute inset-0 h-full w-full"
      >
        <polygon
          points={CORNERS.map((corner) => `${corners[corner].x},${corners[corner].y}`).join(' ')}
          fill="none"
          stroke="currentColor"
          className="text-primary"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {CORNERS.map((corner) => (
        <button
          key={corner}
          type="button"
          aria-label={`Corner ${FRONT_WORDS.corner(corner)}`}
          className="absolute size-8 -translate-x-1/2 -translate-y-1/2 cursor-grab rounded-full border-2 border-primary bg-primary/25 focus-visible:outline-2 focus-visible:outline-offset-2 focus-visible:outline-primary"
          style={{ left: `${100 * corners[corner].x}%`, top: `${100 * corners[corner].y}%` }}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={drag(corner)}
          onKeyDown={nudge(corner)}
        />
      ))}
    </div>
  );
}
