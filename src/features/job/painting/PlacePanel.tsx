'use client';
/* Under the drawing of a painting that is placed: where the frame lies, faces it would fill, priorities compared, its corners. */
import dynamic from 'next/dynamic';
import { type ReactNode, memo } from 'react';
import type { JobInputs } from '@/core/job/job';
import type { PlacingInputs } from '@/core/painting/paintingInputs';
import type { BriefInputs } from '@/core/stages/brief/briefInputs';
import type { ClothInputs } from '@/core/stages/cloth/clothInputs';
import { EDGES, byId } from '@/core/house/schools';
import { foldLines } from '@/core/painting/foundLines';
import { UNSEEN_MM } from '@/core/cloth/registration';
import { SIDES } from '@/core/job/sides';
import { turnWords, wavers, wouldHoldWords } from '@/core/painting/paintingVerdicts';
import type { Plan } from '@/core/case/planJob';
import { sizeRows, tradeRows } from '@/core/painting/planPainting';
import { length, printFine, printSize } from '@/core/units/length';
import { Choice, Tick } from '@/ui/fields';
import { Figure } from '@/ui/Figure';
import { FramePanel } from './FramePanel';
import { useSideWords } from '@/ui/SideWordsContext';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';

/** Loaded when it is opened. */
const FoldPanel = dynamic(() => import('../cloth/FoldPanel').then((module) => module.FoldPanel), { loading: () => null });

interface PlacePanelProps {
  jobId: string;
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  change: (patch: Partial<BriefInputs>) => void;
  onFold: (patch: Partial<ClothInputs>) => void;
  kit: ReactNode;
}

export const PlacePanel = memo(function PlacePanel(props: PlacePanelProps) {
  return (
    <Tabs
      label="Place"
      className="min-h-[248px] flex-none"
      split="brief"
      tabs={[
        { id: 'place', name: 'Placed', show: () => <Placed {...props} /> },
        ...(byId(EDGES, props.inputs.brief.edges).inRebate
          ? [{ id: 'frame', name: 'Frame', show: () => <FramePanel {...props} /> }]
          : []),
        { id: 'sizes', name: 'Sizes', show: () => <Sizes {...props} /> },
        { id: 'priorities', name: 'Priorities', show: () => <PrioritiesCompared {...props} /> },
        {
          id: 'corners',
          name: 'Corners',
          show: () => (
            <FoldPanel jobId={props.jobId} inputs={props.inputs} plan={props.plan} locked={props.locked} change={props.onFold} />
          ),
        },
        { id: 'kit', name: 'Kit', show: () => props.kit },
      ]}
    />
  );
});

const signed = (mm: number, print: (mm: number) => string) =>
  Math.abs(mm) < UNSEEN_MM ? '0' : `${mm > 0 ? '+' : '−'}${print(Math.abs(mm))}`;

function Placed({ plan }: PlacePanelProps) {
  const say = useSideWords();
  const { tape } = useWorkshop();
  const { registration, sides } = plan.brief.painting!;
  if (!registration) return <NotMeasured />;
  const print = (mm: number) => signed(mm, (off) => printFine(off, tape));
  return (
    <div>
      <p className="mb-1 text-[14px]">
        Frame {turnWords(registration.turnDegrees, say)} on the image. + goes round the edge, − is bare.
      </p>
      <table className="figure w-full text-[14px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">edge</th>
            <th className="text-right font-normal">{say.side('left')} or upper end</th>
            <th className="text-right font-normal">middle</th>
            <th className="text-right font-normal">{say.side('right')} or lower end</th>
            <th className="text-right font-normal">cloth beyond, ends</th>
            <th className="text-right font-normal">tacks</th>
          </tr>
        </thead>
        <tbody>
          {sides.map(({ side, beyondMm, tacks }) => {
            const { firstMm, middleMm, secondMm } = registration.sides[side];
            return (
              <tr key={side} className="hair-b">
                <th className="text-left font-semibold">{say.side(side)}</th>
                {[firstMm, middleMm, secondMm].map((mm, index) => (
                  <td key={index} className="text-right">
                    <Figure>{print(mm)}</Figure>
                  </td>
                ))}
                <td className="text-right">
                  <Figure>{beyondMm.map((mm) => (mm === null ? '?' : printFine(mm, tape))).join(', ')}</Figure>
                </td>
                <td className="text-right">{tacks ? `${tacks.count}, ${printFine(tacks.pitchMm, tape)} apart` : '–'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

const NotMeasured = () => (
  <p className="soft text-[14px]">Read the sides and both diagonals of the image first: then the frame can be placed on it.</p>
);

const SIZE_WORDS = {
  folds: 'its edges on the old folds',
  exact: 'to the tape’s step',
  round: 'round, to 5 mm',
  bars: 'from bars sold in pairs',
} as const;

function Sizes({ inputs, locked, change }: PlacePanelProps) {
  const { rules, tape } = useWorkshop();
  const rows = sizeRows(inputs, { rules, tape });
  if (rows.length === 0) return <NotMeasured />;
  const { width, height } = inputs.brief;
  return (
    <div className="space-y-1.5">
      <table className="figure w-full text-[14px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">largest face the image fills</th>
            <th className="text-right font-normal">size</th>
            <th className="text-right font-normal">goes round at most</th>
            <th className="pl-4 font-normal">within what may</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ widthMm, heightMm, why, registration }) => {
            const chosen = Math.abs(widthMm - width.mm) < UNSEEN_MM && Math.abs(heightMm - height.mm) < UNSEEN_MM;
            return (
              <tr key={why} className={`hair-b ${chosen ? 'font-semibold text-primary' : ''}`}>
                <td>
                  <button
                    type="button"
                    aria-pressed={chosen}
                    disabled={locked}
                    className="cursor-pointer py-[3px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                    onClick={() => change({ width: length(widthMm, tape.unit), height: length(heightMm, tape.unit) })}
                  >
                    {SIZE_WORDS[why]}
                  </button>
                </td>
                <td className="text-right">
                  <Figure>{printSize(widthMm, heightMm, tape, 'down')}</Figure>
                </td>
                <td className="text-right">
                  <Figure>{printFine(registration.mostWrapMm, tape)}</Figure>
                </td>
                <td className="pl-4">{registration.holds ? 'yes' : 'no'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="soft text-[13px]">
        {locked ? 'The place is recorded: take its record back to change the face.' : 'Pick one to make it the face of this job.'}
      </p>
    </div>
  );
}

const WAYS = [
  { id: 'leastSquares', name: 'All places together' },
  { id: 'leastMost', name: 'The worst place' },
] as const;

function PrioritiesCompared({ inputs, locked, change }: PlacePanelProps) {
  const say = useSideWords();
  const { rules, tape } = useWorkshop();
  const { placing } = inputs.brief;
  const set = (patch: Partial<PlacingInputs>) => change({ placing: { ...placing, ...patch } });
  const rows = tradeRows(inputs, { rules, tape });
  return (
    <div className="grid gap-x-6 gap-y-2 md:grid-cols-[1fr_2.4fr]">
      <div className="space-y-1">
        <fieldset>
          <legend className="soft text-[13px]">Stay parallel to the bar</legend>
          <div className="grid grid-cols-2">
            {say.sides.map((side) => (
              <Tick
                key={side}
                label={say.side(side)}
                checked={placing.keep.includes(side)}
                onChange={(on) => set({ keep: SIDES.filter((one) => (one === side ? on : placing.keep.includes(one))) })}
                disabled={locked}
              />
            ))}
          </div>
        </fieldset>
        <Choice label="Least off" value={placing.way} options={WAYS} onChange={(way) => set({ way })} disabled={locked} />
        {foldLines(inputs.cloth.found) && (
          <Tick
            label="Old folds on the edges"
            checked={placing.onFolds}
            onChange={(onFolds) => set({ onFolds })}
            disabled={locked}
          />
        )}
        <Tick label="Bare cloth may show" checked={placing.mayBare} onChange={(mayBare) => set({ mayBare })} disabled={locked} />
      </div>
      {rows.length === 0 ? (
        <NotMeasured />
      ) : rows.every(({ registration }) => !registration.holds) ? (
        <p className="max-w-prose text-[14px]">
          None of the priorities holds on this face. <Figure>{wouldHoldWords(inputs, { rules, tape })}</Figure>
        </p>
      ) : (
        <table className="figure h-fit w-full text-[14px]">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">kept parallel</th>
              {say.sides.map((side) => (
                <th key={side} className="text-right font-normal">
                  {say.side(side)} runs off
                </th>
              ))}
              <th className="text-right font-normal">round</th>
              <th className="text-right font-normal">bare</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id, name, keep, registration }) => {
              const chosen = keep.length === placing.keep.length && keep.every((side) => placing.keep.includes(side));
              return (
                <tr key={id} className={`hair-b ${chosen ? 'font-semibold text-primary' : ''}`}>
                  <td>
                    <button
                      type="button"
                      aria-pressed={chosen}
                      disabled={locked}
                      className="cursor-pointer py-[2px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                      onClick={() => set({ keep: [...keep] })}
                    >
                      {name}
                    </button>
                  </td>
                  {say.sides.map((side) => (
                    <td key={side} className="text-right">
                      <Figure>{printFine(wavers(registration, side), tape)}</Figure>
                    </td>
                  ))}
                  <td className="text-right">
                    <Figure>{printFine(registration.mostWrapMm, tape)}</Figure>
                  </td>
                  <td className="text-right">
                    <Figure>{printFine(registration.mostBareMm, tape)}</Figure>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </div>
  );
}
