'use client';
/* Every route on this very frame, side by side: what hands and feet give, and what the simulated cloth says of each. */
import { bare, printed } from '@/core/quantities/printed';
import { useMemo } from 'react';
import type { RouteRun } from '@/core/fasten/membrane/simulateRoute';
import { ROUTES } from '@/core/fasten/routes';
import type { HandNoise } from '@/core/fasten/hand';
import { noiseOf } from '@/core/stages/fasten/pullPlan';
import type { JobInputs } from '@/core/job/job';
import type { HouseLessons } from '@/core/case/jobCase';
import { PulledRoutes } from './PulledRoutes';
import { type FastenInputs, takenRoute } from '@/core/stages/fasten/fastenInputs';
import { bandsMeet, handBand } from '@/core/stages/fasten/clothRunVerdicts';
import type { Plan } from '@/core/case/planJob';
import { MODEL_LIMITS } from '@/core/stages/fasten/stapleModel';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { MembraneWorker } from '@/workers/membraneWorker';
import { HANDS, clothKey } from './clothKey';
import { comparedRoutes } from './comparedRoutes';
import { HAND_SEED } from './useMembraneRun';
import { useTaskAnswer } from './useTaskAnswer';

interface CompareRoutesProps {
  inputs: JobInputs;
  plan: Plan;
  locked: boolean;
  worker: () => MembraneWorker;
  lessons: HouseLessons;
  change: (patch: Partial<FastenInputs>) => void;
}

const NO_RUNS: (RouteRun | null)[] = ROUTES.map(() => null);

const COUNTS = ['fasteners', 'turns', 'walk, m', 'squeezes', 'pulls'];

export function CompareRoutes({ inputs, plan, locked, worker, lessons, change }: CompareRoutesProps) {
  const { rules } = useWorkshop();
  const { fasten } = inputs;
  // Worked out once: the runs come in one by one.
  const compared = useMemo(() => comparedRoutes(inputs, plan, rules), [inputs, plan, rules]);
  const { runs, error } = useRouteRuns(worker, inputs, lessons.handNoise);
  const best = runs.reduce<RouteRun | null>(
    (a, b) => (b && b.doubt === null && (!a || handBand(b)[0] < handBand(a)[0]) ? b : a),
    null,
  );
  return (
    <>
      {error && (
        <p role="alert" className="text-error">
          {error}
        </p>
      )}
      <table className="figure w-full text-[14px]">
        <thead className="soft text-left text-[13px]">
          <tr className="hair-b">
            <th className="font-normal">route</th>
            {COUNTS.map((name) => (
              <th key={name} className="text-right font-normal">
                {name}
              </th>
            ))}
            <th className="text-right font-normal">about</th>
            <th className="pl-4 font-normal">unevenness, by hand</th>
            <th className="text-right font-normal">slack</th>
          </tr>
        </thead>
        <tbody>
          {compared.map(({ row, route, hands, minutes }, index) => {
            return (
              <tr
                key={row.id}
                title={`${row.suits}; ${row.trades}`}
                className={`hair-b ${row.id === fasten.route ? 'font-semibold text-primary' : ''}`}
              >
                <td>
                  <button
                    type="button"
                    aria-pressed={row.id === fasten.route}
                    disabled={locked}
                    className="cursor-pointer text-left whitespace-nowrap underline-offset-2 hover:underline disabled:cursor-default disabled:no-underline"
                    onClick={() => change(takenRoute(row.id))}
                  >
                    {row.name}
                  </button>
                </td>
                {[route.fasteners, hands.turns, Math.round(hands.walkM), hands.squeezes, hands.pulls].map((count, column) => (
                  <td key={column} className="text-right">
                    {count}
                  </td>
                ))}
                <td className="text-right whitespace-nowrap">{printed('handTime', minutes)}</td>
                <RunCells run={runs[index] ?? null} best={best} all={runs.every((run) => run !== null)} />
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="soft mt-1 text-[13px]">
        Unevenness is the spread of tension from fastener to fastener, for twelve hands that vary by{' '}
        {printed('percent', 100 * noiseOf(rules, lessons.handNoise))} from pull to pull; a fastener that would push counts as
        holding nothing. Bands that meet tell no difference. {MODEL_LIMITS}
      </p>
      <PulledRoutes inputs={inputs} compared={compared} worker={worker} noise={lessons.handNoise} />
    </>
  );
}

function RunCells({ run, best, all }: { run: RouteRun | null; best: RouteRun | null; all: boolean }) {
  if (!run)
    return (
      <td colSpan={2} className="soft pl-4" aria-busy="true">
        …
      </td>
    );
  if (run.doubt !== null)
    return (
      <td colSpan={2} className="soft pl-4">
        the model tells nothing here
      </td>
    );
  const band = handBand(run);
  const words = !all || !best ? '' : run === best ? 'most even' : bandsMeet(band, handBand(best)) ? 'no difference' : 'less even';
  const { pushing } = run.end;
  return (
    <>
      <td className="pl-4 whitespace-nowrap">
        {bare('unevenness', band[0])} to {bare('unevenness', band[1])}{' '}
        <span className="soft font-normal">
          {words}
          {pushing > 0 && `${words && ', '}${pushing} ${pushing === 1 ? 'holds' : 'hold'} nothing`}
        </span>
      </td>
      <td className="text-right whitespace-nowrap">{printed('slackShare', run.end.slackShare)}</td>
    </>
  );
}

/** Every route on the simulated cloth, each as it is done; null where it is still worked out. */
function useRouteRuns(worker: () => MembraneWorker, inputs: JobInputs, noise: HandNoise | null) {
  const { rules } = useWorkshop();
  const key = clothKey({ ...inputs, fasten: { ...inputs.fasten, route: 'compass' } }, rules, noise);
  const { answer, fresh, error } = useTaskAnswer<(RouteRun | null)[]>(key, async (show, signal) => {
    const runs = [...NO_RUNS];
    await worker().run(
      'routes',
      { inputs, rules, routes: ROUTES.map(({ id }) => id), hands: HANDS, noise: noiseOf(rules, noise), seed: HAND_SEED },
      {
        signal,
        onProgress: ({ index, run }) => {
          runs[index] = run;
          show([...runs]);
        },
      },
    );
  });
  return { runs: fresh ? answer! : NO_RUNS, error };
}
