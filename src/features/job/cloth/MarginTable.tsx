'use client';
/* Tables to choose from, side by side with the drawing: make-ups of bars, and the six margins. */
import { MARGIN_STYLES } from '@/core/cloth/marginStyles';
import type { JobInputs } from '@/core/job/job';
import { byId } from '@/core/house/schools';
import type { Plan } from '@/core/case/planJob';
import { printNumber, printSize } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

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
  const { tape, rules } = useWorkshop();
  return (
    <table className="figure w-full text-[14px] whitespace-nowrap">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="py-0.5 font-normal">margin</th>
          <th className="text-right font-normal">each side</th>
          <th className="text-right font-normal">cut, {tape.unit}</th>
          <th className="text-right font-normal">m²</th>
          <th className="text-right font-normal">price</th>
          <th className="hidden pl-4 font-normal sm:table-cell">where it ends</th>
        </tr>
      </thead>
      <tbody>
        {plan.cloth.rows.map(({ style, cut, priceMinor, note, holds }) => {
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
              <td className="pl-2 text-right">{priceMinor === null ? '–' : printMoney(priceMinor, rules.currency)}</td>
              <td className="hidden pl-4 sm:table-cell">{note}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
