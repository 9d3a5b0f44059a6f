'use client';
/*
 * The inputs of each stage, as few as its sums need. A slip gets the stage's inputs and a way to change them.
 */
import { FABRICS } from '@/core/cloth/fabrics';
import { MARGIN_STYLES } from '@/core/cloth/marginStyles';
import { FASTENERS } from '@/core/fasten/fasteners';
import { ROUTES } from '@/core/fasten/routes';
import { JOINTS } from '@/core/frame/joints';
import { PROFILES } from '@/core/frame/profiles';
import { SPECIES } from '@/core/frame/timber';
import { type JobInputs, SIDES } from '@/core/job/job';
import { EDGES, HANGS, MEDIUMS, USES, byId } from '@/core/job/schools';
import type { StageId } from '@/core/job/stages';
import { HANGINGS } from '@/core/plan/hangings';
import { braceWords } from '@/core/plan/planBars';
import { FACE_RANGE_MM } from '@/core/plan/planBrief';
import type { Plan } from '@/core/plan/planJob';
import { SYSTEMS } from '@/core/prime/grounds';
import { FEELS } from '@/core/tension/feel';
import { REMEDIES } from '@/core/tension/remedies';
import { printFine, printNumber, printSize } from '@/core/units/length';
import { printMass } from '@/core/units/mass';
import { parsed, refused } from '@/core/units/result';
import { Choice, LengthField, NumberField, ReadingField, Tick, TypedField } from '@/ui/fields';
import { Figure } from '@/ui/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

export interface SlipProps {
  inputs: JobInputs;
  plan: Plan;
  coatsDone: number;
  locked: boolean;
  change: <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>) => void;
}

const COUNTS = (['0', '1', '2'] as const).map((id) => ({ id, name: id === '0' ? 'none' : id }));
const ONE_TO_THREE = (['1', '2', '3'] as const).map((id) => ({ id, name: id }));
const columns = 'grid grid-cols-2 gap-x-4 gap-y-1.5';

export function BriefSlip({ inputs: { brief }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['brief']>) => change('brief', patch);
  return (
    <div className="space-y-1.5">
      <TypedField label="Title" value={brief.title} print={(text) => text} read={(text) => (text.trim() && text.length <= 120 ? parsed(text) : refused<string>(text, text.trim() ? 'is over 120 letters' : 'is empty', 'A title of 1 to 120 letters.'))} onChange={(title) => set({ title })} disabled={locked} />
      <div className={columns}>
        <LengthField label="Face width" value={brief.width} leastMm={FACE_RANGE_MM.least} mostMm={FACE_RANGE_MM.most} onChange={(width) => set({ width })} disabled={locked} />
        <LengthField label="Face height" value={brief.height} leastMm={FACE_RANGE_MM.least} mostMm={FACE_RANGE_MM.most} onChange={(height) => set({ height })} disabled={locked} />
        <Choice label="What it is" value={brief.use} options={USES} onChange={(use) => set({ use })} disabled={locked} />
        <Choice label="Edges" value={brief.edges} options={EDGES} onChange={(edges) => set({ edges })} disabled={locked} />
        <Choice label="Medium to come" value={brief.medium} options={MEDIUMS} onChange={(medium) => set({ medium })} disabled={locked} />
        <Choice label="Hangs" value={brief.hangs} options={HANGS} onChange={(hangs) => set({ hangs })} disabled={locked} />
        <TypedField<string | null> label="Wanted on" type="date" value={brief.dueOn} print={(day) => day ?? ''} read={(day) => parsed<string | null>(day || null)} onChange={(dueOn) => set({ dueOn })} disabled={locked} />
        {byId(EDGES, brief.edges).inRebate && <LengthField label="Rebate clearance, in all" value={brief.rebateClearance} mostMm={60} onChange={(rebateClearance) => set({ rebateClearance })} disabled={locked} />}
      </div>
      <button type="button" className="btn btn-ghost btn-sm -ml-2" disabled={locked} onClick={() => set({ width: brief.height, height: brief.width })}>
        Swap width and height
      </button>
    </div>
  );
}

export function BarsSlip({ inputs, plan, locked, change }: SlipProps) {
  const { bars } = inputs;
  const set = (patch: Partial<JobInputs['bars']>) => change('bars', patch);
  return (
    <div className="space-y-2">
      <div className={columns}>
        <Choice label="Joint" value={bars.joint} options={JOINTS} onChange={(joint) => set({ joint })} disabled={locked} />
        <Choice label="Wood" value={bars.species} options={SPECIES} onChange={(species) => set({ species })} disabled={locked} />
        <Choice label="Bar" value={bars.profile} options={PROFILES} onChange={(profile) => set({ profile })} disabled={locked} />
        <NumberField label="Cloth tension" value={bars.tensionNPerM} unit="N/m" least={20} most={800} onChange={(tensionNPerM) => set({ tensionNPerM })} disabled={locked} />
        <Choice label="Braces, upright" value={String(bars.bracesUpright) as '0'} options={COUNTS} onChange={(id) => set({ bracesUpright: Number(id) as 0 })} disabled={locked} />
        <Choice label="Braces, level" value={String(bars.bracesLevel) as '0'} options={COUNTS} onChange={(id) => set({ bracesLevel: Number(id) as 0 })} disabled={locked} />
      </div>
      <BarChoices plan={plan} bars={bars} locked={locked} onPick={set} />
    </div>
  );
}

function BarChoices({ plan, bars, locked, onPick }: { plan: Plan; bars: JobInputs['bars']; locked: boolean; onPick: (patch: Partial<JobInputs['bars']>) => void }) {
  const { tape } = useWorkshop();
  const best = plan.bars.choices.filter((choice) => choice.holds).slice(0, 5);
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
          const chosen = choice.profile === bars.profile && choice.bracesUpright === bars.bracesUpright && choice.bracesLevel === bars.bracesLevel;
          const pick = { profile: choice.profile, bracesUpright: choice.bracesUpright, bracesLevel: choice.bracesLevel };
          return (
            <tr key={`${choice.profile} ${choice.bracesUpright} ${choice.bracesLevel}`} className={`hair-b ${chosen ? 'font-semibold text-primary' : ''}`}>
              <td>
                <button type="button" aria-pressed={chosen} disabled={locked} className="w-full cursor-pointer py-1 text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline" onClick={() => onPick(pick)}>
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

export function SquareSlip({ inputs: { square, brief }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['square']>) => change('square', patch);
  const most = 2 * (brief.width.mm + brief.height.mm);
  const field = (name: keyof typeof square, label: string, mostMm = most) => <ReadingField key={name} label={label} value={square[name]} mostMm={mostMm} leastMm={name === 'lift' ? 0 : 1} onChange={(value) => set({ [name]: value })} disabled={locked} />;
  return (
    <div className={columns}>
      {field('down', 'Diagonal, top left down')}
      {field('up', 'Diagonal, bottom left up')}
      {field('top', 'Top')}
      {field('bottom', 'Bottom')}
      {field('left', 'Left')}
      {field('right', 'Right')}
      {field('lift', 'Corner lift on a flat table', 200)}
    </div>
  );
}

export function ClothSlip({ inputs, plan, locked, change }: SlipProps) {
  const { cloth } = inputs;
  const set = (patch: Partial<JobInputs['cloth']>) => change('cloth', patch);
  if (plan.cloth.painted) {
    return (
      <div className={columns}>
        <Choice label="Cloth" value={cloth.fabric} options={FABRICS} onChange={(fabric) => set({ fabric })} disabled={locked} />
        <Choice label="Pull with" value={cloth.grip} options={GRIPS} onChange={(grip) => set({ grip })} disabled={locked} />
        {SIDES.map((side) => (
          <ReadingField key={side} label={`Margin left, ${side}`} value={cloth.left[side]} mostMm={600} onChange={(mm) => set({ left: { ...cloth.left, [side]: mm } })} disabled={locked} />
        ))}
      </div>
    );
  }
  return (
    <div className="space-y-2">
      <div className={columns}>
        <Choice label="Cloth" value={cloth.fabric} options={FABRICS} onChange={(fabric) => set({ fabric })} disabled={locked} />
        <LengthField label="Roll width, usable" value={cloth.rollWidth} leastMm={100} mostMm={6000} onChange={(rollWidth) => set({ rollWidth })} disabled={locked} />
        <Choice label="Pull with" value={cloth.grip} options={GRIPS} onChange={(grip) => set({ grip })} disabled={locked} />
        <Choice label="Warp along" value={cloth.warp} options={WARPS} onChange={(warp) => set({ warp })} disabled={locked} />
        <Tick label="Wash before cutting" checked={cloth.washFirst} onChange={(washFirst) => set({ washFirst })} disabled={locked} />
        <Tick label="Take off the stretch" checked={cloth.takeOffStretch} onChange={(takeOffStretch) => set({ takeOffStretch })} disabled={locked} />
      </div>
      <MarginTable plan={plan} chosen={cloth.marginStyle} locked={locked} onPick={(marginStyle) => set({ marginStyle })} />
    </div>
  );
}

const GRIPS = [
  { id: 'hand', name: 'Fingers' },
  { id: 'pliers', name: 'Pliers' },
] as const;
const WARPS = [
  { id: 'width', name: 'the width' },
  { id: 'height', name: 'the height' },
] as const;

function MarginTable({ plan, chosen, locked, onPick }: { plan: Plan; chosen: JobInputs['cloth']['marginStyle']; locked: boolean; onPick: (id: JobInputs['cloth']['marginStyle']) => void }) {
  const { tape } = useWorkshop();
  return (
    <table className="figure w-full text-[14px]">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="py-0.5 font-normal">margin</th>
          <th className="text-right font-normal">each side</th>
          <th className="text-right font-normal">cut, {tape.unit}</th>
          <th className="text-right font-normal">m²</th>
        </tr>
      </thead>
      <tbody>
        {plan.cloth.rows.map(({ style, cut, note, holds }) => {
          const row = byId(MARGIN_STYLES, style);
          return (
            <tr key={style} className={`hair-b ${style === chosen ? 'font-semibold text-primary' : ''}`} title={`${row.suits}; ${row.trades}. ${note}; held ${holds}.`}>
              <td>
                <button type="button" aria-pressed={style === chosen} disabled={locked} className="w-full cursor-pointer py-[3px] text-left underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline" onClick={() => onPick(style)}>
                  {row.name}
                </button>
              </td>
              <td className="text-right">
                <Figure>{printNumber(cut.margin.totalMm, tape, 'up')}</Figure>
              </td>
              <td className="text-right">
                <Figure>{printSize(cut.widthMm, cut.heightMm, tape, 'up').replace(` ${tape.unit}`, '')}</Figure>
              </td>
              <td className="text-right">{cut.areaM2.toFixed(2)}</td>
            </tr>
          );
        })}
      </tbody>
      <caption className="soft caption-bottom pt-1 text-left text-[13px]">
        {byId(MARGIN_STYLES, chosen).name}: {byId(MARGIN_STYLES, chosen).suits}; {plan.cloth.rows.find((row) => row.style === chosen)?.note}. Flush follows the bar’s width, so it passes the short return on wide bars.
      </caption>
    </table>
  );
}

export function FastenSlip({ inputs: { fasten }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['fasten']>) => change('fasten', patch);
  return (
    <div className={columns}>
      <Choice label="Route" value={fasten.route} options={ROUTES} onChange={(route) => set({ route })} disabled={locked} />
      <Choice label="Fastener" value={fasten.fastener} options={FASTENERS} onChange={(fastener) => set({ fastener })} disabled={locked} />
      <LengthField label="Spacing, at most" value={fasten.spacing} leastMm={10} mostMm={150} onChange={(spacing) => set({ spacing })} disabled={locked} />
      <LengthField label="Last from corner" value={fasten.lastFromCorner} mostMm={150} onChange={(lastFromCorner) => set({ lastFromCorner })} disabled={locked} />
      <Choice label="Starters at each middle" value={String(fasten.starters) as '1'} options={ONE_TO_THREE} onChange={(id) => set({ starters: Number(id) as 1 })} disabled={locked} />
      <Choice label="Pairs a side each turn" value={String(fasten.perTurn) as '1'} options={ONE_TO_THREE} onChange={(id) => set({ perTurn: Number(id) as 1 })} disabled={locked} />
    </div>
  );
}

export function TuneSlip({ inputs: { tune }, plan, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['tune']>) => change('tune', patch);
  return (
    <div className="space-y-2">
      <div className={columns}>
        <Choice label="It feels" value={tune.feel} options={FEELS} onChange={(feel) => set({ feel })} disabled={locked} />
        <LengthField label="Opening, each corner" value={tune.opening} mostMm={20} onChange={(opening) => set({ opening })} disabled={locked} />
        <Choice label="Done about it" value={tune.remedy} options={REMEDIES} onChange={(remedy) => set({ remedy })} disabled={locked} />
      </div>
      <ul className="text-[14px] leading-5">
        {plan.tune.advice
          .filter((one) => one.id !== 'none')
          .map((one) => (
            <li key={one.id} className="hair-t py-1">
              <span className={`font-semibold ${one.barred ? 'soft line-through' : ''}`}>{one.name}</span>
              {one.barred ? (
                <span className="text-error"> not here: {one.barred}</span>
              ) : (
                <span className="soft">
                  {' '}
                  for: {one.speaksFor.join('; ')}. Against: {one.speaksAgainst.join('; ')}.
                </span>
              )}
            </li>
          ))}
      </ul>
    </div>
  );
}

export function PrimeSlip({ inputs: { prime }, coatsDone, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['prime']>) => change('prime', patch);
  const begun = locked || coatsDone > 0;
  return (
    <div className={columns}>
      <div className="col-span-2">
        <Choice label="System" value={prime.system} options={SYSTEMS} onChange={(system) => set({ system })} disabled={begun} />
      </div>
      <NumberField label="Room" value={prime.roomC} unit="°C" least={0} most={45} onChange={(roomC) => set({ roomC })} disabled={locked} />
      <NumberField label="Humidity" value={prime.roomRh} unit="% RH" least={5} most={100} onChange={(roomRh) => set({ roomRh })} disabled={locked} />
      <Tick label="Edges too" checked={prime.edges} onChange={(edges) => set({ edges })} disabled={begun} />
      <Tick label="Back too" checked={prime.back} onChange={(back) => set({ back })} disabled={begun} />
    </div>
  );
}

export function HandoverSlip({ inputs: { handover }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['handover']>) => change('handover', patch);
  const read = (typed: string) => {
    const value = Number(typed.trim().replace(',', '.'));
    if (typed.trim() === '') return parsed<number | null>(null);
    return value >= 0.01 && value <= 200 ? parsed<number | null>(value) : refused<number | null>(typed, 'is no weight of a canvas', 'Type 0.01 to 200 kg, or leave it empty.');
  };
  return (
    <div className="space-y-1.5">
      <div className={columns}>
        <TypedField<number | null> label="On the scale" value={handover.weighedKg} print={(kg) => (kg === null ? '' : String(kg))} read={read} onChange={(weighedKg) => set({ weighedKg })} beside="kg" inputMode="decimal" disabled={locked} />
        <Choice label="Hanging" value={handover.hanging} options={HANGINGS} onChange={(hanging) => set({ hanging })} disabled={locked} />
      </div>
      <TypedField label="On the label" value={handover.label} print={(text) => text} read={(text) => (text.length <= 300 ? parsed(text) : refused<string>(text, 'is over 300 letters', 'Shorten it.'))} onChange={(label) => set({ label })} placeholder="Title, maker, this way up" disabled={locked} />
    </div>
  );
}

export const SLIPS: Record<StageId, (props: SlipProps) => React.ReactNode> = { brief: BriefSlip, bars: BarsSlip, square: SquareSlip, cloth: ClothSlip, fasten: FastenSlip, tune: TuneSlip, prime: PrimeSlip, handover: HandoverSlip };
