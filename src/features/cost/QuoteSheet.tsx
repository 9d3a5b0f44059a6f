'use client';
/* A quote as it was given: it does not change, whatever prices do. */
import { printed } from '@/core/quantities/printed';
import { format, parseISO } from 'date-fns';
import { Printer } from 'lucide-react';
import { printSize } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import type { Quote } from '@/db/quotes';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';

export function QuoteSheet({ quote }: { quote: Quote }) {
  const { tape } = useWorkshop();
  const { number, at, validUntil, forWhom, maker, frozen } = quote;
  const money = (minor: number) => printMoney(minor, frozen.currency);
  const { canvases } = frozen;
  return (
    <main className="min-h-0 flex-1 overflow-y-auto bg-base-100">
      <article className="mx-auto max-w-3xl space-y-5 px-6 py-8">
        <header className="flex items-start gap-4">
          <div className="min-w-0 flex-1">
            <p className="soft text-[15px]">{frozen.workshop}</p>
            <h1 className="text-[28px] leading-8 font-semibold">Quote {number}</h1>
            <p className="figure text-[15px]">
              {format(new Date(at), 'd MMMM yyyy')}, valid until {format(parseISO(validUntil), 'd MMMM yyyy')}
            </p>
            {forWhom && <p className="text-[15px]">For {forWhom}</p>}
          </div>
          <button
            type="button"
            className="no-print btn btn-outline h-11 w-14 px-0"
            aria-label="Print the quote"
            onClick={() => print()}
          >
            <Printer aria-hidden className="size-5" />
          </button>
        </header>
        <h2 className="text-[19px] font-semibold">{frozen.title}</h2>
        <table className="figure w-full text-[15px]">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">canvas</th>
              <th className="font-normal">face</th>
              <th className="text-right font-normal">
                {frozen.taxPercent > 0 ? `with ${frozen.taxName.toLowerCase()}` : 'price'}
              </th>
            </tr>
          </thead>
          <tbody>
            {canvases.map((one) => (
              <tr key={one.number} className="hair-b">
                <td className="py-1">
                  No. {one.number}, {one.title}
                </td>
                <td>
                  <Figure>{printSize(one.widthMm, one.heightMm, tape)}</Figure>
                </td>
                <td className="text-right">{money(one.grossMinor)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <dl className="figure ml-auto grid w-72 grid-cols-[1fr_auto] gap-y-1 text-[15px]">
          <dt>Net</dt>
          <dd className="text-right">{money(frozen.netMinor)}</dd>
          <dt>
            {frozen.taxName}, {printed('tax', frozen.taxPercent)}
          </dt>
          <dd className="text-right">{money(frozen.taxMinor)}</dd>
          <dt className="hair-t pt-1 text-[18px] font-semibold">In all</dt>
          <dd className="hair-t pt-1 text-right text-[18px] font-semibold">{money(frozen.grossMinor)}</dd>
        </dl>
        <p className="soft text-[14px]">Given by {maker}. Prices stand until the day named.</p>
      </article>
    </main>
  );
}
