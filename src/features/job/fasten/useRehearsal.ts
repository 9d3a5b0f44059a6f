'use client';
/* A rehearsal on the simulated cloth: moves, undo, lessons, hints, and the cloth that answers. */
import { useState } from 'react';
import type { Lesson } from '@/core/fasten/lessons';
import { type RehearsalMove, eventsAmong, heldAfter, hintOf } from '@/core/fasten/rehearsal';
import type { StapleEvent, StapleModel } from '@/core/fasten/membrane/simulateRoute';
import type { RouteId } from '@/core/fasten/routes';
import type { JobInputs } from '@/core/job/job';
import { rehearsalModel } from '@/core/stages/fasten/rehearsalScore';
import { stapleModel } from '@/core/stages/fasten/stapleModel';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { MembraneWorker } from '@/workers/membraneWorker';
import { clothKey } from './clothKey';
import { type MembraneAnswer, useMembraneRun } from './useMembraneRun';

export interface Rehearsal {
  /** The job’s own model; its places are those of the rehearsal. */
  model: StapleModel;
  /** Firm pull, N: what the job’s route asks for; null until that is worked out. */
  firmN: number | null;
  moves: readonly RehearsalMove[];
  held: ReadonlySet<number>;
  lesson: Lesson | null;
  pull: RehearsalMove['pull'];
  school: RouteId;
  hint: StapleEvent | null;
  cloth: MembraneAnswer;
  setPull: (pull: RehearsalMove['pull']) => void;
  setSchool: (school: RouteId) => void;
  pick: (place: number) => void;
  doHint: () => void;
  undo: () => void;
  begin: (lesson: Lesson | null) => void;
}

/** The rehearsal of a job; null, and nothing worked out, while there is no model because it is out of sight. */
export function useRehearsal(
  worker: () => MembraneWorker,
  inputs: JobInputs,
  model: StapleModel | null,
  firmN: number | null,
): Rehearsal | null {
  const { rules } = useWorkshop();
  const [{ of, moves, lesson }, setState] = useState<{ of: string; moves: RehearsalMove[]; lesson: Lesson | null }>({
    of: '',
    moves: [],
    lesson: null,
  });
  const [pull, setPull] = useState<RehearsalMove['pull']>('snug');
  const [school, setSchool] = useState<RouteId>(inputs.fasten.route);
  // Places of another job or spacing are other places: what was rehearsed there is over.
  const job = model && clothKey({ ...inputs, fasten: { ...inputs.fasten, firmPull: null, ramp: 1, slantDeg: 0 } }, rules);
  const own = of === job;
  const [nowMoves, nowLesson] = own ? [moves, lesson] : [[], null];
  const offGrainDeg = nowLesson?.offGrainDeg ?? 0;
  const key = model && firmN !== null ? JSON.stringify([job, firmN, nowMoves, offGrainDeg]) : null;
  const cloth = useMembraneRun(worker, key, () => ({
    model: rehearsalModel(model!, nowMoves, firmN!, offGrainDeg, rules),
    hands: 0,
    noise: 0,
  }));
  if (!model || job === null) return null;
  const held = heldAfter(nowMoves);
  const eventsOf = (route: RouteId) => eventsAmong(model.places, stapleModel(inputs, rules, 'play', route));
  const hint = hintOf(eventsOf(school), nowMoves);
  const put = (next: RehearsalMove[], nextLesson: Lesson | null) => setState({ of: job, moves: next, lesson: nextLesson });
  const pick = (place: number) =>
    put([...nowMoves, held.has(place) ? { act: 'takeOut', place, pull: 'none' } : { act: 'fasten', place, pull }], nowLesson);
  return {
    model,
    firmN,
    moves: nowMoves,
    held,
    lesson: nowLesson,
    pull,
    school,
    hint,
    cloth,
    setPull,
    setSchool,
    pick,
    doHint: () => {
      if (!hint) return;
      const { place, act, part } = hint;
      const hinted: RehearsalMove['pull'] =
        act === 'takeOut' || part === 0 ? 'none' : part >= 1 ? 'firm' : part >= 0.45 ? 'snug' : 'gentle';
      put([...nowMoves, { act, place, pull: hinted }], nowLesson);
    },
    undo: () => put(nowMoves.slice(0, -1), nowLesson),
    begin: (next) => {
      const order = eventsOf('compass').filter((event) => event.act === 'fasten');
      put(next ? next.moves([...new Set(order.map((event) => event.place))], model.places) : [], next);
    },
  };
}
