'use client';
/* What lies on the table: cloth and pieces chosen, their layout as it gets better, its verdicts, and what is done with it. */
import { printed } from '@/core/quantities/printed';
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
import { layoutVerdicts, wideVerdict } from '@/core/stages/cloth/layoutVerdicts';
import { type Verdict, worstLevel } from '@/core/job/verdict';
import { RECORD_TAPE } from '@/core/units/length';
import type { StoredCloth } from '@/db/clothSheets';
import type { ClothJob } from '@/server/cloth/clothWrites';
import { useWorkshop } from '@/ui/WorkshopContext';
import { refusalOf } from '../refusalWords';
import { useSend } from '../useSend';
import type { DrawnPiece, DrawnSheet, RollDrawingProps } from './RollDrawing';
import { useRollLayout } from './useRollLayout';

type Pin = NonNullable<StockPiece['pin']>;

/** Longer than any order: a roll as it is bought. */
const BOUGHT_MM = 200_000;
/** A flaw that is clicked starts at this size, mm. */
const FLAW_MM = 40;

const NO_CUTS: CutOrder = { cuts: [], offcuts: [] };

export function useLay(store: StoredCloth[], jobs: ClothJob[]) {
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
  const send = useSend();
  const changeFlaws = async (cloth: StoredCloth, flaws: ClothFlaw[]) => {
    const refusal = refusalOf(
      await send('changeCloth', { id: cloth.id, revision: cloth.revision, lengthMm: cloth.lengthMm, flaws, gone: false, maker }),
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
    const refusal = refusalOf(
      await send('cutCloth', {
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
    ...tooWide.map(({ number, piece }) => wideVerdict(number, piece.w, roll!, tape)),
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
  return {
    fabric,
    fabrics: fabrics.length > 0 ? fabrics : [fabric],
    setFabric,
    own,
    laid,
    isIn: (id: string) => !left.has(id),
    take: (id: string, on: boolean) => setLeft(new Set(on ? [...left].filter((one) => one !== id) : [...left, id])),
    rolls,
    roll,
    setRoll,
    hasOffcuts: store.some((one) => one.kind === 'offcut' && one.fabric === fabricId),
    useOffcuts,
    setUseOffcuts,
    isPinned: Object.keys(pins).length > 0,
    freePins: () => setPins({}),
    onPin,
    marking,
    setMarking,
    mark,
    changeFlaws,
    run,
    layout,
    onRoll: laid.length > 0 ? onRoll : undefined,
    price,
    drawn,
    pieces,
    verdicts,
    bought,
    blocked,
    record,
    problem: error ?? run.error,
  };
}

export type Lay = ReturnType<typeof useLay>;

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
    tag: `bought, ${printed('stockWidth', mm, RECORD_TAPE)}`,
    widthMm: mm,
    selvedgeMm: 0,
    lengthMm: BOUGHT_MM,
    flaws: [],
  }));
  return [...own, ...sold];
}
