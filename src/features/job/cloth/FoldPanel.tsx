'use client';
/* The corner fold: which, on which sides its seam is seen, step by step on any corner, and the template to cut it by. */
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { useState } from 'react';
import { CORNER_FOLDS } from '@/core/cloth/cornerFolds';
import { type Corner } from '@/core/frame/square/corners';
import type { JobInputs } from '@/core/job/job';
import type { ClothInputs } from '@/core/stages/cloth/clothInputs';
import { cornerPattern, cornerSize, planFold } from '@/core/stages/cloth/planFold';
import type { Plan } from '@/core/case/planJob';
import { printFine } from '@/core/units/length';
import { cornerScene } from '@/drawing/corner/cornerScene';
import { Drawing } from '@/ui/drawing/Drawing';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { Choice } from '@/ui/form/fields';

const SEAMS = [
  { id: 'topBottom', name: 'top and bottom' },
  { id: 'leftRight', name: 'left and right' },
] as const;

interface FoldPanelProps {
  jobId: string;
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  change: (patch: Partial<ClothInputs>) => void;
}

export function FoldPanel({ jobId, inputs, plan, locked, change }: FoldPanelProps) {
  const { tape } = useWorkshop();
  const say = useSideWords();
  const [corner, setCorner] = useState<Corner>('topLeft');
  const [step, setStep] = useState(0);
  const { cloth, bars } = plan;
  const parts = { profile: bars.profile, fabric: cloth.fabric, cut: cloth.cut, painting: cloth.painting };
  const { fold } = cloth.corners;
  const size = cornerSize(corner, inputs, parts);
  const pattern = cloth.painting ? null : cornerPattern(fold, size);
  const shown = fold.steps[Math.min(step, fold.steps.length - 1)]!;
  return (
    <div className="grid gap-x-5 gap-y-2 md:grid-cols-[1.15fr_1fr_1fr]">
      <div>
        <table className="figure w-full text-[14px]">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">fold</th>
              <th className="text-right font-normal">layers, edge</th>
              <th className="text-right font-normal">back</th>
              <th className="text-right font-normal">bulk</th>
            </tr>
          </thead>
          <tbody>
            {CORNER_FOLDS.map((row) => {
              const { layers, backMm } = planFold(inputs, parts, row);
              const barred = cloth.painting !== null && row.cut !== 'never';
              return (
                <tr
                  key={row.id}
                  title={`${row.suits}; ${row.trades}`}
                  className={`hair-b ${row.id === fold.id ? 'font-semibold text-primary' : ''}`}
                >
                  <td>
                    <button
                      type="button"
                      aria-pressed={row.id === fold.id}
                      disabled={locked || barred}
                      className="w-full cursor-pointer py-[2px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                      onClick={() => {
                        change({ corner: row.id });
                        setStep(0);
                      }}
                    >
                      {row.name}
                    </button>
                  </td>
                  <td className="text-right">{layers.edge}</td>
                  <td className="text-right">{layers.back}</td>
                  <td className="text-right">{barred ? 'never here' : <Figure>{printFine(backMm, tape)}</Figure>}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <div className="mt-1 grid grid-cols-2 gap-x-4">
          <Choice
            label="Seams seen at"
            value={inputs.cloth.seams}
            options={SEAMS}
            onChange={(seams) => change({ seams })}
            disabled={locked}
          />
          <Choice
            label="Corner drawn"
            value={corner}
            options={say.corners.map((id) => ({ id, name: say.corner(id) }))}
            onChange={setCorner}
          />
        </div>
        {pattern && (
          <p className="mt-1 flex flex-wrap gap-x-2 text-[13.5px]">
            <span className="soft">Template:</span>
            {TEMPLATE_FILES.map(({ name, query }) => (
              <a
                key={name}
                className="link link-primary"
                href={`/job/${jobId}/template?corner=${corner}&${query}`}
                target="_blank"
                rel="noreferrer"
              >
                {name}
              </a>
            ))}
          </p>
        )}
      </div>
      <div>
        <ol className="space-y-0.5 text-[14px] leading-[1.15rem]">
          {fold.steps.map((one, index) => (
            <li key={one.says}>
              <button
                type="button"
                aria-current={one === shown ? 'step' : undefined}
                className={`flex cursor-pointer gap-2 text-left ${one === shown ? 'text-primary' : ''}`}
                onClick={() => setStep(index)}
              >
                <strong className="figure">{index + 1}</strong>
                <span>{one.says}</span>
              </button>
            </li>
          ))}
        </ol>
      </div>
      <div className="grid grid-rows-1">
        <Drawing
          scene={cornerScene({ inputs, plan, tape, say }, corner, step)}
          tape={tape}
          scaleBar={false}
          className="h-[206px]"
        />
      </div>
    </div>
  );
}

const TEMPLATE_FILES = [
  { name: 'PDF A4', query: 'format=pdf&paper=a4' },
  { name: 'PDF Letter', query: 'format=pdf&paper=letter' },
  { name: 'SVG', query: 'format=svg' },
  { name: 'DXF', query: 'format=dxf' },
] as const;
