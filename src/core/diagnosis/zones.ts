/* Where on a canvas a sign is seen. */
import type { Corner } from '../frame/square/corners';
import type { SideWords } from '../job/sideWords';
import type { Side } from '../job/sides';

export type ZoneKind = 'corner' | 'side' | 'middle';

/** Nine places of the canvas, seen from the front. */
export type Zone = Side | Corner | 'middle';

export const ZONES: readonly { id: Zone; kind: ZoneKind; x: 0 | 0.5 | 1; y: 0 | 0.5 | 1 }[] = [
  { id: 'topLeft', kind: 'corner', x: 0, y: 0 },
  { id: 'top', kind: 'side', x: 0.5, y: 0 },
  { id: 'topRight', kind: 'corner', x: 1, y: 0 },
  { id: 'right', kind: 'side', x: 1, y: 0.5 },
  { id: 'bottomRight', kind: 'corner', x: 1, y: 1 },
  { id: 'bottom', kind: 'side', x: 0.5, y: 1 },
  { id: 'bottomLeft', kind: 'corner', x: 0, y: 1 },
  { id: 'left', kind: 'side', x: 0, y: 0.5 },
  { id: 'middle', kind: 'middle', x: 0.5, y: 0.5 },
];

/**
 * A zone in words, as it is seen.
 *
 * @example zoneWords('topLeft', FRONT_WORDS) // 'top left corner'
 */
export function zoneWords(zone: Zone, say: SideWords): string {
  const { kind } = ZONES.find((one) => one.id === zone)!;
  if (kind === 'middle') return 'middle';
  return kind === 'corner' ? `${say.corner(zone as Corner)} corner` : `${say.side(zone as Side)} side`;
}
