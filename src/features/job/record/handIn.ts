/*
 * What was recorded, measured and noted on a job, on its way to the workshop: each with what was typed when it was done, which is
 * saved first, and on the version that it was first sent on.
 */
import type { JobWithLog } from '@/server/job/jobReading';
import type { Outcome } from '@/server/write/outcome';
import { Outbox, type Sent, type SentOn, agoOf, sentOf } from '../../outbox/Outbox';
import { type OutboxEntry, type OutboxStore, jobLane } from '../../outbox/outboxStore';
import { sendPatiently } from '../../sender';
import type { JobDraft } from '../draft/jobDraft';
import type { KeptWrite } from './keep';

/** As it is sent: what was asked, of which job, on which version, and how long ago it was done. */
export interface HandedRequest {
  requestId: string;
  jobId: string;
  revision: number;
  agoMs: number | null;
}

export const SOMEBODY = 'Somebody saved or recorded on this canvas in between. Look at what stands now, then record again.';
export const UNSAVED = 'What was typed is not saved yet: see above.';

type Draft = Pick<JobDraft, 'read' | 'flush' | 'take' | 'meet'>;
type Ask = (write: KeptWrite, request: HandedRequest) => Promise<Outcome<JobWithLog>>;

/** The outbox of a job. @param ask sends one to the workshop */
export const jobOutbox = (store: OutboxStore, jobId: string, draft: Draft, ask: Ask): Outbox<JobWithLog> =>
  new Outbox(store, jobLane(jobId), (entry, sentOn) => handIn(entry, sentOn, jobId, draft, ask));

async function handIn(entry: OutboxEntry, sentOn: SentOn, jobId: string, draft: Draft, ask: Ask): Promise<Sent<JobWithLog>> {
  if (entry.inputs && !(await draft.flush(entry.inputs)))
    return draft.read().away ? { kind: 'waits' } : { kind: 'refused', says: UNSAVED };
  const known = draft.read().revision;
  const revision = await sentOn(known);
  const send = (on: number) =>
    sendPatiently(() =>
      ask(entry.write as KeptWrite, { ...entry.request, requestId: entry.requestId, jobId, revision: on, agoMs: agoOf(entry) }),
    );
  let outcome: Outcome<JobWithLog>;
  try {
    outcome = await send(revision);
    // It never arrived, and what was saved since was saved here.
    if (!outcome.ok && outcome.kind === 'stale' && outcome.theirs.revision === known && revision !== known)
      outcome = await send(await sentOn(known, 'anew'));
  } catch {
    return { kind: 'waits' };
  }
  // What was typed since stays; where nothing was, undo ends at the record.
  if (outcome.ok) draft.take(outcome.value.job, draft.read().save !== 'saved');
  else if (outcome.kind === 'stale') {
    draft.meet(outcome.theirs);
    return { kind: 'refused', says: SOMEBODY };
  }
  return sentOf(outcome);
}
