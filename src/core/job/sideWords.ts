/*
 * Sides, ends and corners in words, for somebody who looks at the canvas from the front or, the frame lying face down,
 * from the back: there left and right change places, top and bottom stay.
 */
import { CORNERS, type Corner, type DiagonalName } from '../frame/square/corners';
import { SIDES, type Side, isLevel } from './sides';

export const VIEWS = ['front', 'back'] as const;
export type View = (typeof VIEWS)[number];

export interface SideWords {
  view: View;
  /** Its own inverse: the side that is called so, too. */
  side: (side: Side) => Side;
  /** Sides and corners round the clock, from the top and the top left as they are seen. */
  sides: readonly Side[];
  corners: readonly Corner[];
  /** "top left". */
  corner: (corner: Corner) => string;
  /** Which of the two it is to the eye: down from the top left, or up from the bottom left; and back again. */
  seen: (name: DiagonalName) => DiagonalName;
  /** "top left to bottom right". */
  diagonal: (name: DiagonalName) => string;
  /** The first (0) or second (1) end of a side, counted from the left and the top of the front: "left", "upper". */
  end: (side: Side, index: number) => 'left' | 'right' | 'upper' | 'lower';
}

const MIRRORED: Record<Side, Side> = { top: 'top', right: 'left', bottom: 'bottom', left: 'right' };
const OTHER_CORNER: Record<Corner, Corner> = {
  topLeft: 'topRight',
  topRight: 'topLeft',
  bottomRight: 'bottomLeft',
  bottomLeft: 'bottomRight',
};

/**
 * The words as they hold for whoever looks from `view`.
 *
 * @example sideWords('back').side('left') // 'right'
 * @example sideWords('back').corner('topLeft') // 'top right'
 * @example sideWords('back').diagonal('down') // 'bottom left to top right'
 * @example sideWords('back').end('top', 0) // 'right'
 */
export const sideWords = (view: View = 'front'): SideWords => WORDS[view];

function wordsFrom(view: View): SideWords {
  const side = (one: Side): Side => (view === 'back' ? MIRRORED[one] : one);
  const [first, second] = [side('left'), side('right')];
  const seen = (name: DiagonalName): DiagonalName => ((name === 'down') === (view === 'front') ? 'down' : 'up');
  const end: SideWords['end'] = (of, index) => {
    if (isLevel(of)) return (index === 0 ? first : second) as 'left' | 'right';
    return index === 0 ? 'upper' : 'lower';
  };
  return {
    view,
    side,
    sides: SIDES.map(side),
    corners: CORNERS.map((corner) => (view === 'back' ? OTHER_CORNER[corner] : corner)),
    corner: (corner) => `${corner.startsWith('top') ? 'top' : 'bottom'} ${corner.endsWith('Left') ? first : second}`,
    seen,
    diagonal: (name) => (seen(name) === 'down' ? 'top left to bottom right' : 'bottom left to top right'),
    end,
  };
}

const WORDS: Record<View, SideWords> = { front: wordsFrom('front'), back: wordsFrom('back') };

/** The words for one who is told nothing else: the front, right way up. */
export const FRONT_WORDS = sideWords('front');
