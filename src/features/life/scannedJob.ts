/* A label that is scanned: the code found in a picture, and the canvas that it names. */
import { decodeQR } from 'qr/decode.js';

/** Longest side of what is searched, px: a label fills a good part of it. */
const MOST_PX = 1200;

/** What the code in a picture says; null where none is found. */
export function codeIn({ data, width, height }: Pick<ImageData, 'data' | 'width' | 'height'>): string | null {
  try {
    return decodeQR({ data, width, height });
  } catch {
    return null;
  }
}

/** The pixels of a picture or a frame of the camera, no larger than needed. */
export function pixelsOf(source: CanvasImageSource, width: number, height: number): ImageData {
  const scale = Math.min(1, MOST_PX / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const pen = canvas.getContext('2d', { willReadFrequently: true })!;
  pen.fillStyle = '#ffffff';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(source, 0, 0, canvas.width, canvas.height);
  return pen.getImageData(0, 0, canvas.width, canvas.height);
}

/**
 * The id of the canvas that a label names; null where it is no label of such a workshop.
 *
 * @example scannedJob('http://localhost:4000/job/abc-1') // 'abc-1'
 */
export function scannedJob(text: string): string | null {
  try {
    return /^\/job\/([A-Za-z0-9][A-Za-z0-9._-]{0,63})\/?$/.exec(new URL(text).pathname)?.[1] ?? null;
  } catch {
    return null;
  }
}
