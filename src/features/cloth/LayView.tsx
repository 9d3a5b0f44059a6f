'use client';
/* Pieces of the jobs chosen, laid on one roll and its offcuts; the cuts in order, and the record of them. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { sheetOf, type ClothFlaw, type StockCloth } from '@/core/cloth/clothStock';
import { tearOf } from '@/core/cloth/clothPieceOf';
import { rollPrice } from '@/core/cloth/rollPrice';
import { type CutOrder, cutOrder } from '@/core/cloth/layout/cutOrder';
import type { StockLayout, StockPiece } from '@/core/cloth/layout/layStock';
import { snapPiece } from '@/core/cloth/layout/snapPiece';
import { assumed } from '@/core/house/houseRules';
import { fabricOf, fabricsOf } from '@/core/house/materials';
import { layoutVerdicts, provenWords } from '@/core/stages/cloth/layoutVerdicts';
import { type Verdict, verdict, worstLevel } from '@/core/job/verdict';
import { printLength, printSize } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import type { StoredCloth } from '@/db/clothSheets';
import { changeClothAction, cutClothAction } from '@/server/actions';
import type { ClothJob } from '@/server/clothCases';
import { Choice, Tick } from '@/ui/fields';
import { Figure } from '@/ui/Figure';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { refusalOf } from '../refusalOf';
import { CutList } from './CutList';
import { FlawList } from './FlawList';
import { type DrawnPiece, type DrawnSheet, RollDrawing, type RollDrawingProps } from './RollDrawing';
import { useRollLayout } from './useRollLayout';

type Pin = NonNullable<StockPiece['pin']>;

/** Longer than any order: a roll as it is bought. */
const BOUGHT_MM = 200_000;
/** A flaw that is clicked starts at this size, mm. */
const FLAW_MM = 40;

const NO_CUTS: CutOrder = { cuts: [], offcuts: [] };

export function LayView({ store, jobs }: { store: StoredCloth[]; jobs: ClothJob[] }) {
  const { rules, tape, maker } = useWorkshop();
  const router = useRouter();
  const fabrics = fabricsOf(rules).filter(({ id }) => [...store, ...jobs].some((one) => one.fabric === id));
  const wanted = jobs.find((job) => job.ready && store.some((one) => one.fabric === job.fabric)) ?? jobs[0];
  const [fabricId, setFabric] = useState(() => wanted?.fabric ?? store[0]?.fabric ?? fabricsOf(rules)[0]!.id);
  const fabric = fabricOf(rules, fabricId);
  const own = jobs.filter((job) => job.fabric === fabricId);
  const [left, setLeft] = useState<ReadonlySet<string>>(() => new Set(jobs.filter((job) => !job.ready).map((job) => job.id)));
  const rolls = rollChoices(store, fabric);
  const [rollId, setRoll] = useState<string | null>(null);
  const roll = rolls.find((one) => one.id === rollId) ?? rolls[0];
  const [useOffcuts, setUseOffcuts] = useState(true);
  const [pins, setPins] = useState<Record<string, Pin>>({});
  const [marking, setMarking] = useState(false);
  const [error, setError] = useState<string | null>(null);

  const tear = tearOf(fabric, rules);
  const least = assumed(rules, 'leastOffcut');
  const offcuts = useOffcuts ? store.filter((one) => one.kind === 'offcut' && one.fabric === fabricId) : [];
  const chosen = own.filter((job) => !left.has(job.id));
  const tooWide = roll ? chosen.filter(({ piece }) => (piece.mayTurn ? Math.min(piece.w, piece.h) : piece.w) > roll.widthMm) : [];
  const laid = chosen.filter((job) => !tooWide.includes(job));
  const sheets = roll ? [...offcuts, roll] : [];
  const question =
    roll && laid.length > 0
      ? {
          pieces: laid.map(({ id, piece }): StockPiece => {
            const pin = pins[id];
            return { ...piece, ...(pin && sheets.some((one) => one.id === pin.sheet) ? { pin } : {}) };
          }),
          offcuts: offcuts.map((one) => sheetOf(one, tear)),
          roll: sheetOf(roll, tear),
          leastOffcut: least,
        }
      : null;
  const run = useRollLayout(question);
  const layout = laid.length > 0 ? run.layout : null;
  const drawn = roll ? drawnSheets([...offcuts, roll], layout, tear, least) : [];
  const pieces = new Map(
    own.map(({ id, number, piece }): [string, DrawnPiece] => [id, { piece, name: `No. ${number}`, pin: pins[id] ?? null }]),
  );
  const onPin: RollDrawingProps['onPin'] = (id, pin, reach) => {
    const { [id]: _old, ...others } = pins;
    if (!pin) return setPins(others);
    const piece = pieces.get(id)!.piece;
    const [w, h] = pin.turned ? [piece.h, piece.w] : [piece.w, piece.h];
    const sheet = drawn.find((one) => one.cloth.id === pin.sheet)!;
    const at = snapPiece(
      { id, w, h, x: Math.round(pin.x), y: Math.round(pin.y), turned: pin.turned },
      sheet.placed.filter((one) => one.id !== id),
      { width: Math.floor(sheet.cloth.widthMm), tear },
      reach,
    );
    setPins({ ...others, [id]: { ...pin, ...at } });
  };
  const changeFlaws = async (cloth: StoredCloth, flaws: ClothFlaw[]) => {
    const refusal = await refusalOf(
      changeClothAction({ id: cloth.id, revision: cloth.revision, lengthMm: cloth.lengthMm, flaws, gone: false, maker }),
    );
    setError(refusal);
    if (refusal === null) router.refresh();
  };
  const mark = (id: string, x: number, y: number) => {
    const cloth = store.find((one) => one.id === id);
    setMarking(false);
    if (!cloth) return setError('Put this roll in the store first: then its flaws can be marked.');
    const from = (at: number, most: number) => Math.max(0, Math.min(most - FLAW_MM, Math.round((at - FLAW_MM / 2) / 5) * 5));
    void changeFlaws(cloth, [
      ...cloth.flaws,
      { x: from(x, cloth.widthMm), y: from(y, cloth.lengthMm), w: FLAW_MM, h: FLAW_MM, note: '' },
    ]);
  };
  const record = async () => {
    const taken = drawn.filter(({ placed }) => placed.length > 0);
    const refusal = await refusalOf(
      cutClothAction({
        sheets: taken.map(({ cloth, placed }) => ({
          id: cloth.id,
          revision: store.find((one) => one.id === cloth.id)!.revision,
          placed: placed.map(({ id, x, y, turned }) => ({ id, x, y, turned })),
        })),
        maker,
      }),
    );
    setError(refusal);
    if (refusal === null) router.push('/cloth?view=store');
  };
  const onRoll = layout?.sheets.find((one) => one.id === roll?.id)?.layout;
  const verdicts: Verdict[] = [
    ...tooWide.map(({ number, piece }) =>
      wideVerdict(number, piece.w, roll!, printLength(piece.w, tape, 'up'), printLength(roll!.widthMm, tape)),
    ),
    ...(layout && run.fresh
      ? layoutVerdicts(
          layout,
          sheets.map((one) => ({ ...sheetOf(one, tear), tag: one.tag, kind: one.kind })),
          least,
          tape,
        )
      : []),
  ];
  const bought = roll?.id.startsWith('bought ') ?? true;
  const blocked = !layout || !run.fresh || bought || worstLevel(verdicts) === 'stop' || tooWide.length > 0;
  const price = onRoll && roll ? rollPrice(fabric, roll.widthMm, onRoll.length) : null;
  return (
    <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[minmax(0,1fr)_372px]">
      <div className="relative flex min-h-0 min-w-0 flex-col bg-base-200">
        <div className="no-print absolute top-1.5 right-3 z-10 flex gap-2">
          <button
            type="button"
            aria-pressed={marking}
            className={`btn btn-xs h-7 ${marking ? 'btn-neutral' : 'btn-outline'}`}
            onClick={() => setMarking(!marking)}
          >
            {marking ? 'Click the flaw' : 'Mark a flaw'}
          </button>
        </div>
        {roll ? (
          <RollDrawing
            sheets={drawn}
            pieces={pieces}
            tape={tape}
            stale={!run.fresh && laid.length > 0}
            marking={marking}
            onMark={mark}
            onPin={onPin}
          />
        ) : (
          <p className="soft max-w-prose px-5 py-6">No cloth yet. Put a roll in the store, or choose a cloth that is sold.</p>
        )}
        <CutList sheets={drawn} pieces={pieces} tears={fabric.tearsTrue} />
      </div>
      <section
        aria-label="Layout"
        className="flex min-h-0 flex-col gap-2 bg-base-100 px-5 py-3 bench:border-l bench:border-[var(--hair)]"
      >
        <div>
          <h2 className="soft text-[14px] font-normal">
            {laid.length === 1 ? 'One piece' : `${laid.length} pieces`}, length to take
          </h2>
          <p className="figure text-[34px] leading-10 font-semibold" data-testid="answer">
            {onRoll && laid.length > 0 ? <Figure>{printLength(onRoll.length, tape, 'up')}</Figure> : '–'}
          </p>
          <p className="figure soft min-h-5 text-[14.5px] leading-5" aria-live="polite" data-testid="run">
            {run.running
              ? 'searching'
              : onRoll && laid.length > 0
                ? `${(layout && provenWords(layout)) ?? `no less than ${printLength(onRoll.bound, tape, 'up')} can do`}${price === null ? '' : `, ${printMoney(price, rules.currency)}`}`
                : ''}
          </p>
        </div>
        <div className="relative min-h-0 flex-1 space-y-2.5 overflow-y-auto">
          <div className="no-print grid grid-cols-2 gap-x-4 gap-y-1.5">
            <Choice
              label="Cloth"
              value={fabricId}
              options={fabrics.length > 0 ? fabrics : [fabric]}
              onChange={(id: string) => setFabric(id)}
            />
            {roll && (
              <Choice
                label="Roll"
                value={roll.id}
                options={rolls.map(({ id, tag }) => ({ id, name: tag }))}
                onChange={(id: string) => setRoll(id)}
              />
            )}
          </div>
          <fieldset className="no-print">
            <legend className="soft text-[13px]">To be cut from it</legend>
            {own.map((job) => (
              <Tick
                key={job.id}
                checked={!left.has(job.id)}
                onChange={(on) => setLeft(new Set(on ? [...left].filter((id) => id !== job.id) : [...left, job.id]))}
                label={
                  <>
                    <strong>No. {job.number}</strong> {job.title}{' '}
                    <span className="figure soft block text-[13px]">
                      <Figure>{printSize(job.piece.h, job.piece.w, tape, 'up')}</Figure>
                      {job.piece.mayTurn ? ', may turn' : ', warp along the roll'}
                      {job.ready ? '' : '; not its turn yet'}
                    </span>
                  </>
                }
              />
            ))}
            {own.length === 0 && <p className="soft">No job waits for this cloth.</p>}
            {store.some((one) => one.kind === 'offcut' && one.fabric === fabricId) && (
              <Tick label="Offcuts first" checked={useOffcuts} onChange={setUseOffcuts} />
            )}
          </fieldset>
          {Object.keys(pins).length > 0 && (
            <button type="button" className="btn btn-ghost btn-sm no-print -ml-2" onClick={() => setPins({})}>
              Free all pins
            </button>
          )}
          {verdicts.length > 0 && <VerdictList verdicts={verdicts} />}
          <FlawList
            cloths={store.filter((one) => drawn.some((sheet) => sheet.cloth.id === one.id))}
            onChange={(cloth, flaws) => void changeFlaws(cloth, flaws)}
          />
        </div>
        {(error ?? run.error) && (
          <p role="alert" className="text-[14px] text-error">
            {named(error ?? run.error!, own)}
          </p>
        )}
        <div className="no-print flex gap-2">
          <button type="button" className="btn btn-outline h-11" onClick={() => window.print()} disabled={!layout}>
            Print
          </button>
          {run.running ? (
            <button type="button" className="btn btn-outline h-11" onClick={run.stop}>
              Stop
            </button>
          ) : (
            <button type="button" className="btn btn-outline h-11" onClick={run.searchOn} disabled={!onRoll || onRoll.proven}>
              Search on
            </button>
          )}
          <button
            type="button"
            className="btn btn-primary h-11 flex-1 text-base"
            onClick={() => void record()}
            disabled={blocked}
          >
            Record the cuts
          </button>
        </div>
        {bought && laid.length > 0 && (
          <p className="soft text-[13px]">A roll as it is bought: put it in the store to record cuts.</p>
        )}
      </section>
    </div>
  );
}

/** The cloths that pieces lie on, and the roll in any case, with their cuts. */
const drawnSheets = (cloths: StockCloth[], layout: StockLayout | null, tear: number, least: number): DrawnSheet[] =>
  cloths.flatMap((cloth, index) => {
    const placed = layout?.sheets.find((one) => one.id === cloth.id)?.layout.placed ?? [];
    if (placed.length === 0 && index < cloths.length - 1) return [];
    const order = placed.length > 0 ? cutOrder(placed, Math.floor(cloth.widthMm), tear, least) : NO_CUTS;
    return [{ cloth, placed, order, endless: cloth.id.startsWith('bought ') }];
  });

/** Rolls of the store, then the widths that the cloth is sold in. */
function rollChoices(store: StoredCloth[], fabric: ReturnType<typeof fabricOf>): StockCloth[] {
  const own = store.filter((one) => one.kind === 'roll' && one.fabric === fabric.id);
  const sold = fabric.rolls.map(({ mm }): StockCloth => ({
    id: `bought ${mm}`,
    kind: 'roll',
    fabric: fabric.id,
    tag: `bought, ${mm} mm`,
    widthMm: mm,
    selvedgeMm: 0,
    lengthMm: BOUGHT_MM,
    flaws: [],
  }));
  return [...own, ...sold];
}

const wideVerdict = (number: number, mm: number, roll: StockCloth, across: string, width: string): Verdict =>
  verdict({
    id: `width of No. ${number}`,
    about: `width of No. ${number}`,
    level: 'stop',
    measured: mm,
    limit: roll.widthMm,
    unit: 'mm',
    says: `No. ${number} is ${across} across, ${roll.tag} ${width}.`,
    because: 'The warp runs along the roll; cloth is never joined.',
    doThis: 'Its Cloth stage says what would fit: a leaner margin, the warp the other way, a wider roll.',
  });

/** Ids of jobs in a message, as their numbers. */
const named = (message: string, jobs: ClothJob[]): string =>
  jobs.reduce((text, { id, number }) => text.replaceAll(id, `No. ${number}`), message);
