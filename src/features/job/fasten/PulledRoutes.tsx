'use client';
/* Every route with pulls of its own, beside what is taught: how even, how slack, how far it drifts, and in what time. */
import { bare, printed } from '@/core/quantities/printed';
import type { HandNoise } from '@/core/fasten/hand';
import { ROUTES } from '@/core/fasten/routes';
import type { JobInputs } from '@/core/job/job';
import { handBand } from '@/core/stages/fasten/clothRunVerdicts';
import { WITHIN_THE_BAND } from '@/core/stages/fasten/pullVerdicts';
import { printFine } from '@/core/units/length';
import { Figure } from '@/ui/drawing/Figure';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { PulledRoute } from '@/workers/membraneTasks';
import type { MembraneWorker } from '@/workers/membraneWorker';
import type { ComparedRoute } from './comparedRoutes';
import { HANDS, clothKey } from './clothKey';
import { EvennessChart } from './EvennessChart';
import { HAND_SEED } from './useMembraneRun';
import { pullsRequest } from './usePullPlan';
import { useTaskAnswer } from './useTaskAnswer';

interface PulledRoutesProps {
  inputs: JobInputs;
  compared: readonly ComparedRoute[];
  worker: () => MembraneWorker;
  noise: HandNoise | null;
}

/** Asked after the runs as taught, which are there sooner. */
const AFTER_RUNS_MS = 200;

const NOTHING: (PulledRoute | null)[] = ROUTES.map(() => null);

export function PulledRoutes({ inputs, compared, worker, noise }: PulledRoutesProps) {
  const { rules, tape } = useWorkshop();
  const { done, error } = useRoutePulls(worker, inputs, noise);
  const rows = compared.map(({ row, minutes }, index) => ({ row, mark: String(index + 1), pulled: done[index]!, minutes }));
  const told = rows.flatMap(({ row, mark, pulled, minutes }) =>
    pulled?.plan && pulled.run.doubt === null
      ? [
          {
            id: row.id,
            mark,
            minutes,
            taught: pulled.plan.taught.expected,
            worked: pulled.plan.worked.expected,
            chosen: row.id === inputs.fasten.route,
          },
        ]
      : [],
  );
  const floor = Math.min(...done.flatMap((one) => (one?.plan ? [one.plan.floor] : [])));
  const mostEven = Math.min(...told.map(({ worked }) => worked));
  const asEven = told.filter(({ worked }) => worked - mostEven <= WITHIN_THE_BAND);
  const busy = done.some((one) => one === null);
  const quick = told.find(({ id }) => id === 'quick');
  return (
    <section aria-label="Routes with pulls of their own" aria-busy={busy && !error} className="mt-3 space-y-2">
      <h3 className="text-[15px] font-semibold">With pulls of its own, each</h3>
      {error && (
        <p role="alert" className="text-error">
          {error}
        </p>
      )}
      <div className="grid gap-x-6 gap-y-2 md:grid-cols-[1fr_1.35fr]">
        {told.length > 1 ? <EvennessChart points={told} floor={floor} /> : <p className="soft">Working out pulls …</p>}
        <table className="figure h-fit w-full text-[14px] [&_td]:py-0.5 [&_td]:pr-2 [&_th]:pr-2">
          <thead className="soft text-left text-[13px]">
            <tr className="hair-b">
              <th className="font-normal">route</th>
              <th className="text-right font-normal">about</th>
              <th className="text-right font-normal">as taught</th>
              <th className="text-right font-normal">with pulls</th>
              <th className="text-right font-normal">slack</th>
              <th className="text-right font-normal">drift</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ row, mark, pulled, minutes }) => (
              <tr key={row.id} className={`hair-b ${row.id === inputs.fasten.route ? 'font-semibold text-primary' : ''}`}>
                <td>
                  {mark} {row.name}
                </td>
                <td className="text-right whitespace-nowrap">{printed('handTime', minutes)}</td>
                {pulled?.plan && pulled.run.doubt === null ? (
                  <>
                    <td className="text-right">{bare('unevenness', pulled.plan.taught.expected)}</td>
                    <td className="text-right whitespace-nowrap">
                      {bare('unevenness', handBand(pulled.run)[0])} to {bare('unevenness', handBand(pulled.run)[1])}
                    </td>
                    <td className="text-right whitespace-nowrap">{printed('slackShare', pulled.run.end.slackShare)}</td>
                    <td className="text-right whitespace-nowrap">
                      <Figure>{printFine(Math.round(Math.hypot(pulled.plan.drift.xMm, pulled.plan.drift.yMm)), tape)}</Figure>
                    </td>
                  </>
                ) : (
                  <td colSpan={4} className="soft text-right">
                    {pulled ? 'the model tells nothing here' : '…'}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {!busy && told.length > 0 && (
        <p className="text-[14px]">
          With your hands ({printed('percent', 100 * pullsRequest(inputs, rules, noise).bounds.noise)} from pull to pull) no order
          tried comes under <strong className="figure">{bare('unevenness', floor)}</strong>. With its pulls {asEven.length} of{' '}
          {told.length} end within {bare('unevenness', WITHIN_THE_BAND)} of the most even: among{' '}
          {asEven.map(({ mark }) => mark).join(', ')} minutes decide. The quick one only with its list: as taught it ends at{' '}
          {quick ? bare('unevenness', quick.taught) : 'what the model does not tell'}. ○ as taught, ● with its pulls; a search, no
          proof.
        </p>
      )}
    </section>
  );
}

/** Pulls of every route, each as it is done; null where it is still worked out. */
function useRoutePulls(worker: () => MembraneWorker, inputs: JobInputs, noise: HandNoise | null) {
  const { rules } = useWorkshop();
  const plain = { ...inputs.fasten, route: 'compass' as const, pulls: 'taught' as const };
  const key = clothKey({ ...inputs, fasten: plain }, rules, noise);
  const { answer, fresh, error } = useTaskAnswer<(PulledRoute | null)[]>(
    key,
    async (show, signal) => {
      const done = [...NOTHING];
      await worker().run(
        'routePulls',
        { ...pullsRequest(inputs, rules, noise), routes: ROUTES.map(({ id }) => id), hands: HANDS, seed: HAND_SEED },
        {
          signal,
          onProgress: ({ index, pulled }) => {
            done[index] = pulled;
            show([...done]);
          },
        },
      );
    },
    AFTER_RUNS_MS,
  );
  return { done: fresh ? answer! : NOTHING, error };
}
