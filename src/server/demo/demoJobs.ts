/*
 * The demo workshop: an invented quay with a supports workshop that prepares canvases for a travelling show
 * of night-sky paintings and stretches the old canvases of a ferry line again. All names and sizes are made up.
 */
import type { StockCloth } from '@/core/cloth/clothStock';
import type { CostSettings } from '@/core/cost/costSettings';
import type { StoreUnit } from '@/core/cost/materialNeeds';
import type { RackBar } from '@/core/frame/sawing/rack';
import { DEFAULT_RULES, type HouseRules } from '@/core/house/houseRules';
import type { Overrides } from './overrides';
import { SALOON_INPUTS, leftAtEnds } from './demoSaloon';
import type { GroundStock } from '@/db/groundStocks';
import type { JobInputs } from '@/core/job/job';
import { evenBraces } from '@/core/stages/bars/barsInputs';
import { NO_CHANGE, type Variant } from '@/core/variant/variant';
import { alikeCorners } from '@/core/stages/tune/tuneInputs';
import type { SetKindId, SetLayout } from '@/core/set/setShape';
import type { StageId } from '@/core/stages/stages';
import { type Length, length } from '@/core/units/length';

export const DEMO_RULES: HouseRules = {
  ...DEFAULT_RULES,
  workshop: 'Ostrel Quay supports workshop',
  makers: ['Wenna', 'Tove', 'Ansel'],
};

const slotted = (profile: string, family: string, lengthMm: number, count: number, mark = ''): Omit<RackBar, 'id'> => ({
  profile,
  kind: 'pairs',
  family,
  lengthMm,
  count,
  mark,
});

/** What lies on the rack: pairs in sizes the show uses, a few of another make, offcuts of the last series. */
/** What stands on the shelf of grounds. */
export const DEMO_GROUNDS: Omit<GroundStock, 'revision'>[] = [
  { substance: 'animalGlue', amount: 420, priceMinor: 2900 },
  { substance: 'acrylicGround', amount: 3800, priceMinor: 1650 },
  { substance: 'oilGround', amount: 900, priceMinor: 6400 },
  { substance: 'pvaSize', amount: 700, priceMinor: 1900 },
];

/** What the store keeps count of: sold by, price of that, what is there, least, place, supplier. */
export const DEMO_STORE: [
  item: string,
  name: string,
  unit: StoreUnit,
  pack: number,
  priceMinor: number,
  there: number,
  least: number,
  place: string,
  supplier: string,
][] = [
  ['staple8', 'Staple, 8 mm leg', 'pieces', 5000, 940, 3160, 1000, 'drawer 2', 'Pier hardware'],
  ['stapleStainless', 'Stainless staple, 8 mm leg', 'pieces', 2000, 1780, 420, 0, 'drawer 2', 'Pier hardware'],
  ['tack', 'Tack, 10 mm', 'pieces', 250, 390, 180, 100, 'tin by the vice', 'Pier hardware'],
  ['key', 'Key', 'pieces', 100, 850, 36, 40, 'jar, window', 'Lofts frame supply'],
  ['keySmall', 'Key, small', 'pieces', 50, 520, 22, 0, 'jar, window', 'Lofts frame supply'],
  ['glue-pva', 'White wood glue', 'ml', 750, 1120, 540, 200, 'under the bench', 'Pier hardware'],
  ['hanging-rings', 'Two rings and cord', 'pieces', 10, 1450, 6, 4, 'drawer 4', 'Lofts frame supply'],
  ['hanging-plates', 'Two plates on hooks', 'pieces', 10, 2300, 3, 0, 'drawer 4', 'Lofts frame supply'],
  ['screw-3x20', 'Screw 3 × 20 mm', 'pieces', 200, 610, 140, 0, 'drawer 3', 'Pier hardware'],
  ['plate', 'Ply plate', 'pieces', 40, 900, 12, 0, 'box of offcuts', ''],
];

/** An hour of hands, and what canvases cost ready made in the town. */
export const DEMO_COSTS: Partial<CostSettings> = {
  hourMinor: 2400,
  makers: [{ maker: 'Wenna', hourMinor: 2900 }],
  taxPercent: 12,
  readyMade: [
    { widthMm: 455, heightMm: 355, priceMinor: 2350 },
    { widthMm: 610, heightMm: 460, priceMinor: 4180 },
    { widthMm: 905, heightMm: 605, priceMinor: 8900 },
    { widthMm: 1220, heightMm: 920, priceMinor: 19_800 },
    { widthMm: 1530, heightMm: 1220, priceMinor: 34_500 },
  ],
};

export const DEMO_RACK: Omit<RackBar, 'id'>[] = [
  slotted('standard', 'narrow slot', 550, 4),
  slotted('standard', 'narrow slot', 700, 6),
  slotted('standard', 'narrow slot', 850, 2),
  slotted('standard', 'ferry stores', 850, 2, 'from the ferry’s stores'),
  slotted('light', 'narrow slot', 350, 2),
  slotted('light', 'narrow slot', 450, 4),
  slotted('deep', 'wide slot', 600, 2),
  slotted('deep', 'wide slot', 900, 4),
  slotted('deep', 'wide slot', 605, 2, 'made for the ticket hall'),
  slotted('deep', 'wide slot', 910, 2, 'made for the ticket hall'),
  { profile: 'flatBatten', kind: 'timber', family: 'sawn', lengthMm: 1240, count: 1, mark: 'offcut' },
  { profile: 'flatBatten', kind: 'timber', family: 'sawn', lengthMm: 655, count: 2, mark: 'offcut' },
  { profile: 'batten', kind: 'timber', family: 'sawn', lengthMm: 2100, count: 2, mark: 'sighted, straight' },
  { profile: 'flatBatten', kind: 'brace', family: 'sawn', lengthMm: 930, count: 1, mark: 'offcut' },
];

/** Cloth of the store: tag, cloth, usable width and what is left, mm. */
export const DEMO_CLOTH: Omit<StockCloth, 'id' | 'selvedgeMm'>[] = [
  { kind: 'roll', fabric: 'cottonMedium', tag: 'C4', widthMm: 2080, lengthMm: 17_650, flaws: [] },
  {
    kind: 'roll',
    fabric: 'linenMedium',
    tag: 'L2',
    widthMm: 2120,
    lengthMm: 9340,
    flaws: [
      { x: 880, y: 640, w: 35, h: 25, note: 'slub' },
      { x: 1490, y: 2210, w: 60, h: 60, note: 'tar from the quay' },
    ],
  },
  { kind: 'roll', fabric: 'polyCotton', tag: 'P1', widthMm: 1500, lengthMm: 6120, flaws: [] },
  { kind: 'offcut', fabric: 'cottonMedium', tag: 'C4-1', widthMm: 640, lengthMm: 1310, flaws: [] },
  {
    kind: 'offcut',
    fabric: 'linenMedium',
    tag: 'L2-1',
    widthMm: 410,
    lengthMm: 980,
    flaws: [{ x: 200, y: 470, w: 20, h: 20, note: 'knot' }],
  },
];

export interface DemoRecord {
  stage: StageId;
  /** Hours before the moment the demo starts. */
  hoursAgo: number;
  maker: string;
  note?: string;
  reason?: string;
}

export interface DemoJob {
  title: string;
  width: Length;
  height: Length;
  dueInDays: number | null;
  /** Real size of the built frame against the plan: rack (mm of diagonal) and one long bar, mm. */
  built?: { rackMm: number; longTopMm: number; liftMm: number };
  inputs: Overrides;
  records: DemoRecord[];
}

const inch = (value: number) => length(value * 25.4, 'in');

/** A painting was looked at and measured some hours ago. */
const measured = (hoursAgo: number, maker: string): DemoRecord[] => [
  { stage: 'look', hoursAgo: hoursAgo + 1, maker },
  { stage: 'cloth', hoursAgo, maker },
];

/** Records of the first stages, ending some hours ago, a working day apart. */
function upTo(last: StageId, hoursAgo: number, maker: string, gapHours = 22): DemoRecord[] {
  const order: StageId[] = ['brief', 'bars', 'square', 'cloth', 'fasten', 'tune'];
  const stages = order.slice(0, order.indexOf(last) + 1);
  return stages.map((stage, index) => ({ stage, maker, hoursAgo: hoursAgo + (stages.length - 1 - index) * gapHours }));
}

const coat = (hoursAgo: number, maker: string, note = ''): DemoRecord => ({ stage: 'prime', hoursAgo, maker, note });

const MOONS = { edges: 'panel', medium: 'acrylic' } as const;
const MOON_BARS: Partial<JobInputs['bars']> = { profile: 'deep', joint: 'slotted', bracesLevel: [0.5] };

export const OPEN_JOBS: DemoJob[] = [
  {
    title: 'Pole star, long exposure',
    width: length(1370),
    height: length(465),
    dueInDays: 4,
    built: { rackMm: 0.5, longTopMm: 0, liftMm: 1 },
    inputs: {
      brief: { medium: 'acrylic' },
      bars: { profile: 'deep', bracesUpright: [0.5] },
      cloth: { marginStyle: 'hem' },
      tune: { feel: 'drum' },
    },
    records: [...upTo('tune', 30, 'Wenna'), coat(28, 'Wenna'), coat(22.5, 'Wenna', 'Sanded lightly along the lower edge.')],
  },
  {
    title: 'Three moons, left panel',
    width: length(755),
    height: length(1015),
    dueInDays: 9,
    built: { rackMm: 0.5, longTopMm: 0, liftMm: 0.5 },
    inputs: { brief: MOONS, bars: MOON_BARS, cloth: { fabric: 'linenMedium', grip: 'pliers', marginStyle: 'hem' } },
    records: upTo('cloth', 26, 'Tove'),
  },
  {
    title: 'Three moons, middle panel',
    width: length(755),
    height: length(1015),
    dueInDays: 9,
    built: { rackMm: 0, longTopMm: 0, liftMm: 1 },
    inputs: { brief: MOONS, bars: MOON_BARS, cloth: { fabric: 'linenMedium', grip: 'pliers', marginStyle: 'hem' } },
    records: upTo('square', 24, 'Tove'),
  },
  {
    title: 'Three moons, right panel',
    width: length(755),
    height: length(1015),
    dueInDays: 9,
    built: { rackMm: 2.5, longTopMm: 0, liftMm: 1 },
    inputs: { brief: MOONS, bars: MOON_BARS, cloth: { fabric: 'linenMedium', grip: 'pliers', marginStyle: 'hem' } },
    records: upTo('bars', 23, 'Tove'),
  },
  {
    title: 'The slip at first light (ferry saloon, re-stretch)',
    width: length(1185),
    height: length(835),
    dueInDays: 12,
    inputs: SALOON_INPUTS,
    records: measured(70, 'Ansel'),
  },
  {
    title: 'Meteor count, August',
    width: inch(30.5),
    height: inch(22),
    dueInDays: 15,
    inputs: {
      brief: { edges: 'float', medium: 'oil' },
      bars: { profile: 'standard' },
      cloth: { fabric: 'linenPrimed', grip: 'pliers', marginStyle: 'flush', rollWidth: inch(84) },
      fasten: { spacing: inch(1.75), lastFromCorner: inch(1.5) },
      prime: { system: 'none' },
    },
    records: upTo('brief', 47, 'Ansel'),
  },
  {
    title: 'Lamp room study',
    width: inch(11.75),
    height: inch(15.5),
    dueInDays: 3,
    built: { rackMm: 0.5, longTopMm: 0, liftMm: 0 },
    inputs: {
      brief: { medium: 'acrylic' },
      bars: { profile: 'light', joint: 'slotted' },
      cloth: { fabric: 'cottonLight', marginStyle: 'covered' },
      fasten: { spacing: inch(1.25), lastFromCorner: inch(1.25) },
      tune: { feel: 'firm' },
    },
    records: [...upTo('tune', 6, 'Wenna', 5), coat(0.7, 'Wenna')],
  },
  {
    title: 'Night mail',
    width: length(1065),
    height: length(762),
    dueInDays: -3,
    built: { rackMm: 1.5, longTopMm: 0, liftMm: 1 },
    inputs: {
      brief: { medium: 'oil', edges: 'rebate' },
      bars: { profile: 'broad', bracesUpright: [0.5] },
      cloth: { marginStyle: 'covered' },
    },
    records: upTo('cloth', 100, 'Ansel'),
  },
  {
    title: 'Southern dome, print for the ticket hall',
    width: length(910),
    height: length(605),
    dueInDays: 20,
    inputs: {
      brief: { use: 'print', edges: 'unframed' },
      bars: { profile: 'deep' },
      cloth: { fabric: 'polyCotton', marginStyle: 'hem', left: leftAtEnds([90, 90], [90, 90], [90, 90], [90, 90]) },
      prime: { system: 'none' },
    },
    records: [],
  },
  {
    title: 'Occultation',
    width: length(1530),
    height: length(1220),
    dueInDays: 26,
    built: { rackMm: 1, longTopMm: 0, liftMm: 3 },
    inputs: {
      brief: { medium: 'oil' },
      bars: { profile: 'extraDeep', joint: 'bolted', bracesUpright: [0.5], bracesLevel: [0.5] },
      cloth: { fabric: 'linenMedium', grip: 'pliers', marginStyle: 'reserve' },
      fasten: { spacing: length(50), lastFromCorner: length(60), starters: 3 },
      tune: { feel: 'firm', remedy: 'keys', corners: alikeCorners(length(0.5)) },
      prime: { system: 'glueSize', roomC: 18, roomRh: 52 },
      handover: { hanging: 'plates' },
    },
    records: [...upTo('tune', 20, 'Tove'), coat(9, 'Tove', 'Soaked three hours, 58 °C in the bath.')],
  },
  {
    title: 'Tide clock',
    width: length(612),
    height: length(612),
    dueInDays: 7,
    built: { rackMm: 4, longTopMm: 0, liftMm: 1 },
    inputs: {
      brief: { medium: 'acrylic', hangs: 'eitherWay' },
      bars: { profile: 'batten', joint: 'mitreGlued' },
      cloth: { marginStyle: 'short' },
    },
    records: upTo('square', 1.5, 'Ansel', 2).map((record) =>
      record.stage === 'square' ? { ...record, reason: 'Pressed and clamped; read again tomorrow.' } : record,
    ),
  },
  ...(['low water', 'half tide', 'high water'] as const).map((tide, index): DemoJob => ({
    title: `Tide gauge, ${tide}`,
    width: length(725),
    height: length([1120, 1120, 1290][index]!),
    dueInDays: 30,
    inputs: {
      brief: { edges: 'panel', medium: 'acrylic' },
      bars: { profile: 'flatBatten', joint: 'mitreGlued', species: 'spruce', bracesLevel: [0.5] },
      cloth: { marginStyle: 'hem' },
    },
    records: upTo('brief', 26 + index, 'Tove'),
  })),
  ...[1, 0.5, 4.5, 0, null, null].map((rackMm, index): DemoJob => ({
    title: `Night school, ${index + 1} of 6`,
    width: length(455),
    height: length(355),
    dueInDays: 18,
    ...(rackMm === null ? {} : { built: { rackMm, longTopMm: 0, liftMm: 0.5 } }),
    inputs: { brief: { medium: 'acrylic' }, bars: { profile: 'deep' }, cloth: { marginStyle: 'hem' } },
    records: upTo('bars', 25, 'Ansel').map((record) => ({ ...record, reason: 'One bar for all six.' })),
  })),
];

/** Sets among them, by how their titles begin. */
export const DEMO_SETS: { title: string; kind: SetKindId; layout: SetLayout }[] = [
  { title: 'Three moons', kind: 'panels', layout: { columns: 3, gap: length(15), align: 'middle', free: [] } },
  { title: 'Tide gauge', kind: 'panels', layout: { columns: 3, gap: length(30), align: 'bottom', free: [] } },
  { title: 'Night school', kind: 'same', layout: { columns: 3, gap: length(100), align: 'middle', free: [] } },
];

/** What finished canvases were made for, by their bar: in a frame where it does not say otherwise. */
export const FINISHED_FOR: Record<
  string,
  { edges: JobInputs['brief']['edges']; marginStyle: JobInputs['cloth']['marginStyle'] }
> = { deep: { edges: 'unframed', marginStyle: 'hem' } };
export const FINISHED_FOR_A_FRAME = { edges: 'rebate', marginStyle: 'covered' } as const;

/** Finished work of two years, one canvas about every four weeks: title, size in mm, profile, use of the old line or the show. */
export const FINISHED: [title: string, widthMm: number, heightMm: number, profile: JobInputs['bars']['profile']][] = [
  ['Comet, first night', 620, 470, 'standard'],
  ['Breakwater in March', 810, 560, 'standard'],
  ['Zenith telescope', 480, 655, 'standard'],
  ['Star trails over the slip', 1120, 540, 'deep'],
  ['Purser', 415, 525, 'light'],
  ['Fog signal', 705, 505, 'standard'],
  ['Eclipse, partial', 905, 905, 'deep'],
  ['Winter timetable', 1240, 380, 'deep'],
  ['Dome, door open', 560, 735, 'standard'],
  ['Engine room', 980, 690, 'broad'],
  ['Two planets', 365, 460, 'light'],
  ['Last boat', 840, 610, 'standard'],
  ['Variable star', 650, 650, 'standard'],
  ['The gangway', 1090, 790, 'broad'],
  ['Plate 41', 505, 405, 'light'],
  ['Kelp line', 930, 480, 'deep'],
  ['Perseids', 1310, 655, 'deep'],
  ['Deck chairs, stacked', 730, 590, 'standard'],
  ['Dark adaptation', 590, 830, 'standard'],
  ['Buoy nineteen', 460, 605, 'standard'],
  ['Meridian', 1010, 755, 'deep'],
  ['Old saloon', 875, 640, 'broad'],
  ['Milky way, low', 1450, 560, 'deep'],
  ['Timetable, blank', 530, 680, 'standard'],
  ['Sidereal', 690, 920, 'deep'],
  ['Rope locker', 410, 560, 'light'],
];

/** Other make-ups of a canvas that is only briefed. */
export const DEMO_VARIANTS: readonly Variant[] = [
  { name: 'Deep bars, linen', changes: { ...NO_CHANGE, profile: 'deep', fabric: 'linenMedium', marginStyle: 'hem' } },
  { name: 'With a brace', changes: { ...NO_CHANGE, bracesUpright: evenBraces(1) } },
];
