'use client';
/*
 * A job at the bench: one step, one figure, the drawing as the frame lies. Worked out from the same case as its page, recorded
 * and saved the same way; where somebody stands is kept at every step.
 */
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { type BenchPlace, type Quarter, benchSteps, firstPlace, groupFrom, stepFrom, stepIndex } from '@/core/bench/benchRun';
import type { JobPatch } from '@/core/bench/benchStep';
import type { Spoken } from '@/core/bench/spoken';
import { type HouseLessons, type JobCase, caseOf } from '@/core/case/jobCase';
import type { JobInputs } from '@/core/job/job';
import { sideWords } from '@/core/job/sideWords';
import type { LogEntry } from '@/core/log/logEntry';
import { type StageId, stageActs } from '@/core/stages/stages';
import type { StoredPlace } from '@/db/benchPlaces';
import type { JobCut, StoredCloth } from '@/db/clothSheets';
import type { Air } from '@/server/air/airWrites';
import type { JobWithLog } from '@/server/job/jobReading';
import { FormScope } from '@/ui/form/Form';
import { SideWordsProvider } from '@/ui/drawing/SideWordsContext';
import { useNow } from '@/ui/useNow';
import { useWorkshop } from '@/ui/WorkshopContext';
import { clothThatFits } from '../job/cloth/CutFrom';
import { closedWords, earlyWords } from '../job/stageWords';
import { useMembraneWorker } from '../job/fasten/useMembraneRun';
import { useJobPulls } from '../job/fasten/usePullPlan';
import { useJobDraft } from '../job/draft/useJobDraft';
import { useJobNews } from '../job/draft/useJobNews';
import { PracticeLine } from '../job/header/PracticeLine';
import { WaitingLines } from '../job/record/WaitingLines';
import { useRecords } from '../job/record/useRecords';
import { BenchDrawing } from './BenchDrawing';
import { BenchTools } from './BenchTools';
import { NotePanel } from './NotePanel';
import { StepHead } from './StepHead';
import { StepPanel } from './StepPanel';
import { useBenchKeys } from './useBenchKeys';
import { useBenchPlace } from './useBenchPlace';
import { useBenchVoice } from './useBenchVoice';
import { useNote } from './useNote';
import { useTyping } from './useTyping';
import { useWakeLock } from './useWakeLock';

/** Loaded when somebody else saved in between. */
const StaleDialog = dynamic(() => import('../job/draft/StaleDialog').then((module) => module.StaleDialog));

interface BenchModeProps {
  first: JobWithLog;
  /** Where somebody stood last, or null. */
  place: StoredPlace | null;
  cloth: StoredCloth[];
  cut: JobCut | null;
  lessons: HouseLessons;
  air: Air;
  archived: boolean;
  /** Where one comes out. */
  backTo: string;
  nowMs: number;
}

export function BenchMode(props: BenchModeProps) {
  return (
    <FormScope>
      <Bench {...props} />
    </FormScope>
  );
}

function Bench({ first, place: kept, cloth, cut, lessons, air, archived, backTo, nowMs: serverNow }: BenchModeProps) {
  const router = useRouter();
  const { rules, tape, maker, looksOn } = useWorkshop();
  const nowMs = useNow(serverNow);
  const [state, draft] = useJobDraft(first.job);
  const records = useRecords(first, draft, maker);
  const { inputs } = state;
  const { log } = records;
  const minuteMs = nowMs - (nowMs % 60_000);
  const here = useMemo(
    () => caseOf({ inputs }, log, { rules, tape, lessons, view: 'back' }, minuteMs),
    [inputs, log, rules, tape, lessons, minuteMs],
  );
  const jobId = first.job.id;
  const stand = useBenchPlace(jobId, kept ?? firstStand(here));
  const { stage: standsAt } = stand.place;
  const pulls = useJobPulls(useMembraneWorker(), { inputs, plan: here.plan, lessons }, false);
  const steps = useMemo(() => benchSteps(here, standsAt, pulls.words), [here, standsAt, pulls.words]);
  const step = steps[stepIndex(steps, stand.place.step)]!;
  const typing = useTyping(step, here, (patch) => change(draft.change, patch));
  const [noting, setNoting] = useState(false);
  const note = useNote(records, step, () => setNoting(false));

  const told = useJobNews(jobId, draft, { last: log.at(-1)?.id ?? null, busy: records.busy });
  const { place } = stand;
  const at: BenchPlace = { stage: step.stage, step: step.id };
  const go = (to: BenchPlace | null) => {
    if (!to) return;
    records.clear();
    typing.clear();
    stand.go(to);
  };
  const next = () => {
    if (!typing.take()) return;
    // What is not recorded yet is recorded first, or passed by on purpose: by the next group.
    if (step.act.kind === 'record' && !here.progress.done.has(step.stage)) return;
    go(stepFrom(here, at, 1));
  };
  const back = () => go(stepFrom(here, at, -1));
  const record = (reason: string) =>
    records.record(
      {
        stage: step.stage,
        note: '',
        reason,
        unit: tape.unit,
        view: 'back',
        clothId: step.stage === 'cloth' && !here.plan.cloth.painted && !cut ? clothToCut(cloth, here) : null,
        air: null,
      },
      here,
      (value) => {
        const after = caseOf(value.job, value.log, here.house, minuteMs);
        const now = after.progress.now;
        const steps = benchSteps(after, now ?? 'handover');
        stand.go({ stage: now ?? 'handover', step: (now ? steps[0]! : steps.at(-1)!).id });
      },
    );
  const again = () => {
    if (step.act.kind !== 'judge' || !step.act.again) return typing.clear();
    change(draft.change, step.act.again);
    go({ stage: step.stage, step: step.act.backTo });
  };
  /** A digit chooses among the options of a step. */
  const choose = (sign: string): boolean => {
    const option = step.act.kind === 'choose' ? step.act.options[Number(sign) - 1] : undefined;
    if (step.act.kind !== 'choose' || !option) return false;
    change(draft.change, step.act.put(option.id));
    return true;
  };
  const leave = async () => {
    await draft.flush();
    router.push(backTo);
  };
  const hear = (said: Exclude<Spoken, { kind: 'again' }>) => {
    if (said.kind === 'next') return next();
    if (said.kind === 'back') return back();
    if (said.kind === 'note') return void note.keep(said.text, null);
    if (said.kind === 'reading') return typing.dictate(said.typed);
    if (said.kind === 'yes' && typing.dictated) return typing.confirm();
    typing.clear();
  };
  const voice = useBenchVoice(step.aloud, hear);
  const lit = useWakeLock();
  const turn = () => stand.go({ quarter: ((place.quarter + 1) % 4) as Quarter });
  useBenchKeys({
    next,
    back,
    nextGroup: () => go(groupFrom(here, at, 1)),
    groupBack: () => go(groupFrom(here, at, -1)),
    turn,
    say: () => voice.setSpeaks(!voice.speaks),
    note: () => setNoting(true),
    full: toggleFull,
    leave: () => (noting ? setNoting(false) : void leave()),
    readAgain: again,
    type: (sign) => choose(sign) || typing.type(sign),
    rubOut: typing.rubOut,
    enter: () => (step.act.kind === 'record' ? pressRecord() : next()),
  });

  return (
    <SideWordsProvider value={sideWords(here.viewOf(step.stage))}>
      <main
        className="bench-mode flex h-dvh flex-none flex-col bg-base-100 bench:h-auto bench:min-h-0 bench:flex-1"
        aria-label={`No. ${first.job.number}, ${inputs.brief.title}, at the bench`}
      >
        <BenchTools
          number={first.job.number}
          title={inputs.brief.title}
          step={step}
          at={stepIndex(steps, step.id) + 1}
          of={steps.length}
          view={here.viewOf(step.stage)}
          quarter={place.quarter}
          saved={state.save === 'saved' && stand.kept}
          lit={lit}
          told={told}
          voice={voice}
          onTurn={turn}
          onNote={() => setNoting(!noting)}
          onFull={toggleFull}
          onLeave={() => void leave()}
        />
        <PracticeLine jobId={jobId} />
        <WaitingLines records={records} />
        <div
          className="bench-sheet cursor-pointer"
          data-testid="bench-sheet"
          onClick={(event) => {
            const { left, width } = event.currentTarget.getBoundingClientRect();
            if (event.clientX - left > width / 2) next();
            else back();
          }}
        >
          <StepHead
            step={step}
            typed={typing.shown}
            dictated={typing.dictated !== null}
            noted={notedAt(log, step.id)}
            nowMs={nowMs}
          />
          <BenchDrawing here={here} step={step} quarter={place.quarter} className="[grid-area:draw]" />
          <div className="cursor-auto [grid-area:act]" onClick={(event) => event.stopPropagation()}>
            {noting ? (
              <NotePanel busy={note.busy} error={note.error} onKeep={note.keep} onClose={() => setNoting(false)} />
            ) : (
              <StepPanel
                jobId={jobId}
                here={here}
                step={step}
                stand={stand}
                typing={typing}
                air={air}
                records={records}
                early={closedWords(log, archived, looksOn) ?? earlyWords(here.progress, step.stage)}
                label={stageActs(step.stage, here.plan.cloth.painted).record}
                onChoose={(patch) => change(draft.change, patch)}
                onAgain={again}
                onRecord={record}
              />
            )}
          </div>
        </div>
        <nav aria-label="Steps" className="hair-t flex gap-3 px-4 py-2.5">
          <button type="button" className="btn btn-outline h-[64px] flex-1" onClick={back}>
            ← Back
          </button>
          {step.act.kind === 'read' && typing.shown !== null && (
            <button type="button" className="btn btn-outline h-[64px] flex-1" onClick={typing.clear}>
              Read again
            </button>
          )}
          {(step.act.kind !== 'record' || here.progress.done.has(step.stage)) && (
            <button type="button" className="btn btn-neutral h-[64px] flex-[2]" onClick={next}>
              {typing.shown === null ? 'Next →' : 'Take it →'}
            </button>
          )}
        </nav>
        {state.save === 'stale' && <StaleDialog state={state} draft={draft} />}
      </main>
    </SideWordsProvider>
  );
}

const firstStand = (here: JobCase): StoredPlace => {
  const { stage } = firstPlace(here);
  return { stage, step: benchSteps(here, stage)[0]!.id, quarter: 0, filledAt: 1 };
};

/** What was noted at a step, oldest first. */
const notedAt = (log: readonly LogEntry[], stepId: string): string[] =>
  log.flatMap(({ kind, of, note, did }) => (kind === 'note' && of === stepId ? [note || did] : []));

/** The cloth that a cut is taken from: as the page of the job proposes it. */
const clothToCut = (cloth: StoredCloth[], { inputs, plan }: JobCase): string | null =>
  clothThatFits(cloth, inputs.cloth.fabric, plan.cloth.fit)?.id ?? null;

type Change = <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>) => void;
function change(put: Change, patch: JobPatch): void {
  for (const [stage, part] of Object.entries(patch)) put(stage as StageId, part);
}

function toggleFull(): void {
  if (document.fullscreenElement) void document.exitFullscreen();
  else void document.documentElement.requestFullscreen().catch(() => undefined);
}

/** Enter presses the one large button, so that what closes it is told in one place. */
const pressRecord = () => document.querySelector<HTMLButtonElement>('[data-bench-record]')?.click();
