'use client';
/* The store of grounds: what is left, what it costs, what was taken last. */
import { bare } from '@/core/quantities/printed';
import { useState } from 'react';
import { format } from 'date-fns';
import { SUBSTANCES, type Substance } from '@/core/prime/substances';
import { readPrice } from '@/core/quantities/readQuantity';
import { printMoney } from '@/core/units/money';
import type { Grounds } from '@/server/ground/groundWrites';
import { NumberField, TypedField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

export function StockTable({ grounds }: { grounds: Grounds }) {
  return (
    <section
      aria-label="Store of grounds"
      className="hair-t grid gap-x-8 gap-y-3 px-5 py-3 bench:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]"
    >
      <div>
        <h2 className="text-[17px] font-semibold">In the store</h2>
        {SUBSTANCES.map((substance) => {
          const there = grounds.stock.find((one) => one.substance === substance.id);
          return (
            <StockRow
              key={`${substance.id} ${there?.revision ?? 0}`}
              substance={substance}
              amount={there?.amount ?? 0}
              priceMinor={there?.priceMinor ?? 0}
              revision={there?.revision ?? 0}
            />
          );
        })}
      </div>
      <div>
        <h2 className="text-[17px] font-semibold">Taken last</h2>
        {grounds.moves.length === 0 ? (
          <p className="soft text-[14px]">Nothing yet. A recorded coat takes what was mixed for it.</p>
        ) : (
          <ol className="figure text-[14px]">
            {grounds.moves.map(({ id, at, did, maker }) => (
              <li key={id} className="hair-b py-1">
                <span className="soft">{format(new Date(at), 'd MMM HH:mm')}</span> {did}, {maker}
              </li>
            ))}
          </ol>
        )}
      </div>
    </section>
  );
}

function StockRow({
  substance: { id, name, unit },
  amount,
  priceMinor,
  revision,
}: {
  substance: Substance & { id: (typeof SUBSTANCES)[number]['id'] };
  amount: number;
  priceMinor: number;
  revision: number;
}) {
  const { rules, maker } = useWorkshop();
  const write = useWrite();
  const [now, setNow] = useState({ amount: Math.round(amount), priceMinor });
  const changed = now.amount !== Math.round(amount) || now.priceMinor !== priceMinor;
  const large = unit === 'g' ? 'kg' : 'l';
  return (
    <Form
      label={name}
      className="hair-b grid grid-cols-2 items-end gap-x-4 py-1.5 sm:grid-cols-[minmax(0,1.2fr)_140px_150px_90px]"
      onSend={() => write('setStock', { substance: id, ...now, revision, maker })}
    >
      <p className="text-[14.5px]">
        {name}
        <span className="figure soft block text-[13px]">
          {printMoney(Math.round((amount / 1000) * priceMinor), rules.currency)} for {bare('amount', Math.round(amount))} {unit}
        </span>
      </p>
      <NumberField
        label={`${name}, left`}
        of="amount"
        value={now.amount}
        unit={unit}
        onChange={(to) => setNow({ ...now, amount: to })}
      />
      <TypedField
        label={`${name}, a ${large}`}
        value={now.priceMinor}
        print={(minor) => printMoney(minor, '').trim()}
        read={(typed) => readPrice(typed)}
        onChange={(to) => setNow({ ...now, priceMinor: to })}
        beside={rules.currency}
      />
      <SendButton className="btn btn-outline btn-sm h-9" disabled={!changed}>
        Save
      </SendButton>
    </Form>
  );
}
