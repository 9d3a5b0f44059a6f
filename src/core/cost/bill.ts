/*
 * What a canvas costs: every material with its quantity, its price and where that comes from, hands by the hour, overhead on top.
 * Each line is rounded once, to whole minor units; a price that nobody knows is named and never taken as nothing.
 */
import { effortMinutes } from '../effort/effort';
import { effortWords } from '../effort/effortWords';
import type { WeekSettings } from '../week/weekSettings';
import { printed } from '../quantities/printed';
import type { Plan } from '../case/planJob';
import { fabricOf, profileOf } from '../house/materials';
import type { HouseRules } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { type StageId, runOf, stageActs } from '../stages/stages';
import { woodPrices } from '../frame/sawing/framePrice';
import { rollPrice } from '../cloth/rollPrice';
import type { CostSettings } from './costSettings';
import { type Need, type StoreUnit, materialNeeds } from './materialNeeds';

export type BillGroup = 'cloth' | 'wood' | 'fixings' | 'fasteners' | 'ground' | 'hands' | 'overhead';

export interface BillLine {
  id: string;
  group: BillGroup;
  what: string;
  quantity: number;
  /** Of the quantity. */
  unit: StoreUnit | 'mm' | 'min' | '%' | 'frame';
  /** Price of `per` of them, minor units; null when nobody knows it. */
  priceMinor: number | null;
  per: number;
  /** Where the price comes from. */
  from: string;
  /** The sum that the quantity is made of, where it is an estimate of hands. */
  how?: string;
  /** Minor units; null when the price is not known. */
  minor: number | null;
  /** The price is one that ships as an example: nobody of the house has put in its own. */
  example?: true;
}

export interface Bill {
  lines: BillLine[];
  /** Of all lines whose price is known. */
  knownMinor: number;
  /** What has no price, by name; the sum is whole only where there is none. */
  unknown: string[];
}

/** A price of the store: so much for a pack of so many. */
export interface PackPrice {
  priceMinor: number;
  pack: number;
}

/** What the hours of the house say of saw and pot, minutes. */
export type SetUpMinutes = Pick<WeekSettings, 'sawMinutes' | 'potMinutes' | 'washMinutes'>;

export interface Prices {
  settings: CostSettings;
  setUps: SetUpMinutes;
  /** By the item of the store; null where it has no price. */
  ofItem: (item: string) => PackPrice | null;
}

/** Prices as plain data: those of the store by its items. */
export interface PriceList {
  settings: CostSettings;
  setUps: SetUpMinutes;
  items: Readonly<Record<string, PackPrice>>;
}

export const pricesOf = ({ settings, setUps, items }: PriceList): Prices => ({
  settings,
  setUps,
  ofItem: (item) => (Object.hasOwn(items, item) ? items[item]! : null),
});

/** What was taken in fact, where it is known; what is not stands as planned. */
export interface Taken {
  /** Cloth of this canvas: what its piece took of the roll or offcut. */
  cloth?: { alongMm: number; rollWidthMm: number; offcut: boolean };
  /** Minutes really taken, and by whom. */
  minutes?: Partial<Record<StageId, number>>;
  makers?: Partial<Record<StageId, string>>;
  /** Undiluted ground or dry glue of each coat that is on, in the unit it is sold in. */
  coats?: readonly number[];
}

/** A share of what was reckoned for several canvases at once. */
export interface Common {
  /** How many they are: what is set up once is shared by all. */
  together: number;
  /** Of the length that all take of one roll, mm; null where they do not lie on it. */
  clothMm: number | null;
  clothMinor: number | null;
  woodMinor: number | null;
}

const MM_IN_METRE = 1000;
const MIN_IN_HOUR = 60;

const line = (one: Omit<BillLine, 'minor'>): BillLine => ({
  ...one,
  minor: one.priceMinor === null ? null : Math.round((one.quantity * one.priceMinor) / one.per),
});

/** A sum of lines, with overhead on what is known. */
export function billFrom(lines: readonly BillLine[], overheadPercent: number): Bill {
  const net = lines.reduce((sum, one) => sum + (one.minor ?? 0), 0);
  const overhead: BillLine = {
    id: 'overhead',
    group: 'overhead',
    what: 'Overhead',
    quantity: overheadPercent,
    unit: '%',
    priceMinor: net,
    per: 100,
    from: 'house, on all above',
    minor: Math.round((net * overheadPercent) / 100),
  };
  const all = overheadPercent > 0 ? [...lines, overhead] : [...lines];
  return {
    lines: all,
    knownMinor: all.reduce((sum, one) => sum + (one.minor ?? 0), 0),
    unknown: [...new Set(lines.filter(({ minor }) => minor === null).map(({ what }) => what))],
  };
}

/**
 * The bill of one canvas.
 *
 * @param taken what it took in fact; nothing for what is reckoned
 * @param common its share of cloth and wood where several were reckoned at once
 */
export function billOf(
  { plan, inputs, rules }: { plan: Plan; inputs: JobInputs; rules: HouseRules },
  prices: Prices,
  taken: Taken = {},
  common: Common | null = null,
): Bill {
  const lines = [
    ...clothLines(plan, inputs, rules, prices.settings, taken, common),
    ...woodLines(plan, inputs, rules, common),
    ...needLines(materialNeeds(plan, inputs, rules), prices, taken),
    ...handLines(plan, prices, taken, common?.together ?? 1),
  ];
  return billFrom(lines, prices.settings.overheadPercent);
}

/** The mark of a price that ships, where the house has no row of its own for it. */
const exampleUnless = (own: readonly { id: string }[], id: string): Pick<BillLine, 'example'> =>
  own.some((row) => row.id === id) ? {} : { example: true };

function clothLines(
  { cloth }: Plan,
  inputs: JobInputs,
  rules: HouseRules,
  settings: CostSettings,
  taken: Taken,
  common: Common | null,
): BillLine[] {
  if (cloth.painted) return [];
  const fabric = fabricOf(rules, inputs.cloth.fabric);
  const rollWidthMm = taken.cloth?.rollWidthMm ?? inputs.cloth.rollWidth.mm;
  const alongMm = taken.cloth?.alongMm ?? cloth.fit.alongMm;
  const base = { id: 'cloth', group: 'cloth' as const, what: fabric.name, unit: 'mm' as const, per: MM_IN_METRE };
  const example = exampleUnless(rules.materials.fabrics, fabric.id);
  if (!taken.cloth && common)
    return [
      {
        ...base,
        ...example,
        quantity: common.clothMm ?? alongMm,
        priceMinor: null,
        from: 'share of all laid on one roll',
        minor: common.clothMinor,
      },
    ];
  const metre = cloth.fit.fits || taken.cloth ? rollPrice(fabric, rollWidthMm, MM_IN_METRE) : null;
  const worth = taken.cloth?.offcut ? settings.offcutPercent / 100 : 1;
  return [
    line({
      ...base,
      ...example,
      quantity: alongMm,
      priceMinor: metre === null ? null : Math.round(metre * worth),
      from: taken.cloth?.offcut
        ? `offcut, ${printed('offcutWorth', settings.offcutPercent)} of its price`
        : 'list of cloth, the whole width of its roll',
    }),
  ];
}

const WOOD = { pairs: 'Bars, in pairs', timber: 'Timber of the bars', brace: 'Braces', bead: 'Bead strips' } as const;

function woodLines({ bars }: Plan, inputs: JobInputs, rules: HouseRules, common: Common | null): BillLine[] {
  const profile = profileOf(rules, inputs.bars.profile);
  const example = exampleUnless(rules.materials.profiles, profile.id);
  const base = { group: 'wood' as const, quantity: 1, unit: 'frame' as const, per: 1, ...example };
  if (common)
    return [
      { ...base, id: 'wood', what: profile.name, priceMinor: null, from: 'share of one plan for all', minor: common.woodMinor },
    ];
  return woodPrices(bars.parts, profile, rules).map(({ from, minor }) =>
    line({
      ...base,
      id: `wood ${from}`,
      what: `${WOOD[from]}, ${profile.name.toLowerCase()}`,
      priceMinor: minor,
      from:
        from === 'bead' && profile.beads.length === 0
          ? 'own offcuts'
          : from === 'pairs'
            ? 'list of bars'
            : 'list of bars, whole lengths',
    }),
  );
}

function needLines(needs: readonly Need[], { ofItem }: Prices, { coats = [] }: Taken): BillLine[] {
  return needs.map((need) => {
    const price = ofItem(need.item);
    const group: BillGroup = need.stage === 'prime' ? 'ground' : need.stage === 'fasten' ? 'fasteners' : 'fixings';
    return line({
      id: need.step === null ? need.item : `${need.item} ${need.step}`,
      group,
      what: need.step === null ? need.name : `${need.name}, coat ${need.step + 1}`,
      quantity: need.step === null ? need.used : (coats[need.step] ?? need.used),
      unit: need.unit,
      priceMinor: price?.priceMinor ?? null,
      per: price?.pack ?? 1,
      from: price ? 'store' : 'no price in the store',
    });
  });
}

/** Minutes of hands at the stages of one canvas, its share of what is set up once among so many. */
function plannedMinutes(plan: Plan, { sawMinutes, potMinutes, washMinutes }: SetUpMinutes, together: number) {
  const sawn = plan.bars.parts.some(({ from }) => from !== 'pairs');
  const coat = (index: number) =>
    effortMinutes(plan.prime.coats[index]!.effort, together) + (potMinutes + washMinutes) / together;
  return {
    ofStage: (stage: StageId): number =>
      effortMinutes(plan[stage].effort, together) + (stage === 'bars' && sawn ? sawMinutes / together : 0),
    ofCoats: (from: number, to: number): number =>
      Array.from({ length: Math.max(0, to - from) }, (_, index) => coat(from + index)).reduce((sum, one) => sum + one, 0),
  };
}

function handLines(plan: Plan, { settings: { hourMinor, makers }, setUps }: Prices, taken: Taken, together: number): BillLine[] {
  const { painted } = plan.cloth;
  const planned = plannedMinutes(plan, setUps, together);
  const hands = (id: string, what: string, minutes: number, maker: string | undefined, how?: string) => {
    const own = makers.find((one) => one.maker === maker);
    return line({
      id,
      group: 'hands',
      what,
      quantity: minutes,
      unit: 'min',
      priceMinor: own?.hourMinor ?? hourMinor,
      per: MIN_IN_HOUR,
      from: own ? `${own.maker}’s hour` : hourMinor === null ? 'no hour of hands is set' : 'hour of the house',
      ...(how ? { how } : {}),
    });
  };
  return runOf(painted)
    .flatMap((id) => {
      const what = `Hands, ${stageActs(id, painted).name.toLowerCase()}`;
      const maker = taken.makers?.[id];
      const coats = plan.prime.coats.length;
      const done = taken.coats?.length ?? 0;
      // Coats that are not on yet are nobody’s: only what was done has its maker’s hour.
      if (id === 'prime' && maker !== undefined && done < coats)
        return [
          hands(`hands ${id}`, what, planned.ofCoats(0, done), maker),
          hands(`hands ${id} to do`, `${what}, coats to do`, planned.ofCoats(done, coats), undefined),
        ];
      const measured = taken.minutes?.[id];
      if (measured !== undefined) return [hands(`hands ${id}`, what, measured, maker)];
      return id === 'prime'
        ? [hands(`hands ${id}`, what, planned.ofCoats(0, coats), maker)]
        : [hands(`hands ${id}`, what, planned.ofStage(id), maker, effortWords(plan[id].effort, together))];
    })
    .filter(({ quantity }) => quantity > 0);
}

/** What the lines of a group add up to, and whether one of them has no price. */
export interface GroupSum {
  group: BillGroup;
  minor: number;
  open: boolean;
}

export const BILL_GROUPS: { id: BillGroup; name: string }[] = [
  { id: 'cloth', name: 'Cloth' },
  { id: 'wood', name: 'Bars and braces' },
  { id: 'fixings', name: 'Fixings and openers' },
  { id: 'fasteners', name: 'Fasteners' },
  { id: 'ground', name: 'Size and ground' },
  { id: 'hands', name: 'Hands' },
  { id: 'overhead', name: 'Overhead' },
];

/** A bill by its groups, those that have a line. */
export const groupSums = ({ lines }: Pick<Bill, 'lines'>): GroupSum[] =>
  BILL_GROUPS.flatMap(({ id }) => {
    const own = lines.filter(({ group }) => group === id);
    if (own.length === 0) return [];
    return [
      { group: id, minor: own.reduce((sum, one) => sum + (one.minor ?? 0), 0), open: own.some(({ minor }) => minor === null) },
    ];
  });
