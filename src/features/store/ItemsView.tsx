'use client';
/* What is there of everything that is counted, and every change of it. */
import { bare } from '@/core/quantities/printed';
import { format } from 'date-fns';
import { useState } from 'react';
import { printMoney } from '@/core/units/money';
import type { StoreView, Unkept } from '@/server/store/storeWrites';
import { NumberField, TextField } from '@/ui/form/fields';
import { ActButton, Form, FormScope, FormTrouble, SendButton } from '@/ui/form/Form';
import { MoneyField } from '@/ui/form/MoneyField';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

type Item = StoreView['items'][number];
type Draft = Pick<Item, 'id' | 'name' | 'unit' | 'pack' | 'priceMinor' | 'least' | 'place' | 'supplier' | 'revision'>;

const fresh = ({ item, name, unit }: Pick<Unkept, 'item' | 'name' | 'unit'>): Draft => ({
  id: item,
  name,
  unit,
  pack: unit === 'pieces' ? 100 : 500,
  priceMinor: null,
  least: 0,
  place: '',
  supplier: '',
  revision: 0,
});

export function ItemsView({ store: { items, unkept, moves } }: { store: StoreView }) {
  const write = useWrite();
  const { rules, maker } = useWorkshop();
  const [open, setOpen] = useState<Draft | null>(null);
  return (
    <div className="grid gap-x-10 gap-y-4 bench:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
      <section aria-label="Items">
        <table className="figure w-full text-[14.5px]">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">item</th>
              <th className="text-right font-normal">there</th>
              <th className="text-right font-normal">open jobs take</th>
              <th className="hidden text-right font-normal sm:table-cell">sold by, at</th>
              <th className="hidden font-normal sm:table-cell sm:pl-5">place</th>
              <th>
                <span className="sr-only">change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {items.map((item) => (
              <tr key={item.id} className="hair-b">
                <td className="py-1.5">{item.name}</td>
                <td
                  className={`text-right ${item.there < Math.max(item.least, 0) ? 'font-semibold text-error' : 'font-semibold'}`}
                >
                  {bare('amount', item.there)} {item.unit}
                  {item.there < 0 && <span className="block text-[13px] font-normal">stock is below zero: recount</span>}
                  {item.there >= 0 && item.there < item.least && (
                    <span className="block text-[13px] font-normal">least {bare('amount', item.least)}</span>
                  )}
                </td>
                <td className={`text-right ${item.wanted > item.there ? 'text-warning' : 'soft'}`}>
                  {bare('amount', item.wanted)}
                </td>
                <td className="hidden text-right sm:table-cell">
                  {bare('pack', item.pack)},{' '}
                  {item.priceMinor === null ? (
                    <span className="text-warning">no price</span>
                  ) : (
                    printMoney(item.priceMinor, rules.currency)
                  )}
                </td>
                <td className="soft hidden sm:table-cell sm:pl-5">{item.place}</td>
                <td className="text-right">
                  <button
                    type="button"
                    className="btn btn-ghost btn-sm h-9"
                    aria-label={`Change ${item.name}`}
                    onClick={() => setOpen(item)}
                  >
                    Change
                  </button>
                </td>
              </tr>
            ))}
            {unkept.map((one) => (
              <tr key={one.item} className="hair-b">
                <td className="py-1.5">{one.name}</td>
                <td className="soft text-right">not counted</td>
                <td className="text-right text-warning">
                  {bare('amount', one.wanted)} {one.unit}
                </td>
                <td className="hidden sm:table-cell" />
                <td className="hidden sm:table-cell" />
                <td className="text-right">
                  <button
                    type="button"
                    className="btn btn-ghost btn-sm h-9"
                    aria-label={`Track stock of ${one.name}`}
                    onClick={() => setOpen(fresh(one))}
                  >
                    Keep count
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {items.length + unkept.length === 0 && (
          <p className="soft py-2">Nothing is kept count of, and no open job takes anything.</p>
        )}
        <button
          type="button"
          className="btn btn-outline btn-sm mt-3 h-9"
          onClick={() => setOpen(fresh({ item: `own-${crypto.randomUUID().slice(0, 8)}`, name: '', unit: 'pieces' }))}
        >
          Something else
        </button>
      </section>
      <div className="space-y-4">
        {open && (
          <ItemForm
            key={`${open.id} ${open.revision}`}
            first={open}
            there={items.find(({ id }) => id === open.id)?.there ?? null}
            onDone={() => setOpen(null)}
          />
        )}
        <section aria-label="Stock movements">
          <h2 className="text-[17px] font-semibold">Stock movements</h2>
          {moves.length === 0 && <p className="soft text-[14px]">Nothing yet. A recorded stage takes what it used.</p>}
          <FormScope>
            <FormTrouble />
            <ol className="figure text-[14px]">
              {moves.map((move) => (
                <li key={move.id} className="hair-b flex items-start gap-2 py-1">
                  <span className="min-w-0 flex-1">
                    <span className="soft">{format(new Date(move.at), 'd MMM HH:mm')}</span> {move.did}, {move.maker}
                  </span>
                  {move.entryId === null && move.undoes === null && !move.undone && (
                    <ActButton
                      className="btn btn-ghost btn-xs h-7"
                      act={() => write('undoMove', { moveId: move.id, maker })}
                      aria-label={`Undo: ${move.did}`}
                    >
                      Undo
                    </ActButton>
                  )}
                </li>
              ))}
            </ol>
          </FormScope>
        </section>
      </div>
    </div>
  );
}

/** What is known of an item, what was counted of it, and what is taken by hand. */
function ItemForm({ first, there, onDone }: { first: Draft; there: number | null; onDone: () => void }) {
  const write = useWrite();
  const { maker } = useWorkshop();
  const [item, setItem] = useState(first);
  const [counted, setCounted] = useState<number | null>(null);
  const [taken, setTaken] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const line = (label: string, of: 'name' | 'place', key: 'name' | 'place' | 'supplier', required?: string) => (
    <TextField
      label={label}
      of={of}
      required={required}
      value={item[key]}
      onChange={(text) => setItem({ ...item, [key]: text })}
    />
  );
  const save = () => {
    const { id, name, unit, pack, priceMinor, least, place, supplier, revision } = item;
    const changed = JSON.stringify(item) !== JSON.stringify(first) || revision === 0;
    const set = changed ? { name, unit, pack, priceMinor, least, place, supplier, revision } : null;
    return write('changeItem', { item: id, set, taken, counted, seen: there ?? 0, reason, maker }, onDone);
  };
  return (
    <Form label={item.name || 'New item'} className="space-y-2 bg-base-200 p-3" onSend={save}>
      {line('Name', 'name', 'name', 'Give it a name, to find it by.')}
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label="Counted now"
          of="amount"
          value={counted}
          unit={item.unit}
          placeholder={there === null ? '0' : bare('amount', there)}
          onChange={setCounted}
          onClear={() => setCounted(null)}
        />
        {there !== null && (
          <NumberField
            label="Take by hand"
            of="pack"
            value={taken}
            unit={item.unit}
            placeholder="0"
            onChange={setTaken}
            onClear={() => setTaken(null)}
          />
        )}
        <NumberField
          label="Sold by"
          of="pack"
          value={item.pack}
          unit={item.unit}
          onChange={(pack) => setItem({ ...item, pack })}
        />
        <MoneyField label="Price of that" value={item.priceMinor} onChange={(priceMinor) => setItem({ ...item, priceMinor })} />
        <NumberField
          label="Least to have"
          of="amount"
          value={item.least}
          unit={item.unit}
          onChange={(least) => setItem({ ...item, least })}
        />
        {line('Place', 'place', 'place')}
        {line('Bought at', 'place', 'supplier')}
        {(counted !== null || taken !== null) && (
          <TextField
            label="Why"
            of="stockReason"
            required={taken === null ? undefined : 'Say what it was taken for.'}
            value={reason}
            onChange={setReason}
          />
        )}
      </div>
      <div className="flex flex-wrap justify-end gap-2">
        <button type="button" className="btn btn-ghost btn-sm h-9" onClick={onDone}>
          Cancel
        </button>
        <SendButton className="btn btn-primary btn-sm h-9">Save</SendButton>
      </div>
    </Form>
  );
}
