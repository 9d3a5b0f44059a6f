'use client';
/* Tables to choose from, side by side with the drawing: make-ups of bars, and the six margins. */
import { MARGIN_STYLES } from '@/core/cloth/marginStyles';
import { PROFILES } from '@/core/frame/profiles';
import type { JobInputs } from '@/core/job/job';
import { byId } from '@/core/job/schools';
import { braceWords } from '@/core/plan/planBars';
import type { Plan } from '@/core/plan/planJob';
import { printFine, printNumber, printSize } from '@/core/units/length';
import { printMass } from '@/core/units/mass';
import { Figure } from '@/ui/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

/** The lightest make-ups that hold, to pick from. */
export function BarChoices({
  plan,
  bars,
  locked,
  onPick,
}: {
  plan: Plan;
  bars: JobInputs['bars'];
  locked: boolean;
  onPick: (patch: Partial<JobInputs['bars']>) => void;
}) {
  const { tape } = useWorkshop();
  const best = plan.bars.choices.filter((choice) => choice.holds).slice(0, 6);
  return (
    <table className="figure w-full text-[14px]">
      <caption className="soft pb-1 text-left text-[13px]">Lightest that hold, with this joint</caption>
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="py-0.5 font-normal">bar</th>
          <th className="font-normal">braces</th>
          <th className="text-right font-normal">bow</th>
          <th className="text-right font-normal">weight</th>
        </tr>
      </thead>
      <tbody>
        {best.map((choice) => {
          const chosen =
            choice.profile === bars.profile &&
            choice.bracesUpright === bars.bracesUpright &&
            choice.bracesLevel === bars.bracesLevel;
          const pick = { profile: choice.profile, bracesUpright: choice.bracesUpright, bracesLevel: choice.bracesLevel };
          return (
            <tr
              key={`${choice.profile} ${choice.bracesUpright} ${choice.bracesLevel}`}
              className={`hair-b ${chosen ? 'font-semibold text-primary' : ''}`}
            >
              <td>
                <button
                  type="button"
                  aria-pressed={chosen}
                  disabled={locked}
                  className="w-full cursor-pointer py-[3px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                  onClick={() => onPick(pick)}
                >
                  {byId(PROFILES, choice.profile).name}
                </button>
              </td>
              <td>{braceWords(choice)}</td>
              <td className="text-right">
                <Figure>{printFine(Math.max(choice.topBottom.lastingMm, choice.leftRight.lastingMm), tape)}</Figure>
              </td>
              <td className="text-right">{printMass(choice.weightKg, tape)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Every margin on this profile: what it takes of cloth and how it is held. */
export function MarginTable({
  plan,
  chosen,
  locked,
  onPick,
}: {
  plan: Plan;
  chosen: JobInputs['cloth']['marginStyle'];
  locked: boolean;
  onPick: (id: JobInputs['cloth']['marginStyle']) => void;
}) {
  const { tape } = useWorkshop();
  return (
    <table className="figure w-full text-[14px] whitespace-nowrap">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="py-0.5 font-normal">margin</th>
          <th className="text-right font-normal">each side</th>
          <th className="text-right font-normal">cut, {tape.unit}</th>
          <th className="text-right font-normal">m²</th>
          <th className="hidden pl-4 font-normal sm:table-cell">where it ends</th>
        </tr>
      </thead>
      <tbody>
        {plan.cloth.rows.map(({ style, cut, note, holds }) => {
          const row = byId(MARGIN_STYLES, style);
          return (
            <tr
              key={style}
              className={`hair-b ${style === chosen ? 'font-semibold text-primary' : ''}`}
              title={`${row.suits}; ${row.trades}. Held ${holds}.`}
            >
              <td>
                <button
                  type="button"
                  aria-pressed={style === chosen}
                  disabled={locked}
                  className="w-full cursor-pointer py-[3px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                  onClick={() => onPick(style)}
                >
                  {row.name}
                </button>
              </td>
              <td className="text-right">
                <Figure>{printNumber(cut.margin.totalMm, tape, 'up')}</Figure>
              </td>
              <td className="pl-3 text-right">
                <Figure>{printSize(cut.widthMm, cut.heightMm, tape, 'up').replace(` ${tape.unit}`, '')}</Figure>
              </td>
              <td className="pl-2 text-right">{cut.areaM2.toFixed(2)}</td>
              <td className="hidden pl-4 sm:table-cell">{note}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
