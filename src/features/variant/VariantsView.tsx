'use client';
/* The job as it stands and its variants in columns: drawn to one scale, what is otherwise, what it comes to, what changes in each stage. */
import { bare } from '@/core/quantities/printed';
import { useRouter } from 'next/navigation';
import { Fragment, useMemo, useState } from 'react';
import type { Verdict } from '@/core/job/verdict';
import { type FigureReader, VARIANT_FIGURES, differenceWords } from '@/core/variant/figures';
import {
  CHANGED_FIELDS,
  type ChangedField,
  type Changes,
  MOST_VARIANTS,
  changedFields,
  changesTo,
  isFixed,
  withBarsFor,
  withChanges,
} from '@/core/variant/variant';
import { stageDifferences } from '@/core/variant/weighedVariant';
import type { StoredVariant } from '@/db/jobVariants';
import type { StoredJob } from '@/db/jobs';
import { Figure } from '@/ui/drawing/Figure';
import { useForm } from '@/ui/form/Form';
import { TypedField } from '@/ui/form/fields';
import { useAwake } from '@/ui/useAwake';
import { useWorkshop } from '@/ui/WorkshopContext';
import { parsed, refused } from '@/core/units/result';
import { MiniCanvas } from '../bench/MiniCanvas';
import { refusalWords } from '../refusalWords';
import type { HandNoise } from '@/core/fasten/hand';
import { useSend } from '../useSend';
import type { Weighing } from './weighing';
import { type Unevenness, useUnevenness } from './useUnevenness';
import { FIELD_NAMES, VariantField, fieldWords } from './VariantField';
import { useVariants } from './useVariants';

interface VariantsViewProps {
  job: StoredJob;
  first: StoredVariant[];
  weigh: (inputs: StoredJob['inputs']) => Weighing;
  /** How much the hands of the house vary, where that was tried. */
  noise: HandNoise | null;
}

const DRAWN_PX = { width: 214, height: 150 };

export function VariantsView({ job, first, weigh, noise }: VariantsViewProps) {
  const { rules, tape, maker, looksOn } = useWorkshop();
  const router = useRouter();
  const send = useSend();
  const awake = useAwake();
  const { mend } = useForm();
  const variants = useVariants(job.id, first);
  const [says, setSays] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const columns = useMemo(
    () =>
      [null, ...variants.list].map((variant) => {
        const inputs = variant ? withChanges(job.inputs, variant.changes) : job.inputs;
        return { variant, inputs, weighing: weigh(inputs) };
      }),
    [variants.list, job.inputs, weigh],
  );
  const even = useUnevenness(
    columns.flatMap(({ inputs, weighing }) => ('says' in weighing ? [] : [inputs])),
    noise,
  );
  const evenOf = (index: number) => {
    const before = columns.slice(0, index).filter(({ weighing }) => 'says' in weighing).length;
    return 'says' in columns[index]!.weighing ? null : (even[index - before] ?? null);
  };
  const base = columns[0]!.weighing;
  if ('says' in base)
    return (
      <p role="alert" className="px-5 py-4 text-error">
        This job cannot be planned: {base.says}
      </p>
    );
  const { progress } = base.here;
  const fields = CHANGED_FIELDS.filter((field) => !(progress.painted && ['fabric', 'marginStyle', 'system'].includes(field)));
  const figures = VARIANT_FIGURES.filter(({ blankOnly }) => !(blankOnly && progress.painted));
  /** Nothing is left that could be otherwise. */
  const closed = fields.every((field) => isFixed(field, progress));
  const reader = { tape, currency: rules.currency };
  const scale = Math.min(
    ...columns.map(({ inputs: { brief } }) => Math.min(DRAWN_PX.width / brief.width.mm, DRAWN_PX.height / brief.height.mm)),
  );
  const adopt = async (id: string) => {
    setBusy(true);
    const one = (await variants.settled()).find((variant) => variant.id === id);
    if (one && one.revision > 0) {
      const outcome = await send('adoptVariant', {
        jobId: job.id,
        revision: job.revision,
        maker,
        id,
        variantRevision: one.revision,
      });
      setSays(outcome.ok ? null : refusalWords(outcome));
      if (outcome.ok || outcome.kind === 'stale') router.refresh();
    }
    setBusy(false);
  };
  const patchOf = (variant: StoredVariant, patch: Partial<Changes>) =>
    variants.change(variant.id, { changes: changesTo(job.inputs, withChanges(job.inputs, { ...variant.changes, ...patch })) });
  const grid = { gridTemplateColumns: `118px repeat(${columns.length}, minmax(200px, 250px)) minmax(150px, 1fr)` };
  return (
    <div className="relative min-h-0 flex-1 overflow-auto bg-base-100 px-5 py-3">
      {(says ?? variants.says) && (
        <p role="alert" className="pb-2 text-error">
          {says ?? variants.says}{' '}
          {says === null && variants.discard && (
            <button type="button" className="link" onClick={variants.discard}>
              Discard what was not saved
            </button>
          )}
        </p>
      )}
      <div className="grid items-baseline gap-x-5 text-[14.5px]" style={grid}>
        <span />
        {columns.map(({ variant }, index) =>
          variant ? (
            <div key={variant.id} className="min-w-0 pb-1">
              <TypedField
                label={`Name of variant ${index}`}
                hideLabel
                value={variant.name}
                print={(name) => name}
                read={(typed) =>
                  typed.trim() === '' || typed.length > 60
                    ? refused<string>(typed, 'is no name', 'Type 1 to 60 letters.')
                    : parsed(typed)
                }
                disabled={looksOn || !awake}
                onChange={(name) => variants.change(variant.id, { name })}
              />
            </div>
          ) : (
            <h2 key="base" className="text-[17px] font-semibold">
              Current plan
            </h2>
          ),
        )}
        <span className="soft text-right text-[13px]" role="status">
          {variants.list.length === 0 ? '' : variants.saving ? 'saving' : 'saved'}
        </span>
        <span className="soft self-end pb-2 text-[13px]">from the back, to one scale</span>
        {columns.map(({ variant, inputs }) => (
          <MiniCanvas
            key={variant?.id ?? 'base'}
            row={{ widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm, bars: inputs.bars, done: ['bars'] }}
            scale={scale}
            cell={DRAWN_PX}
          />
        ))}
        <div className="self-center">
          {variants.list.length < MOST_VARIANTS && !looksOn && !closed && (
            <button type="button" className="btn btn-outline h-10 w-full" disabled={!awake} onClick={variants.add}>
              Add a variant
            </button>
          )}
        </div>
        <span />
        {columns.map(({ variant, inputs, weighing }) => {
          if (!variant || looksOn) return <span key={variant?.id ?? 'base'} />;
          const moved = changedFields(job.inputs, variant.changes);
          return (
            <div key={variant.id} className="flex flex-wrap gap-2 py-2">
              <button
                type="button"
                className="btn btn-primary btn-sm h-10"
                aria-label={`Use this variant: ${variant.name}`}
                disabled={!awake || busy || mend !== null || moved.length === 0 || 'says' in weighing}
                onClick={() => void adopt(variant.id)}
              >
                Use this variant
              </button>
              <button
                type="button"
                className="btn btn-outline btn-sm h-10"
                aria-label={`Fit bars ${variant.name}`}
                disabled={!awake || isFixed('profile', progress) || 'says' in weighing}
                title="The lightest bars that hold, with their braces, for this variant"
                onClick={() =>
                  variants.change(variant.id, { changes: withBarsFor(job.inputs, changesTo(job.inputs, inputs), rules) })
                }
              >
                Fit bars
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-sm h-10 px-2"
                aria-label={`Remove ${variant.name}`}
                disabled={!awake}
                onClick={() => variants.drop(variant.id)}
              >
                Remove
              </button>
            </div>
          );
        })}
        <span />
        <Rule count={columns.length} />
        {figures.map((figure) => (
          <Fragment key={figure.id}>
            <span className="soft py-0.5 text-[13.5px]">{figure.name}</span>
            {columns.map(({ variant, weighing }) => (
              <FigureCell
                key={variant?.id ?? 'base'}
                figure={figure}
                weighing={weighing}
                base={variant ? base : null}
                reader={reader}
              />
            ))}
            <span />
          </Fragment>
        ))}
        <span className="soft py-0.5 text-[13.5px]">Unevenness</span>
        {columns.map(({ variant }, index) => (
          <EvenCell key={variant?.id ?? 'base'} even={evenOf(index)} />
        ))}
        <span className="soft text-[13px]">by the model, twelve hands</span>
        <Rule count={columns.length} />
        {fields.map((field) => (
          <Fragment key={field}>
            <span className="soft py-0.5 text-[13.5px]">{FIELD_NAMES[field]}</span>
            {columns.map(({ variant, inputs }) => (
              <FieldCell
                key={variant?.id ?? 'base'}
                field={field}
                variant={variant}
                inputs={inputs}
                changed={variant !== null && changedFields(job.inputs, variant.changes).includes(field)}
                fixed={looksOn || !awake || isFixed(field, progress)}
                onChange={(patch) => variant && patchOf(variant, patch)}
              />
            ))}
            <span />
          </Fragment>
        ))}
        <Rule count={columns.length} />
        <span className="soft self-start py-1 text-[13.5px]">In the stages</span>
        {columns.map(({ variant, weighing }) => (
          <StagesCell key={variant?.id ?? 'base'} weighing={weighing} base={variant ? base : null} />
        ))}
        <span />
      </div>
      <p className="soft mt-2 max-w-[72ch] text-[13.5px]">
        {closed && 'Everything here is recorded: nothing of it can be otherwise any more. '}A variant is this job with a few
        things otherwise. Taking one makes them the job’s own; what the job was before stays here as a variant, and so do the
        others. What is recorded stands in all of them.
      </p>
    </div>
  );
}

const Rule = ({ count }: { count: number }) => <span className="hair-t my-1.5" style={{ gridColumn: `1 / span ${count + 2}` }} />;

function FieldCell({
  field,
  variant,
  inputs,
  changed,
  fixed,
  onChange,
}: {
  field: ChangedField;
  variant: StoredVariant | null;
  inputs: StoredJob['inputs'];
  changed: boolean;
  fixed: boolean;
  onChange: (patch: Partial<Changes>) => void;
}) {
  const { rules } = useWorkshop();
  if (variant === null || fixed)
    return (
      <span className={`figure py-0.5 ${variant ? 'soft' : ''}`}>
        <Figure>{fieldWords(field, inputs, rules)}</Figure>
      </span>
    );
  return (
    <div className={`min-w-0 py-0.5 ${changed ? 'border-l-[3px] border-primary pl-2 font-semibold' : 'pl-[11px]'}`}>
      <VariantField field={field} variant={variant.name} inputs={inputs} onChange={onChange} />
    </div>
  );
}

function FigureCell({
  figure,
  weighing,
  base,
  reader,
}: {
  figure: (typeof VARIANT_FIGURES)[number];
  weighing: Weighing;
  base: Exclude<Weighing, { says: string }> | null;
  reader: FigureReader;
}) {
  if ('says' in weighing) return <span className="soft">–</span>;
  const is = figure.of(weighing.weighed);
  if (is === null) return <span className="soft">nothing left to do</span>;
  const was = base ? figure.of(base.weighed) : null;
  const limit = figure.limit?.(weighing.weighed);
  const atLeast = figure.id === 'cost' && weighing.weighed.unpriced.length > 0;
  return (
    <span className="figure py-0.5" data-testid={`figure-${figure.id}`}>
      {atLeast && <span className="soft">at least </span>}
      <strong className={limit !== undefined && is > limit ? 'text-error' : ''}>
        <Figure>{figure.print(is, reader)}</Figure>
      </strong>
      {limit !== undefined && (
        <span className="soft">
          {' '}
          of <Figure>{figure.print(limit, reader)}</Figure>
        </span>
      )}
      {was !== null && <Difference words={differenceWords(figure, was, is, reader)} />}
    </span>
  );
}

const Difference = ({ words }: { words: string | null }) => (
  <span className={`ml-2 ${words === null ? 'soft' : 'font-semibold text-primary'}`}>
    <Figure>{words ?? 'the same'}</Figure>
  </span>
);

const EvenCell = ({ even }: { even: Unevenness | null }) => (
  <span className="figure py-0.5" data-testid="unevenness" aria-busy={even === null}>
    {even === null ? (
      <span className="soft">…</span>
    ) : 'says' in even ? (
      <span className="soft">{even.says}</span>
    ) : (
      <strong>
        {bare('unevenness', even.band[0])} to {bare('unevenness', even.band[1])}
      </strong>
    )}
  </span>
);

function StagesCell({ weighing, base }: { weighing: Weighing; base: Exclude<Weighing, { says: string }> | null }) {
  if ('says' in weighing) return <p className="self-start py-1 text-error">Cannot be planned: {weighing.says}</p>;
  if (!base)
    return (
      <ul className="self-start py-1" data-testid="stages">
        {weighing.weighed.stages.map(({ stage, name, answer }) => (
          <li key={stage}>
            <span className="soft">{name}</span>{' '}
            <span className="figure">
              <Figure>{answer}</Figure>
            </span>
          </li>
        ))}
      </ul>
    );
  const differs = stageDifferences(base.weighed, weighing.weighed);
  if (differs.length === 0) return <p className="soft self-start py-1">nothing changes</p>;
  return (
    <ul className="self-start py-1" data-testid="stages">
      {differs.map(({ stage, name, answer, was, graver, lighter }) => (
        <li key={stage} className="pb-1">
          <span className="soft">{name}</span>{' '}
          <span className="figure font-semibold">
            <Figure>{answer === was.answer ? 'as before' : answer}</Figure>
          </span>
          {graver.map((one) => (
            <VerdictLine key={one.id} one={one} />
          ))}
          {lighter.map((one) => (
            <VerdictLine key={one.id} one={one} />
          ))}
        </li>
      ))}
    </ul>
  );
}

const LEVEL_INK = { good: 'text-success', watch: 'text-warning', stop: 'text-error' };

const VerdictLine = ({ one }: { one: Verdict }) => (
  <p className="text-[13px] leading-[17px]">
    <strong className={LEVEL_INK[one.level]}>{one.level}</strong> {one.level === 'good' ? one.about : one.says}
  </p>
);
