'use client';
/* Grounds: which canvases wait for a coat, one pot for those that take the same mix, the scale, the store. */
import { bare, printed } from '@/core/quantities/printed';
import Link from 'next/link';
import { useState } from 'react';
import { byId } from '@/core/house/schools';
import { batchRecipe } from '@/core/prime/coatRecipe';
import { SUBSTANCES } from '@/core/prime/substances';
import { printSize } from '@/core/units/length';
import { printMoney } from '@/core/units/money';
import type { CoatWaiting, Grounds } from '@/server/ground/groundWrites';
import { clockWords } from '@/ui/Clock';
import { NumberField, TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';

import { useNow } from '@/ui/useNow';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';
import { Pot } from './Pot';
import { StockTable } from './StockTable';

/** Canvases that can share a pot: the same substance, thinned alike. */
const mixOf = ({ substance, waterParts }: CoatWaiting) => `${substance} ${waterParts}`;

export function GroundPage({ grounds, nowMs: serverNow }: { grounds: Grounds; nowMs: number }) {
  const nowMs = useNow(serverNow);
  const { rules, tape } = useWorkshop();
  const [picked, setPicked] = useState<string[] | null>(null);
  const { waiting } = grounds;
  const ready = waiting.filter(
    ({ waitsUntil, stop }) => stop === null && (waitsUntil === null || Date.parse(waitsUntil) <= nowMs),
  );
  const usual = ready.filter((one) => mixOf(one) === mixOf(ready[0]!)).map(({ jobId }) => jobId);
  const chosen = waiting.filter(({ jobId }) => (picked ?? usual).includes(jobId));
  const mix = chosen[0] ? mixOf(chosen[0]) : null;
  const toggle = (jobId: string) => {
    const now = chosen.map((one) => one.jobId);
    setPicked(now.includes(jobId) ? now.filter((one) => one !== jobId) : [...now, jobId]);
  };
  const recipe = chosen[0] ? batchRecipe(chosen, chosen[0], grounds.lossPercent) : null;
  const stock = recipe && grounds.stock.find(({ substance }) => substance === recipe.substance);
  const wanted = recipe ? (byId(SUBSTANCES, recipe.substance).unit === 'g' ? recipe.glueG : recipe.groundMl) : 0;
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <header className="hair-b flex flex-wrap items-baseline gap-x-8 px-5 py-2">
        <h1 className="text-[22px] leading-7 font-semibold">Ground</h1>
        {recipe && (
          <p className="figure text-[15px]">
            <strong>{printed('scale', recipe.totalG)}</strong> in the pot for{' '}
            {chosen.length === 1 ? 'one canvas' : `${chosen.length} canvases`},{' '}
            {printed(
              'area',
              chosen.reduce((sum, { areaM2 }) => sum + areaM2, 0),
              tape,
            )}
            {stock && ` · ${printMoney(Math.round((wanted / 1000) * stock.priceMinor), rules.currency)}`}
          </p>
        )}
      </header>
      {waiting.length === 0 ? (
        <p className="soft px-5 py-4 text-[15px]">
          No canvas waits for a coat. What is stretched and tuned, and not primed yet, stands here.{' '}
          <Link className="link" href="/">
            To the bench
          </Link>
        </p>
      ) : (
        <div className="grid gap-x-8 gap-y-4 px-5 py-3 bench:grid-cols-[minmax(300px,1fr)_minmax(0,1.5fr)]">
          <section aria-label="Canvases that wait for a coat">
            <h2 className="text-[17px] font-semibold">Waiting for a coat</h2>
            <ul>
              {waiting.map((one) => (
                <WaitingRow
                  key={one.jobId}
                  one={one}
                  nowMs={nowMs}
                  checked={chosen.includes(one)}
                  other={mix !== null && mixOf(one) !== mix}
                  onToggle={() => toggle(one.jobId)}
                />
              ))}
            </ul>
          </section>
          {recipe && (
            <section aria-label="The pot">
              <Pot key={`${recipe.substance} ${recipe.totalG}`} recipe={recipe} />
              {stock && stock.amount < wanted && (
                <p className="text-[14.5px] text-error">
                  Stop. The store holds {bare('amount', Math.round(stock.amount))} {byId(SUBSTANCES, recipe.substance).unit}; this
                  takes {bare('amount', Math.round(wanted))}.
                </p>
              )}
              <BatchRecord
                key={chosen.map(({ jobId }) => jobId).join()}
                chosen={chosen}
                mixedMl={recipe.totalMl}
                onDone={() => setPicked(null)}
              />
            </section>
          )}
        </div>
      )}
      <StockTable grounds={grounds} />
    </main>
  );
}

function WaitingRow({
  one,
  nowMs,
  checked,
  other,
  onToggle,
}: {
  one: CoatWaiting;
  nowMs: number;
  checked: boolean;
  other: boolean;
  onToggle: () => void;
}) {
  const { tape } = useWorkshop();
  const dries = one.waitsUntil !== null && Date.parse(one.waitsUntil) > nowMs;
  const why = one.stop ?? (other && !checked ? 'another mix: a pot of its own' : null);
  return (
    <li className="hair-b py-1.5">
      <label className={`flex gap-3 ${why ? 'soft' : 'cursor-pointer'}`}>
        <input
          type="checkbox"
          className="checkbox checkbox-sm mt-0.5"
          checked={checked}
          disabled={why !== null && !checked}
          onChange={onToggle}
        />
        <span className="min-w-0 text-[14.5px] leading-5">
          <strong>No. {one.number}</strong> {one.title}
          <span className="figure soft block">
            {one.coat}, {printSize(one.widthMm, one.heightMm, tape)}, {printed('area', one.areaM2, tape)} at{' '}
            {printed('absorption', one.absorbMlPerM2, tape)}
          </span>
          {why && <span className="block text-[13.5px] text-warning">{why}</span>}
          {dries && (
            <span className="figure block text-[13.5px] text-warning">dries: {clockWords(one.waitsUntil!, nowMs).words}</span>
          )}
        </span>
      </label>
    </li>
  );
}

/** What was mixed and what was left, recorded for every canvas of the pot at once. */
function BatchRecord({ chosen, mixedMl, onDone }: { chosen: CoatWaiting[]; mixedMl: number; onDone: () => void }) {
  const { maker, tape } = useWorkshop();
  const write = useWrite();
  const [mixed, setMixed] = useState<number | null>(null);
  const [left, setLeft] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const record = () =>
    left === null
      ? 'Say what is left in the pot first.'
      : write(
          'recordBatch',
          {
            coats: chosen.map(({ jobId, revision, step }) => ({ jobId, revision, step })),
            mixedMl: mixed ?? Math.round(mixedMl),
            leftMl: left,
            maker,
            note: '',
            reason,
          },
          onDone,
        );
  return (
    <Form className="hair-t mt-3 space-y-2 pt-2" onSend={record}>
      <div className="grid grid-cols-2 items-start gap-3 sm:grid-cols-3">
        <NumberField
          label="Amount mixed"
          of="batchVolume"
          value={mixed}
          placeholder={bare('batchVolume', mixedMl, tape)}
          onClear={() => setMixed(null)}
          onChange={setMixed}
        />
        <NumberField label="Left over" of="volume" value={left} onClear={() => setLeft(null)} onChange={setLeft} />
        <TextField label="Why, if a verdict says stop" of="note" value={reason} onChange={setReason} />
      </div>
      <SendButton className="btn btn-primary btn-sm h-10" disabled={left === null}>
        Record the coat on {chosen.length === 1 ? 'it' : `all ${chosen.length}`}
      </SendButton>
      {left === null && (
        <p className="soft text-[13.5px]">
          Brush it on, then say what is left: the next pot for this cloth is estimated from it.
        </p>
      )}
    </Form>
  );
}
