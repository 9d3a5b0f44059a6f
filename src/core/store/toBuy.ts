/*
 * One list of what to bring from the shop: what all open jobs take, less what is there, earlier jobs first, rounded up to how it is
 * sold. Wood comes from one plan for all frames, cloth from one layout a fabric.
 */
import { tearOf } from '../cloth/clothPieceOf';
import { type StockCloth, liesOn } from '../cloth/clothStock';
import type { Fabric } from '../cloth/fabrics';
import { layQuick } from '../cloth/layout/layQuick';
import type { ClothPiece } from '../cloth/layout/rollLayout';
import { rollPrice } from '../cloth/rollPrice';
import { groundItem, type Need, type PackPriced } from '../cost/materialNeeds';
import { type FrameWanted, buyingPlan, orderTotals } from '../frame/sawing/buyingPlan';
import { pairPrice } from '../frame/sawing/framePrice';
import type { RackBar } from '../frame/sawing/rack';
import type { HouseRules } from '../house/houseRules';
import { fabricOf, profileOf } from '../house/materials';
import { groupsBy } from '../groupsBy';

/** A job that still takes something. */
export interface BuyingJob {
  id: string;
  number: number;
  /** What its open stages take of the store. */
  needs: readonly Need[];
  /** Its frame while it is not sawn or picked. */
  frame: FrameWanted | null;
  /** Its cloth while it is not cut. */
  cloth: { fabric: string; piece: Omit<ClothPiece, 'pin'> } | null;
}

/** What is there of an item, and how it is sold. */
export interface Stocked extends PackPriced {
  name: string;
  unit: Need['unit'];
  there: number;
  least: number;
  supplier: string;
  place: string;
}

export type BuyLine = {
  /** The same while what is bought stays the same. */
  id: string;
  what: string;
  /** What is wanted in all, what is there, and what is bought: so many packs of so much. */
  wanted: number;
  there: number;
  packs: number;
  pack: number;
  unit: Need['unit'] | 'mm';
  /** Of all packs, minor units; null when nobody knows it. */
  minor: number | null;
  supplier: string;
  /** Numbers of the jobs that would go without. */
  jobs: number[];
} & (
  | { kind: 'item' | 'ground'; item: string }
  | { kind: 'pairs' | 'timber' | 'brace'; profile: string; family: string; lengthMm: number }
  | { kind: 'bead'; profile: string; lengthMm: number }
  | { kind: 'cloth'; fabric: string; widthMm: number }
);

export interface Store {
  items: ReadonlyMap<string, Stocked>;
  rack: readonly RackBar[];
  cloth: readonly StockCloth[];
}

/** The step a roll is bought by, mm. */
const CLOTH_STEP_MM = 100;

/**
 * What to buy for these jobs.
 *
 * @param jobs those that are wanted first first: they have what is there
 */
export function toBuy(jobs: readonly BuyingJob[], store: Store, rules: HouseRules, random: () => number): BuyLine[] {
  return [...itemLines(jobs, store), ...woodLines(jobs, store, rules, random), ...clothLines(jobs, store, rules)];
}

function itemLines(jobs: readonly BuyingJob[], { items }: Store): BuyLine[] {
  const wanted = new Map<string, { need: Need; quantity: number; jobs: number[] }>();
  for (const { number, needs } of jobs)
    for (const need of needs) {
      const so = wanted.get(need.item) ?? { need, quantity: 0, jobs: [] };
      so.quantity += need.toHave;
      if (so.quantity > (items.get(need.item)?.there ?? 0) + 1e-6 && so.jobs.at(-1) !== number) so.jobs.push(number);
      wanted.set(need.item, so);
    }
  const kept = [...items].filter(([id]) => !wanted.has(id)).map(([id]) => id);
  return [...wanted.keys(), ...kept].flatMap((id): BuyLine[] => {
    const so = wanted.get(id);
    const item = items.get(id);
    const [there, least] = [item?.there ?? 0, item?.least ?? 0];
    const short = (so?.quantity ?? 0) + least - there;
    if (short <= 1e-6) return [];
    const pack = item?.pack ?? 1;
    const packs = Math.ceil(short / pack - 1e-9);
    return [
      {
        kind: id.startsWith(groundItem('')) ? 'ground' : 'item',
        item: id,
        id,
        what: item?.name ?? so!.need.name,
        wanted: so?.quantity ?? 0,
        there,
        packs,
        pack,
        unit: item?.unit ?? so!.need.unit,
        minor: typeof item?.priceMinor === 'number' ? packs * item.priceMinor : null,
        supplier: item?.supplier ?? '',
        jobs: so?.jobs ?? [],
      },
    ];
  });
}

const supplierOf = ({ items }: Store, id: string): string => items.get(id)?.supplier ?? '';

function woodLines(jobs: readonly BuyingJob[], store: Store, rules: HouseRules, random: () => number): BuyLine[] {
  const frames = jobs.flatMap(({ frame }) => frame ?? []);
  if (frames.length === 0) return [];
  const plan = buyingPlan(frames, store.rack, rules, random);
  const numbers = (whose: Iterable<string>) =>
    jobs.filter(({ frame }) => frame && new Set(whose).has(frame.whose)).map(({ number }) => number);
  const pairs = orderTotals(plan).map(({ profile, family, lengthMm, bars }): BuyLine => {
    const { name } = profileOf(rules, profile);
    const { minor } = pairPrice(lengthMm, profileOf(rules, profile), rules);
    const whose = plan.picks
      .filter(({ list }) =>
        list.lines.some((one) => one.order > 0 && one.profile === profile && one.family === family && one.lengthMm === lengthMm),
      )
      .map((one) => one.whose);
    const packs = bars / 2;
    return {
      kind: 'pairs',
      profile,
      family,
      lengthMm,
      id: `bars-${profile}-${family}-${lengthMm}`,
      what: `${name}, pair, ${family}`,
      wanted: bars,
      there: 0,
      packs,
      pack: 2,
      unit: 'pieces',
      minor: minor === null ? null : packs * minor,
      supplier: supplierOf(store, `bars-${profile}`),
      jobs: numbers(whose),
    };
  });
  const sawn = plan.sections.flatMap(({ profile, kind, parts, result }): BuyLine[] => {
    if (result.kind !== 'plan') return [];
    const { name } = profileOf(rules, profile);
    const whose = parts.map(({ label }) => label.split(', ')[0]!);
    const lengths = groupsBy(
      result.bars.filter(({ stock }) => stock.available === null),
      ({ stock }) => stock.lengthMm,
    );
    return [...lengths].map(([lengthMm, bars]): BuyLine => {
      const base = {
        id: `${kind}-${profile}-${lengthMm}`,
        what: `${name}, ${kind === 'bead' ? 'bead strip' : kind === 'brace' ? 'brace timber' : 'timber'}`,
        wanted: bars.length,
        there: 0,
        packs: bars.length,
        pack: 1,
        unit: 'pieces' as const,
        minor: bars.reduce((sum, { stock }) => sum + stock.priceMinor, 0),
        supplier: supplierOf(store, `bars-${profile}`),
        jobs: numbers(whose),
      };
      return kind === 'bead' ? { ...base, kind, profile, lengthMm } : { ...base, kind, profile, family: 'sawn', lengthMm };
    });
  });
  return [...pairs, ...sawn];
}

function clothLines(jobs: readonly BuyingJob[], store: Store, rules: HouseRules): BuyLine[] {
  const wanting = jobs.filter(({ cloth }) => cloth !== null);
  return [...groupsBy(wanting, ({ cloth }) => cloth!.fabric)].flatMap(([id, of]): BuyLine[] => {
    const fabric = fabricOf(rules, id);
    const pieces = of.map(({ cloth }) => cloth!.piece);
    const bought = clothToBuy(
      fabric,
      pieces,
      store.cloth.filter((one) => one.fabric === id),
      rules,
    );
    if (bought.moreMm <= 0 && bought.widthMm !== null) return [];
    const packs = Math.ceil(bought.moreMm / CLOTH_STEP_MM);
    const price = bought.widthMm === null ? null : rollPrice(fabric, bought.widthMm, packs * CLOTH_STEP_MM);
    return [
      {
        kind: 'cloth',
        fabric: id,
        widthMm: bought.widthMm ?? 0,
        id: `cloth-${id}-${bought.widthMm ?? 0}`,
        what: fabric.name,
        wanted: bought.wantedMm,
        there: bought.thereMm,
        packs,
        pack: CLOTH_STEP_MM,
        unit: 'mm',
        minor: price,
        supplier: supplierOf(store, `cloth-${id}`),
        jobs: of.filter(({ cloth }) => !bought.onStock.has(cloth!.piece.id)).map(({ number }) => number),
      },
    ];
  });
}

interface ClothBought {
  /** Width of the roll that is bought; null where none that is sold is wide enough. */
  widthMm: number | null;
  /** What the pieces take of a roll, what of one is there, and what more is bought, mm. */
  wantedMm: number;
  thereMm: number;
  moreMm: number;
  /** Pieces that lie on what is there. */
  onStock: ReadonlySet<string>;
}

/** Offcuts first, then the longest roll that is there; what goes beyond its end is bought, of its width or of the cheapest. */
function clothToBuy(
  fabric: Fabric,
  pieces: readonly Omit<ClothPiece, 'pin'>[],
  there: readonly StockCloth[],
  rules: HouseRules,
): ClothBought {
  const tear = tearOf(fabric, rules);
  const { left, onOffcuts } = withoutOffcuts(pieces, there);
  if (left.length === 0) return { widthMm: 0, wantedMm: 0, thereMm: 0, moreMm: 0, onStock: onOffcuts };
  const widest = Math.max(...left.map(({ w, h, mayTurn }) => (mayTurn ? Math.min(w, h) : w)));
  const roll = there
    .filter(({ kind, widthMm }) => kind === 'roll' && Math.floor(widthMm) >= widest)
    .sort((a, b) => b.lengthMm - a.lengthMm)[0];
  if (roll) {
    const width = Math.floor(roll.widthMm);
    const { placed, length } = layQuick(left, { width, tear });
    const within = placed.filter(({ y, h }) => y + h <= roll.lengthMm).map(({ id }) => id);
    const moreMm = Math.max(0, length - roll.lengthMm);
    return { widthMm: width, wantedMm: length, thereMm: roll.lengthMm, moreMm, onStock: new Set([...onOffcuts, ...within]) };
  }
  const options = fabric.rolls
    .filter(({ mm }) => mm >= widest)
    .map(({ mm, priceMinor }) => {
      const { length } = layQuick(left, { width: Math.floor(mm), tear });
      return { mm, length, cost: length * priceMinor };
    })
    .sort((a, b) => a.cost - b.cost);
  const best = options[0];
  const length = best?.length ?? left.reduce((sum, { h }) => sum + h, 0);
  return { widthMm: best?.mm ?? null, wantedMm: length, thereMm: 0, moreMm: length, onStock: onOffcuts };
}

/** The largest piece that lies on each offcut goes there, the smallest offcut first. */
function withoutOffcuts(pieces: readonly Omit<ClothPiece, 'pin'>[], there: readonly StockCloth[]) {
  const onOffcuts = new Set<string>();
  const largest = [...pieces].sort((a, b) => b.w * b.h - a.w * a.h);
  const offcuts = there.filter(({ kind }) => kind === 'offcut').sort((a, b) => a.widthMm * a.lengthMm - b.widthMm * b.lengthMm);
  for (const offcut of offcuts) {
    const fits = largest.find((piece) => !onOffcuts.has(piece.id) && liesOn(piece, offcut));
    if (fits) onOffcuts.add(fits.id);
  }
  return { left: pieces.filter(({ id }) => !onOffcuts.has(id)), onOffcuts };
}
