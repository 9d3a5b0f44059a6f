'use client';
/* What stands under the drawing of priming: the coats with their clocks. */
import { useWorkshop } from '@/ui/WorkshopContext';
import type { Tape } from '@/core/units/length';
import { printed, printedRange } from '@/core/quantities/printed';
import { format } from 'date-fns';
import type { LogEntry } from '@/core/log/logEntry';
import type { CoatPlan } from '@/core/stages/prime/CoatPlan';
import type { Plan } from '@/core/case/planJob';
import { clockWords } from '@/ui/Clock';

export function CoatTable({
  plan,
  coats,
  coatsDone,
  nowMs,
  startedEntries,
}: {
  plan: Plan;
  coats: readonly CoatPlan[];
  coatsDone: number;
  nowMs: number;
  startedEntries: LogEntry[];
}) {
  const { tape } = useWorkshop();
  if (coats.length === 0) return null;
  return (
    <section aria-label="Coats" tabIndex={0} className="hair-t overflow-x-auto px-5 py-3">
      <h2 className="text-[17px] font-semibold">
        {plan.prime.system.name} on {printed('area', plan.prime.areaM2, tape)}
      </h2>
      <table className="figure mt-1 w-full text-[14px] [&_td]:pr-3">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">coat</th>
            <th className="font-normal">mix</th>
            <th className="font-normal">dries here in</th>
            <th className="font-normal">put on</th>
          </tr>
        </thead>
        <tbody>
          {coats.map((coat, index) => {
            const entry = startedEntries.find((one) => one.step === index);
            return (
              <tr key={coat.name} className={`hair-b ${index === coatsDone ? 'font-semibold text-primary' : ''}`}>
                <td className="py-1">
                  {index + 1}. {coat.name} ({coat.direction}
                  {coat.grit ? `, then sand with ${coat.grit}, mask on` : ''})
                </td>
                <td className="bench:whitespace-nowrap">{mixWords(coat, tape)}</td>
                <td className="bench:whitespace-nowrap">
                  {coat.dryMinutes ? printedRange('dryingTime', ...coat.dryMinutes) : 'will not dry'}
                </td>
                <td>
                  {entry && format(new Date(entry.at), 'EEE d MMM HH:mm')}
                  {entry?.readyAt && index === coatsDone - 1 && (
                    <span className="soft block">{clockWords(entry.readyAt, nowMs).words}</span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="soft mt-1 text-[13px]">
        {plan.prime.steps.join(' ')} Hold each coat against the light: thick and thin places show.
      </p>
    </section>
  );
}

function mixWords({ recipe }: CoatPlan, tape: Tape): string {
  const water = recipe.waterMl >= 1 ? ` + ${printed('volume', recipe.waterMl, tape)} water` : '';
  return recipe.glueG > 0
    ? `${printed('glue', recipe.glueG)} glue${water}`
    : `${printed('volume', recipe.groundMl, tape)} ground${water}`;
}
