/** The sides of a canvas, named as seen from the front, right way up. */
export type Side = 'top' | 'right' | 'bottom' | 'left';
export const SIDES: readonly Side[] = ['top', 'right', 'bottom', 'left'];

/** The top and the bottom: their places are counted along x. */
export const isLevel = (side: Side): boolean => side === 'top' || side === 'bottom';

/** Something for every side. */
export const everySide = <T>(of: (side: Side) => T): Record<Side, T> => ({
  top: of('top'),
  right: of('right'),
  bottom: of('bottom'),
  left: of('left'),
});
