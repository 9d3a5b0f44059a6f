'use client';
/* Several frames, one plan: what to pick from the rack, what to buy, and how to saw it, to scale. */
import { printFine, printLength, printNumber, printSize } from '@/core/units/length';
import { useRouter } from 'next/navigation';
import { useOptimistic, useState, useTransition } from 'react';
import { type BuyingPlan, type SectionPlan, orderTotals } from '@/core/frame/sawing/buyingPlan';
import type { SawnBar } from '@/core/frame/sawing/cutTimber';
import { profileOf } from '@/core/house/materials';
import { assumed } from '@/core/house/houseRules';
import { sawPlanVerdicts } from '@/core/stages/bars/sawPlanVerdicts';
import { braceWords } from '@/core/stages/bars/braceWords';
import { printMoney } from '@/core/units/money';
import type { Series } from '@/server/rack/rackWrites';
import { Tick } from '@/ui/form/fields';
import { FormScope } from '@/ui/form/Form';
import { Figure } from '@/ui/drawing/Figure';
import { VerdictList } from '@/ui/VerdictList';
import { useWorkshop } from '@/ui/WorkshopContext';
import { refusalOf } from '../refusalWords';
import { useSend } from '../useSend';

export function SeriesView({ series }: { series: Series }) {
  const { rules, tape, maker } = useWorkshop();
  const router = useRouter();
  const send = useSend();
  const [error, setError] = useState<string | null>(null);
  const { plan, jobs } = series;
  // A tick answers at once; the plan follows from the server.
  const [chosen, tick] = useOptimistic(series.chosen);
  const [planning, startPlanning] = useTransition();
  const choose = (ids: string[]) =>
    startPlanning(() => {
      tick(ids);
      router.replace(`/bars?view=series${ids.map((id) => `&job=${encodeURIComponent(id)}`).join('')}`, { scroll: false });
    });
  const toggle = (id: string, on: boolean) => choose(on ? [...chosen, id] : chosen.filter((one) => one !== id));
  const record = async () => {
    const refusal = refusalOf(await send('recordCuts', { jobIds: chosen, seen: series.seen, maker }));
    setError(refusal);
    if (refusal === null) router.replace('/bars?view=rack');
  };
  const free = jobs.filter((job) => !job.sawn);
  return (
    <FormScope>
      <div className="grid min-h-0 flex-1 grid-cols-1 bench:grid-cols-[minmax(0,1fr)_372px]">
        <div className="relative min-h-0 overflow-y-auto bg-base-200 px-5 py-3">
          {!plan && (
            <p className="soft max-w-prose py-6">
              Tick the jobs whose frames are to be made together: a triptych, a series, a week’s work.
            </p>
          )}
          {plan && (
            <div className="draw space-y-4" data-testid="saw-plan">
              {plan.sections.map((section) => (
                <SawPlan key={`${section.profile} ${section.kind}`} section={section} />
              ))}
              {plan.sections.length > 0 && (
                <p className="soft text-[13px]">
                  Saw from the left; <Figure>{printFine(assumed(rules, 'kerf'), tape)}</Figure> a cut. Guard on, push stick near
                  the blade, eye and ear protection; local rules come first.
                </p>
              )}
              {plan.picks.length > 1 && <OrderTotals plan={plan} />}
              {plan.picks.map(({ whose, list }) => (
                <section key={whose} aria-label={`Pick list, ${whose}`}>
                  <h2 className="text-[15px] font-semibold">
                    {whose} <span className="soft font-normal">slotted bars, {list.family}</span>
                  </h2>
                  <table className="figure w-full max-w-xl text-[14px]">
                    <thead className="soft text-left text-[13px]">
                      <tr className="hair-b">
                        <th className="font-normal">length</th>
                        <th className="text-right font-normal">wanted</th>
                        <th className="text-right font-normal">from the rack</th>
                        <th className="text-right font-normal">order</th>
                      </tr>
                    </thead>
                    <tbody>
                      {list.lines.map((line) => (
                        <tr key={line.lengthMm} className="hair-b">
                          <td className="font-semibold">
                            <Figure>{printLength(line.lengthMm, tape)}</Figure>
                          </td>
                          <td className="text-right">{line.wanted}</td>
                          <td className="text-right">{line.fromRack || '–'}</td>
                          <td className="text-right font-semibold">{line.order || '–'}</td>
                        </tr>
                      ))}
                    </tbody>
                  </table>
                </section>
              ))}
            </div>
          )}
        </div>
        <section
          aria-label="Plan"
          className="flex min-h-0 flex-col gap-2 bg-base-100 px-5 py-3 bench:border-l bench:border-[var(--hair)]"
        >
          <div>
            <h2 className="soft text-[14px] font-normal">
              {chosen.length === 1 ? 'One frame' : `${chosen.length} frames`}, wood to buy
            </h2>
            <p className="figure text-[34px] leading-10 font-semibold" data-testid="answer">
              {plan ? (plan.priceMinor === null ? 'no price' : printMoney(plan.priceMinor, rules.currency)) : '–'}
            </p>
            <p className="figure soft text-[14.5px] leading-5">
              {plan &&
                plan.sections.length > 0 &&
                (plan.proven ? 'proven: no cheaper way over these lengths' : boundWords(plan.sections, rules.currency))}
            </p>
          </div>
          <div className="relative min-h-0 flex-1 space-y-3 overflow-y-auto">
            <fieldset className="no-print">
              <legend className="soft text-[13px]">Frames still to be built</legend>
              {jobs.map((job) => (
                <Tick
                  key={job.id}
                  checked={chosen.includes(job.id)}
                  onChange={(on) => toggle(job.id, on)}
                  disabled={job.sawn}
                  label={
                    <>
                      <strong>No. {job.number}</strong> {job.title}
                      <span className="figure soft block text-[13px]">
                        <Figure>{printSize(job.widthMm, job.heightMm, tape)}</Figure>,{' '}
                        {profileOf(rules, job.profile).name.toLowerCase()}, {braceWords(job)}
                        {job.sawn ? '; sawn already' : ''}
                      </span>
                    </>
                  }
                />
              ))}
              {jobs.length === 0 && <p className="soft">Every frame is built. Start a canvas on the bench.</p>}
              {free.length > 1 && (
                <button type="button" className="btn btn-ghost btn-sm -ml-2" onClick={() => choose(free.map((job) => job.id))}>
                  All of them
                </button>
              )}
            </fieldset>
            {plan && <VerdictList verdicts={sawPlanVerdicts(plan, rules, tape)} />}
          </div>
          {error && (
            <p role="alert" className="text-[14px] text-error">
              {error}
            </p>
          )}
          <div className="no-print flex gap-2">
            <button type="button" className="btn btn-outline h-11" onClick={() => window.print()} disabled={!plan}>
              Print
            </button>
            <button
              type="button"
              className="btn btn-primary h-11 flex-1 text-base"
              disabled={planning || !plan || plan.priceMinor === null}
              onClick={() => void record()}
            >
              Record: sawn and picked
            </button>
          </div>
        </section>
      </div>
    </FormScope>
  );
}

/** All that is ordered, added up: what to say at the counter. */
function OrderTotals({ plan }: { plan: BuyingPlan }) {
  const { rules, tape } = useWorkshop();
  const totals = orderTotals(plan);
  if (totals.length === 0) return null;
  return (
    <section aria-label="To order in all">
      <h2 className="text-[15px] font-semibold">To order in all</h2>
      <p className="figure text-[14px]">
        {totals.map(({ profile, lengthMm, bars }) => (
          <span key={`${profile} ${lengthMm}`} className="mr-4 inline-block">
            <strong>
              {bars} × <Figure>{printLength(lengthMm, tape)}</Figure>
            </strong>{' '}
            {profileOf(rules, profile).name.toLowerCase()}
          </span>
        ))}
      </p>
    </section>
  );
}

function boundWords(sections: readonly SectionPlan[], currency: string): string {
  const sum = (of: 'priceMinor' | 'lowestPriceMinor') =>
    sections.reduce((total, { result }) => total + (result.kind === 'plan' ? result[of] : 0), 0);
  return `best found; the sawn part cannot cost less than ${printMoney(sum('lowestPriceMinor'), currency)} of its ${printMoney(sum('priceMinor'), currency)}`;
}

/** One section’s bars to scale: parts, saw cuts, what is left. */
function SawPlan({ section }: { section: SectionPlan }) {
  const { rules, tape } = useWorkshop();
  const profile = profileOf(rules, section.profile);
  const { result } = section;
  if (result.kind !== 'plan') return null;
  const longest = Math.max(...result.bars.map((bar) => bar.stock.lengthMm));
  return (
    <section aria-label={`Saw plan, ${profile.name}`}>
      <h2 className="text-[15px] font-semibold">
        {section.kind === 'brace' ? `Braces of the ${profile.name.toLowerCase()}` : profile.name}{' '}
        <span className="figure soft font-normal">
          {printNumber(section.section.widthMm, tape)} × {printNumber(section.section.depthMm, tape)} {tape.unit},{' '}
          {section.parts.length} parts out of {result.bars.length === 1 ? 'one length' : `${result.bars.length} lengths`}
          {result.proven ? ', proven' : ''}
        </span>
      </h2>
      <ul className="mt-1 space-y-1.5">
        {result.bars.map((bar, index) => (
          <li key={index} className="grid grid-cols-[minmax(0,1fr)] gap-x-3 sm:grid-cols-[112px_minmax(0,1fr)]">
            <span className="figure text-[13.5px] leading-4">
              <strong>
                <Figure>{printLength(bar.stock.lengthMm, tape)}</Figure>
              </strong>
              <span className="soft block">
                {bar.stock.available === null ? `new, ${printMoney(bar.stock.priceMinor, rules.currency)}` : 'from the rack'}
              </span>
            </span>
            <SawnBarDrawing bar={bar} longestMm={longest} kerfMm={assumed(rules, 'kerf')} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function SawnBarDrawing({ bar, longestMm, kerfMm }: { bar: SawnBar; longestMm: number; kerfMm: number }) {
  const { tape } = useWorkshop();
  const share = (mm: number) => `${(100 * mm) / longestMm}%`;
  const says = `${bar.parts.map((part) => `${part.label} ${printLength(part.lengthMm, tape)}`).join(', ')}; ${printLength(bar.leftoverMm, tape)} left`;
  return (
    <div role="img" aria-label={says} className="flex h-11 min-w-0">
      {bar.parts.map((part, index) => (
        <div
          key={index}
          title={part.label}
          className="figure min-w-0 overflow-hidden border border-[var(--timber-edge)] bg-[var(--sawn)] px-1 text-[13px] leading-5 whitespace-nowrap text-[#1c2327]"
          style={{
            width: share(part.lengthMm),
            marginRight: index < bar.parts.length - 1 || bar.leftoverMm > 0 ? share(kerfMm) : 0,
          }}
        >
          <strong className="block">
            <Figure>{printNumber(part.lengthMm, tape)}</Figure>
          </strong>
          {part.label}
        </div>
      ))}
      {bar.leftoverMm > 0 && (
        <div
          className="figure soft min-w-0 overflow-hidden border border-dashed border-[var(--timber-edge)] px-1 text-[13px] leading-10 whitespace-nowrap"
          style={{ width: share(bar.leftoverMm) }}
        >
          {bar.leftoverMm > 0.04 * longestMm && <Figure>{printNumber(bar.leftoverMm, tape)}</Figure>}
        </div>
      )}
    </div>
  );
}
