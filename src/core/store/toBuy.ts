/*
 * One list of what to bring from the shop: what all open jobs take, less what is there, earlier jobs first, rounded up to how it is
 * sold. Wood comes from one plan for all frames, cloth from one layout a fabric.
 */
import type { StockCloth } from '../cloth/clothStock';
import type { ClothPiece } from '../cloth/layout/rollLayout';
import { rollPrice } from '../cloth/rollPrice';
import { groundItem, type Need, type PackPriced } from '../cost/materialNeeds';
import { type FrameWanted, buyingPlan, orderTotals } from '../frame/sawing/buyingPlan';
import { pairPrice } from '../frame/sawing/framePrice';
import { clothToBuy } from './clothToBuy';
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
  /** What the house keeps of it besides. */
  least: number;
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
  | {
      kind: 'cloth';
      fabric: string;
      /** Of the roll that is bought; 0 where none that is sold is wide enough. */
      widthMm: number;
      /** How many pieces of it there are in all, and how many of them are cut from what is here. */
      pieces: number;
      fromStock: number;
    }
);

export interface Store {
  items: ReadonlyMap<string, Stocked>;
  rack: readonly RackBar[];
  /** In the order in which it came into the store. */
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
        least,
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
      least: 0,
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
        least: 0,
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
    const here = store.cloth.filter((one) => one.fabric === id);
    const { roll, tooWide, onStock } = clothToBuy(fabric, pieces, here, rules);
    const numbers = (whose: readonly { id: string }[]) =>
      of.filter(({ cloth }) => whose.some((one) => one.id === cloth!.piece.id)).map(({ number }) => number);
    const line = (widthMm: number, lengthMm: number, jobsOf: number[]): BuyLine => {
      const packs = Math.ceil(lengthMm / CLOTH_STEP_MM - 1e-9);
      return {
        kind: 'cloth',
        fabric: id,
        widthMm,
        id: `cloth-${id}-${widthMm}`,
        what: fabric.name,
        pieces: pieces.length,
        fromStock: onStock.size,
        wanted: lengthMm,
        there: 0,
        least: 0,
        packs,
        pack: CLOTH_STEP_MM,
        unit: 'mm',
        minor: widthMm === 0 ? null : rollPrice(fabric, widthMm, packs * CLOTH_STEP_MM),
        supplier: supplierOf(store, `cloth-${id}`),
        jobs: jobsOf,
      };
    };
    return [
      ...(roll ? [line(roll.widthMm, roll.lengthMm, numbers(roll.pieces))] : []),
      // No roll is wide enough: told by itself, so that the others are bought for.
      ...(tooWide.length > 0 ? [line(0, Math.max(...tooWide.map(({ h }) => h)), numbers(tooWide))] : []),
    ];
  });
}
