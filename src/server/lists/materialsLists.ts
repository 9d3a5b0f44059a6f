/* The bars, woods and cloths of the house as lists, and what they cost as one more: rows changed and added, none taken out. */
import { JOINTS, type JointId } from '@/core/frame/joints';
import type { PricedLength, Profile } from '@/core/frame/profiles';
import type { Species } from '@/core/frame/timber';
import { FIBRES, type Fabric } from '@/core/cloth/fabrics';
import { type HouseRules, houseRulesShape } from '@/core/house/houseRules';
import { type Materials, changesOnly, fabricsOf, profilesOf, speciesOf } from '@/core/house/materials';
import { byId } from '@/core/house/schools';
import { type FileUnit, type Length, length, printLength } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import { parsed, refused } from '@/core/units/result';
import { readRules } from '@/db/workshops';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { saveRules } from '../house/houseRuleWrites';
import {
  type Column,
  type Columns,
  type RowOf,
  choiceCells,
  lengthCells,
  numberCells,
  orElse,
  priceCells,
  printRows,
  readTable,
  textCells,
  yesCells,
} from './csvTable';
import { type List, type ListChange, atOnce } from './list';
import { checked } from '../write/checked';

const id = textCells('id', 64);
const name = textCells('name', 80);
const offered = orElse(yesCells('offered'), true);
const source = orElse(textCells('source', 200), '');

/** Joints by their ids, with signs of plus between. */
const jointCells: Column<JointId[]> = {
  name: 'joints',
  empty: undefined,
  isLength: false,
  read: (cell) => {
    const ids = cell.split('+').map((one) => one.trim());
    const strange = ids.find((one) => !JOINTS.some((joint) => joint.id === one));
    if (strange !== undefined) return refused(strange, 'is no joint', `There are ${JOINTS.map((joint) => joint.id).join(', ')}.`);
    return parsed([...new Set(ids)] as JointId[]);
  },
  print: (ids) => ids.join(' + '),
};

const BARS = {
  id,
  name,
  width: lengthCells('width', 'barWidth'),
  depth: lengthCells('depth', 'barDepth'),
  bead: lengthCells('bead', 'bead'),
  beadStrip: orElse(yesCells('bead is a strip'), false),
  braceWidth: lengthCells('brace width', 'braceWidth'),
  braceDepth: lengthCells('brace depth', 'braceDepth'),
  joints: jointCells,
  family: textCells('family', 60),
  suits: orElse(textCells('suits', 200), ''),
  offered,
  source,
};
const WOODS = {
  id,
  name,
  eGPa: numberCells('stiffness gpa', 'modulus'),
  densityKgM3: numberCells('density kg/m3', 'density'),
  /** Null takes the rule of the house. */
  knots: orElse(numberCells('left by knots', 'knotFactor'), null),
  offered,
  source,
};
const CLOTHS = {
  id,
  name,
  fibre: choiceCells(
    'fibre',
    FIBRES.map((one) => ({ id: one, name: one })),
  ),
  gsm: numberCells('weight g/m2', 'clothWeight'),
  thickness: lengthCells('thickness', 'thickness'),
  stiffnessWarpKNPerM: numberCells('warp stiffness kn/m', 'clothStiffness'),
  stiffnessWeftKNPerM: numberCells('weft stiffness kn/m', 'clothStiffness'),
  stretchWarp: numberCells('warp stretch %', 'stretch'),
  stretchWeft: numberCells('weft stretch %', 'stretch'),
  shrinkWarp: numberCells('warp shrinkage %', 'shrinkage'),
  shrinkWeft: numberCells('weft shrinkage %', 'shrinkage'),
  primed: orElse(yesCells('primed'), false),
  tearsTrue: orElse(yesCells('tears true'), false),
  wantsPliers: orElse(yesCells('wants pliers'), false),
  offered,
  source,
};

/** One table of the house: its rows as lines of a file, and a line as a row. */
interface MaterialTable<K extends keyof Materials, C extends Columns> {
  key: K;
  columns: C;
  rows: (rules: HouseRules) => Materials[K][number][];
  toLine: (row: Materials[K][number]) => RowOf<C>;
  /** @param before the row of this id so far, whose prices stay */
  toRow: (line: RowOf<C> & { line: number }, before: Materials[K][number] | undefined) => Materials[K][number];
}

/** Saves a table of the house, all of it or none. */
const saveMaterials = (workshop: Workshop, change: (materials: Materials) => Materials): Outcome<unknown> => {
  const { rules, revision } = readRules(workshop.database);
  const all = { profiles: profilesOf(rules), species: speciesOf(rules), fabrics: fabricsOf(rules) };
  const asked = checked(houseRulesShape, 'houseRules', { ...rules, materials: changesOnly(change(all)) });
  return asked.ok ? saveRules.act(workshop, { revision, rules: asked.value as HouseRules }) : asked;
};

/** Rows with some in the place of those of their ids, new ones at the end. */
const withRows = <R extends { id: string }>(rows: readonly R[], read: readonly R[]): R[] => [
  ...rows.map((row) => read.find((one) => one.id === row.id) ?? row),
  ...read.filter((one) => !rows.some((row) => row.id === one.id)),
];

function materialsList<K extends keyof Materials, C extends Columns>({
  key,
  columns,
  rows,
  toLine,
  toRow,
}: MaterialTable<K, C>): List {
  type Row = Materials[K][number];
  return {
    *write(workshop, unit) {
      yield printRows(columns, rows(readRules(workshop.database).rules).map(toLine), unit, true);
    },
    read: atOnce((workshop, text, { rules, tape }) => {
      const table = readTable(text, columns);
      if (!table.ok) return table;
      const before = rows(rules);
      const read = table.value.rows.map((line) => {
        const was = before.find((one) => one.id === (line as unknown as Row).id);
        const is = toRow(was ? { ...line, ...unmoved(columns, toLine(was), line) } : line, was);
        return { line: (line as { line: number }).line, is, was };
      });
      const changes = read.map(({ line, is, was }): ListChange => {
        if (!was) return { line, what: 'new', says: is.name };
        const other = otherCells(columns, toLine(was), toLine(is), tape.unit);
        return other.length === 0
          ? { line, what: 'same', says: is.name }
          : { line, what: 'changed', says: `${was.name}: ${other.join(', ')}` };
      });
      const act = () =>
        saveMaterials(workshop, (materials) => ({
          ...materials,
          [key]: withRows<Row>(
            materials[key] as Row[],
            read.map(({ is }) => is),
          ),
        }));
      return done({ changes, ignored: table.value.ignored, acts: [{ line: null, act }] });
    }),
  };
}

/** Lengths that another unit has moved by less than anybody measures: they stay what they were. */
const unmoved = <C extends Columns>(columns: C, was: RowOf<C>, is: RowOf<C>): Partial<RowOf<C>> =>
  Object.fromEntries(
    Object.entries(columns)
      .filter(([key, { isLength }]) => isLength && Math.abs((was[key] as Length).mm - (is[key] as Length).mm) < 0.001)
      .map(([key]) => [key, was[key]]),
  ) as Partial<RowOf<C>>;

/** Cells of two lines that differ, in words. */
const otherCells = <C extends Columns>(columns: C, was: RowOf<C>, is: RowOf<C>, unit: FileUnit): string[] =>
  Object.entries(columns).flatMap(([key, of]) => {
    const [before, after] = [of.print(was[key], unit), of.print(is[key], unit)];
    return before === after ? [] : `${of.name} ${before || 'none'} → ${after || 'none'}${of.isLength ? ` ${unit}` : ''}`;
  });

export const barsList = materialsList({
  key: 'profiles',
  columns: BARS,
  rows: profilesOf,
  toLine: ({ widthMm, depthMm, beadMm, brace, ...row }: Profile) => ({
    ...row,
    width: length(widthMm),
    depth: length(depthMm),
    bead: length(beadMm),
    braceWidth: length(brace.widthMm),
    braceDepth: length(brace.depthMm),
  }),
  toRow: ({ line: _line, width, depth, bead, braceWidth, braceDepth, ...line }, before) => ({
    // In the order of the row that there was: only what differs from what ships is kept.
    ...(before ?? { pairs: [], timber: [], beads: [] }),
    ...line,
    widthMm: width.mm,
    depthMm: depth.mm,
    beadMm: bead.mm,
    brace: { widthMm: braceWidth.mm, depthMm: braceDepth.mm, lengths: before?.brace.lengths ?? [] },
  }),
});

export const woodsList = materialsList({
  key: 'species',
  columns: WOODS,
  rows: speciesOf,
  toLine: (row: Species) => row,
  toRow: ({ line: _line, ...line }, before) => ({ ...before, ...line }),
});

export const clothsList = materialsList({
  key: 'fabrics',
  columns: CLOTHS,
  rows: fabricsOf,
  toLine: ({ thicknessMm, ...row }: Fabric) => ({ ...row, thickness: length(thicknessMm) }),
  toRow: ({ line: _line, thickness, ...line }, before) => ({ ...(before ?? { rolls: [] }), ...line, thicknessMm: thickness.mm }),
});

/** What has prices by lengths: which rows, and where in them. */
const PRICED = [
  { id: 'pair', name: 'pair of bars' },
  { id: 'timber', name: 'length of timber' },
  { id: 'brace', name: 'length of brace' },
  { id: 'bead', name: 'length of bead strip' },
  { id: 'roll', name: 'metre of a roll' },
] as const;
type PricedId = (typeof PRICED)[number]['id'];

interface PriceRow {
  of: PricedId;
  material: string;
  size: Length;
  priceMinor: number;
}

const pricesIn = ({ profiles, fabrics }: Pick<Materials, 'profiles' | 'fabrics'>): PriceRow[] => {
  const rows = (of: PricedId, material: string, list: readonly PricedLength[]) =>
    list.map(({ mm, priceMinor }): PriceRow => ({ of, material, size: length(mm), priceMinor }));
  return [
    ...profiles.flatMap((row) => [
      ...rows('pair', row.id, row.pairs),
      ...rows('timber', row.id, row.timber),
      ...rows('brace', row.id, row.brace.lengths),
      ...rows('bead', row.id, row.beads),
    ]),
    ...fabrics.flatMap((row) => rows('roll', row.id, row.rolls)),
  ];
};

const priceColumns = (rules: HouseRules) => ({
  of: choiceCells('of', PRICED),
  material: choiceCells('material', [...profilesOf(rules), ...fabricsOf(rules)]),
  size: lengthCells('size', 'barLength'),
  priceMinor: priceCells('price'),
});
const pricesOf = (rules: HouseRules): PriceRow[] => pricesIn({ profiles: profilesOf(rules), fabrics: fabricsOf(rules) });
const sameList = (one: PriceRow, other: PriceRow) => one.of === other.of && one.material === other.material;
const sameSize = (one: PriceRow, other: PriceRow) => sameList(one, other) && Math.abs(one.size.mm - other.size.mm) < 0.05;

/** Price lists: one that is in the file at all is taken from it whole. */
export const pricesList: List = {
  *write(workshop, unit) {
    const { rules } = readRules(workshop.database);
    yield printRows(priceColumns(rules), pricesOf(rules), unit, true);
  },
  read: atOnce((workshop, text, { rules, tape }) => {
    const columns = priceColumns(rules);
    const table = readTable(text, columns);
    if (!table.ok) return table;
    const { rows, ignored } = table.value;
    const twice = rows.find((row, index) => rows.findIndex((one) => sameSize(one, row)) !== index);
    if (twice) return refuse(`Line ${twice.line}: this size has a price above already.`);
    const strange = rows.find((row) => (row.of === 'roll') !== fabricsOf(rules).some((one) => one.id === row.material));
    if (strange) return refuse(`Line ${strange.line}: a ${byId(PRICED, strange.of).name} is not of this material.`);
    const before = pricesOf(rules);
    const words = ({ of, material, size }: PriceRow) =>
      `${columns.material.print(material, tape.unit)}, ${byId(PRICED, of).name}, ${printLength(size.mm, tape)}`;
    const money = (minor: number) => printMoney(minor, rules.currency);
    const changes = rows.map((row): ListChange => {
      const was = before.find((one) => sameSize(one, row));
      if (!was) return { line: row.line, what: 'new', says: `${words(row)}: ${money(row.priceMinor)}` };
      return was.priceMinor === row.priceMinor
        ? { line: row.line, what: 'same', says: words(row) }
        : { line: row.line, what: 'changed', says: `${words(row)}: ${money(was.priceMinor)} → ${money(row.priceMinor)}` };
    });
    const gone = before
      .filter((one) => rows.some((row) => sameList(row, one)) && !rows.some((row) => sameSize(row, one)))
      .map((one): ListChange => ({ line: null, what: 'gone', says: words(one) }));
    const listFor = (of: PricedId, material: string, was: PricedLength[]): PricedLength[] => {
      const own = rows.filter((row) => row.of === of && row.material === material);
      const sizes = own.map(({ size, priceMinor }) => ({
        mm: was.find(({ mm }) => Math.abs(mm - size.mm) < 0.05)?.mm ?? size.mm,
        priceMinor,
      }));
      return own.length === 0 ? was : sizes.sort((one, other) => one.mm - other.mm);
    };
    const act = () =>
      saveMaterials(workshop, ({ profiles, fabrics, ...others }) => ({
        ...others,
        profiles: profiles.map((row) => ({
          ...row,
          pairs: listFor('pair', row.id, row.pairs),
          timber: listFor('timber', row.id, row.timber),
          brace: { ...row.brace, lengths: listFor('brace', row.id, row.brace.lengths) },
          beads: listFor('bead', row.id, row.beads),
        })),
        fabrics: fabrics.map((row) => ({ ...row, rolls: listFor('roll', row.id, row.rolls) })),
      }));
    return done({ changes: [...changes, ...gone], ignored, acts: [{ line: null, act }] });
  }),
};
