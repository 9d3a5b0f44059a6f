'use client';
import { printedIn } from '@/core/quantities/printed';
import { CircleCheck, OctagonX, TriangleAlert } from 'lucide-react';
import { assumption } from '@/core/house/assumptions';
import { assumed } from '@/core/house/houseRules';
import type { Level, Verdict } from '@/core/job/verdict';
import { Figure } from './drawing/Figure';
import { useWorkshop } from './WorkshopContext';

const SIGNS = { good: CircleCheck, watch: TriangleAlert, stop: OctagonX };
const WORDS: Record<Level, string> = { good: 'Good', watch: 'Watch', stop: 'Stop' };
const INKS: Record<Level, string> = { good: 'text-success', watch: 'text-warning', stop: 'text-error' };
const ORDER: Level[] = ['stop', 'watch', 'good'];

/** Verdicts, gravest first; each opens to its numbers, reason and assumptions. */
export function VerdictList({ verdicts }: { verdicts: readonly Verdict[] }) {
  const sorted = ORDER.flatMap((level) => verdicts.filter((one) => one.level === level));
  return (
    <ul className="hair-t" data-testid="verdicts">
      {sorted.map((one) => (
        <VerdictRow key={one.id} verdict={one} />
      ))}
    </ul>
  );
}

function VerdictRow({ verdict }: { verdict: Verdict }) {
  const Sign = SIGNS[verdict.level];
  return (
    <li className="hair-b" data-level={verdict.level}>
      <details>
        <summary className="flex cursor-pointer list-none gap-2 py-1.5 leading-5 [&::-webkit-details-marker]:hidden">
          <Sign aria-hidden className={`mt-0.5 size-4 shrink-0 ${INKS[verdict.level]}`} />
          <span className="min-w-0">
            <span className={`font-semibold ${INKS[verdict.level]} ${verdict.level === 'good' ? 'sr-only' : ''}`}>
              {WORDS[verdict.level]}.{' '}
            </span>
            <Figure>{verdict.says}</Figure>
            {verdict.doThis && (
              <span className="soft block text-[13.5px]">
                <Figure>{verdict.doThis}</Figure>
              </span>
            )}
          </span>
        </summary>
        <VerdictReason verdict={verdict} />
      </details>
    </li>
  );
}

function VerdictReason({ verdict }: { verdict: Verdict }) {
  const { rules, tape } = useWorkshop();
  return (
    <div className="soft space-y-1 pb-2 pl-6 text-[13.5px] leading-5">
      {verdict.because && (
        <p>
          <Figure>{verdict.because}</Figure>
        </p>
      )}
      {verdict.measured !== null && (
        <p className="figure">
          <Figure>{printedIn(verdict.unit, verdict.measured, tape)}</Figure>
          {verdict.limit !== null && (
            <>
              , limit <Figure>{printedIn(verdict.unit, verdict.limit, tape)}</Figure>
            </>
          )}
        </p>
      )}
      {verdict.uses.map((id) => (
        <p key={id} className="figure">
          {assumption(id).label}: <Figure>{printedIn(assumption(id).unit, assumed(rules, id), tape)}</Figure>{' '}
          <a className="link link-primary" href={`/rules#${id}`}>
            change
          </a>
        </p>
      ))}
    </div>
  );
}
