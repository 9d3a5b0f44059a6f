/* When to look: the checks of a route at the very steps they come before, and the places one jumps to. */
import { byId } from '../house/schools';
import type { SideWords } from '../job/sideWords';
import { type RoutePlan, type RouteStep } from './routeSteps';
import { ROUTES, type Route, type RouteId } from './routes';

/**
 * Checks by the number of the step they come before.
 *
 * A check of a pass without a step so far out comes before the next pass.
 */
export function checksBefore({ steps }: RoutePlan, routeId: RouteId): Map<number, string[]> {
  const route: Route = byId(ROUTES, routeId);
  const reach = Math.max(0, ...steps.map((step) => Math.abs(step.offsetMm)));
  const own = (side: RouteStep['side']) =>
    Math.max(1, ...steps.filter((one) => one.side === side).map((one) => Math.abs(one.offsetMm)));
  const before = new Map<number, string[]>([[1, ['The frame lies on the grain, margins as planned.']]]);
  for (const { pass, part, says } of route.checks) {
    const first =
      steps.find((step) => step.pass === pass && Math.abs(step.offsetMm) >= part * own(step.side) - 1e-6 && reach > 0) ??
      steps.find((step) => step.pass > pass);
    if (first) before.set(first.order, [...(before.get(first.order) ?? []), says]);
  }
  return before;
}

export interface Landmark {
  order: number;
  name: string;
}

const TAKES: Record<RouteStep['take'], string> = {
  middle: 'middles',
  outward: 'outward',
  halving: 'halving',
  temporary: 'what holds for the time being',
  corner: 'corners',
};

/** Where one jumps to along a route: the start of every pass, and each corner. */
export function landmarks({ steps }: RoutePlan, say: SideWords): Landmark[] {
  const passes = steps.filter((step, index) => index === 0 || steps[index - 1]!.pass !== step.pass);
  const corners = steps.filter((step) => step.take === 'corner' && step.act === 'fix');
  const cornerName = ({ side, offsetMm }: RouteStep) => `corner ${say.side(side)} ${say.end(side, offsetMm < 0 ? 0 : 1)}`;
  return [
    ...passes
      .filter((step) => step.take !== 'corner')
      .map((step) => ({ order: step.order, name: `${TAKES[step.take]}, from ${step.order}` })),
    ...corners.map((step) => ({ order: step.order, name: `${cornerName(step)}, ${step.order}` })),
  ];
}
