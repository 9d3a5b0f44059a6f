/*
 * A photograph of a canvas, turned and leaning as it was taken, laid flat: its four corners as they were pointed out go to the
 * corners of the face. Plane to plane by a projective map; the lens is taken for one without distortion. Standard result.
 */
import { CORNERS, type Corner, type Point2 } from '../frame/square/corners';
import { solveDense } from '../linear/dense';
import { type ShapeOf, each, number, part } from '../shape/shape';

/** A corner on a photograph, as parts of its width and height from the top left. */
const cornerShape = { x: number(0, 1), y: number(0, 1) };
export const photographCornersShape = each(CORNERS, part('photographCorner', cornerShape));
export interface PhotographCorners extends ShapeOf<typeof photographCornersShape> {}

/** Where corners stand that nobody pointed out: a little within the photograph. */
export const UNPLACED: PhotographCorners = {
  topLeft: { x: 0.1, y: 0.1 },
  topRight: { x: 0.9, y: 0.1 },
  bottomRight: { x: 0.9, y: 0.9 },
  bottomLeft: { x: 0.1, y: 0.9 },
};

/** Four corners in their order round the image that do not fold over themselves. */
export function areCorners(corners: PhotographCorners): boolean {
  return CORNERS.every((corner, index) => {
    const [before, here, after] = [CORNERS[(index + 3) % 4]!, corner, CORNERS[(index + 1) % 4]!].map((one) => corners[one]) as [
      Point2,
      Point2,
      Point2,
    ];
    return (here.x - before.x) * (after.y - here.y) - (here.y - before.y) * (after.x - here.x) > LEAST_TURN;
  });
}
/** Of the area of the photograph: flatter corners make no image. */
const LEAST_TURN = 1e-4;

/**
 * The map that lays a photograph flat, as the nine numbers of a projective map by rows, the last one 1.
 *
 * @param corners as they lie on the photograph, px or any other measure
 * @param face what they go to: its width and height, its top left corner at the origin
 * @returns null where the four lie in no such order
 */
export function straightened(corners: Record<Corner, Point2>, face: { width: number; height: number }): number[] | null {
  const rows = CORNERS.flatMap((corner) => {
    const { x, y } = corners[corner];
    const [u, v] = [corner.endsWith('Right') ? face.width : 0, corner.startsWith('bottom') ? face.height : 0];
    return [
      { row: [x, y, 1, 0, 0, 0, -u * x, -u * y], right: u },
      { row: [0, 0, 0, x, y, 1, -v * x, -v * y], right: v },
    ];
  });
  const found = solveDense(
    rows.map(({ row }) => row),
    rows.map(({ right }) => right),
    1e-12,
  );
  return found && [...found, 1];
}

/**
 * Where a place of a photograph goes to.
 *
 * @example laidFlat([2, 0, -20, 0, 2, -40, 0, 0, 1], { x: 60, y: 70 }) // { x: 100, y: 100 }
 */
export function laidFlat(map: readonly number[], { x, y }: Point2): Point2 {
  const [a, b, c, d, e, f, g, h, i] = map as [number, number, number, number, number, number, number, number, number];
  const depth = g * x + h * y + i;
  return { x: (a * x + b * y + c) / depth, y: (d * x + e * y + f) / depth };
}
