/* For tests: a page of a PDF as dots, by a renderer that knows nothing of us. */
import { DOMMatrix, ImageData, Path2D, createCanvas } from '@napi-rs/canvas';

export interface PrintedPage {
  width: number;
  height: number;
  /** Red, green, blue and alpha of each dot, row by row. */
  data: Uint8ClampedArray;
  isDark: (x: number, y: number) => boolean;
}

/** @param dpi dots to an inch */
export async function printedPage(bytes: Uint8Array, pageNumber: number, dpi: number): Promise<PrintedPage> {
  // The renderer takes these from the page it thinks it is on.
  Object.assign(globalThis, { DOMMatrix, ImageData, Path2D });
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const pdf = await getDocument({ data: bytes.slice(), disableFontFace: true, verbosity: 0 }).promise;
  const page = await pdf.getPage(pageNumber);
  const viewport = page.getViewport({ scale: dpi / 72 });
  const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
  await page.render({ canvas: null, canvasContext: canvas.getContext('2d') as never, viewport }).promise;
  const { data, width, height } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
  return { width, height, data: data as Uint8ClampedArray, isDark: (x, y) => data[4 * (y * width + x)]! < 160 };
}
