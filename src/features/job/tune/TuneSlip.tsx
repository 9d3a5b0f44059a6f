'use client';
import { useState } from 'react';
import type { JobInputs } from '@/core/job/job';
import { FEELS } from '@/core/tension/feel';
import { REMEDIES, REMEDY_SIGNS, type RemedyAdvice, type RemedySignId } from '@/core/tension/remedies';
import { Choice, Tick } from '@/ui/form/fields';
import { ActButton } from '@/ui/form/Form';
import { AirFields, airHint } from '../../AirFields';
import { type SlipProps, columns } from '../slip/slipProps';

const UNFELT = { id: 'unfelt', name: 'not felt yet' } as const;

export function TuneSlip(props: SlipProps) {
  const {
    inputs: { tune },
    plan,
    locked,
    fastened,
    change,
    onKeep,
    air,
    inHouse,
    readAir,
    onReadAir,
  } = props;
  const set = (patch: Partial<JobInputs['tune']>) => change('tune', patch);
  const [noted, setNoted] = useState<string | null>(null);
  const [felt, setFelt] = useState<string | null>(null);
  const toggle = (sign: RemedySignId) =>
    set({ signs: tune.signs.includes(sign) ? tune.signs.filter((one) => one !== sign) : [...tune.signs, sign] });
  const chosen = plan.tune.advice.find(({ id }) => id === tune.remedy)!;
  return (
    <div className="space-y-2">
      <div className={columns}>
        <Choice
          label="How it feels"
          value={tune.feel ?? UNFELT.id}
          options={[UNFELT, ...FEELS]}
          onChange={(feel) => set({ feel: feel === UNFELT.id ? null : feel })}
          disabled={locked}
        />
        <Choice
          label="Action taken"
          value={tune.remedy}
          options={REMEDIES}
          onChange={(remedy) => set({ remedy })}
          disabled={locked}
        />
        {fastened && <AirFields air={readAir} onAir={onReadAir} inHouse={inHouse} houseAir={air} disabled={locked} />}
      </div>
      {fastened && <p className="soft text-[13px]">{airHint(inHouse, air)}</p>}
      {tune.feel !== null && fastened && (
        <ActButton
          className="btn btn-outline btn-sm h-9 w-full"
          disabled={felt === tune.feel}
          act={() => onKeep('keepFeel', { note: '', air: readAir, feel: tune.feel! }, () => setFelt(tune.feel))}
        >
          {felt === tune.feel ? 'Feel saved' : 'Save the feel'}
        </ActButton>
      )}
      <fieldset disabled={locked}>
        <legend className="soft text-[13px]">Signs</legend>
        <div className="grid grid-cols-2 gap-x-4">
          {REMEDY_SIGNS.map(({ id, name }) => (
            <Tick key={id} label={name} checked={tune.signs.includes(id)} onChange={() => toggle(id)} disabled={locked} />
          ))}
        </div>
      </fieldset>
      {tune.remedy !== 'none' && !chosen.barred && (
        <ActButton
          className="btn btn-outline btn-sm h-9 w-full"
          disabled={noted === tune.remedy}
          act={() => onKeep('keepRemedy', { note: '', remedy: tune.remedy }, () => setNoted(tune.remedy))}
        >
          {noted === tune.remedy ? 'Noted: measure again now' : `Note it: ${chosen.name.toLowerCase()}`}
        </ActButton>
      )}
      <AdviceList advice={plan.tune.advice.filter(({ answers, barred }) => answers && !barred)} label="Advice, best first" />
      <details>
        <summary className="soft cursor-pointer text-[14px]">Other remedies</summary>
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
