'use client';
/* Under the drawing of a painting: its image and margins as read, where the frame lies, sizes, priorities compared. */
import dynamic from 'next/dynamic';
import { memo } from 'react';
import { TAPE_NAMES, isDiagonal } from '@/core/frame/square/corners';
import type { JobInputs } from '@/core/job/job';
import type { PaintingInputs } from '@/core/painting/paintingInputs';
import type { ClothInputs } from '@/core/stages/cloth/clothInputs';
import { UNSEEN_MM } from '@/core/cloth/registration';
import { SIDES } from '@/core/job/sides';
import { capital, turnWords, wavers, wouldHoldWords } from '@/core/painting/paintingVerdicts';
import type { Plan } from '@/core/case/planJob';
import { sizeRows, tradeRows } from '@/core/painting/planPainting';
import { type Length, length, printFine, printSize } from '@/core/units/length';
import { Choice, ReadingField, Tick } from '@/ui/fields';
import { Figure } from '@/ui/Figure';
import { useSideWords } from '@/ui/SideWordsContext';
import { Tabs } from '@/ui/Tabs';
import { useWorkshop } from '@/ui/WorkshopContext';

/** Loaded when it is opened. */
const FoldPanel = dynamic(() => import('../cloth/FoldPanel').then((module) => module.FoldPanel), { loading: () => null });

export interface PaintingPanelProps {
  jobId: string;
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  /** The face may still change: the brief is not recorded. */
  sizeFree: boolean;
  change: (patch: Partial<ClothInputs>) => void;
  onSize: (width: Length, height: Length) => void;
}

export const PaintingPanel = memo(function PaintingPanel(props: PaintingPanelProps) {
  return (
    <Tabs
      label="Painting"
      className="min-h-[248px] flex-none"
      split="cloth"
      tabs={[
        { id: 'image', name: 'Image', show: () => <ImageReadings {...props} /> },
        { id: 'margins', name: 'Margins left', show: () => <MarginsLeft {...props} /> },
        { id: 'place', name: 'Placed', show: () => <Placed {...props} /> },
        { id: 'sizes', name: 'Sizes', show: () => <Sizes {...props} /> },
        { id: 'priorities', name: 'Priorities', show: () => <PrioritiesCompared {...props} /> },
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

function ImageReadings({ inputs, locked, change }: PaintingPanelProps) {
  const say = useSideWords();
  const { painting } = inputs.cloth;
  const set = (patch: Partial<PaintingInputs>) => change({ painting: { ...painting, ...patch } });
  return (
    <div className="space-y-1.5">
      <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 sm:grid-cols-3">
        {TAPE_NAMES.map((name) => (
          <ReadingField
            key={name}
            label={isDiagonal(name) ? capital(say.diagonal(name)) : `Image, ${say.side(name)}`}
            value={painting[name]}
            mostMm={20_000}
            onChange={(read) => set({ [name]: read })}
            disabled={locked}
          />
        ))}
      </div>
      <div className="grid grid-cols-2 gap-x-4 gap-y-1 sm:grid-cols-4">
        {say.sides.map((side) => {
          const bow = painting.bow[side];
          return (
            <div key={side}>
              <ReadingField
                label={`Bow at the middle, ${say.side(side)}`}
                value={bow?.by ?? null}
                mostMm={100}
                onChange={(by) => set({ bow: { ...painting.bow, [side]: by && { by, outward: bow?.outward ?? true } } })}
                disabled={locked}
              />
              {bow && (
                <Tick
                  label="outward"
                  checked={bow.outward}
                  onChange={(outward) => set({ bow: { ...painting.bow, [side]: { ...bow, outward } } })}
                  disabled={locked}
                />
              )}
            </div>
          );
        })}
      </div>
      <p className="soft text-[13px]">
        Corner to corner of the paint. Bow: a string from corner to corner, the gap in the middle.
      </p>
    </div>
  );
}

function MarginsLeft({ inputs: { cloth }, locked, change }: PaintingPanelProps) {
  const say = useSideWords();
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-1.5 sm:grid-cols-4">
      {say.sides.flatMap((side) =>
        (['first', 'second'] as const).map((end, index) => (
          <ReadingField
            key={`${side} ${end}`}
            label={`${capital(say.side(side))}, ${say.end(side, index)} end`}
            value={cloth.left[side][end]}
            mostMm={600}
            onChange={(read) => change({ left: { ...cloth.left, [side]: { ...cloth.left[side], [end]: read } } })}
            disabled={locked}
          />
        )),
      )}
      <p className="soft col-span-full text-[13px]">
        From the paint to the edge of the cloth, a hand’s width from each corner, at its narrowest.
      </p>
    </div>
  );
}

const signed = (mm: number, print: (mm: number) => string) =>
  Math.abs(mm) < UNSEEN_MM ? '0' : `${mm > 0 ? '+' : '−'}${print(Math.abs(mm))}`;

function Placed({ plan }: PaintingPanelProps) {
  const say = useSideWords();
  const { tape } = useWorkshop();
  const { registration, sides } = plan.cloth.painting!;
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

const SIZE_WORDS = { exact: 'to the tape’s step', round: 'round, to 5 mm', bars: 'from bars sold in pairs' } as const;

function Sizes({ inputs, locked, sizeFree, onSize }: PaintingPanelProps) {
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
                    disabled={locked || !sizeFree}
                    className="cursor-pointer py-[3px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                    onClick={() => onSize(length(widthMm, tape.unit), length(heightMm, tape.unit))}
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
        {sizeFree
          ? 'Pick one to make it the face of this job.'
          : 'The brief is recorded: take its record back to change the face.'}
      </p>
    </div>
  );
}

const WAYS = [
  { id: 'leastSquares', name: 'All places together' },
  { id: 'leastMost', name: 'The worst place' },
] as const;

function PrioritiesCompared({ inputs, locked, change }: PaintingPanelProps) {
  const say = useSideWords();
  const { rules, tape } = useWorkshop();
  const { painting } = inputs.cloth;
  const set = (patch: Partial<PaintingInputs>) => change({ painting: { ...painting, ...patch } });
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
                checked={painting.keep.includes(side)}
                onChange={(on) => set({ keep: SIDES.filter((one) => (one === side ? on : painting.keep.includes(one))) })}
                disabled={locked}
              />
            ))}
          </div>
        </fieldset>
        <Choice label="Least off" value={painting.way} options={WAYS} onChange={(way) => set({ way })} disabled={locked} />
        <Tick label="Bare cloth may show" checked={painting.mayBare} onChange={(mayBare) => set({ mayBare })} disabled={locked} />
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
              const chosen = keep.length === painting.keep.length && keep.every((side) => painting.keep.includes(side));
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
