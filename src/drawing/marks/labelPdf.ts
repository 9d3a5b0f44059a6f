/* Sheets of labels as a PDF at true size: each scene is a whole sheet of paper. */
import type { Scene } from '../scene/scene';
import { PT, drawMark, titledPdf } from '../scene/scenePdf';

/**
 * The file’s bytes.
 *
 * @param sheets scenes in mm of the paper, from its top left
 * @param fontBytes a TrueType face
 */
export async function labelPdf(sheets: readonly Scene[], title: string, fontBytes: Uint8Array): Promise<Uint8Array> {
  const { pdf, font } = await titledPdf(title, fontBytes);
  for (const { bounds, marks } of sheets) {
    const page = pdf.addPage([bounds.maxX * PT, bounds.maxY * PT]);
    for (const mark of marks) drawMark(page, font, mark, ({ x, y }) => ({ x: x * PT, y: (bounds.maxY - y) * PT }));
  }
  return pdf.save();
}
