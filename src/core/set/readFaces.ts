/* Faces of several canvases as they are typed in a line. */
import { printedRange } from '../quantities/printed';
import { isTyped, limitsOf } from '../quantities/quantities';
import { type Length, type LengthUnit, RECORD_TAPE, parseLength, printTyped } from '../units/length';
import { type Parsed, parsed, refused } from '../units/result';

export interface FaceTyped {
  width: Length;
  height: Length;
}

/** A face with how many there are of it: "2 of 400 × 600", "24 1/2 x 36". */
const FACE = /^(?:(\d+)\s*of\s+)?(.+?)\s*(?:×|x|\*|\bby\b)\s*(.+)$/i;

/**
 * Reads faces in their order: "2 of 400 × 600; 300 × 600".
 *
 * @param unit of a bare length
 * @param most canvases there may be
 * @example readFaces('2 of 40 cm x 600; 300 by 600', 'mm', 60).value.length // 3
 */
export function readFaces(typed: string, unit: LengthUnit, most: number): Parsed<FaceTyped[]> {
  const faces: FaceTyped[] = [];
  for (const piece of typed
    .split(/[;\n]/)
    .map((text) => text.trim())
    .filter(Boolean)) {
    const [, count = '1', first = '', second = ''] = FACE.exec(piece) ?? [];
    const [width, height] = [parseLength(first, unit), parseLength(second, unit)];
    const inRange = ({ mm }: Length) => isTyped('faceLength', mm);
    if (!width.ok || !height.ok) return refused(piece, 'is no face', 'Type width × height, such as 400 × 600 or 2 of 400 × 600.');
    if (!inRange(width.value) || !inRange(height.value))
      return refused(
        piece,
        'is no face we stretch',
        `A side is ${printedRange('faceLength', ...limitsOf('faceLength'), RECORD_TAPE)}: check the unit.`,
      );
    if (Number(count) < 1 || faces.length + Number(count) > most)
      return refused(piece, 'are too many or none', `A set has 2 to ${most} canvases.`);
    faces.push(...Array.from({ length: Number(count) }, () => ({ width: width.value, height: height.value })));
  }
  return faces.length >= 2 ? parsed(faces) : refused(typed, 'is one canvas', 'A set has two at least.');
}

/** Faces as `readFaces` reads them, the same ones that follow one another together. */
export function printFaces(faces: readonly FaceTyped[]): string {
  const runs: { face: string; count: number }[] = [];
  for (const { width, height } of faces) {
    const face = `${printTyped(width)} × ${printTyped(height)}`;
    const last = runs.at(-1);
    if (last?.face === face) last.count += 1;
    else runs.push({ face, count: 1 });
  }
  return runs.map(({ face, count }) => (count === 1 ? face : `${count} of ${face}`)).join('; ');
}
