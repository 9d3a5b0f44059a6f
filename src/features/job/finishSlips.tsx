'use client';
/* Inputs of the last stages: tune, prime, hand over. */
import { type JobInputs } from '@/core/job/job';
import { HANGINGS } from '@/core/plan/hangings';
import { SYSTEMS } from '@/core/prime/grounds';
import { FEELS } from '@/core/tension/feel';
import { REMEDIES } from '@/core/tension/remedies';
import { parsed, refused } from '@/core/units/result';
import { Choice, LengthField, NumberField, ReadingField, Tick, TypedField } from '@/ui/fields';
import { type SlipProps, columns } from './slipProps';

export function TuneSlip({ inputs: { tune }, plan, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['tune']>) => change('tune', patch);
  const { weight } = tune;
  const weigh = (patch: Partial<typeof weight>) => set({ weight: { ...weight, ...patch } });
  return (
    <div className="space-y-2">
      <div className={columns}>
        <Choice label="It feels" value={tune.feel} options={FEELS} onChange={(feel) => set({ feel })} disabled={locked} />
        <LengthField
          label="Opening, each corner"
          value={tune.opening}
          mostMm={20}
          onChange={(opening) => set({ opening })}
          disabled={locked}
        />
        <Choice
          label="Done about it"
          value={tune.remedy}
          options={REMEDIES}
          onChange={(remedy) => set({ remedy })}
          disabled={locked}
        />
        {!plan.cloth.painted && (
          <>
            <LengthField
              label="Disc across"
              value={weight.disc}
              mostMm={300}
              onChange={(disc) => weigh({ disc })}
              disabled={locked}
            />
            <ReadingField
              label={`Sag under ${weight.lightG} g`}
              value={weight.lightSag}
              mostMm={200}
              onChange={(lightSag) => weigh({ lightSag })}
              disabled={locked}
            />
            <ReadingField
              label={`Sag under ${weight.heavyG} g`}
              value={weight.heavySag}
              mostMm={200}
              onChange={(heavySag) => weigh({ heavySag })}
              disabled={locked}
            />
          </>
        )}
      </div>
      {!plan.cloth.painted && (
        <p className="soft text-[13px]">
          Level, face up, back free: lay the disc in the middle, a straight edge across the frame, and read how far it sinks.
        </p>
      )}
      <ul className="text-[14px] leading-5">
        {plan.tune.advice
          .filter((one) => one.id !== 'none')
          .map((one) => (
            <li key={one.id} className="hair-t py-1">
              <span className={`font-semibold ${one.barred ? 'soft line-through' : ''}`}>{one.name}</span>
              {one.barred ? (
                <span className="text-error"> not here: {one.barred}</span>
              ) : (
                <span className="soft">
                  {' '}
                  for: {one.speaksFor.join('; ')}. Against: {one.speaksAgainst.join('; ')}.
                </span>
              )}
            </li>
          ))}
      </ul>
    </div>
  );
}

export function PrimeSlip({ inputs: { prime }, coatsDone, locked, change }: SlipProps) {
  const set = (patch: Partial<JobInputs['prime']>) => change('prime', patch);
  const begun = locked || coatsDone > 0;
  return (
    <div className={columns}>
      <div className="col-span-2">
        <Choice label="System" value={prime.system} options={SYSTEMS} onChange={(system) => set({ system })} disabled={begun} />
      </div>
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
      <Tick label="Edges too" checked={prime.edges} onChange={(edges) => set({ edges })} disabled={begun} />
      <Tick label="Back too" checked={prime.back} onChange={(back) => set({ back })} disabled={begun} />
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
