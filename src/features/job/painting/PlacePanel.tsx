'use client';
/* Under the drawing of a painting that is placed: where the frame lies, faces it would fill, priorities compared, its corners. */
import dynamic from 'next/dynamic';
import { type ReactNode, memo, useMemo } from 'react';
import type { JobInputs } from '@/core/job/job';
import type { PlacingInputs } from '@/core/painting/paintingInputs';
import type { BriefInputs } from '@/core/stages/brief/briefInputs';
import type { ClothInputs } from '@/core/stages/cloth/clothInputs';
import { EDGES, byId } from '@/core/house/schools';
import { foldLines } from '@/core/painting/foundLines';
import { UNSEEN_MM } from '@/core/cloth/registration';
import { setRow } from '@/core/fasten/setRow';
import { SIDES, isLevel } from '@/core/job/sides';
import { turnWords, wavers, wouldHoldWords } from '@/core/painting/paintingVerdicts';
import type { Plan } from '@/core/case/planJob';
import { type OfferedSize, offeredSizes } from '@/core/painting/offeredSizes';
import { tradeRows } from '@/core/painting/planPainting';
import { length, printFine, printSize } from '@/core/units/length';
import { Choice, Tick } from '@/ui/form/fields';
import { Figure } from '@/ui/drawing/Figure';
import { FramePanel } from './FramePanel';
import { useSideWords } from '@/ui/drawing/SideWordsContext';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';

/** Loaded when they are opened. */
const FoldPanel = dynamic(() => import('../cloth/FoldPanel').then((module) => module.FoldPanel), { loading: () => null });

const FramingWaysPanel = dynamic(() => import('./FramingWaysPanel').then((module) => module.FramingWaysPanel), {
  loading: () => null,
});

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
          ? [
              { id: 'frame', name: 'Frame', show: () => <FramePanel {...props} /> },
              { id: 'ways', name: 'Framing', show: () => <FramingWaysPanel {...props} /> },
            ]
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

function Placed({ inputs: { brief }, plan }: PlacePanelProps) {
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
          {sides.map(({ side, beyondMm, onEdge }) => {
            const { firstMm, middleMm, secondMm } = registration.sides[side];
            const row = onEdge ? setRow(plan.fasten.route, side, (isLevel(side) ? brief.width : brief.height).mm) : null;
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
                <td className="text-right">{row ? `${row.count}, ${printFine(row.pitchMm, tape)} apart` : '–'}</td>
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

const HAD_WORDS = { sold: 'sold', sawn: 'sawn' } as const;

/** "both sold", "width sold, height sawn". */
const hadWords = ({ across, down }: Pick<OfferedSize, 'across' | 'down'>): string =>
  across === down ? `both ${HAD_WORDS[across]}` : `width ${HAD_WORDS[across]}, height ${HAD_WORDS[down]}`;

function Sizes({ inputs, locked, change }: PlacePanelProps) {
  const say = useSideWords();
  const { rules, tape } = useWorkshop();
  const rows = useMemo(() => offeredSizes(inputs, { rules, tape }), [inputs, rules, tape]);
  if (rows.length === 0) return <NotMeasured />;
  const { width, height } = inputs.brief;
  const framed = rows.some(({ gapMm }) => gapMm !== null);
  const edge = ({ lostMm, shownMm }: OfferedSize['sides']['top']) => (
    <>
      {lostMm > UNSEEN_MM ? `+${printFine(lostMm, tape)}` : shownMm > UNSEEN_MM ? '' : 'even'}
      {shownMm > UNSEEN_MM && (
        <span className="text-error">
          {lostMm > UNSEEN_MM && ', '}−{printFine(shownMm, tape)}
        </span>
      )}
    </>
  );
  return (
    <div className="space-y-1.5">
      <table className="figure w-full text-[14px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">face</th>
            <th className="font-normal">bars</th>
            {say.sides.map((side) => (
              <th key={side} className="text-right font-normal">
                {say.side(side)}
              </th>
            ))}
            {framed && <th className="text-right font-normal">gap in the frame</th>}
            <th className="pl-4 font-normal">within what may</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const { widthMm, heightMm, onFolds, gapMm } = row;
            const chosen = Math.abs(widthMm - width.mm) < UNSEEN_MM && Math.abs(heightMm - height.mm) < UNSEEN_MM;
            return (
              <tr key={`${widthMm} ${heightMm} ${onFolds}`} className={`hair-b ${chosen ? 'font-semibold text-primary' : ''}`}>
                <td>
                  <button
                    type="button"
                    aria-pressed={chosen}
                    disabled={locked}
                    className="cursor-pointer py-[3px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                    onClick={() => change({ width: length(widthMm, tape.unit), height: length(heightMm, tape.unit) })}
                  >
                    <Figure>{printSize(widthMm, heightMm, tape, 'down')}</Figure>
                  </button>
                </td>
                <td>{onFolds ? `on the old folds, ${hadWords(row)}` : hadWords(row)}</td>
                {say.sides.map((side) => (
                  <td key={side} className="text-right whitespace-nowrap">
                    {edge(row.sides[side])}
                  </td>
                ))}
                {framed && (
                  <td className="text-right whitespace-nowrap">
                    {gapMm === null ? (
                      '–'
                    ) : gapMm < 0 ? (
                      <span className="text-error">does not go in</span>
                    ) : (
                      printFine(gapMm, tape)
                    )}
                  </td>
                )}
                <td className="pl-4">{row.holds ? 'yes' : 'no'}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="soft text-[13px]">
        {locked
          ? 'The place is recorded: undo its record to change the face.'
          : 'Best first. + goes round the edge and is lost, − shows bare, at the worst place. Pick one to make it the face of this job.'}
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
