'use client';
/* What hands do at a step, under the drawing: a keypad, a choice, taps, the scale, the record; and on and back for a fingertip. */
import dynamic from 'next/dynamic';
import type { BenchStep, JobPatch } from '@/core/bench/benchStep';
import { routeCounts } from '@/core/bench/routeCounts';
import type { JobCase } from '@/core/case/jobCase';
import type { Air } from '@/server/air/airWrites';
import { LabelLinks } from '../job/header/MarkLinks';
import type { Records } from '../job/record/useRecords';
import { WorkFile } from '../job/look/WorkFile';
import { Keypad } from './Keypad';
import { RecordPanel } from './RecordPanel';
import { RouteLine } from './RouteLine';
import type { BenchStand } from './useBenchPlace';
import type { Typing } from './useTyping';
import { WeighPanel } from './WeighPanel';

/** Loaded where taps are heard. */
const BenchTaps = dynamic(() => import('./BenchTaps').then((module) => module.BenchTaps));

interface StepPanelProps {
  jobId: string;
  here: JobCase;
  step: BenchStep;
  stand: BenchStand;
  typing: Typing;
  air: Air;
  records: Records;
  early: string | null;
  label: string;
  onChoose: (patch: JobPatch) => void;
  onAgain: () => void;
  onRecord: (reason: string) => Promise<void>;
}

export function StepPanel(props: StepPanelProps) {
  const { typing, here, step, records } = props;
  const inFile = here.progress.painted && here.progress.done.has('look') && (step.act.kind === 'record' || step.group === 'Care');
  return (
    <div className="flex flex-col gap-2">
      <Act {...props} />
      {inFile && (
        <WorkFile look={here.inputs.look} log={records.log} onAdd={(finding) => records.keep('keepFinding', finding)} large />
      )}
      {typing.error && (
        <p role="alert" className="text-lg">
          {typing.error}
        </p>
      )}
    </div>
  );
}

function Act(props: StepPanelProps) {
  const { jobId, here, step, stand, typing, onChoose, onAgain } = props;
  const { act, show } = step;
  const frozen = here.isFrozen(step.stage);
  if (show.kind === 'route' && act.kind !== 'record' && act.kind !== 'read' && !frozen) {
    const { plan, inputs, house } = here;
    const counts = routeCounts(plan.fasten, inputs, house.rules, show.order, {
      filledAt: Math.min(stand.place.filledAt, show.order),
      stamps: stand.stamps,
    });
    return <RouteLine counts={counts} onFilled={() => stand.go({ filledAt: show.order })} />;
  }
  switch (act.kind) {
    case 'read':
      if (frozen) return null;
      return (
        <Keypad
          inches={act.reading.kind === 'length' && here.house.tape.unit === 'in'}
          onKey={(sign) => void typing.type(sign)}
          onBack={() => void typing.rubOut()}
        />
      );
    case 'judge':
      return act.again ? (
        <button type="button" className="btn btn-outline h-[64px] text-xl" onClick={onAgain}>
          Pressed: read again
        </button>
      ) : null;
    case 'choose':
      return (
        <div className="flex flex-wrap gap-2" role="group" aria-label={step.says}>
          {act.options.map(({ id, name }, index) => (
            <button
              key={id}
              type="button"
              aria-pressed={id === act.chosen}
              className={`btn h-[64px] flex-1 text-lg ${id === act.chosen ? 'btn-neutral' : 'btn-outline'}`}
              onClick={() => onChoose(act.put(id))}
            >
              <span className="figure font-normal">{index + 1}</span> {name}
            </button>
          ))}
        </div>
      );
    case 'tap':
      return <BenchTaps {...props} />;
    case 'weigh':
      return <WeighPanel key={step.id} grams={act.grams} />;
    case 'label':
      return <LabelLinks href={`/job/${jobId}/label`} alone />;
    case 'record':
      return (
        <RecordPanel
          key={step.id}
          label={props.label}
          verdicts={here.verdictsOf(step.stage)}
          early={props.early}
          done={here.progress.done.has(step.stage)}
          busy={props.records.busy}
          error={props.records.failure}
          onRecord={props.onRecord}
        />
      );
    default:
      return null;
  }
}
