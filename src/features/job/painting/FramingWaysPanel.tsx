'use client';
/* The ways to frame a canvas in its frame as measured: what each takes, shows and hides, and the chosen one drawn side by side. */
import { useDeferredValue, useMemo, useState } from 'react';
import type { Plan } from '@/core/case/planJob';
import { byId } from '@/core/house/schools';
import type { JobInputs } from '@/core/job/job';
import { FRAMING_WAYS, type FramingWay, type FramingWayId, framingWays } from '@/core/painting/framingWays';
import { framingWayWords } from '@/core/painting/framingWayWords';
import { UNSEEN_MM } from '@/core/cloth/registration';
import { type Tape, printFine } from '@/core/units/length';
import { sightScene } from '@/drawing/painting/sightScene';
import { Drawing } from '@/ui/drawing/Drawing';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

interface FramingWaysPanelProps {
  inputs: JobInputs;
  plan: Plan;
}

export function FramingWaysPanel({ inputs, plan }: FramingWaysPanelProps) {
  const { rules, tape } = useWorkshop();
  const [chosen, setChosen] = useState<FramingWayId | null>(null);
  // A search of a tenth of a second: what is typed goes before it.
  const [from, read] = [useDeferredValue(inputs), useDeferredValue(plan)];
  const ways = useMemo(() => {
    const { rebate, painting } = read.brief;
    if (rebate?.kind !== 'measured') return [];
    return framingWays(rebate.plan, from, { rules, tape }, painting?.registration?.corners ?? null);
  }, [from, read, rules, tape]);
  if (ways.length === 0)
    return (
      <p className="soft text-[14px]">Read the sides of the rebate and all four lips under Frame: then the ways are compared.</p>
    );
  const shown = ways.find(({ id }) => id === chosen) ?? ways[0]!;
  return (
    <div className="grid gap-x-6 gap-y-2 md:grid-cols-[1.25fr_1fr]">
      <div className="overflow-x-auto" role="group" tabIndex={0} aria-label="Ways to frame it">
        <table className="figure h-fit w-full text-[14px]">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">way</th>
              <th className="font-normal">to make</th>
              <th className="pl-3 text-right font-normal">shows</th>
              <th className="text-right font-normal">hides</th>
              <th className="text-right font-normal">back</th>
            </tr>
          </thead>
          <tbody>
            {ways.map((way) => (
              <tr key={way.id} className={`hair-b align-top ${way === shown ? 'font-semibold text-primary' : ''}`}>
                <td className="pr-2">
                  <button
                    type="button"
                    aria-pressed={way === shown}
                    className="cursor-pointer py-[3px] text-left underline-offset-2 hover:underline"
                    onClick={() => setChosen(way.id)}
                  >
                    {byId(FRAMING_WAYS, way.id).name}
                  </button>
                </td>
                <td className="py-[3px] pr-2 font-normal text-base-content">
                  <Figure>{framingWayWords(way, tape)}</Figure>
                </td>
                <td className="py-[3px] pl-3 text-right whitespace-nowrap">
                  {way.covers ? (
                    'nothing'
                  ) : (
                    <span className="text-error">
                      <Figure>{printFine(way.seenMm, tape)}</Figure>
                    </span>
                  )}
                </td>
                <td className="py-[3px] pl-3 text-right whitespace-nowrap">
                  <Figure>{printFine(way.hiddenMm, tape)}</Figure>
                </td>
                <td className="py-[3px] pl-3 text-right whitespace-nowrap">
                  <BackDepth way={way} tape={tape} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Drawing scene={sightScene(shown, tape)} tape={tape} className="h-[196px]" />
    </div>
  );
}

/** Where its back lies against that of the frame, folded corners and a slip counted. */
function BackDepth({ way: { proudMm }, tape }: { way: FramingWay; tape: Tape }) {
  if (proudMm === null) return 'not read';
  if (Math.abs(proudMm) <= UNSEEN_MM) return 'level';
  const words = <Figure>{`${printFine(Math.abs(proudMm), tape)} ${proudMm > 0 ? 'proud' : 'within'}`}</Figure>;
  return proudMm > 0 ? <span className="text-warning">{words}</span> : words;
}
