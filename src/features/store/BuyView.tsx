'use client';
/* The list to take to the shop: by where it is bought, ticked on the way, and put into the store when it is home. */
import { useState } from 'react';
import { Printer } from 'lucide-react';
import { groupsBy } from '@/core/groupsBy';
import type { BuyLine } from '@/core/store/toBuy';
import { type Tape, printLength } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import type { ToBuy } from '@/server/store/buyWrites';
import { NumberField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { keep, kept } from '@/ui/form/kept';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

const TICKS = 'to buy';

/** How so many packs of a line are said: "2 boxes of 1000", "12 pairs of 755 mm", "4.2 m, 2100 mm wide". */
export function amountWords(line: BuyLine, packs: number, tape: Tape): string {
  const { pack, unit } = line;
  switch (line.kind) {
    case 'pairs':
      return `${packs} pair${packs === 1 ? '' : 's'} of ${printLength(line.lengthMm, tape)}`;
    case 'timber':
    case 'brace':
    case 'bead':
      return `${packs} × ${printLength(line.lengthMm, tape)}`;
    case 'cloth':
      return line.widthMm === 0
        ? 'no roll is wide enough'
        : `${(packs * pack) / 1000} m, ${printLength(line.widthMm, tape)} wide`;
    default:
      return pack === 1 ? `${Math.ceil(packs)} ${unit}` : `${packs} × ${pack} ${unit}`;
  }
}

const keptTicks = (): string[] => {
  try {
    const read: unknown = JSON.parse(kept(TICKS) ?? '[]');
    return Array.isArray(read) ? read.filter((one) => typeof one === 'string') : [];
  } catch {
    return [];
  }
};

export function BuyView({ buying: { lines, jobs, wanted } }: { buying: ToBuy & { wanted: string[] | null } }) {
  const write = useWrite();
  const { rules, tape, maker } = useWorkshop();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(() => new Set(keptTicks()));
  const [packs, setPacks] = useState<ReadonlyMap<string, number>>(new Map());
  const [put, setPut] = useState('');
  const setTicks = (after: ReadonlySet<string>) => {
    keep(TICKS, JSON.stringify([...after]));
    setTicked(after);
  };
  const tick = (id: string, on: boolean) => setTicks(new Set([...[...ticked].filter((one) => one !== id), ...(on ? [id] : [])]));
  const tickAll = () => setTicks(new Set(lines.map(({ id }) => id)));
  const packsOf = (line: BuyLine) => packs.get(line.id) ?? line.packs;
  const going = lines.filter(({ id }) => ticked.has(id));
  const known = lines.reduce((sum, { minor }) => sum + (minor ?? 0), 0);
  const open = lines.filter(({ minor }) => minor === null);
  const bought = () =>
    write(
      'buyItems',
      { lines: going.map((line) => ({ id: line.id, packs: packsOf(line) })), jobIds: wanted ?? [], maker },
      () => {
        keep(TICKS, null);
        setTicked(new Set());
        setPacks(new Map());
        setPut(`${going.length} put away: store, rack, rolls and grounds have them.`);
      },
    );
  return (
    <Form className="" onSend={bought}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <p className="figure text-[14.5px]">
          {lines.length === 0
            ? `Nothing to buy for ${jobs.length} open canvases.`
            : `${lines.length} things for ${jobs.length} open canvases${wanted ? ', those that were chosen' : ''}`}
        </p>
        <div className="no-print ml-auto flex items-center gap-2">
          {wanted && (
            <a className="btn btn-ghost btn-sm h-9" href="/store">
              For all open work
            </a>
          )}
          <a className="btn btn-ghost btn-sm h-9" href={`/api/file/list/toBuy?unit=${tape.unit}`} download>
            As CSV
          </a>
          <button type="button" className="btn btn-outline btn-sm h-9" aria-label="Print the list" onClick={() => print()}>
            <Printer aria-hidden className="size-4" />
          </button>
        </div>
      </div>
      {put && (
        <p role="status" className="py-1 text-[14.5px] text-success">
          {put}
        </p>
      )}
      {[...groupsBy(lines, ({ supplier }) => supplier)]
        .sort(([a], [b]) => (a === '' ? 1 : b === '' ? -1 : a.localeCompare(b)))
        .map(([supplier, own]) => (
          <section key={supplier} className="py-2">
            <h2 className="hair-b pb-1 text-[17px] font-semibold">{supplier === '' ? 'No supplier named' : supplier}</h2>
            <ul>
              {own.map((line) => (
                <li
                  key={line.id}
                  className="hair-b grid grid-cols-[auto_1fr_auto] items-center gap-x-3 py-1.5 text-[15px] sm:grid-cols-[auto_minmax(0,1fr)_17rem_7rem_6rem]"
                >
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm checkbox-primary"
                    aria-label={`Bought: ${line.what}, ${amountWords(line, line.packs, tape)}`}
                    checked={ticked.has(line.id)}
                    onChange={(event) => tick(line.id, event.target.checked)}
                  />
                  <span className="min-w-0">
                    <span className={ticked.has(line.id) ? 'soft line-through' : 'font-semibold'}>{line.what}</span>
                    <span className="figure soft block text-[13px]">{forWords(line)}</span>
                  </span>
                  <span className="figure col-start-2 sm:col-auto">
                    <Figure>{amountWords(line, line.packs, tape)}</Figure>
                  </span>
                  <div className="no-print col-start-2 flex items-center gap-2 text-[13px] sm:col-auto">
                    <span className="soft">bought</span>
                    <NumberField
                      label={`Packs bought of ${line.what}`}
                      hideLabel
                      of="count"
                      unit=""
                      range={[1, 99_999]}
                      value={packsOf(line)}
                      onChange={(count) => setPacks(new Map(packs).set(line.id, count))}
                    />
                  </div>
                  <span className="figure text-right">
                    {line.minor === null ? (
                      <span className="text-warning">no price</span>
                    ) : (
                      printMoney(line.minor, rules.currency)
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        ))}
      {lines.length > 0 && (
        <div className="hair-t flex flex-wrap items-center gap-x-4 gap-y-2 py-3">
          <p className="figure text-[16px]">
            <strong>{printMoney(known, rules.currency)}</strong>
            {open.length > 0 && <span className="text-warning"> and {open.length} without a price</span>}
          </p>
          <button type="button" className="no-print btn btn-ghost btn-sm h-9" onClick={() => tickAll()}>
            Tick all
          </button>
          <span className="flex-1" />
          <SendButton className="no-print btn btn-primary h-11" disabled={going.length === 0}>
            Bought: put {going.length} away
          </SendButton>
        </div>
      )}
    </Form>
  );
}

/** Who would go without, what is in stock, and what of it is reserved. */
function forWords(line: BuyLine): string {
  const { jobs, there, least, wanted } = line;
  const round = (value: number) => String(Math.round(value * 10) / 10);
  const whose =
    jobs.length === 0
      ? `keep at least ${round(least)}`
      : `for No. ${jobs.slice(0, 6).join(', ')}${jobs.length > 6 ? ` and ${jobs.length - 6} more` : ''}`;
  if (line.kind === 'cloth' && line.fromStock > 0)
    return `${whose}; ${line.fromStock} of ${line.pieces} pieces are cut from what is here`;
  return there === 0 ? whose : `${whose}; ${round(there)} in stock, ${round(wanted)} reserved`;
}
