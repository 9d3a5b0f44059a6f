import { Bench } from '@/features/bench/Bench';
import { brokenJobs } from '@/server/jobReading';
import { openWorkshop } from '@/server/openWorkshop';
import { benchRows, houseRules } from '@/server/workshopCases';

export default function BenchPage() {
  const workshop = openWorkshop();
  return (
    <Bench
      rows={benchRows(workshop)}
      broken={brokenJobs(workshop)}
      workshop={houseRules(workshop).rules.workshop}
      nowMs={workshop.now().getTime()}
    />
  );
}
