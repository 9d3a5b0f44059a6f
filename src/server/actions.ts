'use server';
/* The one way in for writes from the screens: action → checked request → write → repository, carried out once. */
import { headers } from 'next/headers';
import { SIGNED_OUT, askedBy, looksOn } from './network/asking';
import { isPractice } from '@/core/job/practice';
import { practiseAgain, workshopOf } from './job/practice';
import { openWorkshop } from './openWorkshop';
import { type Outcome, refuse } from './write/outcome';
import type { FileRequest, FileRequestName } from './file/fileRequests';
import { type FileAnswer, actOnFile } from './file/fileActs';
import { tendStates } from './job/tendStates';
import type { Workshop } from './workshop';
import { type Answer, type RequestName, type Sent, carryOut } from './writes';

/** Plain objects only may cross to the browser: whatever else stands in an answer is flattened. */
async function answered<O extends { ok: boolean }>(plain: unknown, act: (workshop: Workshop) => Promise<O>): Promise<O> {
  const house = askedBy(openWorkshop(), await headers());
  if (!house) return refuse(SIGNED_OUT) as unknown as O;
  const jobId = (plain as { jobId?: unknown } | null)?.jobId;
  const workshop = typeof jobId === 'string' && isPractice(jobId) ? { ...workshopOf(jobId), device: house.device } : house;
  const outcome = await act(workshop);
  if (outcome.ok) void tendStates(workshop);
  return JSON.parse(JSON.stringify(outcome)) as O;
}

/** A write by its name: one of `WRITES`. */
export const writeAction = async <N extends RequestName>(name: N, plain: Sent<N>): Promise<Outcome<Answer<N>>> =>
  answered(plain, (workshop) => carryOut(workshop, name, plain));

/** What is done with the file as a whole, or with the door, by its name: one of `FILE_REQUESTS`. */
export const fileAction = async <N extends FileRequestName>(name: N, plain: FileRequest<N>): Promise<FileAnswer<N>> =>
  answered(plain, (workshop) => actOnFile(workshop, name, plain));

/** Begins the practice canvas anew; whoever looks on leaves it to those who practise. */
export const practiseAgainAction = async (): Promise<void> => {
  const house = askedBy(openWorkshop(), await headers());
  if (house && !looksOn(house)) practiseAgain();
};
