'use client';
/* The rules of the house: every assumption with its unit, range and reason, to be changed once for all jobs. */
import { printedIn } from '@/core/quantities/printed';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { parseLength } from '@/core/units/length';
import { Figure } from '@/ui/Figure';
import { useAwake } from '@/ui/useAwake';
import { refusalWords } from '../refusalWords';
import { useSend } from '../useSend';
import { useWorkshop } from '@/ui/WorkshopContext';
import { ASSUMPTIONS, type AssumptionId } from '@/core/house/assumptions';
import { PULL_WAYS } from '@/core/fasten/pullWays';
import type { Policies } from '@/core/house/houseRules';
import { STAGES } from '@/core/stages/stages';
import type { StoredRules } from '@/db/workshops';

interface RulesFields {
  workshop: string;
  makers: string;
  currency: string;
  metricStep: string;
  inchStep: string;
  assumptions: Record<string, string>;
  policies: Policies;
}

/** A rule in millimetres may be typed in inches, with their sign. */
const readRule = (typed: string, unit: string): number => {
  if (unit !== 'mm' || !/["”″]|in\b/.test(typed)) return readNumber(typed);
  const read = parseLength(typed, 'in');
  return read.ok ? read.value.mm : NaN;
};
const readNumber = (typed: string) => (/^-?\d+([.,]\d+)?$/.test(typed.trim()) ? Number(typed.trim().replace(',', '.')) : NaN);

const fieldsOf = ({ rules }: StoredRules): RulesFields => ({
  workshop: rules.workshop,
  makers: rules.makers.join(', '),
  currency: rules.currency,
  metricStep: String(rules.metricStep),
  inchStep: String(rules.inchStep),
  policies: rules.policies,
  assumptions: Object.fromEntries(ASSUMPTIONS.map((one) => [one.id, String(rules.assumptions[one.id] ?? one.value)])),
});

export function HouseRulesForm({ stored: atFirst }: { stored: StoredRules }) {
  const router = useRouter();
  /** What the house was told last: the answer of the save, not the page that comes after it. */
  const [stored, setStored] = useState(atFirst);
  const [saved, setSaved] = useState(false);
  const send = useSend();
  const awake = useAwake();
  const form = useForm<RulesFields>({ mode: 'onChange', defaultValues: fieldsOf(stored) });
  const { errors, isDirty, isSubmitting } = form.formState;
  const save = form.handleSubmit(async (fields) => {
    const makers = fields.makers
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean);
    const changed = ASSUMPTIONS.flatMap(({ id, value, unit }): [AssumptionId, number][] => {
      const now = readRule(fields.assumptions[id] ?? '', unit);
      return now === value ? [] : [[id, now]];
    });
    const outcome = await send('saveRules', {
      revision: stored.revision,
      rules: {
        workshop: fields.workshop.trim(),
        makers,
        currency: fields.currency.trim(),
        metricStep: Number(fields.metricStep) as 1,
        inchStep: Number(fields.inchStep) as 16,
        assumptions: Object.fromEntries(changed),
        policies: fields.policies,
        materials: stored.rules.materials,
      },
    });
    if (!outcome.ok) return form.setError('root', { message: refusalWords(outcome) });
    setStored(outcome.value);
    form.reset(fieldsOf(outcome.value));
    setSaved(true);
    router.refresh();
  });
  const text = (name: 'workshop' | 'makers' | 'currency', label: string, empty: string) => (
    <label className="block">
      <span className="soft text-[13px]">{label}</span>
      <input
        className="input input-sm h-9 w-full"
        aria-invalid={errors[name] !== undefined}
        {...form.register(name, { validate: (typed) => typed.trim() !== '' || empty })}
      />
      {errors[name] && (
        <span role="alert" className="block text-[13px] text-error">
          {errors[name].message}
        </span>
      )}
    </label>
  );
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <form onSubmit={save} noValidate>
        <header className="hair-b sticky top-0 z-10 flex flex-wrap items-center gap-4 bg-base-300 px-5 py-2.5">
          <h1 className="text-[22px] leading-7 font-semibold">House rules</h1>
          <p className="soft text-[14.5px]">Settled once; a finished step keeps the rules it was done by.</p>
          <p role="status" className="ml-auto text-[14px] text-success">
            {saved && !isDirty ? 'saved' : ''}
          </p>
          <button type="submit" className="btn btn-primary btn-sm h-9" disabled={isSubmitting || !isDirty}>
            Save the house rules
          </button>
          {errors.root && (
            <p role="alert" className="w-full text-[14px] text-error">
              {errors.root.message}
            </p>
          )}
        </header>
        <fieldset disabled={!awake} className="min-w-0">
          <section className="grid max-w-5xl gap-3 px-5 py-4 sm:grid-cols-3">
            {text('workshop', 'Workshop', 'The workshop has a name.')}
            {text('makers', 'Makers, with commas between', 'At least one pair of hands.')}
            {text('currency', 'Sign of the currency', 'A sign such as €.')}
            <label className="block">
              <span className="soft text-[13px]">Smallest step, metric tape</span>
              <select className="select select-sm h-9 w-full" {...form.register('metricStep')}>
                <option value="1">1 mm</option>
                <option value="0.5">0.5 mm</option>
              </select>
            </label>
            <label className="block">
              <span className="soft text-[13px]">Smallest step, inch tape</span>
              <select className="select select-sm h-9 w-full" {...form.register('inchStep')}>
                <option value="16">1/16 in</option>
                <option value="32">1/32 in</option>
              </select>
            </label>
          </section>
          <PolicyFields form={form} />
          <AssumptionTable form={form} />
        </fieldset>
      </form>
    </main>
  );
}

const LIKINGS = [
  { id: 'liked', name: 'liked' },
  { id: 'allowed', name: 'allowed' },
  { id: 'never', name: 'never done here' },
];
const REMEDY_POLICIES = [
  { id: 'water', name: 'Water on the back of raw cloth' },
  { id: 'keys', name: 'Opening the corners' },
  { id: 'restretch', name: 'Drawing the fasteners, stretching again' },
] as const;
const PRIMING_POLICIES = [
  { id: 'primeEdges', name: 'Edges are primed' },
  { id: 'primeBack', name: 'The back is primed' },
  { id: 'wetFirst', name: 'Cloth is wetted before the first coat' },
] as const;

/** Where houses differ: what is done about slackness, and how a new job is primed. */
function PolicyFields({ form }: { form: ReturnType<typeof useForm<RulesFields>> }) {
  return (
    <section aria-label="Policies" className="grid max-w-5xl gap-3 px-5 pb-2 sm:grid-cols-3">
      {REMEDY_POLICIES.map(({ id, name }) => (
        <label key={id} className="block">
          <span className="soft text-[13px]">{name}</span>
          <select className="select select-sm h-9 w-full" {...form.register(`policies.${id}`)}>
            {LIKINGS.map((liking) => (
              <option key={liking.id} value={liking.id}>
                {liking.name}
              </option>
            ))}
          </select>
        </label>
      ))}
      <label className="block">
        <span className="soft text-[13px]">Pulls of a new job</span>
        <select className="select select-sm h-9 w-full" {...form.register('policies.pulls')}>
          {PULL_WAYS.map(({ id, name, suits }) => (
            <option key={id} value={id}>
              {name}: {suits}
            </option>
          ))}
        </select>
      </label>
      {PRIMING_POLICIES.map(({ id, name }) => (
        <label key={id} className="flex cursor-pointer items-center gap-2 text-[14.5px]">
          <input type="checkbox" className="checkbox checkbox-sm" {...form.register(`policies.${id}`)} />
          {name}
        </label>
      ))}
    </section>
  );
}

/** Units that an inch shop reads otherwise. */
const INCH_TOLD = new Set(['mm', 'kg', '°C']);

interface InInchesProps {
  form: ReturnType<typeof useForm<RulesFields>>;
  id: AssumptionId;
  unit: string;
  usual: number;
}

/** What is typed for one rule, as an inch shop reads it. */
function InInches({ form, id, unit, usual }: InInchesProps) {
  const { tape } = useWorkshop();
  const typed = useWatch({ control: form.control, name: `assumptions.${id}` });
  return (
    <>
      {' '}
      = <Figure>{printedIn(unit, readRule(typed ?? '', unit) || usual, tape)}</Figure>
    </>
  );
}

function AssumptionTable({ form }: { form: ReturnType<typeof useForm<RulesFields>> }) {
  const { errors } = form.formState;
  const { tape } = useWorkshop();
  return (
    <div className="max-w-5xl px-5 pb-8">
      {STAGES.map((stage) => {
        const rows = ASSUMPTIONS.filter((one) => one.stage === stage.id);
        if (rows.length === 0) return null;
        return (
          <section key={stage.id} aria-label={stage.name}>
            <h2 className="mt-4 text-[17px] font-semibold">{stage.name}</h2>
            <ul>
              {rows.map(({ id, label, unit, value, min, max, because }) => {
                const error = errors.assumptions?.[id];
                return (
                  <li
                    key={id}
                    id={id}
                    className="hair-b grid items-center gap-x-4 py-1.5 target:bg-base-100 sm:grid-cols-[minmax(0,1.3fr)_170px_minmax(0,2fr)]"
                  >
                    <label htmlFor={`rule-${id}`}>{label}</label>
                    <span className="flex items-center gap-2">
                      <input
                        id={`rule-${id}`}
                        className={`figure input input-sm h-9 w-20 ${error ? 'input-error' : ''}`}
                        inputMode="decimal"
                        aria-invalid={error !== undefined}
                        {...form.register(`assumptions.${id}`, {
                          validate: (typed) => {
                            const number = readRule(typed, unit);
                            return (number >= min && number <= max) || `“${typed}” does not do: ${min} to ${max} ${unit}.`;
                          },
                        })}
                      />
                      <span className="figure soft text-[13.5px]">
                        {unit}
                        {tape.unit === 'in' && INCH_TOLD.has(unit) && <InInches form={form} id={id} unit={unit} usual={value} />}
                      </span>
                    </span>
                    <span className="soft text-[13.5px]">
                      {error ? (
                        <span role="alert" className="text-error">
                          {error.message}
                        </span>
                      ) : (
                        `${because} Usual here: ${value}.`
                      )}
                    </span>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
