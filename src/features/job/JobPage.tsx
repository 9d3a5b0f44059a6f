'use client';
/*
 * One job: the run of the work at the left, the drawing of the open stage in the middle, the slip at the right.
 * Everything on it is worked out from what is typed, at every keystroke.
 */
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { ErrorBoundary } from 'react-error-boundary';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { type View, sideWords } from '@/core/job/sideWords';
import { SideWordsProvider } from '@/ui/SideWordsContext';
import { recordStepAction, withdrawRecordAction } from '@/server/actions';
import type { RackBar } from '@/core/frame/sawing/rack';
import { type StageId, stageActs, stageById } from '@/core/stages/stages';
import { type HouseLessons, caseOf } from '@/core/case/jobCase';
import { progressOf } from '@/core/case/progress';
import { length } from '@/core/units/length';
import type { JobCut, StoredCloth } from '@/db/clothSheets';
import type { Air } from '@/server/airCases';
import type { JobWithLog } from '@/server/jobReading';
import type { Outcome } from '@/server/outcome';
import { FieldErrorsProvider } from '@/ui/fieldErrors';
import { Figure } from '@/ui/Figure';
import { useNow } from '@/ui/useNow';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { CutFrom, NOT_STORED, clothThatFits } from './cloth/CutFrom';
import { BrokenSheet } from './BrokenSheet';
import { type DraftState, type JobDraft, refusalWords } from './jobDraft';
import { JobHeader } from './JobHeader';
import { NO_WORDS, Recorded, RecordBar, type RecordWords } from './RecordBar';
import { SLIPS } from './slips';
import { StageRun } from './StageRun';
import { StageSheet } from './StageSheet';
import { earlyWords, keepsWords, stageMarks, stageNotes } from './stageWords';
import { useJobDraft } from './useJobDraft';
import { useJobKeys } from './useJobKeys';
import type { Keep } from './keep';

/** Loaded when somebody else saved in between. */
const StaleDialog = dynamic(() => import('./StaleDialog').then((module) => module.StaleDialog));

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
  nowMs: number;
}

/** The draft of a job outlives whatever breaks in drawing it: what was typed is still there, and saved. */
export function JobPage(props: JobPageProps) {
  const [state, draft] = useJobDraft(props.first.job);
  return (
    <ErrorBoundary
      resetKeys={[state.inputs]}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <BrokenSheet error={error as Error} save={state.save} undo={draft.undo} again={resetErrorBoundary} />
      )}
    >
      <JobDesk {...props} state={state} draft={draft} />
    </ErrorBoundary>
  );
}

interface JobDeskProps extends JobPageProps {
  state: DraftState;
  draft: JobDraft;
}

function JobDesk({ first, rack, cloth, cut, lessons, air, recordings, nowMs: serverNow, state, draft }: JobDeskProps) {
  const router = useRouter();
  const { rules, tape, maker } = useWorkshop();
  const nowMs = useNow(serverNow);
  const { inputs } = state;
  const [{ log, from }, setLog] = useState({ log: first.log, from: first.log });
  // A newer log from the server, after a refresh, takes the place of the one in hand.
  if (from !== first.log) setLog({ log: first.log, from: first.log });
  const [failure, setFailure] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [view, setView] = useState<View>('back');
  const [step, setStep] = useState(1);
  const [wordsOf, setWordsOf] = useState<Record<string, RecordWords>>({});
  const slip = useRef<HTMLElement>(null);
  const [pickedCloth, pickCloth] = useState<string | null>(null);

  const minuteMs = nowMs - (nowMs % 60_000);
  const here = useMemo(
    () => caseOf({ inputs }, log, { rules, tape, lessons, view }, minuteMs),
    [inputs, log, rules, tape, lessons, view, minuteMs],
  );
  const { progress, plan, next } = here;
  const [open, setOpen] = useState<StageId>(progress.now ?? 'handover');

  const done = progress.done.has(open);
  const entry = here.entryOf(open);
  const locked = here.isFrozen(open);
  const say = sideWords(here.viewOf(open));
  // The slip answers each key at once; the drawing follows in the next free moment, a brace under the hand at once.
  const later = useDeferredValue(here);
  const calm = open === 'bars' ? here : later;
  const total = plan.fasten.route.steps.length;
  const current = Math.min(step, total);
  const { answer, answerNote } = plan[open];
  const verdicts = here.verdictsOf(open);

  const cutsNow = open === 'cloth' && !done && !plan.cloth.painted;
  const clothId = pickedCloth ?? clothThatFits(cloth, inputs.cloth.fabric, plan.cloth.fit)?.id ?? NOT_STORED;

  const openStage = (id: StageId) => {
    setOpen(id);
    setFailure(null);
    void draft.flush();
  };
  useJobKeys({
    open,
    openStage,
    step: current,
    total,
    setStep,
    toggleView: () => setView(view === 'back' ? 'front' : 'back'),
    undo: draft.undo,
  });

  const settle = async (act: (revision: number) => Promise<Outcome<JobWithLog>>, then: (value: JobWithLog) => void) => {
    setBusy(true);
    setFailure(null);
    try {
      if (!(await draft.flush())) return setFailure('What was typed is not saved yet: see above.');
      const outcome = await act(draft.read().revision);
      if (outcome.ok) then(outcome.value);
      else if (outcome.kind === 'stale') draft.meet(outcome.theirs);
      else setFailure(refusalWords(outcome));
    } catch (error) {
      setFailure(`The server does not answer (${(error as Error).message}). Nothing is lost: try again.`);
    } finally {
      setBusy(false);
    }
  };
  const took = ({ job, log: newLog }: JobWithLog) => {
    draft.take(job, false);
    setLog({ log: newLog, from: first.log });
    router.refresh();
  };
  const record = (note: string, reason: string) =>
    settle(
      (revision) =>
        recordStepAction({
          jobId: first.job.id,
          revision,
          stage: open,
          maker,
          note,
          reason,
          unit: tape.unit,
          view,
          clothId: cutsNow && !cut && clothId !== NOT_STORED ? clothId : null,
        }),
      (value) => {
        took(value);
        const after = progressOf(value.job.inputs, value.log);
        if (after.done.has(open) && after.now) setOpen(after.now);
        setWordsOf(({ [wordsKey]: _said, ...others }) => others);
        // The button that was pressed is gone: the keys go on at the head of the slip.
        slip.current?.focus();
      },
    );
  const keep: Keep = async (act) => {
    let kept = false;
    await settle(
      (revision) => act({ jobId: first.job.id, revision, maker }),
      (value) => {
        took(value);
        kept = true;
      },
    );
    return kept;
  };
  const withdraw = (reason: string) =>
    entry &&
    settle((revision) => withdrawRecordAction({ jobId: first.job.id, revision, entryId: entry.id, maker, reason }), took);

  const wordsKey = `${open} ${progress.coatsDone}`;
  const Slip = SLIPS[open];
  const acts = stageActs(open, plan.cloth.painted);
  const stopped =
    progress.now !== null && here.verdictsOf(progress.now).some((one) => one.level === 'stop' && one.measured !== null);
  const print = async () => {
    await draft.flush();
    window.open(`/job/${first.job.id}/slip`, '_blank', 'noopener');
  };
  return (
    <FieldErrorsProvider>
      <SideWordsProvider value={say}>
        <main className="flex min-h-0 flex-1 flex-col">
          <JobHeader
            number={first.job.number}
            jobId={first.job.id}
            state={state}
            undo={draft.undo}
            nowMs={nowMs}
            slackDays={here.slack?.days ?? null}
            finished={progress.now === null}
          />
          <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[158px_minmax(0,1fr)_372px]">
            <StageRun
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
              recordings={recordings}
              onKeep={keep}
              onStage={openStage}
            />
            <section
              ref={slip}
              tabIndex={-1}
              aria-label={`${stageById(open).name}, slip`}
              className="flex min-h-0 flex-col gap-2 bg-base-100 px-5 py-3 bench:border-l bench:border-[var(--hair)]"
            >
              <div>
                <h2 className="soft text-[14px] font-normal">{acts.act}</h2>
                <p className="figure text-[34px] leading-10 font-semibold" data-testid="answer">
                  <Figure>{answer}</Figure>
                </p>
                <p className="figure soft text-[14.5px] leading-5">
                  <Figure>{answerNote}</Figure>
                </p>
              </div>
              <div className="relative min-h-0 flex-1 space-y-3 overflow-y-auto pr-1 pb-1">
                <Slip
                  key={open}
                  inputs={here.inputs}
                  plan={plan}
                  coatsDone={progress.coatsDone}
                  locked={locked}
                  fastened={progress.done.has('fasten')}
                  change={draft.change}
                  onKeep={keep}
                  air={air.now}
                />
                {cutsNow && (
                  <CutFrom
                    cloth={cloth}
                    fabric={inputs.cloth.fabric}
                    fit={plan.cloth.fit}
                    rollWidthMm={here.inputs.cloth.rollWidth.mm}
                    cut={cut}
                    chosen={clothId}
                    onChoose={(one) => {
                      pickCloth(one?.id ?? NOT_STORED);
                      if (one) draft.change('cloth', { rollWidth: length(one.widthMm, tape.unit) });
                    }}
                  />
                )}
                <VerdictList verdicts={verdicts} />
              </div>
              {done && entry ? (
                <Recorded
                  key={entry.id}
                  entry={entry}
                  keeps={keepsWords(progress, open)}
                  busy={busy}
                  error={failure}
                  onWithdraw={withdraw}
                  onPrint={print}
                />
              ) : (
                <RecordBar
                  key={wordsKey}
                  words={wordsOf[wordsKey] ?? NO_WORDS}
                  onWords={(words) => setWordsOf({ ...wordsOf, [wordsKey]: words })}
                  label={acts.record}
                  verdicts={verdicts}
                  early={earlyWords(progress, open)}
                  busy={busy}
                  error={failure}
                  onRecord={record}
                  onPrint={print}
                  last={open === 'prime' ? entry : null}
                  onWithdraw={withdraw}
                />
              )}
            </section>
          </div>
          {state.save === 'stale' && state.theirs && (
            <StaleDialog
              mine={inputs}
              theirs={state.theirs}
              onTake={(keepMine) => {
                draft.take(state.theirs!, keepMine);
                router.refresh();
              }}
            />
          )}
        </main>
      </SideWordsProvider>
    </FieldErrorsProvider>
  );
}
