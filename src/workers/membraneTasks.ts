/* What the membrane worker does: routes carried out on the simulated cloth. A cloth once condensed is kept. */
import { randomLcg, randomNormal } from 'd3-random';
import { type Membrane, condensedMembrane } from '@/core/fasten/membrane/membrane';
import {
  type RouteRun,
  type RunFrame,
  type StapleModel,
  simulateRoute,
  tensionField,
} from '@/core/fasten/membrane/simulateRoute';
import { type SecondLook, type SecondLookOptions, bestRepulls } from '@/core/fasten/membrane/bestRepulls';
import type { PullBounds } from '@/core/fasten/membrane/bestPulls';
import { type PullPlan, pullPlan, pulledModel } from '@/core/stages/fasten/pullPlan';
import type { RouteId } from '@/core/fasten/routes';
import { quietly } from '@/core/toEnd';
import type { HouseRules } from '@/core/house/houseRules';
import type { JobInputs } from '@/core/job/job';
import { stapleModel } from '@/core/stages/fasten/stapleModel';

export interface RunRequest {
  model: StapleModel;
  /** Hands that vary, besides the exact one. */
  hands: number;
  /** How much they vary from pull to pull, as a part of the pull. */
  noise: number;
  seed: number;
}

export interface CompareRequest extends Omit<RunRequest, 'model'> {
  models: StapleModel[];
}

/** Routes of one job, compared: the models are made here, so that the page does not stop for them. */
export interface RoutesRequest extends Omit<CompareRequest, 'models'> {
  inputs: JobInputs;
  rules: HouseRules;
  routes: RouteId[];
}

/** Pulls of a job, worked out for the hands there are. */
export interface PullsRequest {
  inputs: JobInputs;
  rules: HouseRules;
  bounds: PullBounds;
  /** How many different pulls a hand holds. */
  levels: number;
}

/** A route with pulls of its own; `plan` is null where it stretches nothing. */
export interface PulledRoute {
  plan: PullPlan | null;
  run: RouteRun;
}

/** Condensed cloths, the latest last: pulls are worked out on three of each job. */
const kept: { key: string; membrane: Membrane }[] = [];
const MOST_KEPT = 8;

function* membraneOf({ mesh, cloth }: StapleModel): Generator<undefined, Membrane> {
  const key = JSON.stringify([[...mesh.xs], [...mesh.ys], cloth]);
  const known = kept.find((one) => one.key === key);
  if (known) return known.membrane;
  const membrane = yield* condensedMembrane(mesh, cloth);
  kept.push({ key, membrane });
  if (kept.length > MOST_KEPT) kept.shift();
  return membrane;
}

/** Factors of every hand’s pulls, the same for the same seed; never below 0. */
function handFactors({ hands, noise, seed }: Omit<RunRequest, 'model'>, events: number): number[][] {
  const factor = randomNormal.source(randomLcg(seed))(1, noise);
  return Array.from({ length: hands }, () => Array.from({ length: events }, () => Math.max(0, factor())));
}

/** Runs several routes for the same hands; tells each as it is done. */
function* compared(request: CompareRequest): Generator<{ index: number; run: RouteRun } | undefined, RouteRun[]> {
  const runs: RouteRun[] = [];
  for (const [index, model] of request.models.entries()) {
    const membrane = yield* membraneOf(model);
    const run = yield* quietly(simulateRoute(membrane, model, { handFactors: handFactors(request, model.events.length) }));
    runs.push(run);
    yield { index, run };
  }
  return runs;
}

export const MEMBRANE_TASKS = {
  *run(request: RunRequest): Generator<RunFrame | undefined, RouteRun> {
    const { model } = request;
    const membrane = yield* membraneOf(model);
    return yield* simulateRoute(membrane, model, { handFactors: handFactors(request, model.events.length) });
  },

  /** The cloth inside at one step of a run. */
  *field({ model, forcesN }: { model: StapleModel; forcesN: Float64Array }): Generator<undefined, Float32Array> {
    const membrane = yield* membraneOf(model);
    return tensionField(membrane, model.places, forcesN);
  },

  compare: compared,

  *routes({
    inputs,
    rules,
    routes,
    ...rest
  }: RoutesRequest): Generator<{ index: number; run: RouteRun } | undefined, RouteRun[]> {
    const models: StapleModel[] = [];
    for (const route of routes) {
      models.push(stapleModel(inputs, rules, 'play', route));
      yield undefined;
    }
    return yield* compared({ models, ...rest });
  },

  *pulls({ inputs, rules, bounds, levels }: PullsRequest): Generator<undefined, { model: StapleModel; plan: PullPlan | null }> {
    const model = stapleModel(inputs, rules);
    yield undefined;
    return { model, plan: yield* pullPlan((cloth) => membraneOf({ ...model, cloth }), model, bounds, levels) };
  },

  /** Every route with pulls of its own: the list, and the same hands going by it; each as it is done. */
  *routePulls({
    inputs,
    rules,
    routes,
    bounds,
    levels,
    ...rest
  }: Omit<RoutesRequest, 'noise'> & PullsRequest): Generator<{ index: number; pulled: PulledRoute } | undefined, null> {
    for (const [index, route] of routes.entries()) {
      const model = stapleModel(inputs, rules, 'play', route);
      yield undefined;
      const plan = yield* pullPlan((cloth) => membraneOf({ ...model, cloth }), model, bounds, levels);
      const request = { model: plan ? pulledModel(model, plan) : model, noise: bounds.noise, ...rest };
      const [run] = yield* quietly(compared({ ...request, models: [request.model] }));
      yield { index, pulled: { plan, run: run! } };
    }
    return null;
  },

  *repulls({ model, look }: { model: StapleModel; look: SecondLookOptions }): Generator<undefined, SecondLook> {
    const membrane = yield* membraneOf(model);
    return yield* bestRepulls(membrane, model, look);
  },
};
