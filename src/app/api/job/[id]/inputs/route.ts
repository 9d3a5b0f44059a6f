import { saveInputsAction } from '@/server/actions';
import { jobAlone } from '@/server/jobReading';
import { workshopOf } from '@/server/practice';

/** Inputs of a job are some ten kilobytes. */
const MOST_LETTERS = 1_000_000;

/** The job as it stands, for a page that is shown again. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const job = jobAlone(workshopOf(id), id);
  return job
    ? Response.json(job, { headers: { 'cache-control': 'no-store' } })
    : Response.json({ says: 'No such job.' }, { status: 404 });
}

/** What was typed last, sent by a page that is being left. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
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
    typeof saveInputsAction
  >[0];
  const outcome = await saveInputsAction({ requestId, jobId: id, revision, inputs });
  return Response.json(outcome, { status: outcome.ok ? 200 : 409 });
}
