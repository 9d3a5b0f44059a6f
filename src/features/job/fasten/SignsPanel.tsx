'use client';
/* Signs seen on the canvas, place by place; causes ranked by this job's own readings, with the stage to go back to. */
import { useWorkshop } from '@/ui/WorkshopContext';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import type { JobInputs } from '@/core/job/job';
import { type StageId, stageById } from '@/core/stages/stages';
import { type Seen, diagnosisVerdicts, signsAt } from '@/core/diagnosis/diagnosis';
import type { Plan } from '@/core/case/planJob';
import { type Zone, zoneWords } from '@/core/diagnosis/zones';
import { VerdictList } from '@/ui/VerdictList';

export interface Signs {
  zone: Zone;
  seen: readonly Seen[];
  setZone: (zone: Zone) => void;
  toggle: (sign: string) => void;
  clear: () => void;
}

interface SignsPanelProps {
  inputs: JobInputs;
  plan: Plan;
  signs: Signs;
  onStage: (stage: StageId) => void;
}

export function SignsPanel({ inputs, plan, signs: { zone, seen, toggle, clear }, onStage }: SignsPanelProps) {
  const { rules, tape } = useWorkshop();
  const say = useSideWords();
  const ranked = seen.length > 0 ? diagnosisVerdicts(seen, inputs, plan, { rules, tape }, say) : [];
  return (
    <div className="grid gap-x-6 gap-y-3 sm:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
      <div>
        <p className="text-[14.5px]">
          Pick a place on the drawing, then what you see at the <strong>{zoneWords(zone, say)}</strong>:
        </p>
        <div className="mt-1 flex flex-wrap gap-1.5" role="group" aria-label="Signs seen here">
          {signsAt(zone).map((sign) => {
            const on = seen.some((one) => one.sign === sign.id && one.zone === zone);
            return (
              <button
                key={sign.id}
                type="button"
                title={sign.looks}
                aria-pressed={on}
                className={`btn btn-xs h-7 ${on ? 'btn-neutral' : 'btn-outline'}`}
                onClick={() => toggle(sign.id)}
              >
                {sign.name}
              </button>
            );
          })}
        </div>
        {seen.length > 0 && (
          <button type="button" className="btn btn-ghost btn-xs mt-2 h-7" onClick={clear}>
            Clear {seen.length === 1 ? 'the sign' : `all ${seen.length} signs`}
          </button>
        )}
      </div>
      <div aria-label="Causes, likeliest first" role="region">
        {ranked.length === 0 ? (
          <p className="soft text-[14px]">Causes are ranked as this job’s own readings speak for them or against them.</p>
        ) : (
          ranked.map(({ verdict, cause }) => (
            <div key={verdict.id} className="flex items-start gap-2">
              <div className="min-w-0 flex-1">
                <VerdictList verdicts={[verdict]} />
              </div>
              {cause && cause.stage !== 'fasten' && (
                <button type="button" className="btn btn-ghost btn-xs mt-1 h-7" onClick={() => onStage(cause.stage)}>
                  Open {stageById(cause.stage).name}
                </button>
              )}
            </div>
          ))
        )}
      </div>
    </div>
  );
}
