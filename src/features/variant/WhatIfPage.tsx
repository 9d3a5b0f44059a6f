'use client';
/* What if: other make-ups of a job beside the one that stands, and what follows when one quantity is moved. */
import Link from 'next/link';
import { useMemo } from 'react';
import { caseOf, type HouseLessons } from '@/core/case/jobCase';
import { type PriceList, pricesOf } from '@/core/cost/bill';
import type { JobInputs } from '@/core/job/job';
import { weighVariant } from '@/core/variant/weighedVariant';
import type { StoredVariant } from '@/db/jobVariants';
import type { JobWithLog } from '@/server/job/jobReading';
import { printSize } from '@/core/units/length';
import { FormScope } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import { QuantityView } from './QuantityView';
import { VariantsView } from './VariantsView';
import type { Weighing } from './weighing';

interface WhatIfPageProps {
  found: JobWithLog;
  variants: StoredVariant[];
  prices: PriceList;
  lessons: HouseLessons;
  view: 'variants' | 'quantity';
  nowMs: number;
}

const VIEWS = [
  { id: 'variants', name: 'Side by side' },
  { id: 'quantity', name: 'One quantity moved' },
] as const;

export function WhatIfPage({ found, variants, prices, lessons, view, nowMs }: WhatIfPageProps) {
  const { rules, tape } = useWorkshop();
  const { job, log } = found;
  const { brief } = job.inputs;
  const weigh = useMemo(() => {
    const known = pricesOf(prices);
    return (inputs: JobInputs): Weighing => {
      try {
        const here = caseOf({ inputs }, log, { rules, tape, lessons }, nowMs);
        return { here, weighed: weighVariant(here, known, nowMs) };
      } catch (error) {
        return { says: (error as Error).message };
      }
    };
  }, [prices, log, rules, tape, lessons, nowMs]);
  return (
    <FormScope>
      <main className="flex min-h-0 flex-1 flex-col">
        <header className="hair-b flex flex-wrap items-center gap-x-5 gap-y-1 px-5 py-2">
          <h1 className="line-clamp-1 text-[22px] leading-7 font-semibold">
            What if:{' '}
            <Link href={`/job/${job.id}`} prefetch={false} className="link link-hover">
              {brief.title}
            </Link>
          </h1>
          <p className="figure soft text-[14.5px]">
            No. {job.number} · <Figure>{printSize(brief.width.mm, brief.height.mm, tape)}</Figure>
          </p>
          <nav aria-label="Views of what if" className="no-print ml-auto flex gap-5 text-[15px]">
            {VIEWS.map(({ id, name }) => (
              <Link
                key={id}
                href={`/job/${job.id}/whatif?view=${id}`}
                prefetch={false}
                aria-current={id === view ? 'page' : undefined}
                className={`border-b-[3px] py-1 ${id === view ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
              >
                {name}
              </Link>
            ))}
          </nav>
        </header>
        {view === 'variants' ? (
          <VariantsView job={job} first={variants} weigh={weigh} noise={lessons.handNoise} />
        ) : (
          <QuantityView inputs={job.inputs} weigh={weigh} />
        )}
      </main>
    </FormScope>
  );
}
