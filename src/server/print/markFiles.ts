/* What is printed to be laid or glued on the work: back labels, and marking strips, as files. */
import { readFile } from 'node:fs/promises';
import { SIDES, type Side } from '@/core/job/sides';
import { sideWords } from '@/core/job/sideWords';
import { backLabel } from '@/core/marks/backLabel';
import { LABEL_SIZES } from '@/core/marks/labelSizes';
import { marginLines, markingStrip, pairStrip } from '@/core/marks/markingStrip';
import type { JobCase } from '@/core/case/jobCase';
import type { Tape } from '@/core/units/length';
import { jobsOfSet } from '@/db/jobSets';
import { type LabelAt, labelScene, labelSheets } from '@/drawing/marks/labelScene';
import { labelPdf } from '@/drawing/marks/labelPdf';
import { PAPERS, scenePdf } from '@/drawing/scene/scenePdf';
import type { Scene } from '@/drawing/scene/scene';
import { sceneSvg } from '@/drawing/scene/sceneSvg';
import { marginStripScene, stripScene } from '@/drawing/marks/stripScene';
import { type JobWithLog, caseOfJob, openJob } from '../job/jobReading';
import { FONT, type TemplateFile, paperOf, sceneFile } from './templateFile';
import type { Workshop } from '../workshop';

/** Positions on a sheet of labels are counted from 1. */
const startOf = (query: URLSearchParams): number => {
  const typed = Number(query.get('start') ?? '1');
  return Number.isInteger(typed) && typed >= 1 && typed <= 100 ? typed - 1 : 0;
};

/** Who reads it: in which unit, and at which address this workshop is reached. */
export interface MarkReader {
  unit: Tape['unit'];
  origin: string;
}

const labelAt = (workshop: Workshop, found: JobWithLog, { unit, origin }: MarkReader): LabelAt => ({
  label: backLabel(caseOfJob(workshop, found, { unit, view: 'back' }), found.log, found.job.number),
  address: `${origin}/job/${found.job.id}`,
});

/**
 * The label of a canvas.
 *
 * @param query `size` (small, middle, large), `start` (position on the sheet, from 1), `paper` (a4, letter), `format` (pdf, svg)
 */
export async function labelFile(
  workshop: Workshop,
  id: string,
  query: URLSearchParams,
  reader: MarkReader,
): Promise<TemplateFile | string> {
  const found = openJob(workshop, id);
  if (!found) return 'No such job.';
  return labels([labelAt(workshop, found, reader)], `${found.job.number}-label`, query);
}

/** The labels of all canvases of a set, in one go; as `labelFile`. */
export async function setLabelFile(
  workshop: Workshop,
  setId: string,
  query: URLSearchParams,
  reader: MarkReader,
): Promise<TemplateFile | string> {
  const all = jobsOfSet(workshop.database, setId).flatMap((id) => {
    const found = openJob(workshop, id);
    return found ? [labelAt(workshop, found, reader)] : [];
  });
  if (all.length === 0) return 'No such set, or no canvas in it.';
  return labels(all, 'labels', query);
}

async function labels(all: LabelAt[], name: string, query: URLSearchParams): Promise<TemplateFile> {
  const size = LABEL_SIZES.find(({ id }) => id === query.get('size')) ?? LABEL_SIZES[1];
  const paper = paperOf(query);
  if (query.get('format') === 'svg' && all.length === 1)
    return { name: `${name}.svg`, type: 'image/svg+xml', body: sceneSvg(labelScene(all[0]!, size, PAPERS[paper])) };
  const sheets = labelSheets(all, size, Math.min(startOf(query), size.columns * size.rows - 1), PAPERS[paper]);
  const body = await labelPdf(sheets, `Back labels, ${size.name}`, await readFile(FONT));
  return { name: `${name}-${paper}.pdf`, type: 'application/pdf', body };
}

/** Which bars a strip is for. */
function stripsOf(here: JobCase, bars: string | null) {
  const of = (side: Side) => markingStrip(here, side);
  // In the order one sees them: top and bottom, then left and right as they lie on the bench.
  const seen: Side[] = ['top', 'bottom', 'right', 'left'];
  if (bars === 'pairs') return [pairStrip(of('top'), of('bottom')), pairStrip(of('right'), of('left'))];
  const one = SIDES.find((side) => side === bars);
  return one ? [of(one)] : seen.map(of);
}

/**
 * A marking strip of a canvas, for the back of its frame.
 *
 * @param query `carries` (fasteners, braces, margins), `bars` (all, pairs, or a side as seen from the front), `paper` (a4, letter),
 *   `format` (pdf, svg, dxf); what is not known falls to the first
 */
export async function stripFile(
  workshop: Workshop,
  id: string,
  query: URLSearchParams,
  { unit }: Pick<MarkReader, 'unit'>,
): Promise<TemplateFile | string> {
  const found = openJob(workshop, id);
  if (!found) return 'No such job.';
  const here = caseOfJob(workshop, found, { unit, view: 'back' });
  const carries = query.get('carries') === 'braces' ? 'braces' : query.get('carries') === 'margins' ? 'margins' : 'fasteners';
  if (carries === 'margins' && here.plan.cloth.painted)
    return 'A painting keeps its margins: there is no line to cut or fold by.';
  const scene =
    carries === 'margins' ? marginScene(here) : stripScene(stripsOf(here, query.get('bars')), carries, here.house.tape);
  const name = `${found.job.number}-${carries}-strip`;
  const title = `No. ${found.job.number}, marking strip, for the back`;
  const key = 'Full lines: fasteners and pilots. Grey: keep clear. Broken: edges of braces, folds.';
  return sceneFile(scene, query.get('format'), { drawn: name, printed: name }, (font) =>
    scenePdf(scene, title, `${paperOf(query)}Landscape`, font, key),
  );
}

function marginScene({ plan, house }: JobCase): Scene {
  const say = sideWords('back');
  const sides: Side[] = ['top', 'bottom', 'right', 'left'];
  return marginStripScene(
    sides.map((side) => ({
      name: `${say.side(side)} margin, seen from the back`,
      lines: marginLines(plan.cloth.cut.margins[side]),
    })),
    house.tape,
  );
}
