'use client';
import { useState } from 'react';
/* Inputs of the last stages: tune, prime, hand over. */
import { type JobInputs } from '@/core/job/job';
import { HANGINGS } from '@/core/plan/hangings';
import { SYSTEMS } from '@/core/prime/grounds';
import { FEELS } from '@/core/tension/feel';
import { LAYERS } from '@/core/prime/substances';
import { REMEDIES, REMEDY_SIGNS, type RemedyAdvice, type RemedySignId } from '@/core/tension/remedies';
import { decimal } from '@/core/units/numeral';
import { parsed, refused } from '@/core/units/result';
import { keepRemedyAction } from '@/server/actions';
import { Choice, NumberField, Tick, TypedField } from '@/ui/fields';
import { type SlipProps, columns } from './slipProps';

export function TuneSlip({ inputs: { tune }, plan, locked, change, onKeep }: SlipProps) {
  const set = (patch: Partial<JobInputs['tune']>) => change('tune', patch);
  const [noted, setNoted] = useState<string | null>(null);
  const toggle = (sign: RemedySignId) =>
    set({ signs: tune.signs.includes(sign) ? tune.signs.filter((one) => one !== sign) : [...tune.signs, sign] });
  const chosen = plan.tune.advice.find(({ id }) => id === tune.remedy)!;
  return (
    <div className="space-y-2">
      <div className={columns}>
        <Choice label="It feels" value={tune.feel} options={FEELS} onChange={(feel) => set({ feel })} disabled={locked} />
        <Choice
          label="Done about it"
          value={tune.remedy}
          options={REMEDIES}
          onChange={(remedy) => set({ remedy })}
          disabled={locked}
        />
      </div>
      <fieldset disabled={locked}>
        <legend className="soft text-[13px]">What is seen</legend>
        <div className="grid grid-cols-2 gap-x-4">
          {REMEDY_SIGNS.map(({ id, name }) => (
            <Tick key={id} label={name} checked={tune.signs.includes(id)} onChange={() => toggle(id)} disabled={locked} />
          ))}
        </div>
      </fieldset>
      {tune.remedy !== 'none' && !chosen.barred && (
        <button
          type="button"
          className="btn btn-outline btn-sm h-9 w-full"
          disabled={noted === tune.remedy}
          onClick={() =>
            void onKeep((asked) => keepRemedyAction({ ...asked, note: '', remedy: tune.remedy })).then((kept) => {
              if (kept) setNoted(tune.remedy);
            })
          }
        >
          {noted === tune.remedy ? 'Noted: measure again now' : `Note it: ${chosen.name.toLowerCase()}`}
        </button>
      )}
      <AdviceList advice={plan.tune.advice.filter(({ answers, barred }) => answers && !barred)} label="Advice, best first" />
      <details>
        <summary className="soft cursor-pointer text-[14px]">What else there is</summary>
        <AdviceList advice={plan.tune.advice.filter(({ answers, barred }) => !answers || barred)} label="Other remedies" />
      </details>
    </div>
  );
}

const AdviceList = ({ advice, label }: { advice: RemedyAdvice[]; label: string }) => (
  <ol aria-label={label} className="text-[14px] leading-5">
    {advice.map((one) => (
      <li key={one.id} className="hair-t py-1">
        <span className={`font-semibold ${one.barred ? 'soft line-through' : ''}`}>{one.name}</span>
        {one.barred ? (
          <span className="text-error"> not here: {one.barred}</span>
        ) : (
          <span className="soft">
            {one.speaksFor.length > 0 && <> for: {one.speaksFor.join('; ')}.</>}
            {one.speaksAgainst.length > 0 && <> Against: {one.speaksAgainst.join('; ')}.</>}
          </span>
        )}
      </li>
    ))}
  </ol>
);

export function PrimeSlip({ inputs: { prime }, plan, coatsDone, locked, change, air }: SlipProps) {
  const set = (patch: Partial<JobInputs['prime']>) => change('prime', patch);
  const begun = locked || coatsDone > 0;
  const next = plan.prime.coats[coatsDone];
  return (
    <div className={columns}>
      <Choice label="System" value={prime.system} options={SYSTEMS} onChange={(system) => set({ system })} disabled={begun} />
      <Choice label="On the cloth now" value={prime.over} options={LAYERS} onChange={(over) => set({ over })} disabled={begun} />
      <NumberField
        label="Room"
        value={prime.roomC}
        unit="°C"
        least={0}
        most={45}
        onChange={(roomC) => set({ roomC })}
        disabled={locked}
      />
      <NumberField
        label="Humidity"
        value={prime.roomRh}
        unit="% RH"
        least={5}
        most={100}
        onChange={(roomRh) => set({ roomRh })}
        disabled={locked}
      />
      {air && !locked && (air.celsius !== prime.roomC || air.rh !== prime.roomRh) && (
        <button
          type="button"
          className="btn btn-ghost btn-xs col-span-2 h-8 justify-start px-0 font-normal"
          onClick={() => set({ roomC: air.celsius, roomRh: air.rh })}
        >
          Take the hygrometer’s word: {decimal(air.celsius, 1)} °C, {decimal(air.rh, 0)} % RH
        </button>
      )}
      <Tick label="Edges too" checked={prime.edges} onChange={(edges) => set({ edges })} disabled={begun} />
      <Tick label="Back too" checked={prime.back} onChange={(back) => set({ back })} disabled={begun} />
      <div className="col-span-2">
        <Tick label="Wet the cloth first" checked={prime.wetFirst} onChange={(wetFirst) => set({ wetFirst })} disabled={begun} />
      </div>
      {next && !locked && (
        <>
          <NumberField
            label="Water to one part"
            value={prime.waterParts}
            unit="parts"
            least={0}
            most={20}
            placeholder={decimal(next.waterParts, 2)}
            onClear={() => set({ waterParts: null })}
            onChange={(waterParts) => set({ waterParts })}
          />
          <span />
          <NumberField
            label="Mixed"
            value={prime.mixedMl}
            unit="ml"
            least={0}
            most={200_000}
            placeholder={decimal(next.recipe.totalMl, 0)}
            onClear={() => set({ mixedMl: null })}
            onChange={(mixedMl) => set({ mixedMl })}
          />
          <NumberField
            label="Left in the pot"
            value={prime.leftMl}
            unit="ml"
            least={0}
            most={200_000}
            onClear={() => set({ leftMl: null })}
            onChange={(leftMl) => set({ leftMl })}
          />
        </>
      )}
    </div>
  );
}

export function HandoverSlip({ inputs: { handover }, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['handover']>) => change('handover', patch);
  const read = (typed: string) => {
    const value = Number(typed.trim().replace(',', '.'));
    if (typed.trim() === '') return parsed<number | null>(null);
    return value >= 0.01 && value <= 200
      ? parsed<number | null>(value)
      : refused<number | null>(typed, 'is no weight of a canvas', 'Type 0.01 to 200 kg, or leave it empty.');
  };
  return (
    <div className="space-y-1.5">
      <div className={columns}>
        <TypedField<number | null>
          label="On the scale"
          value={handover.weighedKg}
          print={(kg) => (kg === null ? '' : String(kg))}
          read={read}
          onChange={(weighedKg) => set({ weighedKg })}
          beside="kg"
          inputMode="decimal"
          disabled={locked}
        />
        <Choice
          label="Hanging"
          value={handover.hanging}
          options={HANGINGS}
          onChange={(hanging) => set({ hanging })}
          disabled={locked}
        />
      </div>
      <TypedField
        label="On the label"
        value={handover.label}
        print={(text) => text}
        read={(text) => (text.length <= 300 ? parsed(text) : refused<string>(text, 'is over 300 letters', 'Shorten it.'))}
        onChange={(label) => set({ label })}
        placeholder="Title, maker, this way up"
        disabled={locked}
      />
    </div>
  );
}
