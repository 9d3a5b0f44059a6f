'use client';
/* The rules of the house: every assumption with its unit, range and reason, to be changed once for all jobs. */
import { memo, useCallback, useState } from 'react';
import { PULL_WAYS } from '@/core/fasten/pullWays';
import { EFFORT_RATES } from '@/core/effort/effortRates';
import { ASSUMPTIONS, type AssumptionId } from '@/core/house/assumptions';
import type { HouseRules, Policies } from '@/core/house/houseRules';
import { printedIn } from '@/core/quantities/printed';
import { STAGES } from '@/core/stages/stages';
import { parseLength } from '@/core/units/length';
import { type Parsed, parsed, refused } from '@/core/units/result';
import type { StoredRules } from '@/db/workshops';
import { Choice, TextField, Tick, TypedField } from '@/ui/form/fields';
import { Form, SendButton } from '@/ui/form/Form';
import { useAwake } from '@/ui/useAwake';
import { useWorkshop } from '@/ui/WorkshopContext';
import { useWrite } from '../useWrite';

type Assumption = (typeof ASSUMPTIONS)[number];
type Assumptions = HouseRules['assumptions'];

/** A rule in its unit and range; in millimetres it may be typed in inches, with their sign. */
function readRule(typed: string, { unit, min, max }: Assumption): Parsed<number> {
  const wouldDo = `Type ${min} to ${max} ${unit}.`;
  const inches = unit === 'mm' && /["”″]|in\b/.test(typed) ? parseLength(typed, 'in') : null;
  if (inches && !inches.ok) return inches;
  const plain = typed.trim().replace(',', '.');
  if (!inches && !/^-?\d+(\.\d+)?$/.test(plain)) return refused(typed, 'is not a number', wouldDo);
  const value = inches ? inches.value.mm : Number(plain);
  return value >= min && value <= max ? parsed(value) : refused(typed, 'is out of range', wouldDo);
}

const STEPS = {
  metric: [
    { id: '1', name: '1 mm' },
    { id: '0.5', name: '0.5 mm' },
  ],
  inch: [
    { id: '16', name: '1/16 in' },
    { id: '32', name: '1/32 in' },
  ],
} as const;

export function HouseRulesForm({ stored: atFirst }: { stored: StoredRules }) {
  const write = useWrite();
  const awake = useAwake();
  /** What the house was told last: the answer of the save, not the page that comes after it. */
  const [stored, setStored] = useState(atFirst);
  const [rules, setRules] = useState(atFirst.rules);
  const [makers, setMakers] = useState(atFirst.rules.makers.join(', '));
  const change = (patch: Partial<HouseRules>) => setRules((before) => ({ ...before, ...patch }));
  const assume = useCallback(
    ({ id, value }: Assumption, to: number) =>
      setRules((before) => {
        const { [id]: _before, ...others } = before.assumptions;
        return { ...before, assumptions: to === value ? others : { ...others, [id]: to } };
      }),
    [],
  );
  const named = makers
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  const asked = { ...rules, workshop: rules.workshop.trim(), currency: rules.currency.trim(), makers: named };
  const dirty = !isSame(asked, stored.rules);
  const save = () =>
    write('saveRules', { revision: stored.revision, rules: asked }, (answer) => {
      setStored(answer);
      setRules(answer.rules);
      setMakers(answer.rules.makers.join(', '));
    });
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <Form className="" onSend={save}>
        <header className="hair-b sticky top-0 z-10 flex flex-wrap items-center gap-4 bg-base-300 px-5 py-2.5">
          <h1 className="text-[22px] leading-7 font-semibold">House rules</h1>
          <p className="soft mr-auto text-[14.5px]">Settled once; a finished step keeps the rules it was done by.</p>
          <SendButton className="btn btn-primary btn-sm h-9" disabled={!dirty} says="saved">
            Save the house rules
          </SendButton>
        </header>
        <fieldset disabled={!awake} className="min-w-0">
          <section className="grid max-w-5xl gap-3 px-5 py-4 sm:grid-cols-3">
            <TextField
              label="Workshop"
              of="name"
              required="The workshop has a name."
              value={rules.workshop}
              onChange={(workshop) => change({ workshop })}
            />
            <TextField
              label="Makers, with commas between"
              of="makers"
              required="At least one pair of hands."
              value={makers}
              onChange={setMakers}
            />
            <TextField
              label="Sign of the currency"
              of="currency"
              required="A sign such as €."
              value={rules.currency}
              onChange={(currency) => change({ currency })}
            />
            <Choice
              label="Smallest step, metric tape"
              value={String(rules.metricStep)}
              options={STEPS.metric}
              onChange={(step) => change({ metricStep: Number(step) as 1 })}
            />
            <Choice
              label="Smallest step, inch tape"
              value={String(rules.inchStep)}
              options={STEPS.inch}
              onChange={(step) => change({ inchStep: Number(step) as 16 })}
            />
          </section>
          <PolicyFields policies={rules.policies} onChange={(patch) => change({ policies: { ...rules.policies, ...patch } })} />
          <AssumptionTable assumptions={rules.assumptions} onChange={assume} />
        </fieldset>
      </Form>
    </main>
  );
}

/** The same rules, in whatever order their assumptions stand. */
const isSame = (one: HouseRules, other: HouseRules): boolean => inOrder(one) === inOrder(other);
const inOrder = (rules: HouseRules): string =>
  JSON.stringify({ ...rules, assumptions: Object.entries(rules.assumptions).sort(([a], [b]) => (a < b ? -1 : 1)) });

const LIKINGS = [
  { id: 'liked', name: 'liked' },
  { id: 'allowed', name: 'allowed' },
  { id: 'never', name: 'never done here' },
] as const;
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
function PolicyFields({ policies, onChange }: { policies: Policies; onChange: (patch: Partial<Policies>) => void }) {
  return (
    <section aria-label="Policies" className="grid max-w-5xl gap-3 px-5 pb-2 sm:grid-cols-3">
      {REMEDY_POLICIES.map(({ id, name }) => (
        <Choice key={id} label={name} value={policies[id]} options={LIKINGS} onChange={(to) => onChange({ [id]: to })} />
      ))}
      <Choice
        label="Pulls of a new job"
        value={policies.pulls}
        options={PULL_WAYS.map(({ id, name, suits }) => ({ id, name: `${name}: ${suits}` }))}
        onChange={(pulls) => onChange({ pulls })}
      />
      {PRIMING_POLICIES.map(({ id, name }) => (
        <Tick key={id} label={name} checked={policies[id]} onChange={(on) => onChange({ [id]: on })} />
      ))}
    </section>
  );
}

/** Units that an inch shop reads otherwise. */
const INCH_TOLD = new Set(['mm', 'kg', '°C']);

/** One table of all that hands take, whatever the stage. */
const TIMES = 'How long things take';
const isEffort = ({ id }: Assumption): boolean => EFFORT_RATES.some((rate) => rate.id === id);

interface AssumptionTableProps {
  assumptions: Assumptions;
  onChange: (rule: Assumption, to: number) => void;
}

function AssumptionTable({ assumptions, onChange }: AssumptionTableProps) {
  return (
    <div className="max-w-5xl px-5 pb-8">
      {STAGES.map((stage) => {
        const rows = ASSUMPTIONS.filter((one) => one.stage === stage.id && !isEffort(one));
        if (rows.length === 0) return null;
        return (
          <section key={stage.id} aria-label={stage.name}>
            <h2 className="mt-4 text-[17px] font-semibold">{stage.name}</h2>
            <ul>
              {rows.map((rule) => (
                <AssumptionRow
                  key={rule.id}
                  rule={rule}
                  value={assumptions[rule.id as AssumptionId] ?? rule.value}
                  onChange={onChange}
                />
              ))}
            </ul>
          </section>
        );
      })}
      <section aria-label={TIMES}>
        <h2 className="mt-4 text-[17px] font-semibold">{TIMES}</h2>
        <ul>
          {EFFORT_RATES.map((rule) => (
            <AssumptionRow key={rule.id} rule={rule} value={assumptions[rule.id] ?? rule.value} onChange={onChange} />
          ))}
        </ul>
      </section>
    </div>
  );
}

interface AssumptionRowProps {
  rule: Assumption;
  value: number;
  onChange: (rule: Assumption, to: number) => void;
}

const AssumptionRow = memo(function AssumptionRow({ rule, value, onChange }: AssumptionRowProps) {
  const { tape } = useWorkshop();
  const { id, label, unit, because, value: usual } = rule;
  const inches = tape.unit === 'in' && INCH_TOLD.has(unit) ? ` = ${printedIn(unit, value, tape)}` : '';
  return (
    <li
      id={id}
      className="hair-b grid items-center gap-x-4 py-1.5 target:bg-base-100 sm:grid-cols-[minmax(0,1.3fr)_190px_minmax(0,2fr)]"
    >
      <span aria-hidden>{label}</span>
      <TypedField
        label={label}
        hideLabel
        inputMode="decimal"
        value={value}
        print={String}
        read={(typed) => readRule(typed, rule)}
        onChange={(to) => onChange(rule, to)}
        beside={`${unit}${inches}`}
      />
      <span className="soft text-[13.5px]">
        {because} Usual here: {usual}.
      </span>
    </li>
  );
});
