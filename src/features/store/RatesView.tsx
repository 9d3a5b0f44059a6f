'use client';
/* What the house reckons with: the hour, overhead, margin, tax, and what ready-made canvases cost. */
import { useState } from 'react';
import type { CostSettings } from '@/core/cost/costSettings';
import { length } from '@/core/units/length';
import type { StoredSettings } from '@/db/quotes';
import { LengthField, NumberField, TextField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { MoneyField } from '@/ui/form/MoneyField';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

export function RatesView({ stored }: { stored: StoredSettings }) {
  const write = useWrite();
  const { rules, tape } = useWorkshop();
  const [settings, setSettings] = useState<CostSettings>(stored.settings);
  const set = (patch: Partial<CostSettings>) => setSettings({ ...settings, ...patch });
  const setRow = (at: number, patch: Partial<CostSettings['readyMade'][number]>) =>
    set({ readyMade: settings.readyMade.map((row, index) => (index === at ? { ...row, ...patch } : row)) });
  const rateOf = (maker: string) => settings.makers.find((one) => one.maker === maker)?.hourMinor ?? null;
  const setRate = (maker: string, hourMinor: number | null) =>
    set({
      makers: [...settings.makers.filter((one) => one.maker !== maker), ...(hourMinor === null ? [] : [{ maker, hourMinor }])],
    });
  return (
    <Form
      className="grid gap-x-12 gap-y-5 bench:grid-cols-2"
      onSend={() => write('saveCosts', { revision: stored.revision, settings })}
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
          <TextField label="Tax is called" of="taxName" value={settings.taxName} onChange={(taxName) => set({ taxName })} />
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
              value={length(row.widthMm, tape.unit)}
              onChange={({ mm }) => setRow(index, { widthMm: mm })}
            />
            <LengthField
              label={`Height, ${index + 1}`}
              of="faceLength"
              value={length(row.heightMm, tape.unit)}
              onChange={({ mm }) => setRow(index, { heightMm: mm })}
            />
            <MoneyField
              label={`Price, ${index + 1}`}
              value={row.priceMinor}
              required="Type what it costs."
              onChange={(minor) => minor !== null && setRow(index, { priceMinor: minor })}
            />
            <button
              type="button"
              className="btn btn-ghost btn-sm h-9"
              aria-label={`Remove size ${index + 1}`}
              onClick={() => set({ readyMade: settings.readyMade.filter((_, at) => at !== index) })}
            >
              Remove
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
        <SendButton className="btn btn-primary ml-auto h-11" says="Saved.">
          Save the rates
        </SendButton>
      </div>
    </Form>
  );
}
