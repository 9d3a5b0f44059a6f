'use client';
/* What a canvas or a set costs: the bill, what it took in fact, a ready-made one beside it, and the price for a customer. */
import { bare, printed } from '@/core/quantities/printed';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { BILL_GROUPS, type Bill, type BillLine, groupSums } from '@/core/cost/bill';
import { quoteFor } from '@/core/cost/quoteSums';
import { exampleNames, quoted } from '@/core/cost/quoted';
import { type Tape, printLength, printSize } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import type { CostView } from '@/server/cost/costWrites';
import { Figure } from '@/ui/drawing/Figure';
import { TextField, Tick } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';
import { SizeChart } from './SizeChart';

const UNIT = { pieces: '', g: 'g', ml: 'ml', min: 'min', '%': '%', frame: '', mm: '' } as const;

/** "1.34 m", "24", "18 g", "45 min". */
function quantityWords({ quantity, unit }: BillLine, tape: Tape): string {
  if (unit === 'mm') return printed('rollLength', quantity, tape);
  if (unit === 'frame') return quantity === 1 ? 'a frame' : `${bare('count', quantity)} frames`;
  return `${bare(unit === 'pieces' ? 'count' : 'amount', quantity)} ${UNIT[unit]}`.trim();
}

/** Price of the pack it is sold by: "€8.90 for 1000". */
function unitWords({ priceMinor, per, unit, group, from }: BillLine, currency: string): string {
  if (group === 'overhead') return `on ${printMoney(priceMinor ?? 0, currency)}`;
  if (priceMinor === null) return from.startsWith('share') ? 'together' : '–';
  const price = printMoney(priceMinor, currency);
  if (unit === 'mm') return `${price} a metre`;
  if (unit === 'min') return `${price} an hour`;
  if (unit === 'frame') return price;
  return per === 1 ? `${price} each` : `${price} for ${per}${unit === 'pieces' ? '' : ` ${unit}`}`;
}

export function CostPage({ cost }: { cost: CostView }) {
  const { rules, tape } = useWorkshop();
  const { canvases, reckoned, taken, begun, setId, title } = cost;
  const money = (minor: number) => printMoney(minor, rules.currency);
  const one = canvases[0]!;
  const back = setId === null ? `/job/${one.jobId}` : `/set/${setId}`;
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <header className="hair-b flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2.5">
        <h1 className="line-clamp-1 text-[22px] leading-7 font-semibold">
          What it costs:{' '}
          <Link href={back} prefetch={false} className="link link-hover">
            {title}
          </Link>
        </h1>
        <p className="figure soft text-[14.5px]">
          <Figure>
            {canvases.length === 1
              ? `No. ${one.number}, ${printSize(one.widthMm, one.heightMm, tape)}`
              : `${canvases.length} canvases, cloth and wood estimated together`}
          </Figure>
        </p>
        <p className="figure ml-auto text-[26px] leading-8 font-semibold">
          {reckoned.unknown.length > 0 && <span className="soft text-[16px]">at least </span>}
          {money(reckoned.knownMinor)}
        </p>
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto bg-base-100 bench:grid-cols-[minmax(0,1fr)_400px]">
        <section aria-label="Bill" className="px-5 py-3">
          {reckoned.unknown.length > 0 && (
            <p className="pb-2 text-[14.5px] text-warning">
              No price is known for {reckoned.unknown.join(', ')}.{' '}
              <Link href="/store?view=store" prefetch={false} className="link">
                Put prices into the store
              </Link>{' '}
              or{' '}
              <Link href="/store?view=rates" prefetch={false} className="link">
                set the rates
              </Link>
              .
            </p>
          )}
          <BillTable bill={reckoned} />
        </section>
        <aside className="space-y-5 px-5 py-3">
          {begun && <InFact reckoned={reckoned} taken={taken} />}
          <ReadyMade cost={cost} />
          <Offer cost={cost} />
        </aside>
      </div>
    </main>
  );
}

function BillTable({ bill }: { bill: Bill }) {
  const { rules, tape } = useWorkshop();
  return (
    <table className="figure w-full text-[14.5px]">
      <thead className="soft text-left text-[13px]">
        <tr className="hair-b">
          <th className="font-normal">what</th>
          <th className="text-right font-normal">quantity</th>
          <th className="hidden text-right font-normal sm:table-cell">price</th>
          <th className="hidden font-normal sm:table-cell sm:pl-4">from</th>
          <th className="text-right font-normal">{rules.currency}</th>
        </tr>
      </thead>
      {BILL_GROUPS.map(({ id, name }) => {
        const lines = bill.lines.filter(({ group }) => group === id);
        if (lines.length === 0) return null;
        const sum = groupSums({ lines })[0]!;
        return (
          <tbody key={id}>
            {lines.map((line) => (
              <tr key={`${line.id} ${line.from}`} className="align-baseline">
                <td className="py-0.5">
                  {line.what}
                  {line.how && <span className="soft block text-[12.5px] leading-4">{line.how}</span>}
                </td>
                <td className="text-right whitespace-nowrap">
                  <Figure>{quantityWords(line, tape)}</Figure>
                </td>
                <td className="hidden pl-3 text-right whitespace-nowrap sm:table-cell">{unitWords(line, rules.currency)}</td>
                <td className="soft hidden text-[13px] sm:table-cell sm:pl-4">
                  {line.from}
                  {line.example && <span className="text-warning">, example price</span>}
                </td>
                <td className="text-right whitespace-nowrap">
                  {line.minor === null ? <span className="text-warning">no price</span> : printMoney(line.minor, '').trim()}
                </td>
              </tr>
            ))}
            {lines.length > 1 && (
              <tr className="hair-b font-semibold">
                <td className="pb-1.5" colSpan={2}>
                  {name}
                </td>
                <td className="hidden sm:table-cell" colSpan={2} />
                <td className="text-right">
                  {sum.open && <span className="soft font-normal">at least </span>}
                  {printMoney(sum.minor, '').trim()}
                </td>
              </tr>
            )}
          </tbody>
        );
      })}
      <tfoot>
        <tr className="hair-t text-[16px] font-semibold">
          <td className="py-1.5" colSpan={2}>
            {bill.unknown.length > 0 ? 'All that is known' : 'In all'}
          </td>
          <td className="hidden sm:table-cell" colSpan={2} />
          <td className="text-right">{printMoney(bill.knownMinor, '').trim()}</td>
        </tr>
      </tfoot>
    </table>
  );
}

/** What it was reckoned to cost beside what it took: cloth as cut, minutes as taken, coats as mixed. */
function InFact({ reckoned, taken }: { reckoned: Bill; taken: Bill }) {
  const { rules } = useWorkshop();
  const [before, after] = [groupSums(reckoned), groupSums(taken)];
  return (
    <section aria-label="In fact">
      <h2 className="text-[17px] font-semibold">Actual so far</h2>
      <table className="figure w-full text-[14.5px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">
              <span className="sr-only">what</span>
            </th>
            <th className="text-right font-normal">estimated</th>
            <th className="text-right font-normal">actual</th>
            <th className="text-right font-normal">difference</th>
          </tr>
        </thead>
        <tbody>
          {BILL_GROUPS.flatMap(({ id, name }) => {
            const [one, other] = [before.find(({ group }) => group === id), after.find(({ group }) => group === id)];
            if (!one || !other) return [];
            const more = other.minor - one.minor;
            return [
              <tr key={id}>
                <td>{name}</td>
                <td className="text-right">{printMoney(one.minor, '').trim()}</td>
                <td className="text-right">{printMoney(other.minor, '').trim()}</td>
                <td className={`text-right ${more > 0 ? 'text-warning' : more < 0 ? 'text-success' : 'soft'}`}>
                  {more === 0 ? '–' : printMoney(more, '').trim()}
                </td>
              </tr>,
            ];
          })}
        </tbody>
        <tfoot>
          <tr className="hair-t font-semibold">
            <td>{rules.currency}</td>
            <td className="text-right">{printMoney(reckoned.knownMinor, '').trim()}</td>
            <td className="text-right">{printMoney(taken.knownMinor, '').trim()}</td>
            <td className="text-right">{printMoney(taken.knownMinor - reckoned.knownMinor, '').trim()}</td>
          </tr>
        </tfoot>
      </table>
      <p className="soft text-[13px]">What was not measured stands as estimated.</p>
    </section>
  );
}

function ReadyMade({ cost: { canvases, curve, paysFromMm, costs } }: { cost: CostView }) {
  const { rules, tape } = useWorkshop();
  const money = (minor: number) => printMoney(minor, rules.currency);
  const known = canvases.filter(({ readyMinor }) => readyMinor !== null);
  const ready = known.reduce((sum, { readyMinor }) => sum + readyMinor!, 0);
  const own = known.reduce((sum, { reckoned }) => sum + reckoned.knownMinor, 0);
  const open = known.some(({ reckoned }) => reckoned.unknown.length > 0);
  const each = Math.round((ready - own) / Math.max(1, known.length));
  return (
    <section aria-label="Ready made">
      <h2 className="text-[17px] font-semibold">Compared with a ready-made canvas</h2>
      {known.length === 0 ? (
        <p className="soft text-[14.5px]">
          No ready-made price of this size is typed.{' '}
          <Link href="/store?view=rates" prefetch={false} className="link">
            Type one
          </Link>
          .
        </p>
      ) : (
        <p className="text-[14.5px]">
          {known.length === 1 ? 'Bought it costs' : `${known.length} bought cost`}{' '}
          <strong className="figure">{money(ready)}</strong>:{' '}
          {each >= 0 ? (
            <span className="text-success">
              cheaper by {open ? 'at most ' : ''}
              {money(each)} a canvas
            </span>
          ) : (
            <span className="text-warning">
              buying saves {open ? 'at least ' : ''}
              {money(-each)} a canvas
            </span>
          )}
          .
        </p>
      )}
      {curve.length > 1 && (
        <>
          <SizeChart curve={curve} readyMade={costs.settings.readyMade} here={canvases[0]!} />
          <p className="soft text-[13.5px]">
            {paysFromMm === null
              ? 'As far as ready-made prices are typed, making this one does not pay by its price alone.'
              : `Making pays from width and height of ${printLength(paysFromMm, tape)} together.`}
          </p>
        </>
      )}
    </section>
  );
}

/** The price for a customer, and the quotes that were given. */
function Offer({ cost: { canvases, reckoned, costs, quotes, setId } }: { cost: CostView }) {
  const router = useRouter();
  const write = useWrite();
  const { rules, maker } = useWorkshop();
  const [forWhom, setForWhom] = useState('');
  const { marginPercent, taxPercent, taxName, quoteDays } = costs.settings;
  const { sums } = quoteFor(canvases.map(quoted), costs.settings);
  const examples = exampleNames(reckoned);
  const [examplesHold, setHold] = useState(false);
  const money = (minor: number) => printMoney(minor, rules.currency);
  const give = () =>
    write(
      'giveQuote',
      { jobId: canvases[0]!.jobId, setId, forWhom, seenMinor: reckoned.knownMinor, examplesHold, maker },
      ({ number }) => router.push(`/quote/${number}`),
    );
  return (
    <section aria-label="Customer price">
      <h2 className="text-[17px] font-semibold">Customer price</h2>
      <dl className="figure grid grid-cols-[1fr_auto] text-[14.5px]">
        <dt>Cost</dt>
        <dd className="text-right">{money(sums.costMinor)}</dd>
        <dt>Margin, {printed('profitMargin', marginPercent)}</dt>
        <dd className="text-right">{money(sums.marginMinor)}</dd>
        <dt>
          {taxName}, {printed('tax', taxPercent)}
        </dt>
        <dd className="text-right">{money(sums.taxMinor)}</dd>
        <dt className="hair-t font-semibold">Price</dt>
        <dd className="hair-t text-right font-semibold">{money(sums.grossMinor)}</dd>
      </dl>
      <Form className="mt-2 space-y-2" onSend={give}>
        <TextField label="Quote for" of="person" value={forWhom} onChange={setForWhom} />
        {examples.length > 0 && (
          <Tick label={`The example prices hold here: ${examples.join(', ')}`} checked={examplesHold} onChange={setHold} />
        )}
        <SendButton
          className="btn btn-primary h-11 w-full"
          disabled={reckoned.unknown.length > 0 || (examples.length > 0 && !examplesHold)}
        >
          Make the quote, valid {quoteDays} days
        </SendButton>
        {reckoned.unknown.length > 0 && <p className="soft text-[13px]">A quote needs every price.</p>}
      </Form>
      {quotes.length > 0 && (
        <ul className="figure mt-2 text-[14px]">
          {quotes.map(({ number, forWhom: whom, frozen }) => (
            <li key={number} className="hair-b py-1">
              <Link href={`/quote/${number}`} prefetch={false} className="link">
                Quote {number}
              </Link>
              {whom && `, ${whom}`}: {printMoney(frozen.grossMinor, frozen.currency)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
