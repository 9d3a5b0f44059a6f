import { labelFile, setLabelFile, stripFile } from '@/server/print/markFiles';
import { openWorkshop } from '@/server/openWorkshop';
import { workshopOf } from '@/server/job/practice';
import { templateFile } from '@/server/print/templateFile';
import { markReader } from './markReader';
import { printedAnswer } from './printedAnswer';

/** The back label of a canvas, true to size: PDF or SVG. */
export async function label(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return printedAnswer(await labelFile(workshopOf(id), id, query, await markReader()));
}

/** A marking strip of a canvas, true to size: PDF, SVG or DXF. */
export async function strip(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return printedAnswer(await stripFile(workshopOf(id), id, query, await markReader()));
}

/** The corner template of a job, true to size: PDF, SVG or DXF. */
export async function template(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return printedAnswer(await templateFile(workshopOf(id), id, query));
}

/** The back labels of a set, true to size. */
export async function setLabels(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const query = new URL(request.url).searchParams;
  return printedAnswer(await setLabelFile(openWorkshop(), id, query, await markReader()));
}
