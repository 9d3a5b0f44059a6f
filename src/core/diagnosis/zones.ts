/* Where on a canvas a sign is seen. */
import type { Side } from '../job/sides';

export type ZoneKind = 'corner' | 'side' | 'middle';

/** Nine places of the canvas, seen from the front. */
export type Zone = Side | 'topLeft' | 'topRight' | 'bottomRight' | 'bottomLeft' | 'middle';

export const ZONES: readonly { id: Zone; name: string; kind: ZoneKind; x: 0 | 0.5 | 1; y: 0 | 0.5 | 1 }[] = [
  { id: 'topLeft', name: 'top left corner', kind: 'corner', x: 0, y: 0 },
  { id: 'top', name: 'top side', kind: 'side', x: 0.5, y: 0 },
  { id: 'topRight', name: 'top right corner', kind: 'corner', x: 1, y: 0 },
  { id: 'right', name: 'right side', kind: 'side', x: 1, y: 0.5 },
  { id: 'bottomRight', name: 'bottom right corner', kind: 'corner', x: 1, y: 1 },
  { id: 'bottom', name: 'bottom side', kind: 'side', x: 0.5, y: 1 },
  { id: 'bottomLeft', name: 'bottom left corner', kind: 'corner', x: 0, y: 1 },
  { id: 'left', name: 'left side', kind: 'side', x: 0, y: 0.5 },
  { id: 'middle', name: 'middle', kind: 'middle', x: 0.5, y: 0.5 },
];
