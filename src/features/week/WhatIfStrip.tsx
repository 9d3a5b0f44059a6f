'use client';
/* What would be if: somebody away, a longer day, more canvases. Shown before it is taken. */
import { useState } from 'react';
import { planDifference } from '@/core/week/planDifference';
import type { WeekPlan } from '@/core/week/weekPlan';
import type { WeekJob } from '@/core/week/weekShop';
import { dayAfter, dayOfMoment } from '@/core/week/weekTime';
import { dayWords } from '@/core/week/dateVerdicts';
import { type WhatIf, withChange } from '@/core/week/whatIf';
import { type Length, length } from '@/core/units/length';
import type { WeekView } from '@/server/week/weekWrites';
import { ActButton, Form, FormScope, FormTrouble, SendButton } from '@/ui/form/Form';
import { Choice, LengthField, NumberField } from '@/ui/form/fields';
import { useAwake } from '@/ui/useAwake';
import { useWrite } from '../useWrite';
import { DayField } from '@/ui/form/DayField';
import { DifferenceLines } from './DifferenceLines';
import { useScheduleWorker } from './useScheduleWorker';

const KINDS = [
  { id: 'away', name: 'Somebody is away' },
  { id: 'longer', name: 'A longer day' },
  { id: 'more', name: 'More canvases' },
] as const;

/** Tried, and against which plan. */
interface Tried {
  change: WhatIf;
  plan: WeekPlan;
}

export function WhatIfStrip({ week, standing }: { week: WeekView; standing: WeekPlan }) {
  const { facts, spread, revision } = week;
  const write = useWrite();
  const worker = useScheduleWorker();
  const awake = useAwake();
  const today = dayOfMoment(facts.nowMs);
  const [kind, setKind] = useState<(typeof KINDS)[number]['id']>('away');
  const [maker, setMaker] = useState(facts.makers[0]!);
  const [on, setOn] = useState(dayAfter(today, 1));
  const [hours, setHours] = useState(1);
  const [count, setCount] = useState(6);
  const [size, setSize] = useState<[Length, Length]>([length(400), length(300)]);
  const [tried, setTried] = useState<Tried | null>(null);
  const changeNow = async (): Promise<WhatIf | string> => {
    if (kind === 'away') return { kind, maker, on };
    if (kind === 'longer') return { kind, maker, on, hours };
    const asked = `/api/week/draft?width=${size[0].mm}&height=${size[1].mm}`;
    const answer = await fetch(asked).catch(() => null);
    if (!answer?.ok) return (await answer?.text().catch(() => null)) ?? 'The workshop does not answer. Try again in a moment.';
    const draft = (await answer.json()) as WeekJob;
    return { kind, jobs: Array.from({ length: count }, (_, index) => ({ ...draft, id: `draft-${index + 1}` })) };
  };
  const tryOut = async (): Promise<string | null> => {
    setTried(null);
    try {
      const change = await changeNow();
      if (typeof change === 'string') return change;
      const plan = await worker().run('tryOut', { facts, spread, standing, seed: 0.29, change });
      setTried({ change, plan });
      return null;
    } catch (failure) {
      return (failure as Error).message;
    }
  };
  const take = () => write('saveWeek', { revision, settings: withChange(facts, tried!.change).settings }, () => setTried(null));
  const drafted = tried?.change.kind === 'more' ? tried.change.jobs.map(({ id }) => tried.plan.dates.get(id)!.nineOfTen) : [];
  return (
    <section aria-label="What if" className="min-w-72 flex-[2] text-[14.5px]">
      <Form className="flex flex-wrap items-end gap-x-3 gap-y-1" onSend={tryOut}>
        <fieldset disabled={!awake} className="contents">
          <Choice label="What if" value={kind} options={KINDS} onChange={setKind} />
          {kind !== 'more' && (
            <>
              <Choice label="Who" value={maker} options={facts.makers.map((name) => ({ id: name, name }))} onChange={setMaker} />
              <DayField label="On" value={on} least={today} onChange={setOn} />
            </>
          )}
          {kind === 'longer' && <NumberField label="Longer by" of="longerBy" value={hours} onChange={setHours} />}
          {kind === 'more' && (
            <>
              <NumberField
                label="How many"
                of="count"
                range={[1, 40]}
                value={count}
                onChange={(value) => setCount(Math.round(value))}
              />
              <LengthField label="Width" of="faceLength" value={size[0]} onChange={(width) => setSize([width, size[1]])} />
              <LengthField label="Height" of="faceLength" value={size[1]} onChange={(height) => setSize([size[0], height])} />
            </>
          )}
        </fieldset>
        <SendButton className="btn btn-outline btn-sm h-9">Try</SendButton>
      </Form>
      {tried && (
        <div role="status" className="mt-1">
          {drafted.length > 0 && (
            <p>
              Nine of ten runs have {drafted.length === 1 ? 'it' : 'all of them'} ready by{' '}
              <strong>{dayWords(dayAfter(tried.plan.firstDay, Math.ceil(Math.max(...drafted) / 96) - 1))}</strong>.
            </p>
          )}
          <DifferenceLines difference={planDifference(standing, tried.plan)} jobs={facts.jobs} />
          {tried.change.kind !== 'more' && (
            <div className="mt-1 flex flex-wrap gap-2">
              <FormScope>
                <ActButton className="btn btn-primary btn-sm h-9" act={take}>
                  Use this
                </ActButton>
                <FormTrouble />
              </FormScope>
              <button type="button" className="btn btn-outline btn-sm h-9" onClick={() => setTried(null)}>
                Cancel
              </button>
            </div>
          )}
        </div>
      )}
    </section>
  );
}
