import type { Point } from '@/drawing/scene/scene';

/** A tenth of a pixel is fine enough. */
export const round = (value: number): number => Math.round(value * 10) / 10;

/** Points joined up, as the `d` of an SVG path. */
export const pathOf = (points: readonly Point[]): string =>
  points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('');
