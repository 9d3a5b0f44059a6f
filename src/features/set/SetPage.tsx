'use client';
/*
 * A set: its canvases as they hang, the sheet of one stage for all of them, and the one record that is made of it.
 */
import { printed } from '@/core/quantities/printed';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { worstLevel } from '@/core/job/verdict';
import { sideWords } from '@/core/job/sideWords';
import { type StageId, stageActs, stageById } from '@/core/stages/stages';
import { SET_KINDS } from '@/core/set/setShape';
import { byId } from '@/core/house/schools';
import { profileOf } from '@/core/house/materials';
import { arranged } from '@/core/set/setLayout';
import { printSize } from '@/core/units/length';
import { setScene } from '@/drawing/setScene';
import type { Role } from '@/drawing/scene/scene';
import type { SetCanvas, SetPage as SetPageData } from '@/server/set/setPages';
import { Drawing } from '@/ui/drawing/Drawing';
import { TextField } from '@/ui/form/fields';
import { Form, FormScope, SendButton, useForm } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { SideWordsProvider } from '@/ui/drawing/SideWordsContext';
import { typing } from '@/ui/form/typing';
import { useNow } from '@/ui/useNow';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { type StageMark, StageRun } from '../job/header/StageRun';
import { NoteAndMaker } from '../job/record/NoteAndMaker';
import { perStage } from '../job/stageWords';
import { useWrite } from '../useWrite';
import { SetActs } from './SetActs';
import { Departures } from './Departures';
import { SetSheet, gravest } from './SetSheet';
import { TakeBack } from './TakeBack';
import { useMeasured } from './useMeasured';

export function SetPage(props: { page: SetPageData; nowMs: number }) {
  return (
    <FormScope>
      <SideWordsProvider value={sideWords('back')}>
        <SetDesk {...props} />
      </SideWordsProvider>
    </FormScope>
  );
}

/** A canvas that goes along unless somebody says otherwise: it can be recorded, nothing stops it, and it was measured. */
const goesAlong = ({ sheet, measured, archived }: SetCanvas, stage: StageId): boolean =>
  sheet.state === 'ready' &&
  !archived &&
  worstLevel(sheet.verdicts) !== 'stop' &&
  (stage !== 'square' || (measured.down !== null && measured.up !== null));

/** A row that was ticked for one coat is not ticked for the next. */
const rowKey = ({ jobId, coatsDone }: SetCanvas, stage: StageId): string => `${stage} ${coatsDone} ${jobId}`;

function SetDesk({ page, nowMs: serverNow }: { page: SetPageData; nowMs: number }) {
  const router = useRouter();
  const { rules, tape, maker } = useWorkshop();
  const nowMs = useNow(serverNow);
  const { set, run, painted, stage, canvases, tally } = page;
  const rows = useMeasured(set.id, canvases, stage);
  /** Rows that were ticked or unticked by hand. */
  const [chosen, setChosen] = useState<ReadonlyMap<string, boolean>>(new Map());
  const ticked = new Set(
    canvases.filter((one) => chosen.get(rowKey(one, stage)) ?? goesAlong(one, stage)).map(({ jobId }) => jobId),
  );
  const openStage = (id: StageId) => {
    void rows.flush();
    router.push(`/set/${set.id}?stage=${id}`);
  };
  const latest = useRef(openStage);
  useEffect(() => {
    latest.current = openStage;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (typing(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      const at = run.indexOf(stage);
      const by = event.key === 'n' ? at + 1 : event.key === 'p' ? at - 1 : /^[1-8]$/.test(event.key) ? Number(event.key) - 1 : -1;
      const goal = run[by];
      if (goal) latest.current(goal);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [run, stage]);
  const unit = useRef(tape.unit);
  useEffect(() => {
    // What is judged is put into words where it is worked out.
    if (unit.current !== tape.unit) router.refresh();
    unit.current = tape.unit;
  }, [router, tape.unit]);
  const scene = useMemo(() => {
    const hung = arranged(canvases, set.layout);
    return setScene(
      canvases.map((one, index) => ({
        ...hung[index]!,
        label: String(one.number),
        ...canvasWords(one),
        frame: one.done.includes('bars') ? { ...one.bars, profile: profileOf(rules, one.bars.profile) } : null,
      })),
      tape,
      `${set.title}: ${canvases.length} canvases as they hang, seen from the front`,
      byId(SET_KINDS, set.kind).together,
    );
  }, [canvases, set, rules, tape]);
  const many = canvases.map(({ number }) => number);
  const [least, most] = [Math.min(...many), Math.max(...many)];
  const sizes = new Set(canvases.map((one) => printSize(one.widthMm, one.heightMm, tape)));
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <header className="hair-b flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2.5">
        <h1
          className="line-clamp-2 min-w-0 text-[22px] leading-7 font-semibold bench:line-clamp-1 bench:max-w-[46%]"
          title={set.title}
        >
          {set.title}
        </h1>
        <p className="figure soft text-[14.5px]">
          {byId(SET_KINDS, set.kind).name.toLowerCase()}, {canvases.length} canvases, No. {least} to {most} ·{' '}
          <Figure>{sizes.size === 1 ? [...sizes][0]! : `${sizes.size} sizes`}</Figure>
        </p>
        <div className="ml-auto flex flex-wrap items-center gap-3 text-[14.5px]">
          <strong className="figure">{tally.words}</strong>
          <SetActs page={page} />
        </div>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[158px_minmax(0,1fr)_372px]">
        <StageRun run={run} painted={painted} open={stage} marks={setMarks(page)} notes={setNotes(page)} onOpen={openStage} />
        <section aria-label="Canvases" className="relative flex min-h-0 min-w-0 flex-col bg-base-200">
          <p className="soft absolute top-[196px] right-3 text-[13.5px] bench:top-1.5">seen from the front</p>
          <Drawing
            scene={scene}
            tape={tape}
            className="h-[220px] flex-none bench:h-auto bench:min-h-[190px] bench:flex-[1_1_30%]"
          />
          <div className="hair-t min-h-0 flex-[2_1_60%] overflow-auto bg-base-100 px-5 py-1">
            <SetSheet
              page={page}
              rows={rows}
              ticked={ticked}
              onTick={(jobIds, on) => {
                const rowsTicked = canvases.filter(({ jobId }) => jobIds.includes(jobId));
                setChosen(new Map([...chosen, ...rowsTicked.map((one) => [rowKey(one, stage), on] as const)]));
              }}
              nowMs={nowMs}
            />
          </div>
        </section>
        <aside aria-label="Record" className="flex min-h-0 flex-col gap-3 overflow-y-auto bg-base-100 px-5 py-4">
          <h2 className="text-[19px] leading-6 font-semibold">{stageActs(stage, painted).act}</h2>
          <p className="figure soft -mt-2 text-[14px]">
            {page.minutes > 0 ? `${printed('handTime', page.minutes)} of hands for those that wait here` : 'nothing waits here'}
          </p>
          <SetRecord page={page} rows={rows} ticked={ticked} maker={maker} />
          <TakeBack canvases={canvases} rows={rows} stage={stage} maker={maker} />
          {page.panels.length > 0 && (
            <div>
              <h3 className="text-[15px] font-semibold">Panels compared</h3>
              <VerdictList verdicts={page.panels} />
            </div>
          )}
          <Departures page={page} />
          {stage === 'prime' && (
            <p className="text-[14px]">
              <Link href="/ground" prefetch={false} className="link link-primary">
                Mix and weigh one pot for these
              </Link>
            </p>
          )}
          {stage === 'bars' && (
            <p className="text-[14px]">
              <Link
                href={`/bars?view=series&${canvases.map(({ jobId }) => `job=${jobId}`).join('&')}`}
                prefetch={false}
                className="link link-primary"
              >
                One plan to saw and buy for all
              </Link>
            </p>
          )}
          {stage === 'cloth' && (
            <p className="text-[14px]">
              <Link href="/cloth" prefetch={false} className="link link-primary">
                Lay them on one roll
              </Link>
            </p>
          )}
        </aside>
      </div>
    </main>
  );
}

/** Numbers that are named in a line. */
const MOST_NAMED = 6;

/** What the drawing says of a canvas: how it stands at this stage. */
function canvasWords({ sheet, archived }: SetCanvas): { says: string; role: Role } {
  if (archived) return { says: 'archived', role: 'quiet' };
  if (sheet.state === 'recorded') return { says: 'done', role: 'good' };
  if (sheet.state === 'waiting') return { says: 'waits', role: 'watch' };
  if (sheet.state === 'early') return { says: 'not yet', role: 'quiet' };
  const level = worstLevel(sheet.verdicts);
  return level === 'stop' ? { says: 'stop', role: 'stop' } : { says: 'to do', role: 'measure' };
}

function setMarks({ canvases, tally }: SetPageData): Record<StageId, StageMark> {
  return perStage((id) => {
    if (canvases.every(({ done }) => done.includes(id))) return 'done';
    if (tally.stage !== id) return 'later';
    const open = canvases.filter(({ next }) => next.stage === id);
    return open.every(({ next }) => next.state === 'waiting') ? 'waiting' : 'now';
  });
}

const setNotes = ({ canvases }: SetPageData): Record<StageId, string> =>
  perStage((id) => {
    const behind = canvases.filter(({ done }) => done.includes(id)).length;
    return behind === 0 ? '' : `${behind} of ${canvases.length}`;
  });

interface SetRecordProps {
  page: SetPageData;
  rows: ReturnType<typeof useMeasured>;
  ticked: ReadonlySet<string>;
  maker: string;
}

/** The one record for all rows that are ticked. */
function SetRecord({ page: { stage, painted, canvases }, rows, ticked, maker }: SetRecordProps) {
  const write = useWrite();
  const { tape } = useWorkshop();
  const sheet = useForm();
  const [words, setWords] = useState({ note: '', reason: '' });
  const [recorded, setRecorded] = useState('');
  const going = canvases.filter(({ jobId }) => ticked.has(jobId));
  const stopped = going.filter((one) => worstLevel(one.sheet.verdicts) === 'stop');
  const left = canvases.filter((one) => !ticked.has(one.jobId) && (one.sheet.state === 'ready' || one.sheet.state === 'waiting'));
  const record = async () => {
    if (sheet.mend !== null || going.length === 0) return null;
    if (!(await rows.flush())) return 'A row is not saved: see the sheet.';
    return write(
      'recordTogether',
      {
        canvases: going.map((one) => ({ jobId: one.jobId, revision: rows.revisionOf(one) })),
        stage,
        maker,
        note: words.note,
        reason: stopped.length > 0 ? words.reason : '',
        unit: tape.unit,
        view: 'back',
      },
      (count) => {
        setWords({ note: '', reason: '' });
        setRecorded(`${stageById(stage).name}: ${count} recorded.`);
      },
    );
  };
  return (
    <Form className="hair-t space-y-2 pt-2.5" onSend={record}>
      {stopped.length > 0 && (
        <>
          <p className="text-[13px] text-error">
            No. {stopped.map(({ number }) => number).join(', ')}: {gravest(stopped[0]!.sheet.verdicts)?.says} Leave out, or go on
            with a reason:
          </p>
          <TextField
            label="Reason for going on"
            hideLabel
            of="reason"
            value={words.reason}
            onChange={(reason) => setWords({ ...words, reason })}
          />
        </>
      )}
      <NoteAndMaker note={words.note} placeholder="Note, for each" onNote={(note) => setWords({ ...words, note })} />
      {left.length > 0 && (
        <p className="figure text-[14px] text-warning">
          {left.length} left out
          {left.length <= MOST_NAMED && `: No. ${left.map(({ number }) => number).join(', ')}`}
        </p>
      )}
      {sheet.mend && <p className="soft text-[13.5px]">{sheet.mend}</p>}
      <SendButton
        says={recorded}
        disabled={sheet.mend !== null || going.length === 0 || (stopped.length > 0 && words.reason.trim().length < 3)}
      >
        {going.length === 0 ? 'Nothing to record here' : `${stageActs(stage, painted).record} of ${going.length}`}
      </SendButton>
    </Form>
  );
}
