'use client';
/* The list of pulls: the short form for the head, and which numbers of the route take which pull. */
import { bare, printed } from '@/core/quantities/printed';
import { type Hand, feelWords } from '@/core/fasten/hand';
import { type PullPlan, runsOf, shortForm, stepsByPull } from '@/core/stages/fasten/pullPlan';

export function PullList({ plan, hand }: { plan: PullPlan; hand: Hand | null }) {
  return (
    <>
      {plan.short ? (
        <p className="text-[15px]">
          In short: <strong>{shortForm(plan.pulls)}</strong>
          <span className="soft"> (uneven by {bare('unevenness', plan.short.expected)})</span>
        </p>
      ) : (
        <p className="soft text-[15px]">
          No short form: four pulls and one for all others would end no more even than as taught.
        </p>
      )}
      <table className="figure mt-1 w-full text-[14.5px] [&_td]:py-0.5 [&_td]:pr-3 [&_th]:pr-3">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">pull</th>
            <th className="font-normal whitespace-nowrap">feels like</th>
            <th className="font-normal">at number</th>
          </tr>
        </thead>
        <tbody>
          {stepsByPull(plan.pulls).map(({ pullN, orders }) => (
            <tr key={pullN} className="hair-b align-top">
              <td className="font-semibold whitespace-nowrap">{pullN === 0 ? 'laid on' : printed('pull', pullN)}</td>
              <td className="whitespace-nowrap">{pullN === 0 ? '' : feelWords(pullN, hand) || '–'}</td>
              <td>{runsOf(orders)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
