'use client';
/* What the house reckons with: the hour, overhead, margin, tax, and what ready-made canvases cost. */
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CostSettings } from '@/core/cost/costSettings';
import { length } from '@/core/units/length';
import type { StoredSettings } from '@/db/quotes';
import { LengthField, NumberField } from '@/ui/fields';
import { FieldErrorsProvider, useFieldErrors } from '@/ui/fieldErrors';
import { MoneyField } from '@/ui/MoneyField';
import { useWorkshop } from '@/ui/WorkshopContext';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';

export function RatesView(props: { stored: StoredSettings }) {
  return (
    <FieldErrorsProvider>
      <RatesForm {...props} />
    </FieldErrorsProvider>
  );
}

function RatesForm({ stored }: { stored: StoredSettings }) {
  const router = useRouter();
  const send = useSend();
  const { rules } = useWorkshop();
  const wrong = useFieldErrors();
  const [settings, setSettings] = useState<CostSettings>(stored.settings);
  const [says, setSays] = useState<{ ok: boolean; text: string } | null>(null);
  const set = (patch: Partial<CostSettings>) => setSettings({ ...settings, ...patch });
  const setRow = (at: number, patch: Partial<CostSettings['readyMade'][number]>) =>
    set({ readyMade: settings.readyMade.map((row, index) => (index === at ? { ...row, ...patch } : row)) });
  const rateOf = (maker: string) => settings.makers.find((one) => one.maker === maker)?.hourMinor ?? null;
  const setRate = (maker: string, hourMinor: number | null) =>
    set({
      makers: [...settings.makers.filter((one) => one.maker !== maker), ...(hourMinor === null ? [] : [{ maker, hourMinor }])],
    });
  const save = async () => {
    const outcome = await send('saveCosts', { revision: stored.revision, settings });
    setSays(outcome.ok ? { ok: true, text: 'Saved.' } : { ok: false, text: refusalWords(outcome) });
    if (outcome.ok) router.refresh();
  };
  return (
    <form
      noValidate
      className="grid gap-x-12 gap-y-5 bench:grid-cols-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (wrong.size === 0) void save();
      }}
    >
      <section className="space-y-2">
        <h2 className="text-[17px] font-semibold">Hands and house</h2>
        <div className="grid grid-cols-2 gap-3">
          <MoneyField label="An hour of hands" value={settings.hourMinor} onChange={(hourMinor) => set({ hourMinor })} />
          <NumberField
            label="Overhead"
            of="overhead"
            value={settings.overheadPercent}
            onChange={(overheadPercent) => set({ overheadPercent })}
          />
          {rules.makers.map((maker) => (
            <MoneyField
              key={maker}
              label={`${maker}’s hour`}
              value={rateOf(maker)}
              placeholder="as the house"
              onChange={(minor) => setRate(maker, minor)}
            />
          ))}
          <NumberField
            label="An offcut is worth, of its price"
            of="offcutWorth"
            value={settings.offcutPercent}
            onChange={(offcutPercent) => set({ offcutPercent })}
          />
        </div>
        <h2 className="pt-3 text-[17px] font-semibold">On a quote</h2>
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            label="Margin"
            of="profitMargin"
            value={settings.marginPercent}
            onChange={(marginPercent) => set({ marginPercent })}
          />
          <NumberField
            label="Valid for"
            of="quoteDays"
            value={settings.quoteDays}
            onChange={(days) => set({ quoteDays: Math.round(days) })}
          />
          <label className="block min-w-0">
            <span className="soft block text-[13px] leading-5">Tax is called</span>
            <input
              className="input input-sm h-9 w-full"
              value={settings.taxName}
              maxLength={40}
              autoComplete="off"
              onChange={(event) => set({ taxName: event.target.value })}
            />
          </label>
          <NumberField label="Tax" of="tax" value={settings.taxPercent} onChange={(taxPercent) => set({ taxPercent })} />
        </div>
      </section>
      <section className="space-y-2">
        <h2 className="text-[17px] font-semibold">Ready-made canvases</h2>
        <p className="soft text-[14px]">What one of a size costs in the shop, to set beside what it costs here.</p>
        {settings.readyMade.map((row, index) => (
          <div key={index} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-3">
            <LengthField
              label={`Width, ${index + 1}`}
              of="faceLength"
              value={length(row.widthMm)}
              onChange={({ mm }) => setRow(index, { widthMm: mm })}
            />
            <LengthField
              label={`Height, ${index + 1}`}
              of="faceLength"
              value={length(row.heightMm)}
              onChange={({ mm }) => setRow(index, { heightMm: mm })}
            />
            <MoneyField
              label={`Price, ${index + 1}`}
              value={row.priceMinor}
              onChange={(minor) => minor !== null && setRow(index, { priceMinor: minor })}
            />
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9"
              aria-label={`Take out size ${index + 1}`}
              onClick={() => set({ readyMade: settings.readyMade.filter((_, at) => at !== index) })}
            >
              Take out
            </button>
          </div>
        ))}
        <button
          type="button"
          className="btn btn-outline btn-sm h-9"
          disabled={settings.readyMade.length >= 200}
          onClick={() => {
            const last = settings.readyMade.at(-1);
            set({
              readyMade: [
                ...settings.readyMade,
                {
                  widthMm: (last?.widthMm ?? 300) + 100,
                  heightMm: (last?.heightMm ?? 200) + 100,
                  priceMinor: last?.priceMinor ?? 0,
                },
              ],
            });
          }}
        >
          Another size
        </button>
      </section>
      <div className="hair-t flex items-center gap-3 pt-3 bench:col-span-2">
        {wrong.size > 0 && <p className="soft text-[14px]">Mend first: {[...wrong.keys()].join(', ')}.</p>}
        {says && (
          <p role={says.ok ? 'status' : 'alert'} className={`text-[14px] ${says.ok ? 'text-success' : 'text-error'}`}>
            {says.text}
          </p>
        )}
        <button type="submit" className="btn btn-primary ml-auto h-11" disabled={wrong.size > 0}>
          Save the rates
        </button>
      </div>
    </form>
  );
}
