import { jobFile, jobFileName, printJobFile } from '@/core/file/jobFile';
import { printPassport } from '@/core/life/passport';
import { writeAction } from '@/server/actions';
import { benchPlaceOf, photographOf } from '@/server/bench/benchWrites';
import { printRawJob } from '@/server/job/brokenJobs';
import { jobNews, newsStream } from '@/server/job/jobNews';
import { jobAlone, openJob } from '@/server/job/jobReading';
import { passport } from '@/server/life/passportWrites';
import { askedBy } from '@/server/network/asking';
import { openWorkshop } from '@/server/openWorkshop';
import { workshopOf } from '@/server/job/practice';
import { tapSound } from '@/server/reading/readingWrites';
import { jobVariants } from '@/server/variant/variantWrites';
import { houseRules } from '@/server/house/houseRuleWrites';

/** The open job file, for keeping or for another workshop. */
export async function jobFileAnswer(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const workshop = workshopOf(id);
  const found = openJob(workshop, id);
  if (!found) return new Response('No such job.', { status: 404 });
  const { revision: _revision, ...job } = found.job;
  return new Response(printJobFile(jobFile(job, found.log, houseRules(workshop).rules.materials, jobVariants(workshop, id))), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${jobFileName(job)}"`,
    },
  });
}

/** Inputs of a job are some ten kilobytes. */
const MOST_LETTERS = 1_000_000;

/** The job as it stands, for a page that is shown again. */
export async function jobInputs(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const job = jobAlone(workshopOf(id), id);
  return job
    ? Response.json(job, { headers: { 'cache-control': 'no-store' } })
    : Response.json({ says: 'No such job.' }, { status: 404 });
}

/** What was typed last, sent by a page that is being left. */
export async function lastTyped(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const text = await request.text();
  if (text.length > MOST_LETTERS) return Response.json({ says: 'That is too long for a job.' }, { status: 413 });
  let sent: unknown;
  try {
    sent = JSON.parse(text);
  } catch {
    return Response.json({ says: 'That is no JSON.' }, { status: 400 });
  }
  const { requestId, revision, inputs } = (typeof sent === 'object' && sent !== null ? sent : {}) as Parameters<
    typeof writeAction<'saveInputs'>
  >[1];
  const outcome = await writeAction('saveInputs', { requestId, jobId: id, revision, inputs });
  return Response.json(outcome, { status: outcome.ok ? 200 : 409 });
}

/** What other screens do to a job, as it happens. */
export async function news(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const workshop = workshopOf(id);
  if (!jobNews(workshop, id)) return new Response('No such job.', { status: 404 });
  const house = openWorkshop();
  const device = askedBy(house, request.headers)?.device;
  const mayHear = () => askedBy(house, request.headers) !== null;
  const stream = newsStream(workshop, id, request.signal, { id: device?.id ?? 'here', mayHear });
  if (!stream) return new Response('Too many pages of this device hear the news already: close some.', { status: 429 });
  return new Response(stream, {
    // Not packed on the way: news that wait to fill a packet are none.
    headers: { 'content-type': 'text/event-stream; charset=utf-8', 'cache-control': 'no-store, no-transform' },
  });
}

/** The passport of a canvas as a file, to give away with it. */
export async function passportAnswer(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const workshop = workshopOf(id);
  const made = passport(workshop, id);
  if (typeof made === 'string') return new Response(made, { status: 404 });
  const name = jobFileName(jobAlone(workshop, id)!).replace(/\.job\.json$/, '.passport.json');
  return new Response(printPassport(made), {
    headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': `attachment; filename="${name}"` },
  });
}

/** The photograph of a note. */
export async function photograph(
  _request: Request,
  { params }: { params: Promise<{ id: string; entryId: string }> },
): Promise<Response> {
  const { id, entryId } = await params;
  const jpeg = photographOf(workshopOf(id), id, entryId);
  if (!jpeg) return new Response('No such photograph.', { status: 404 });
  return new Response(new Uint8Array(jpeg), { headers: { 'content-type': 'image/jpeg' } });
}

/** The step that somebody stands at on a job, for a tab that is shown again; null where nobody did yet. */
export async function benchPlace(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  return Response.json(benchPlaceOf(workshopOf(id), id), { headers: { 'cache-control': 'no-store' } });
}

/** What is kept of a job, row for row, also where it cannot be read. */
export async function rawJob(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const text = printRawJob(workshopOf(id), id);
  if (text === null) return new Response('No such job.', { status: 404 });
  return new Response(text, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': 'attachment; filename="job-as-kept.json"',
    },
  });
}

/** The sound of a tap, as it was kept. */
export async function tap(
  _request: Request,
  { params }: { params: Promise<{ id: string; entryId: string; place: string }> },
): Promise<Response> {
  const { id, entryId, place } = await params;
  const wav = tapSound(workshopOf(id), id, entryId, place);
  if (!wav) return new Response('No such recording.', { status: 404 });
  return new Response(new Uint8Array(wav), {
    headers: { 'content-type': 'audio/wav', 'content-disposition': `attachment; filename="tap-${place}.wav"` },
  });
}
