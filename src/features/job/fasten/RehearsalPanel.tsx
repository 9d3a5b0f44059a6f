'use client';
/* The rehearsal under the drawing: pull, hint, undo, lessons; figures; at the end the score and what hurt most. */
import { bare, printed } from '@/core/quantities/printed';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { useState } from 'react';
import { LESSONS } from '@/core/fasten/lessons';
import type { RehearsalMove } from '@/core/fasten/rehearsal';
import { ROUTES } from '@/core/fasten/routes';
import type { JobInputs } from '@/core/job/job';
import type { Verdict } from '@/core/job/verdict';
import { placeWords } from '@/core/stages/fasten/clothRunVerdicts';
import {
  type MendedRuns,
  mendedModels,
  rehearsalModel,
  rehearsalScore,
  rehearsalVerdicts,
} from '@/core/stages/fasten/rehearsalScore';
import { MODEL_LIMITS } from '@/core/stages/fasten/stapleModel';
import { Choice } from '@/ui/form/fields';
import { ActButton } from '@/ui/form/Form';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { MembraneWorker } from '@/workers/membraneWorker';
import { TaskCancelled } from '@/workers/taskClient';
import { Fact } from '../slip/Fact';
import { HAND_SEED } from './useMembraneRun';
import { failureWords } from './useTaskAnswer';
import type { Keep } from '../record/keep';
import type { Rehearsal } from './useRehearsal';

const PULLS: { id: RehearsalMove['pull']; name: string }[] = [
  { id: 'none', name: 'lay on' },
  { id: 'gentle', name: 'gentle' },
  { id: 'snug', name: 'snug' },
  { id: 'firm', name: 'firm' },
];
const LESSON_CHOICES = [{ id: '', name: 'free' }, ...LESSONS.map(({ id, name }) => ({ id, name }))];

interface RehearsalPanelProps {
  inputs: JobInputs;
  rehearsal: Rehearsal;
  worker: () => MembraneWorker;
  onKeep: Keep;
}

export function RehearsalPanel({ inputs, rehearsal, worker, onKeep }: RehearsalPanelProps) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const { model, moves, lesson, hint, school, cloth } = rehearsal;
  const score = useScore(inputs, rehearsal, worker);
  const [kept, setKept] = useState<readonly RehearsalMove[] | null>(null);
  const keep = () => {
    const offGrainDeg = lesson?.offGrainDeg ?? 0;
    const note = lesson ? `Lesson: ${lesson.name.toLowerCase()}` : '';
    return onKeep('keepRehearsal', { moves: [...moves], offGrainDeg, note }, () => setKept(moves));
  };
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
        <PullSwitch pull={rehearsal.pull} onPull={rehearsal.setPull} />
        <button type="button" className="btn btn-outline btn-sm h-9" disabled={!hint} onClick={rehearsal.doHint}>
          Do the hint
        </button>
        <button type="button" className="btn btn-outline btn-sm h-9" disabled={moves.length === 0} onClick={rehearsal.undo}>
          Undo this step
        </button>
        <button
          type="button"
          className="btn btn-primary btn-sm h-9"
          disabled={moves.length === 0 || score.busy || rehearsal.firmN === null}
          onClick={score.judge}
        >
          {score.busy ? 'Judging …' : 'Judge it'}
        </button>
        <div className="ml-auto flex gap-3">
          <div className="w-32">
            <Choice label="Hints from" value={school} options={ROUTES} onChange={rehearsal.setSchool} />
          </div>
          <div className="w-36">
            <Choice
              label="Lesson"
              value={lesson?.id ?? ''}
              options={LESSON_CHOICES}
              onChange={(id) => rehearsal.begin(LESSONS.find((one) => one.id === id) ?? null)}
            />
          </div>
        </div>
      </div>
      <p className="text-[14.5px]" data-testid="rehearsal-hint">
        {lesson
          ? lesson.says
          : hintWords(hint && model.places[hint.place] ? placeWords(model.places[hint.place]!, tape, say) : null, hint?.act)}
      </p>
      {(cloth.error ?? score.error) && (
        <p role="alert" className="text-error">
          {cloth.error ?? score.error}
        </p>
      )}
      <RehearsalFigures inputs={inputs} rehearsal={rehearsal} />
      {score.verdicts && (
        <>
          <VerdictList verdicts={score.verdicts} />
          <ActButton disabled={kept === moves} act={keep}>
            {kept === moves ? 'Kept in the log' : 'Keep the score in the log'}
          </ActButton>
        </>
      )}
      <p className="soft text-[13px]">{MODEL_LIMITS}</p>
    </div>
  );
}

const hintWords = (place: string | null, act?: 'fasten' | 'takeOut'): string =>
  place === null
    ? 'Every place of this route is done: judge it.'
    : `Pick a place on the drawing; one that holds is taken out. Hint: ${act === 'takeOut' ? 'take out ' : ''}${place}.`;

function PullSwitch({ pull, onPull }: { pull: RehearsalMove['pull']; onPull: (pull: RehearsalMove['pull']) => void }) {
  return (
    <div className="join" role="group" aria-label="Pull of the next one">
      {PULLS.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          aria-pressed={pull === id}
          className={`btn join-item btn-sm h-9 ${pull === id ? 'btn-neutral' : 'btn-outline'}`}
          onClick={() => onPull(id)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}

function RehearsalFigures({ inputs, rehearsal: { model, moves, held, cloth } }: { inputs: JobInputs; rehearsal: Rehearsal }) {
  const { rules } = useWorkshop();
  const { turns, minutes } = rehearsalScore(inputs, model, moves, rules);
  const run = cloth.answer?.run;
  const last = cloth.answer?.frames.at(-1);
  return (
    <dl
      className="figure flex flex-wrap justify-between gap-x-3 gap-y-1 text-[14px]"
      aria-label="The rehearsal so far"
      aria-busy={!cloth.fresh}
    >
      <Fact name="fastened">
        {held.size} of {model.places.length}
      </Fact>
      <Fact name="unevenness">{run && moves.length > 1 ? bare('unevenness', run.end.unevenness) : '–'}</Fact>
      <Fact name="slack">{run && moves.length > 1 ? `${printed('slackShare', run.end.slackShare)} of the face` : '–'}</Fact>
      <Fact name="weave askew">{run ? printed('skew', Math.abs(run.end.skewDeg)) : '–'}</Fact>
      <Fact name="changes of side">{turns}</Fact>
      <Fact name="handwork">{printed('handTime', minutes)}</Fact>
      <Fact name="last pull">
        {last?.unopposed ? (
          <strong className="text-warning">nothing holds the other side</strong>
        ) : moves.length > 0 ? (
          'held'
        ) : (
          '–'
        )}
      </Fact>
    </dl>
  );
}

/** The rehearsal judged: it and the same with one thing mended at a time, worked out when asked for. */
function useScore(inputs: JobInputs, { model, moves, lesson, firmN }: Rehearsal, worker: () => MembraneWorker) {
  const { rules, tape } = useWorkshop();
  const [judged, setJudged] = useState<{ moves: readonly RehearsalMove[]; verdicts: Verdict[] } | null>(null);
  const [busyFor, setBusy] = useState<readonly RehearsalMove[] | null>(null);
  const [error, setError] = useState<string | null>(null);
  const judge = async () => {
    if (firmN === null) return;
    setBusy(moves);
    setError(null);
    try {
      const offGrainDeg = lesson?.offGrainDeg ?? 0;
      const models = mendedModels(model, rehearsalModel(model, moves, firmN, offGrainDeg, rules));
      const runs = await worker().run('compare', { models: [...models], hands: 0, noise: 0, seed: HAND_SEED });
      const score = rehearsalScore(inputs, model, moves, rules);
      setJudged({ moves, verdicts: rehearsalVerdicts(score, runs as unknown as MendedRuns, tape, offGrainDeg) });
    } catch (failure) {
      if (!(failure instanceof TaskCancelled)) setError(failureWords(failure as Error));
    } finally {
      setBusy(null);
    }
  };
  return {
    verdicts: judged?.moves === moves ? judged.verdicts : null,
    busy: busyFor === moves,
    error,
    judge: () => void judge(),
  };
}
