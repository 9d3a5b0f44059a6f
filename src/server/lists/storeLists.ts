/* What lies in the workshop as lists: the rack as it was counted, rolls and offcuts by their tags, grounds, and the air. */
import { bare } from '@/core/quantities/printed';
import type { RackBar } from '@/core/frame/sawing/rack';
import { fabricsOf, profilesOf } from '@/core/house/materials';
import type { HouseRules } from '@/core/house/houseRules';
import { byId } from '@/core/house/schools';
import { SUBSTANCES } from '@/core/prime/substances';
import { length, printLength } from '@/core/units/length';
import { airAfter, listAir } from '@/db/airReadings';
import { listCloth } from '@/db/clothSheets';
import { listGroundStock } from '@/db/groundStocks';
import { listRack } from '@/db/rackBars';
import { readRules } from '@/db/workshops';
import { importAir } from '../air/airWrites';
import { airFromCsv } from '../air/airCsv';
import { addCloth, changeCloth } from '../cloth/clothWrites';
import { setStock } from '../ground/groundWrites';
import { done, refuse } from '../write/outcome';
import { addToRack, takeFromRack } from '../rack/rackWrites';
import {
  type RowOf,
  choiceCells,
  lengthCells,
  numberCells,
  orElse,
  priceCells,
  printLines,
  printRows,
  utcCell,
  readTable,
  textCells,
} from './csvTable';
import { type List, type ListChange, type ListPlan, atOnce } from './list';

const KINDS = [
  { id: 'pairs', name: 'slotted bar' },
  { id: 'timber', name: 'timber' },
  { id: 'brace', name: 'brace timber' },
] as const;

const rackColumns = (rules: HouseRules) => ({
  profile: choiceCells('bar', profilesOf(rules)),
  kind: choiceCells('kind', KINDS),
  family: textCells('family', 60),
  size: lengthCells('length', 'barLength'),
  count: numberCells('count', 'pieces'),
  mark: orElse(textCells('mark', 120), ''),
});
type RackRow = RowOf<ReturnType<typeof rackColumns>>;
const asRackRow = ({ lengthMm, ...bar }: RackBar): RackRow => ({ ...bar, size: length(lengthMm) });
const sameBars = (one: RackRow, other: RackRow): boolean =>
  one.profile === other.profile &&
  one.kind === other.kind &&
  one.family === other.family &&
  one.mark === other.mark &&
  Math.abs(one.size.mm - other.size.mm) < 0.05;

/** The rack as it was counted: what is not in the file does not lie there any more. */
export const rackList: List = {
  *write({ database }, unit) {
    yield printRows(rackColumns(readRules(database).rules), listRack(database).map(asRackRow), unit, true);
  },
  read: atOnce((workshop, text, { rules, tape, maker }) => {
    const columns = rackColumns(rules);
    const table = readTable(text, columns);
    if (!table.ok) return table;
    const { rows, ignored } = table.value;
    const twice = rows.find((row, index) => rows.findIndex((one) => sameBars(one, row)) !== index);
    if (twice) return refuse(`Line ${twice.line}: these bars stand above already: write them once, with their count.`);
    const lies = listRack(workshop.database);
    const words = (row: RackRow) =>
      [columns.profile.print(row.profile, 'mm'), byId(KINDS, row.kind).name, row.family, printLength(row.size.mm, tape), row.mark]
        .filter(Boolean)
        .join(', ');
    const plan: ListPlan = { changes: [], ignored, acts: [] };
    const change = (line: number | null, row: RackRow, bar: RackBar | undefined, to: number) => {
      const from = bar?.count ?? 0;
      const what = from === to ? 'same' : from === 0 ? 'new' : to === 0 ? 'gone' : 'changed';
      plan.changes.push({ line, what, says: `${from === to ? to : `${from} → ${to}`} × ${words(row)}` });
      const { size, ...rest } = row;
      const more = () =>
        addToRack.act(workshop, {
          profile: rest.profile,
          kind: rest.kind,
          family: rest.family,
          mark: rest.mark,
          lengthMm: size.mm,
          count: to - from,
          maker,
        });
      if (to > from) plan.acts.push({ line, act: more });
      if (to < from) plan.acts.push({ line, act: () => takeFromRack.act(workshop, { id: bar!.id, count: from - to, maker }) });
    };
    for (const row of rows)
      change(
        row.line,
        row,
        lies.find((bar) => sameBars(asRackRow(bar), row)),
        row.count,
      );
    const gone = lies.filter((bar) => !rows.some((row) => sameBars(asRackRow(bar), row)));
    for (const bar of gone) change(null, asRackRow(bar), bar, 0);
    return done(plan);
  }),
};

const CLOTH_KINDS = [
  { id: 'roll', name: 'roll' },
  { id: 'offcut', name: 'offcut' },
] as const;
const clothColumns = (rules: HouseRules) => ({
  tag: textCells('tag', 40),
  kind: choiceCells('kind', CLOTH_KINDS),
  fabric: choiceCells('cloth', fabricsOf(rules)),
  width: lengthCells('width', 'stockWidth'),
  selvedge: orElse(lengthCells('selvedge', 'selvedge'), length(0)),
  size: lengthCells('length', 'newRollLength'),
});

/** Rolls and offcuts by their tags: lengths as they were measured, new ones added; flaws are marked on the drawing. */
export const rollsList: List = {
  *write({ database }, unit) {
    const rows = listCloth(database).map(({ widthMm, selvedgeMm, lengthMm, ...cloth }) => ({
      ...cloth,
      width: length(widthMm),
      selvedge: length(selvedgeMm),
      size: length(lengthMm),
    }));
    yield printRows(clothColumns(readRules(database).rules), rows, unit, true);
  },
  read: atOnce((workshop, text, { rules, tape, maker }) => {
    const table = readTable(text, clothColumns(rules));
    if (!table.ok) return table;
    const { rows, ignored } = table.value;
    const store = listCloth(workshop.database);
    const plan: ListPlan = { changes: [], ignored, acts: [] };
    for (const [index, { line, tag, kind, fabric, width, selvedge, size }] of rows.entries()) {
      if (rows.findIndex((one) => one.tag === tag) !== index) return refuse(`Line ${line}: ${tag} stands above already.`);
      const there = store.find((one) => one.tag === tag);
      const length_ = printLength(size.mm, tape);
      if (!there) {
        plan.changes.push({ line, what: 'new', says: `${tag}: ${length_}, ${printLength(width.mm, tape)} wide` });
        const cloth = { kind, fabric, tag, widthMm: width.mm, selvedgeMm: selvedge.mm, lengthMm: size.mm, flaws: [], maker };
        plan.acts.push({ line, act: () => addCloth.act(workshop, cloth) });
        continue;
      }
      const near = (one: number, other: number) => Math.abs(one - other) < 0.05;
      if (
        there.kind !== kind ||
        there.fabric !== fabric ||
        !near(there.widthMm, width.mm) ||
        !near(there.selvedgeMm, selvedge.mm)
      )
        return refuse(
          `Line ${line}: ${tag} is another cloth here, or of another width: only its length can change. Give what you have a tag of its own.`,
        );
      if (near(there.lengthMm, size.mm)) plan.changes.push({ line, what: 'same', says: `${tag}: ${length_}` });
      else {
        plan.changes.push({ line, what: 'changed', says: `${tag}: ${printLength(there.lengthMm, tape)} → ${length_}` });
        const { id, revision, flaws } = there;
        plan.acts.push({
          line,
          act: () => changeCloth.act(workshop, { id, revision, lengthMm: size.mm, flaws, gone: false, maker }),
        });
      }
    }
    return done(plan);
  }),
};

const GROUNDS = {
  substance: choiceCells('substance', SUBSTANCES),
  amount: numberCells('amount', 'amount'),
  /** g or ml, as it is sold. */
  unit: choiceCells('unit', [
    { id: 'g', name: 'g' },
    { id: 'ml', name: 'ml' },
  ]),
  /** Of a kilogram or a litre. */
  priceMinor: priceCells('price a kg or litre'),
};

/** Grounds and sizes: amounts as they were weighed, and prices. */
export const groundsList: List = {
  *write({ database }, unit) {
    const rows = listGroundStock(database).map((row) => ({ ...row, unit: byId(SUBSTANCES, row.substance).unit }));
    yield printRows(GROUNDS, rows, unit, true);
  },
  read: atOnce((workshop, text, { maker }) => {
    const table = readTable(text, GROUNDS);
    if (!table.ok) return table;
    const { rows, ignored } = table.value;
    const stock = listGroundStock(workshop.database);
    const plan: ListPlan = { changes: [], ignored, acts: [] };
    for (const [index, { line, substance, amount, unit, priceMinor }] of rows.entries()) {
      const { name, unit: sold } = byId(SUBSTANCES, substance);
      if (rows.findIndex((one) => one.substance === substance) !== index)
        return refuse(`Line ${line}: ${name} stands above already.`);
      if (unit !== sold) return refuse(`Line ${line}: ${name} is kept in ${sold}, not in ${unit}.`);
      const there = stock.find((one) => one.substance === substance);
      const same = there?.amount === amount && there.priceMinor === priceMinor;
      const amounts = `${there && there.amount !== amount ? `${bare('amount', there.amount)} → ` : ''}${bare('amount', amount)} ${unit}`;
      plan.changes.push({ line, what: same ? 'same' : there ? 'changed' : 'new', says: `${name}: ${amounts}` });
      const set = { substance, amount, priceMinor, revision: there?.revision ?? 0, maker };
      if (!same) plan.acts.push({ line, act: () => setStock.act(workshop, set) });
    }
    return done(plan);
  }),
};

const AIR_AT_ONCE = 2000;

/** Readings of the air: all that were kept; new ones in, moments that were read already stay. */
export const airList: List = {
  *write({ database }) {
    yield `\uFEFF${printLines([['time (UTC)', 'temperature °C', 'humidity %', 'source']])}`;
    for (let after = ''; ;) {
      const readings = airAfter(database, after, AIR_AT_ONCE);
      if (readings.length === 0) return;
      yield printLines(readings.map(({ at, celsius, rh, source }) => [utcCell(at), String(celsius), String(rh), source]));
      after = readings.at(-1)!.at;
    }
  },
  read: atOnce((workshop, text) => {
    const readings = airFromCsv(text);
    if (!readings.ok) return readings;
    const known = new Set(listAir(workshop.database, '').map(({ at }) => at));
    const fresh = readings.value.filter(({ at }) => !known.has(at)).length;
    const days = readings.value.map(({ at }) => at.slice(0, 10)).sort();
    const says = `${readings.value.length} readings from ${days[0]} to ${days.at(-1)}, ${fresh} of moments that were not read yet`;
    const changes: ListChange[] = [{ line: null, what: fresh > 0 ? 'new' : 'same', says }];
    return done({ changes, ignored: [], acts: [{ line: null, act: () => importAir.act(workshop, { text, source: 'table' }) }] });
  }),
};
