'use client';
/* Under the drawing of the cloth: the margins side by side, each side on its own, why makers differ, how to cut. */
import { EDGES, byId } from '@/core/house/schools';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import dynamic from 'next/dynamic';
import { memo } from 'react';
import type { MarginParts } from '@/core/cloth/cutSize';
import { MARGIN_STYLES } from '@/core/cloth/marginStyles';
import type { JobInputs } from '@/core/job/job';
import type { ClothInputs } from '@/core/stages/cloth/clothInputs';
import type { Plan } from '@/core/case/planJob';
import { printNumber } from '@/core/units/length';
import { sectionScene } from '@/drawing/clothScene';
import { Drawing } from '@/ui/drawing/Drawing';
import { Figure } from '@/ui/drawing/Figure';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';
import { Choice, ReadingField, Tick } from '@/ui/form/fields';
import { MarginTable } from './MarginTable';

/** Loaded when it is opened. */
const FoldPanel = dynamic(() => import('./FoldPanel').then((module) => module.FoldPanel), { loading: () => null });

export interface ClothPanelProps {
  jobId: string;
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  change: (patch: Partial<ClothInputs>) => void;
}

export const ClothPanel = memo(function ClothPanel(props: ClothPanelProps) {
  return (
    <Tabs
      label="Margins and cutting"
      className="min-h-[248px] flex-none"
      split="cloth"
      tabs={[
        { id: 'margins', name: 'Margins', show: () => <Margins {...props} /> },
        { id: 'sides', name: 'Each side', show: () => <EachSide {...props} /> },
        { id: 'why', name: 'Why makers differ', show: () => <WhyMakersDiffer {...props} /> },
        { id: 'cutting', name: 'Cutting', show: () => <Cutting {...props} /> },
        {
          id: 'corners',
          name: 'Corners',
          show: () => (
            <FoldPanel jobId={props.jobId} inputs={props.inputs} plan={props.plan} locked={props.locked} change={props.change} />
          ),
        },
      ]}
    />
  );
});

function Margins({ inputs, plan, locked, change }: ClothPanelProps) {
  const { tape } = useWorkshop();
  return (
    <div className="grid items-center gap-x-2 md:grid-cols-[1.75fr_1fr]">
      <MarginTable
        plan={plan}
        chosen={inputs.cloth.marginStyle}
        locked={locked}
        onPick={(marginStyle) => change({ marginStyle })}
      />
      <Drawing scene={sectionScene({ plan, tape })} tape={tape} scaleBar={false} className="h-[200px]" />
    </div>
  );
}

const PARTS: [name: string, of: (margin: MarginParts) => number][] = [
  ['edge', ({ edgeMm }) => edgeMm],
  ['return', ({ returnMm }) => returnMm],
  ['hem', ({ hemMm }) => hemMm],
  ['reserve', ({ reserveMm }) => reserveMm],
  ['grip', ({ gripMm }) => gripMm],
  ['to hold', ({ toHoldMm }) => toHoldMm],
];

function EachSide({ inputs: { cloth }, plan, locked, change }: ClothPanelProps) {
  const say = useSideWords();
  const { tape } = useWorkshop();
  const { margin, margins } = plan.cloth.cut;
  return (
    <div className="grid gap-x-6 md:grid-cols-[1fr_1.5fr]">
      <div className="grid grid-cols-2 content-start gap-x-4 gap-y-1.5">
        {say.sides.map((side) => (
          <ReadingField
            key={side}
            label={`Margin, ${say.side(side)}`}
            of="margin"
            value={cloth.ownMargin[side]}
            placeholder={`${printNumber(margin.totalMm, tape, 'up')} by style`}
            onChange={(length) => change({ ownMargin: { ...cloth.ownMargin, [side]: length } })}
            disabled={locked}
          />
        ))}
        <p className="soft col-span-2 text-[13px]">
          Empty follows the style. Less comes off the reserve, grip, hem, then the return.
        </p>
      </div>
      <table className="figure h-fit w-full text-[14px]">
        <thead className="soft text-[13px]">
          <tr className="hair-b">
            <th className="text-left font-normal">{tape.unit}</th>
            {say.sides.map((side) => (
              <th key={side} className="text-right font-normal">
                {say.side(side)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...PARTS, ['in all', ({ totalMm }: MarginParts) => totalMm] as const].map(([name, of]) => (
            <tr key={name} className={`hair-b ${name === 'in all' ? 'font-semibold' : name === 'to hold' ? 'soft' : ''}`}>
              <th className="text-left font-[inherit]">{name}</th>
              {say.sides.map((side) => (
                <td key={side} className="text-right">
                  <Figure>{printNumber(of(margins[side]), tape)}</Figure>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function WhyMakersDiffer({ inputs, plan }: ClothPanelProps) {
  return (
    <table className="w-full text-[14px]">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="font-normal">margin</th>
          <th className="font-normal">taken for</th>
          <th className="font-normal">what it trades</th>
          <th className="font-normal">held</th>
        </tr>
      </thead>
      <tbody>
        {plan.cloth.rows.map(({ style, holds }) => {
          const row = MARGIN_STYLES.find((one) => one.id === style)!;
          return (
            <tr
              key={style}
              className={`hair-b align-top ${style === inputs.cloth.marginStyle ? 'font-semibold text-primary' : ''}`}
            >
              <td className="pr-4 whitespace-nowrap">{row.name}</td>
              <td className="pr-4">{row.suits}</td>
              <td className="pr-4">{row.trades}</td>
              <td className="whitespace-nowrap">{holds}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const flawRules = (sidesShow: boolean) =>
  [
    { id: 'face', name: sidesShow ? 'Out of face and edges' : 'Out of the face' },
    { id: 'piece', name: 'Out of the whole piece' },
  ] as const;

function Cutting({ inputs: { brief, cloth }, plan, locked, change }: ClothPanelProps) {
  const { way, steps } = plan.cloth.cutting;
  return (
    <div className="grid gap-x-8 gap-y-2 md:grid-cols-[1.6fr_1fr]">
      <div>
        <h3 className="text-[15px] font-semibold">{way === 'tear' ? 'Tear it' : 'Cut it'}</h3>
        <ol className="mt-1 list-decimal space-y-1 pl-5 text-[14.5px]">
          {steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
        <p className="soft mt-1 text-[13.5px]">
          {way === 'tear'
            ? 'A plain raw weave follows one thread after a snip; the torn edge is straight and frays a little.'
            : 'Primed, dense or printed cloth does not follow a thread: a tear runs off or lifts the ground.'}
        </p>
      </div>
      <div className="space-y-1.5">
        <Choice
          label="Knots, slubs and stains stay"
          value={cloth.flawRule}
          options={flawRules(byId(EDGES, brief.edges).sidesShow)}
          onChange={(flawRule) => change({ flawRule })}
          disabled={locked}
        />
        <Tick
          label="May lie turned on the roll"
          checked={cloth.mayTurn}
          onChange={(mayTurn) => change({ mayTurn })}
          disabled={locked}
        />
        <Tick
          label="Take off the stretch"
          checked={cloth.takeOffStretch}
          onChange={(takeOffStretch) => change({ takeOffStretch })}
          disabled={locked}
        />
      </div>
    </div>
  );
}
