/* What the store keeps count of, as a list both ways; and what is to be bought, written only. */
import { bare } from '@/core/quantities/printed';
import { length } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import { listStore } from '@/db/storeItems';
import { done, refuse } from '../write/outcome';
import { countItem, setItem } from '../store/storeWrites';
import { toBuyList } from '../store/buyWrites';
import { choiceCells, numberCells, orElse, priceCells, printLines, printRows, readTable, textCells } from './csvTable';
import { type List, type ListPlan, atOnce } from './list';

const UNITS = [
  { id: 'pieces', name: 'pieces' },
  { id: 'g', name: 'g' },
  { id: 'ml', name: 'ml' },
] as const;

const ITEMS = {
  item: textCells('item', 64),
  name: textCells('name', 80),
  there: numberCells('there', 'amount'),
  unit: choiceCells('unit', UNITS),
  pack: numberCells('sold by', 'pack'),
  /** Of what it is sold by; left empty where nobody knows it. */
  priceMinor: orElse(priceCells('price'), null),
  least: orElse(numberCells('least', 'amount'), 0),
  place: orElse(textCells('place', 80), ''),
  supplier: orElse(textCells('bought at', 80), ''),
};

/** Items as they were counted; what is not in the file stays as it is, since its moves are kept. */
export const itemsList: List = {
  *write({ database }, unit) {
    const rows = listStore(database).map(({ id: item, there, ...row }) => ({ ...row, item, there: Math.max(0, there) }));
    yield printRows(ITEMS, rows, unit, true);
  },
  read: atOnce((workshop, text, { maker }) => {
    const table = readTable(text, ITEMS);
    if (!table.ok) return table;
    const { rows, ignored } = table.value;
    const store = listStore(workshop.database);
    const plan: ListPlan = { changes: [], ignored, acts: [] };
    for (const [index, { line, there: counted, ...row }] of rows.entries()) {
      if (rows.findIndex(({ item }) => item === row.item) !== index)
        return refuse(`Line ${line}: ${row.item} stands above already.`);
      if (!/^[A-Za-z0-9][A-Za-z0-9.-]{0,63}$/.test(row.item))
        return refuse(`Line ${line}: “${row.item}” is no item: letters and figures, with . or - between them.`);
      const before = store.find(({ id }) => id === row.item);
      const known = ['name', 'unit', 'pack', 'priceMinor', 'least', 'place', 'supplier'] as const;
      const same = before !== undefined && known.every((key) => before[key] === row[key]);
      const amounts = `${before && before.there !== counted ? `${bare('amount', before.there)} → ` : ''}${bare('amount', counted)} ${row.unit}`;
      const what = !before ? 'new' : same && before.there === counted ? 'same' : 'changed';
      plan.changes.push({ line, what, says: `${row.name}: ${amounts}` });
      if (!same) plan.acts.push({ line, act: () => setItem(workshop, { ...row, revision: before?.revision ?? 0 }) });
      if ((before?.there ?? 0) !== counted)
        plan.acts.push({
          line,
          act: () => countItem(workshop, { item: row.item, counted, seen: before?.there ?? 0, reason: 'list', maker }),
        });
    }
    return done(plan);
  }),
};

const TO_BUY = ['what', 'bought at', 'packs', 'of', 'unit', 'length or width (mm)', 'price', 'for jobs'];

/** What to buy for all open work. Written only: what is bought is ticked on the page. */
export const toBuyCsv: List = {
  *write(workshop) {
    const rows = toBuyList(workshop, null).lines.map((line) => [
      line.what,
      line.supplier,
      String(line.packs),
      String(line.pack),
      line.unit,
      'lengthMm' in line ? String(length(line.lengthMm).mm) : 'widthMm' in line ? String(line.widthMm) : '',
      line.minor === null ? '' : printMoney(line.minor, ''),
      line.jobs.join(' '),
    ]);
    yield `\uFEFF${printLines([TO_BUY, ...rows])}`;
  },
  read: null,
};
