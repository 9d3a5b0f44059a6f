'use client';
/* Under the drawing of the bars: what to choose from, the bow along them, what to buy or cut, how to join it. */
import { printed } from '@/core/quantities/printed';
import dynamic from 'next/dynamic';
import { memo } from 'react';
import { type BarChoice, bowLimitMm, bowShare } from '@/core/frame/chooseBars';
import { fixingWords } from '@/core/frame/fixings';
import { JOINTS } from '@/core/frame/joints';
import { profileOf } from '@/core/house/materials';
import { type RackBar, pickList } from '@/core/frame/sawing/rack';
import type { JobInputs } from '@/core/job/job';
import { byId } from '@/core/house/schools';
import { braceWords } from '@/core/stages/bars/braceWords';
import type { BarsPlan } from '@/core/stages/bars/planBars';
import { printFine, printLength } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import { Figure } from '@/ui/drawing/Figure';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';

const BowChart = dynamic(() => import('./BowChart').then((module) => module.BowChart), { loading: () => null });

interface BarsPanelProps {
  inputs: JobInputs;
  plan: BarsPlan;
  rack: RackBar[];
  locked: boolean;
  onPick: (patch: Partial<JobInputs['bars']>) => void;
}

export const BarsPanel = memo(function BarsPanel({ inputs, plan, rack, locked, onPick }: BarsPanelProps) {
  const { rules } = useWorkshop();
  return (
    <Tabs
      label="Bars"
      className="min-h-[248px] flex-none"
      split="bars"
      tabs={[
        {
          id: 'choose',
          name: 'Choose',
          show: () => <BarChoices plan={plan} bars={inputs.bars} locked={locked} onPick={onPick} />,
        },
        {
          id: 'bow',
          name: 'Bow along the bars',
          show: () => <BowChart plan={plan} limitOf={(spanMm) => bowLimitMm(spanMm, rules)} />,
        },
        {
          id: 'parts',
          name: PART_TITLES[byId(JOINTS, inputs.bars.joint).parts],
          show: () => <PartsTab inputs={inputs} plan={plan} rack={rack} />,
        },
        { id: 'assembly', name: 'Put together', show: () => <AssemblySteps plan={plan} /> },
      ]}
    />
  );
});

const PART_TITLES = { pair: 'Pick list', mitre: 'Cut list, mitred', butt: 'Cut list, square ends' };

const sameMakeUp = (choice: BarChoice, bars: JobInputs['bars']) =>
  choice.profile === bars.profile &&
  choice.bracesUpright.length === bars.bracesUpright.length &&
  choice.bracesLevel.length === bars.bracesLevel.length;

/** Every make-up that holds: those nothing beats first, by weight. */
export function BarChoices({
  plan,
  bars,
  locked,
  onPick,
}: {
  plan: BarsPlan;
  bars: JobInputs['bars'];
  locked: boolean;
  onPick: (patch: Partial<JobInputs['bars']>) => void;
}) {
  const { tape, rules } = useWorkshop();
  const holding = plan.choices.filter((choice) => choice.holds);
  const rows = [...holding.filter((choice) => choice.unbeaten), ...holding.filter((choice) => !choice.unbeaten)];
  if (rows.length === 0) return <p className="soft text-[14px]">No bar of this joint holds this size at this tension.</p>;
  return (
    <table className="figure w-full text-[14px]">
      <caption className="soft pb-1 text-left text-[13px]">
        {rows.length} of {plan.choices.length} make-ups hold. ◆ nothing beats it in bow, weight, price and work together.
      </caption>
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="py-0.5 font-normal">bar</th>
          <th className="font-normal">braces</th>
          <th className="text-right font-normal">bow</th>
          <th className="hidden text-right font-normal sm:table-cell">of limit</th>
          <th className="text-right font-normal">weight</th>
          <th className="text-right font-normal">wood</th>
          <th className="hidden text-right font-normal sm:table-cell">joints</th>
          <th className="hidden text-right font-normal sm:table-cell">work</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((choice) => {
          const chosen = sameMakeUp(choice, bars);
          const { profile, bracesUpright, bracesLevel } = choice;
          return (
            <tr
              key={`${profile} ${bracesUpright.length} ${bracesLevel.length}`}
              className={`hair-b ${chosen ? 'font-semibold text-primary' : ''}`}
            >
              <td>
                <button
                  type="button"
                  aria-pressed={chosen}
                  disabled={locked}
                  className="w-full cursor-pointer py-[3px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                  onClick={() => onPick({ profile, bracesUpright, bracesLevel })}
                >
                  <span aria-hidden className="mr-1 inline-block w-3 text-[11px]">
                    {choice.unbeaten ? '◆' : ''}
                  </span>
                  {profileOf(rules, profile).name}
                  {choice === plan.recommended && <span className="soft font-normal">, recommended</span>}
                </button>
              </td>
              <td>{braceWords(choice)}</td>
              <td className="text-right">
                <Figure>{printFine(Math.max(choice.topBottom.lastingMm, choice.leftRight.lastingMm), tape)}</Figure>
              </td>
              <td className="hidden text-right sm:table-cell">{printed('percent', 100 * bowShare(choice))}</td>
              <td className="text-right">{printed('mass', choice.weightKg, tape)}</td>
              <td className="text-right" title={choice.price.special.length > 0 ? 'a length is made to order' : undefined}>
                {choice.price.minor === null ? 'no price' : printMoney(choice.price.minor, rules.currency)}
                {choice.price.special.length > 0 ? '*' : ''}
              </td>
              <td className="hidden text-right sm:table-cell">{choice.joints}</td>
              <td className="hidden text-right sm:table-cell">{printed('handTime', choice.minutes)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function PartsTab({ inputs, plan, rack }: { inputs: JobInputs; plan: BarsPlan; rack: RackBar[] }) {
  return (
    <div className="grid gap-x-8 gap-y-2 md:grid-cols-[1.35fr_1fr]">
      <PartsList plan={plan} />
      <div className="space-y-2">
        <FromRack plan={plan} rack={rack} />
        <FixingList inputs={inputs} plan={plan} />
      </div>
    </div>
  );
}

export function PartsList({ plan }: { plan: BarsPlan }) {
  const { tape } = useWorkshop();
  return (
    <section aria-label="Parts">
      <table className="figure w-full text-[14px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">
              <span className="sr-only">pieces</span>
            </th>
            <th className="font-normal">part</th>
            <th className="text-right font-normal">outside</th>
            <th className="text-right font-normal">inside</th>
            <th className="pl-4 font-normal">ends</th>
          </tr>
        </thead>
        <tbody>
          {plan.parts.map((part) => (
            <tr key={part.name} className="hair-b">
              <td className="w-8 py-[3px] font-semibold">{part.count} ×</td>
              <td>{part.name}</td>
              <td className="text-right font-semibold">
                <Figure>{printLength(part.lengthMm, tape)}</Figure>
              </td>
              <td className="text-right">{part.insideMm !== null && <Figure>{printLength(part.insideMm, tape)}</Figure>}</td>
              <td className="soft pl-4">{part.ends}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Slotted bars: what lies on the rack, what to order, and what would not fit. */
function FromRack({ plan, rack }: { plan: BarsPlan; rack: RackBar[] }) {
  const { tape } = useWorkshop();
  if (!plan.parts.some((part) => part.from === 'pairs')) return null;
  const { lines, family, otherFamily } = pickList(plan.parts, plan.profile, rack);
  const words = lines.map(({ lengthMm, fromRack, order }) => {
    const length = printLength(lengthMm, tape);
    if (order === 0) return `${fromRack} of ${length} lie on the rack`;
    return fromRack > 0 ? `${length}: ${fromRack} on the rack, order ${order}` : `order ${order} of ${length}`;
  });
  return (
    <section aria-label="From the rack" className="text-[14px]">
      <h3 className="soft text-[13px]">Rack, {family}</h3>
      {words.map((text) => (
        <p key={text} className="figure">
          <Figure>{text}</Figure>
        </p>
      ))}
      {otherFamily.map((other) => (
        <p key={`${other.family} ${other.lengthMm}`} className="text-[13.5px] text-warning">
          <strong>Watch.</strong> {other.count} of <Figure>{printLength(other.lengthMm, tape)}</Figure> lie there with another
          joint, {other.family}: the slots do not fit each other.
        </p>
      ))}
    </section>
  );
}

export function FixingList({ inputs, plan }: { inputs: JobInputs; plan: BarsPlan }) {
  const { tape } = useWorkshop();
  return (
    <section aria-label="Screws" className="text-[14px]">
      <h3 className="soft text-[13px]">Screws and set-back</h3>
      {plan.fixings.map((one) => (
        <p key={`${one.where} ${one.what}`} className="figure leading-5">
          <strong>{fixingWords(one)}</strong>, {one.where}
          {one.lengthMm > 0 && `: ${one.how}`}
          {one.pilotMm > 0 && `; pilot ${printFine(one.pilotMm, tape)}`}
          {one.biteMm !== null && `, ${printFine(one.biteMm, tape)} bite in end grain`}
          {one.fromEndMm > 0 && `, ${printLength(one.fromEndMm, tape)} from an end`}.
        </p>
      ))}
      {plan.fixings.length === 0 && <p className="soft">None: {byId(JOINTS, inputs.bars.joint).name.toLowerCase()}.</p>}
      {plan.chosen.braces > 0 && (
        <p className="figure leading-5">
          Braces flush with the back, <Figure>{printFine(plan.bracing.clearMm, tape)}</Figure> behind the cloth.
        </p>
      )}
    </section>
  );
}

export function AssemblySteps({ plan }: { plan: BarsPlan }) {
  return (
    <ol className="columns-1 gap-8 text-[14px] leading-5 md:columns-2">
      {plan.assembly.map((step, index) => (
        <li key={step.do} className="mb-1.5 break-inside-avoid pl-6 -indent-6">
          <span className="figure inline-block w-6 indent-0 font-semibold">{index + 1}</span>
          {step.do} <span className="soft">{step.check}</span>
        </li>
      ))}
    </ol>
  );
}
