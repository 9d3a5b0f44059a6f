/*
 * Every kind of number of the product, once: what it is, its unit inside, how it is printed to a metric and to an inch tape, what
 * a field takes, and within what a calculated value is believed. Shapes, fields, keypad, lists, verdicts and prints ask here.
 */
import { MM_PER, MM_PER_INCH, type Tape } from '../units/length';
import { KG_PER_POUND } from '../units/mass';
import { celsiusFromFahrenheit } from '../units/temperature';

export type Range = readonly [least: number, most: number];

/** How a number stands in one system: `unit` is `per` units inside, counted from `zero`; at most so many decimals, and so many from ten on. */
export interface Form {
  unit: string;
  per: number;
  zero: number;
  places: readonly [belowTen: number, fromTen: number];
}

export interface Quantity {
  /** What it is, in a few words. */
  name: string;
  /** Lengths by the steps of a tape, small ones finer, time as a clock is read, all else as a number. */
  by: 'tape' | 'fine' | 'time' | 'estimate' | 'number';
  metric: Form;
  /** Null where both systems are the same. */
  inch: Form | null;
  whole: boolean;
  /** Noughts at the end stand: columns and pairs are compared digit by digit. */
  fixed: boolean;
  /** What may be typed and kept, in units inside; null where it is only calculated. */
  limits: Range | null;
  /** Within what a calculated value is told; beyond, something cannot be worked out. Holds the limits. */
  believed: Range;
}

/** What a scale that shows one kilogram is pulled with, N. */
export const NEWTONS_PER_KG = 9.80665;

const M2_PER_SQUARE_FOOT = (MM_PER.ft / 1000) ** 2;
const ML_PER_FLUID_OUNCE = 29.5735295625;

const form = (unit: string, places: number | Form['places'], per = 1, zero = 0): Form => ({
  unit,
  per,
  zero,
  places: typeof places === 'number' ? [places, places] : places,
});

type Plain = Quantity & { inch: null };
type Twofold = Quantity & { inch: Form };
type OfLength = Twofold & { by: 'tape' | 'fine' };

const lengthBy =
  (by: 'tape' | 'fine') =>
  (name: string, limits: Range | null, believed: Range = limits ?? [0, 200_000]): OfLength => ({
    name,
    by,
    metric: form('mm', by === 'tape' ? 1 : 2),
    inch: form('in', 5, MM_PER_INCH),
    whole: false,
    fixed: false,
    limits,
    believed,
  });
/** Printed by the steps of the tape. */
const tape = lengthBy('tape');
/** Small: a decimal of a millimetre, or 64ths of an inch. */
const fine = lengthBy('fine');

/** The same in both systems. */
const plain = (
  name: string,
  unit: string,
  places: number | Form['places'],
  limits: Range | null,
  believed: Range = limits ?? [0, 1e6],
): Plain => ({ name, by: 'number', metric: form(unit, places), inch: null, whole: false, fixed: false, limits, believed });

const fixed = <Q extends Quantity>(row: Q): Q => ({ ...row, fixed: true });

const counted = (name: string, unit: string, limits: Range | null, believed?: Range): Plain => ({
  ...plain(name, unit, 0, limits, believed),
  whole: true,
});

/** A part of one, told and typed in percent. */
const part = (name: string, places: number, limits: Range | null, believed: Range = limits ?? [0, 1]): Plain => ({
  ...plain(name, '%', places, limits, believed),
  metric: form('%', places, 0.01),
});

const inBoth = (name: string, metric: Form, inch: Form, limits: Range | null, believed: Range = limits ?? [0, 1e6]): Twofold => ({
  ...plain(name, '', 0, limits, believed),
  metric,
  inch,
});

const time = (name: string, by: 'time' | 'estimate', believed: Range = [0, 1e7]): Plain => ({
  ...plain(name, 'min', 0, null, believed),
  by,
});

const warmth = (name: string, limits: Range): Twofold =>
  inBoth(name, form('°C', 1), form('°F', 0, 5 / 9, celsiusFromFahrenheit(0)), limits, [-50, 120]);

const volume = (name: string, limits: Range): Twofold =>
  inBoth(name, form('ml', [1, 0]), form('fl oz', 1, ML_PER_FLUID_OUNCE), limits, [0, 200_000]);

const onScale = (name: string, limits: Range): Twofold =>
  inBoth(name, form('kg', 2, NEWTONS_PER_KG), form('lb', 1, NEWTONS_PER_KG * KG_PER_POUND), limits);

export const QUANTITIES = {
  // The face and what it hangs on.
  faceLength: tape('width or height of a face', [50, 4000], [20, 5000]),
  tapeReading: tape('side, diagonal or margin as read off a tape', [0, 100_000]),
  sideReading: tape('side or diagonal as read off a tape', [1, 100_000]),
  setGap: tape('gap between canvases of a set', [0, 1000]),
  setPlace: tape('place of a canvas in a set', [0, 20_000]),
  roomFor: tape('side of a canvas that a place takes', [100, 10_000]),
  mass: inBoth('weight of a canvas', form('kg', [2, 1]), form('lb', 1, KG_PER_POUND), [0.01, 200], [0, 400]),
  // Bars.
  barLength: tape('length of a bar as it is sold', [50, 12_000]),
  barWidth: tape('width of a bar', [10, 200]),
  barDepth: tape('depth of a bar, front to back', [8, 200]),
  bead: fine('bead above the front of a bar', [0, 20]),
  braceWidth: tape('width of a brace', [8, 200]),
  braceDepth: tape('depth of a brace', [5, 200]),
  barLengthNeeded: tape('length of a bar that is needed', null, [0, 20_000]),
  screwBite: fine('bite of a screw', null, [0, 200]),
  bow: fine('bow of a bar', null, [0, 150]),
  braceClearance: fine('room between brace and cloth', null, [-200, 200]),
  braceForce: plain('push on a brace', 'N', 0, null, [0, 40_000]),
  roll: plain('roll of a bar', '°', 2, null, [0, 20]),
  modulus: plain('stiffness E of a wood', 'GPa', 1, [1, 30]),
  density: plain('density of a wood', 'kg/m³', 0, [100, 1300]),
  knotFactor: plain('what knots leave of a wood’s stiffness', '×', 2, [0.3, 1]),
  // Squareness.
  blade: tape('blade of a set square', [5, 100_000]),
  gap: fine('gap under a blade', [0, 1000]),
  misfit: fine('difference of two readings', null, [-200_000, 200_000]),
  uncertainty: fine('uncertainty of a length', null, [0, 100]),
  chiSquare: plain('misfit of readings, χ²', '', 1, null, [0, Infinity]),
  twist: inBoth('lift of a corner a metre of diagonal', form('mm/m', 1), form('in/ft', 2, 1 / 0.012), null, [0, 500]),
  angle: fixed(plain('angle', '°', 2, null, [-180, 180])),
  offGrain: plain('angle off the grain', '°', 1, [-45, 45]),
  // The rebate and the painting.
  clearance: tape('room between canvas and rebate', [0, 60]),
  rebatePart: tape('depth or lip of a rebate', [0, 500]),
  rebateGap: fine('room left in a rebate', null, [-4000, 4000]),
  sightSeen: fine('what shows in the opening of a frame', null, [0, 400]),
  rebateDepthTaken: fine('depth taken in a rebate', null, [0, 500]),
  longestSide: tape('longest side to carry', null, [20, 5000]),
  wrap: tape('image that may go round the edge', [0, 1000]),
  edgeBow: fine('bow of an edge of the image', [0, 1000]),
  foldOffset: tape('old fold from the edge of the image', [0, 500]),
  firstHole: tape('first old hole from the end of a side', [0, 4000]),
  holesApart: tape('distance between old holes', [3, 1000]),
  offsetFromFold: fine('old fold from the edge it was to lie on', null, [-500, 500]),
  holeClearance: fine('room between old holes', null, [0, 500]),
  offsetOnCloth: fine('how far a frame lies off its place on the cloth', null, [0, 150]),
  // Cloth.
  margin: tape('margin of a side', [0, 1000]),
  cutLength: tape('side of a piece of cloth', null, [1, 20_000]),
  marginLeft: tape('cloth left beyond a line', null, [-4000, 4000]),
  give: fine('cloth gained by stretching', null, [0, 250]),
  bulk: fine('layers of cloth at a corner', null, [0, 200]),
  rollWidth: tape('width of a roll', [5, 100_000]),
  stockWidth: tape('width of a roll or offcut', [50, 6000]),
  newRollLength: tape('length of a new roll', [1, 200_000]),
  rollLength: tape('length left on a roll', [0, 200_000]),
  selvedge: tape('selvedge', [0, 100]),
  core: tape('diameter of the core it is rolled on', [20, 1000]),
  clothWeight: plain('weight of a cloth', 'g/m²', 0, [50, 1500]),
  thickness: fine('thickness of a cloth', [0.1, 5]),
  clothStiffness: plain('stiffness of a cloth', 'kN/m', 1, [1, 200]),
  stretch: part('stretch of a cloth', 2, [0, 0.05]),
  shrinkage: part('shrinkage of a cloth', 2, [0, 0.15]),
  // Fastening.
  spacing: tape('distance between fasteners', [5, 1000]),
  lastFromCorner: tape('last fastener from the corner', [0, 1000]),
  rowGap: tape('gap between fasteners, or to a corner', null, [0, 4000]),
  leg: tape('leg of a staple', null, [0, 100]),
  slant: plain('slant of a staple’s crown', '°', 0, [0, 60]),
  pull: plain('pull of a hand', 'N', 0, [1, 500], [0, 500]),
  pullAsked: plain('pull that the simulated cloth asks for', 'N', 0, null, [0, 1000]),
  drift: fine('drift of the cloth while it is stapled', null, [0, 200]),
  pullRead: plain('pull as it was measured', 'N', 1, [0, 500]),
  scalePull: onScale('pull as a scale shows it', [0, 500]),
  trialPull: onScale('pull of a trial, as a scale shows it', [0.2, 300]),
  ramp: plain('last pull of a side over the one at its middle', '×', 2, [1, 2]),
  unevenness: fixed(plain('unevenness of the tension', '', 2, null, [0, 20])),
  skew: plain('weave askew', '°', 1, null, [0, 45]),
  slackShare: part('slack part of the face', 0, null),
  fasteners: plain('fasteners', 'fasteners', 0, [0, 2000], [0, 20_000]),
  // Tension.
  tension: plain('tension of the cloth', 'N/m', 0, [20, 800], [0, 3000]),
  tensionChange: plain('change of tension', 'N/m', 0, null, [-3000, 3000]),
  ratio: plain('one over another', '×', 1, null, [0, 100]),
  quality: plain('sharpness of a note', '', 0, null),
  frequency: plain('frequency', 'Hz', [1, 0], null, [0, 5000]),
  disc: tape('disc under a weight', [5, 100_000]),
  sampleSide: tape('side of a weighed piece', [5, 100_000]),
  testWeight: plain('weight on the disc', 'g', 0, [5, 5000]),
  sampleMass: plain('weighed piece', 'g', 1, [0.1, 5000]),
  opening: fine('opening of a corner', [0, 30]),
  openingReached: fine('opening that corners come to', null, [0, 200]),
  bulge: fine('bulge of the cloth', [0, 500]),
  boltTurns: plain('turns of a bolt', 'turns', 2, [-10, 10], [-100, 100]),
  keyDepth: plain('a key driven deeper', 'mm deeper', 1, [-10, 10], [-100, 100]),
  lostShare: part('tension lost', 0, null),
  creep: part('tension lost in a tenfold of time', 1, null),
  stiffnessLearned: plain('stiffness over the table’s', '×', 2, null, [0, 20]),
  // Ground and air.
  roomTemperature: warmth('temperature of the room', [0, 45]),
  temperature: warmth('temperature', [-30, 60]),
  roomHumidity: plain('relative humidity of the room', '% RH', 0, [5, 100]),
  humidity: plain('relative humidity', '% RH', 0, [0, 100]),
  volume: volume('volume of ground', [0, 200_000]),
  batchVolume: volume('volume of a batch', [1, 200_000]),
  water: inBoth('water to wet a cloth', form('l', 2), form('fl oz', 0, ML_PER_FLUID_OUNCE / 1000), null, [0, 50]),
  waterParts: plain('parts of water to one', 'parts', 2, [0, 20]),
  potVolume: inBoth(
    'ground gone from a pot',
    form('ml', [1, 0]),
    form('fl oz', 1, ML_PER_FLUID_OUNCE),
    null,
    [-200_000, 200_000],
  ),
  absorption: inBoth(
    'ground that a cloth takes',
    form('ml/m²', 0),
    form('fl oz/ft²', 2, ML_PER_FLUID_OUNCE / M2_PER_SQUARE_FOOT),
    null,
    [0, 5000],
  ),
  dryGround: plain('dry ground', 'g/m²', 0, [0, 10_000]),
  scale: plain('on the kitchen scale', 'g', 0, null, [0, 200_000]),
  glue: plain('glue to weigh out', 'g', [1, 0], null, [0, 200_000]),
  dryingOver: plain('drying time over the label’s', '× label', 1, null, [0, 1000]),
  area: inBoth('area', form('m²', 2), form('ft²', [2, 1], M2_PER_SQUARE_FOOT), null, [0, 2000]),
  // Time.
  handTime: time('time of hands, estimated', 'estimate', [0, 100_000]),
  recordedTime: { ...time('time of hands, recorded', 'time'), limits: [1, 2000] as Range },
  dryingTime: time('drying time', 'estimate'),
  clockTime: time('time until or since an hour', 'time'),
  rateMinutes: plain('time of one piece of work', 'min', 1, null),
  rateSeconds: plain('time of one small piece of work', 's', 0, null),
  rateCount: plain('how many pieces of work', '×', 1, null),
  setUpMinutes: counted('time to set up', 'min', [0, 240]),
  longerBy: plain('longer opening hours', 'h', 2, [0.25, 12]),
  togetherHours: counted('wait so that work goes together', 'h', [0, 168]),
  quoteDays: counted('days that a quote is valid', 'days', [1, 365]),
  days: plain('days', 'days', 1, null, [0, 100_000]),
  months: plain('months', 'months', 0, null, [0, 5000]),
  years: plain('years', 'years', 1, null, [0, 1000]),
  // Money and stock. Money is printed with the currency of the house.
  price: counted('price in the smallest coin', '', [0, 100_000_000]),
  /** A thousand times what most are paid is a typing error. */
  hourRate: counted('price of an hour of hands in the smallest coin', '', [0, 10_000_000]),
  overhead: plain('overhead on the hours', '%', 2, [0, 500]),
  offcutWorth: plain('worth of an offcut, of its price', '%', 2, [0, 100]),
  profitMargin: plain('margin on the cost', '%', 2, [0, 1000]),
  tax: plain('tax', '%', 2, [0, 100]),
  workSpread: plain('difference of work from its estimate', '%', 0, [0, 100]),
  aboveBound: plain('more than the least that is possible', '%', 1, null, [0, 10_000]),
  percent: plain('part in percent', '%', 0, null, [0, 10_000]),
  amount: plain('amount in stock', '', 1, [0, 1_000_000], [-1_000_000, 1_000_000]),
  pack: plain('amount that is sold or taken', '', 3, [0.001, 1_000_000]),
  pieces: counted('pieces', 'pieces', [1, 500], [0, 1_000_000]),
  canvases: counted('canvases', 'canvases', [1, 60]),
  tacks: counted('tacks', 'tacks', null, [0, 20_000]),
  staples: counted('staples', 'staples', null, [0, 20_000]),
  sideChanges: counted('changes of side while fastening', 'changes of side', null, [0, 20_000]),
  places: counted('places', '', [1, 200], [0, 20_000]),
  placesSeen: counted('places seen on a painting', 'places', null, [0, 1000]),
  pulls: counted('pulls', 'pulls', null, [0, 20_000]),
  clothLayers: counted('layers of cloth', 'layers', null, [0, 100]),
  squeezes: counted('squeezes of a stapler', 'squeezes', null, [0, 100_000]),
  joints: counted('joints', 'joints', null, [0, 10_000]),
  frameNumber: counted('number of a practice frame', '', [1, 999]),
  jobNumber: counted('number of a canvas', '', [1, 1_000_000_000], [1, 1_000_000_000]),
  count: counted('how many', '', null),
} satisfies Record<string, Quantity>;

export type QuantityId = keyof typeof QUANTITIES;
type KindsThat<Is> = { [K in QuantityId]: (typeof QUANTITIES)[K] extends Is ? K : never }[QuantityId];
/** Kinds that are the same to both tapes. */
export type PlainId = KindsThat<{ inch: null }>;
export type LengthId = KindsThat<OfLength>;
/** Kinds that somebody types. */
export type NumberId = Exclude<QuantityId, LengthId>;

export const quantity = (id: QuantityId): Quantity => QUANTITIES[id];

/** How a kind stands to a tape of this unit. */
export const formOf = (id: QuantityId, { unit }: Pick<Tape, 'unit'>): Form => {
  const { metric, inch } = quantity(id);
  return unit === 'in' ? (inch ?? metric) : metric;
};

/**
 * The range of what may be typed, in units inside.
 *
 * @throws RangeError for a kind that is only calculated
 * @example limitsOf('tension') // [20, 800]
 */
export function limitsOf(id: QuantityId): Range {
  const { limits } = quantity(id);
  if (!limits) throw new RangeError(`expected a kind that is typed, got ${id}, which is only calculated`);
  return limits;
}

/** Whether a value lies within a range, its ends included. */
export const isWithin = (value: number, [least, most]: Range): boolean => value >= least && value <= most;

/** Whether a value may be typed: within the limits of its kind. */
export const isTyped = (id: QuantityId, value: number): boolean => isWithin(value, limitsOf(id));

/**
 * Whether a calculated value is one that a workshop can meet.
 *
 * @example isBelieved('offsetOnCloth', 362) // false
 */
export const isBelieved = (id: QuantityId, value: number): boolean => isWithin(value, quantity(id).believed);
