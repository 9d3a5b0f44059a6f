'use client';
/*
 * One job: the run of the work at the left, the drawing of the open stage in the middle, the slip at the right.
 * Everything on it is worked out from what is typed, at every keystroke.
 */
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { ErrorBoundary } from 'react-error-boundary';
import { useDeferredValue, useMemo, useState } from 'react';
import { isPractice } from '@/core/job/practice';
import { type View, sideWords } from '@/core/job/sideWords';
import { SideWordsProvider } from '@/ui/drawing/SideWordsContext';
import type { RackBar } from '@/core/frame/sawing/rack';
import { type StageId } from '@/core/stages/stages';
import { type HouseLessons, caseOf } from '@/core/case/jobCase';
import type { JobCut, StoredCloth } from '@/db/clothSheets';
import type { Air } from '@/server/air/airWrites';
import { standingEntries } from '@/core/log/jobHistory';
import { LOOK_PHOTOGRAPH } from '@/core/log/logEntry';
import type { JobWithLog } from '@/server/job/jobReading';
import { FormScope } from '@/ui/form/Form';
import { useNow } from '@/ui/useNow';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { Filed } from '@/server/set/setPages';
import { NOT_READ } from '../AirFields';
import { ArchiveJob } from './header/ArchiveJob';
import { BrokenSheet } from './BrokenSheet';
import { DeleteJob } from './header/DeleteJob';
import type { DraftState, JobDraft } from './draft/jobDraft';
import { JobHeader } from './header/JobHeader';
import { JobSlipColumn } from './slip/JobSlipColumn';
import { PracticeLine } from './header/PracticeLine';
import { StageRun } from './header/StageRun';
import { StageSheet } from './StageSheet';
import { closedWords, stageMarks, stageNotes } from './stageWords';
import { WaitingLines } from './record/WaitingLines';
import { useJobDraft } from './draft/useJobDraft';
import { useRecords } from './record/useRecords';
import { useJobKeys } from './useJobKeys';
import { useJobNews } from './draft/useJobNews';

/** Loaded for a canvas that is stretched. */
const TakeDown = dynamic(() => import('./header/TakeDown').then((module) => module.TakeDown));
/** Loaded when somebody else saved in between. */
const StaleDialog = dynamic(() => import('./draft/StaleDialog').then((module) => module.StaleDialog));

interface JobPageProps {
  first: JobWithLog;
  rack: RackBar[];
  cloth: StoredCloth[];
  /** What was cut for this job already. */
  cut: JobCut | null;
  /** What the records of this house taught so far. */
  lessons: HouseLessons;
  air: Air;
  /** Entries whose taps were kept as sound. */
  recordings: string[];
  filed: Filed;
  /** The stage that is opened; null for the one that is next. */
  stage: StageId | null;
  nowMs: number;
}

/** The draft of a job outlives whatever breaks in drawing it: what was typed is still there, and saved. */
export function JobPage(props: JobPageProps) {
  const [state, draft] = useJobDraft(props.first.job);
  return (
    <ErrorBoundary
      resetKeys={[state.inputs]}
      fallbackRender={({ resetErrorBoundary }) => <BrokenSheet save={state.save} undo={draft.undo} again={resetErrorBoundary} />}
    >
      <JobDesk {...props} state={state} draft={draft} />
    </ErrorBoundary>
  );
}

interface JobDeskProps extends JobPageProps {
  state: DraftState;
  draft: JobDraft;
}

function JobDesk({
  first,
  rack,
  cloth,
  cut,
  lessons,
  air,
  recordings,
  filed,
  stage,
  nowMs: serverNow,
  state,
  draft,
}: JobDeskProps) {
  const router = useRouter();
  const { rules, tape, maker, looksOn } = useWorkshop();
  const nowMs = useNow(serverNow);
  const { inputs } = state;
  const records = useRecords(first, draft, maker);
  const { log, keep, withdraw } = records;
  const photographs = useMemo(() => standingEntries(log).flatMap(({ id, of }) => (of === LOOK_PHOTOGRAPH ? [id] : [])), [log]);
  const told = useJobNews(first.job.id, draft, { last: log.at(-1)?.id ?? null, busy: records.busy });
  const [view, setView] = useState<View>('back');
  const [step, setStep] = useState(1);
  const [readAir, setReadAir] = useState(NOT_READ);

  const minuteMs = nowMs - (nowMs % 60_000);
  const here = useMemo(
    () => caseOf({ inputs }, log, { rules, tape, lessons, view }, minuteMs),
    [inputs, log, rules, tape, lessons, view, minuteMs],
  );
  const { progress, plan, next } = here;
  const [open, setOpen] = useState<StageId>(
    stage !== null && progress.run.includes(stage) ? stage : (progress.now ?? 'handover'),
  );

  const say = sideWords(here.viewOf(open));
  // The slip answers each key at once; the drawing follows in the next free moment, a brace under the hand at once.
  const later = useDeferredValue(here);
  const calm = open === 'bars' ? here : later;
  const total = plan.fasten.route.steps.length;
  const current = Math.min(step, total);
  const openStage = (id: StageId) => {
    setOpen(id);
    setReadAir(NOT_READ);
    records.clear();
    void draft.flush();
  };
  useJobKeys({
    run: progress.run,
    open,
    openStage,
    step: current,
    total,
    setStep,
    toggleView: () => setView(view === 'back' ? 'front' : 'back'),
    undo: draft.undo,
    atBench: () => void draft.flush().then(() => router.push(`/job/${first.job.id}/bench`)),
  });

  const stopped =
    progress.now !== null && here.verdictsOf(progress.now).some((one) => one.level === 'stop' && one.measured !== null);
  return (
    <FormScope>
      <SideWordsProvider value={say}>
        <main className="flex min-h-0 flex-1 flex-col">
          <JobHeader
            number={first.job.number}
            jobId={first.job.id}
            state={state}
            told={told}
            undo={draft.undo}
            nowMs={nowMs}
            slackDays={here.slack?.days ?? null}
            finished={progress.now === null}
            set={filed.set}
            stretched={progress.done.has('fasten')}
            deleteButton={
              isPractice(first.job.id) ? null : log.length === 0 ? (
                <DeleteJob jobId={first.job.id} draft={draft} />
              ) : (
                <>
                  {progress.done.has('fasten') && !filed.archived && (
                    <TakeDown jobId={first.job.id} here={here} maker={maker} draft={draft} />
                  )}
                  <ArchiveJob jobId={first.job.id} number={first.job.number} archived={filed.archived} draft={draft} />
                </>
              )
            }
          />
          <PracticeLine jobId={first.job.id} />
          <WaitingLines records={records} />
          <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[158px_minmax(0,1fr)_372px]">
            <StageRun
              run={progress.run}
              painted={progress.painted}
              open={open}
              marks={stageMarks(progress, next, stopped)}
              notes={stageNotes(progress, plan, next)}
              onOpen={openStage}
            />
            <StageSheet
              jobId={first.job.id}
              open={open}
              live={here.inputs}
              inputs={calm.inputs}
              plan={calm.plan}
              progress={calm.progress}
              view={view}
              onView={setView}
              step={Math.min(step, calm.plan.fasten.route.steps.length)}
              onStep={setStep}
              nowMs={nowMs}
              rack={rack}
              ticked={inputs.kit}
              onTick={draft.setKit}
              onChange={draft.change}
              air={air}
              readAir={readAir}
              recordings={recordings}
              lessons={lessons}
              photographs={photographs}
              onKeep={keep}
              onWithdraw={withdraw}
              onStage={openStage}
            />
            <JobSlipColumn
              key={first.job.id}
              jobId={first.job.id}
              here={here}
              together={filed.set?.count ?? 1}
              open={open}
              onOpen={setOpen}
              view={view}
              draft={draft}
              records={records}
              cloth={cloth}
              cut={cut}
              closed={closedWords(log, filed.archived, looksOn)}
              air={air}
              readAir={readAir}
              onReadAir={setReadAir}
            />
          </div>
          {state.save === 'stale' && <StaleDialog state={state} draft={draft} />}
        </main>
      </SideWordsProvider>
    </FormScope>
  );
}
