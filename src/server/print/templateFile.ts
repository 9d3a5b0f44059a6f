/* The corner template of a job as a file: PDF on paper, SVG or DXF. */
import { FRONT_WORDS } from '@/core/job/sideWords';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { CORNERS, type Corner } from '@/core/frame/square/corners';
import { cornerPattern, cornerSize } from '@/core/stages/cloth/planFold';
import { cornerTemplateScene } from '@/drawing/corner/cornerTemplateScene';
import { sceneDxf } from '@/drawing/scene/sceneDxf';
import type { Scene } from '@/drawing/scene/scene';
import { scenePdf } from '@/drawing/scene/scenePdf';
import { sceneSvg } from '@/drawing/scene/sceneSvg';
import { caseOfJob, openJob } from '../job/jobReading';
import type { Workshop } from '../workshop';

export interface TemplateFile {
  name: string;
  type: string;
  body: string | Uint8Array;
}

/** A TrueType face with the signs of every drawing. */
export const FONT = join('node_modules', 'dejavu-fonts-ttf', 'ttf', 'DejaVuSans.ttf');

/**
 * The template of one corner.
 *
 * @param query `corner`, `format` (pdf, svg, dxf) and `paper` (a4, letter); what is not known falls to the first
 * @returns why there is none, as a sentence, when the job is gone, its fold is not cut or its margins do not give it
 */
export async function templateFile(workshop: Workshop, id: string, query: URLSearchParams): Promise<TemplateFile | string> {
  const found = openJob(workshop, id);
  if (!found) return 'No such job.';
  const { number } = found.job;
  const {
    inputs,
    plan: { cloth, bars },
    house: { tape },
  } = caseOfJob(workshop, found);
  const corner: Corner = CORNERS.find((one) => one === query.get('corner')) ?? 'topLeft';
  const parts = { profile: bars.profile, fabric: cloth.fabric, cut: cloth.cut, painting: cloth.painting };
  const pattern = cloth.painting ? null : cornerPattern(cloth.corners.fold, cornerSize(corner, inputs, parts));
  if (!pattern) return 'There is no template: a painting is never cut, and only trimmed and templated corners are.';
  const scene = cornerTemplateScene(pattern, corner, inputs.cloth.seams, tape);
  const name = `${number}-corner-${corner}`;
  const paper = paperOf(query);
  const title = `No. ${number}, ${FRONT_WORDS.corner(corner)} corner, on the back of the cloth`;
  return sceneFile(scene, query.get('format'), { drawn: name, printed: `${name}-${paper}` }, (font) =>
    scenePdf(scene, title, paper, font),
  );
}

/** The paper that is asked for; A4 where nothing is. */
export const paperOf = (query: URLSearchParams): 'a4' | 'letter' => (query.get('paper') === 'letter' ? 'letter' : 'a4');

/**
 * A scene as a file: SVG, DXF, or on paper where it is asked for as neither.
 *
 * @param names without their endings, of a drawing and of what is printed
 */
export async function sceneFile(
  scene: Scene,
  format: string | null,
  names: { drawn: string; printed: string },
  print: (font: Uint8Array) => Promise<Uint8Array>,
): Promise<TemplateFile> {
  if (format === 'svg') return { name: `${names.drawn}.svg`, type: 'image/svg+xml', body: sceneSvg(scene) };
  if (format === 'dxf') return { name: `${names.drawn}.dxf`, type: 'image/vnd.dxf', body: sceneDxf(scene) };
  return { name: `${names.printed}.pdf`, type: 'application/pdf', body: await print(await readFile(FONT)) };
}
