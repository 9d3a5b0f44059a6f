'use client';
/* The slip at the right: what is typed for the open stage, what is judged of it, and its record. */
import dynamic from 'next/dynamic';
import { ErrorBoundary } from 'react-error-boundary';
import { useMemo, useRef, useState } from 'react';
import type { JobCase } from '@/core/case/jobCase';
import { jobWork } from '@/core/case/jobWork';
import { isPractice } from '@/core/job/practice';
import { progressOf } from '@/core/case/progress';
import { isInHouse, lifeOf } from '@/core/life/life';
import type { ReadAir } from '@/core/log/readAir';
import type { View } from '@/core/job/sideWords';
import { type StageId, stageActs } from '@/core/stages/stages';
import { length } from '@/core/units/length';
import type { JobCut, StoredCloth } from '@/db/clothSheets';
import type { Air } from '@/server/air/airWrites';
import { Figure } from '@/ui/drawing/Figure';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { CutFrom, NOT_STORED, clothThatFits } from '../cloth/CutFrom';
import type { JobDraft } from '../draft/jobDraft';
import { heldForConservator } from '@/core/case/gate';
import { isFragile } from '@/core/stages/look/care';
import { WorkFile } from '../look/WorkFile';
import { NO_WORDS, Recorded, RecordBar, type RecordWords } from '../record/RecordBar';
import { SLIPS } from './slips';
import { StageHint } from './StageHint';
import { earlyWords, keepsWords } from '../stageWords';
import type { Records } from '../record/useRecords';

/** Brought when a brief is open: what plans the days is not carried by every job page. */
const PromiseLine = dynamic(() => import('../brief/PromiseLine').then((one) => one.PromiseLine), { ssr: false });

interface JobSlipColumnProps {
  jobId: string;
  here: JobCase;
  /** How many canvases are done together with this one. */
  together: number;
  open: StageId;
  onOpen: (stage: StageId) => void;
  view: View;
  draft: JobDraft;
  records: Records;
  cloth: StoredCloth[];
  /** What was cut for this job already. */
  cut: JobCut | null;
  /** Why nothing of the job is recorded any more, or null. */
  closed: string | null;
  air: Air;
  readAir: ReadAir;
  onReadAir: (air: ReadAir) => void;
}

export function JobSlipColumn({
  jobId,
  here,
  together,
  open,
  onOpen,
  view,
  draft,
  records,
  cloth,
  cut,
  closed,
  air,
  readAir,
  onReadAir,
}: JobSlipColumnProps) {
  const { tape } = useWorkshop();
  const { progress, plan, inputs } = here;
  const { busy, failure, withdraw, keep } = records;
  const [wordsOf, setWordsOf] = useState<Record<string, RecordWords>>({});
  const [pickedCloth, pickCloth] = useState<string | null>(null);
  const slip = useRef<HTMLElement>(null);
  const inHouse = useMemo(() => isInHouse(lifeOf(records.log)), [records.log]);
  const done = progress.done.has(open);
  const entry = here.entryOf(open);
  const { answer, answerNote } = plan[open];
  const verdicts = here.verdictsOf(open);

  const cutsNow = open === 'cloth' && !done && !plan.cloth.painted;
  const clothId = pickedCloth ?? clothThatFits(cloth, inputs.cloth.fabric, plan.cloth.fit)?.id ?? NOT_STORED;

  const file = progress.painted && progress.done.has('look') && !closed && (
    <WorkFile look={inputs.look} log={records.log} onAdd={(finding) => keep('keepFinding', finding)} />
  );
  const awaited = isFragile(inputs);
  // What stops is read before anything is typed.
  const stops = verdicts.filter(({ level }) => level === 'stop');
  const wordsKey = `${open} ${progress.coatsDone}`;
  const Slip = SLIPS[open];
  const acts = stageActs(open, plan.cloth.painted);
  const record = (note: string, reason: string) =>
    records.record(
      {
        stage: open,
        note,
        reason,
        unit: tape.unit,
        view,
        clothId: cutsNow && !cut && clothId !== NOT_STORED ? clothId : null,
        air: readAir,
      },
      here,
      (value) => {
        const after = progressOf(value.job.inputs, value.log);
        if (after.done.has(open) && after.now) onOpen(after.now);
        setWordsOf(({ [wordsKey]: _said, ...others }) => others);
        // The button that was pressed is gone: the keys go on at the head of the slip.
        slip.current?.focus();
      },
    );
  const print = async () => {
    await draft.flush();
    window.open(`/job/${jobId}/slip`, '_blank', 'noopener');
  };
  return (
    <section
      ref={slip}
      tabIndex={-1}
      aria-label={`${acts.name}, slip`}
      className="order-2 flex min-h-0 flex-col gap-2 bg-base-100 px-5 py-3 bench:order-none bench:border-l bench:border-[var(--hair)]"
    >
      <div>
        <h2 className="soft text-[14px] font-normal">{acts.act}</h2>
        <p className="figure text-[34px] leading-10 font-semibold" data-testid="answer">
          <Figure>{answer}</Figure>
        </p>
        <p className="figure soft text-[14.5px] leading-5">
          <Figure>{answerNote}</Figure>
        </p>
        {/* One column: what to do comes first, the drawing under it. */}
        <button
          type="button"
          className="link link-primary min-h-11 text-[14.5px] bench:hidden"
          onClick={() => document.getElementById('drawing')?.scrollIntoView({ block: 'start' })}
        >
          See the drawing
        </button>
      </div>
      <div className="relative min-h-0 flex-1 space-y-3 overflow-y-auto pr-1 pb-1">
        {stops.length > 0 && <VerdictList verdicts={stops} />}
        {heldForConservator(verdicts) ? file : null}
        <StageHint stage={open} />
        <Slip
          key={open}
          jobId={jobId}
          inputs={inputs}
          plan={plan}
          coatsDone={progress.coatsDone}
          locked={here.isFrozen(open)}
          fastened={progress.done.has('fasten')}
          change={draft.change}
          onKeep={keep}
          air={air.now}
          inHouse={inHouse}
          readAir={readAir}
          onReadAir={onReadAir}
        />
        {cutsNow && (
          <CutFrom
            cloth={cloth}
            fabric={inputs.cloth.fabric}
            fit={plan.cloth.fit}
            rollWidthMm={inputs.cloth.rollWidth.mm}
            cut={cut}
            chosen={clothId}
            onChoose={(one) => {
              pickCloth(one?.id ?? NOT_STORED);
              if (one) draft.change('cloth', { rollWidth: length(one.widthMm, tape.unit) });
            }}
          />
        )}
        {open === 'brief' && awaited && <p className="soft text-[14px]">No date is promised while a conservator is awaited.</p>}
        {open === 'brief' && progress.now !== null && !awaited && !isPractice(jobId) && (
          // It may not come while the server is away: the brief goes on without it.
          <ErrorBoundary fallback={<p className="soft text-[13px]">When it can be promised is not told: the server is away.</p>}>
            <PromiseLine jobId={jobId} work={jobWork(here, together)} dueOn={inputs.brief.dueOn} />
          </ErrorBoundary>
        )}
        <VerdictList verdicts={verdicts.filter(({ level }) => level !== 'stop')} />
        {heldForConservator(verdicts) ? null : file}
      </div>
      {done && entry ? (
        <Recorded
          key={entry.id}
          entry={entry}
          keeps={keepsWords(progress, open)}
          busy={busy}
          error={failure}
          onWithdraw={(reason) => entry && void withdraw(entry.id, reason)}
          onPrint={print}
        />
      ) : (
        <RecordBar
          key={wordsKey}
          words={wordsOf[wordsKey] ?? NO_WORDS}
          onWords={(words) => setWordsOf({ ...wordsOf, [wordsKey]: words })}
          label={acts.record}
          verdicts={verdicts}
          early={closed ?? earlyWords(progress, open)}
          busy={busy}
          error={failure}
          onRecord={record}
          onPrint={print}
          last={open === 'prime' ? entry : null}
          onWithdraw={(reason) => entry && void withdraw(entry.id, reason)}
        />
      )}
    </section>
  );
}
