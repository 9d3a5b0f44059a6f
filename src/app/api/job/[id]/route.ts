import { jobFile, jobFileName, printJobFile } from '@/core/file/jobFile';
import { brokenJob, openJob } from '@/server/jobReading';
import { workshopOf } from '@/server/practice';
import { jobVariants } from '@/server/variantCases';
import { houseRules } from '@/server/workshopCases';

/** The open job file, for keeping or for another workshop. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const workshop = workshopOf(id);
  const broken = brokenJob(workshop, id);
  if (broken) return new Response(`No. ${broken.number} cannot be read. ${broken.because}`, { status: 409 });
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
