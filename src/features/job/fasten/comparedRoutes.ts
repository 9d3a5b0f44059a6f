/* Every route of this very frame beside the others: its steps, what it takes of hands and feet, and in what time. */
import type { Handwork, RoutePlan } from '@/core/fasten/routeSteps';
import { ROUTES, type Route, type RouteId } from '@/core/fasten/routes';
import type { HouseRules } from '@/core/house/houseRules';
import type { Plan } from '@/core/case/planJob';
import type { JobInputs } from '@/core/job/job';
import { jobRoute } from '@/core/stages/fasten/jobRoute';
import { routeHandwork, squeezed } from '@/core/stages/fasten/planFasten';

export interface ComparedRoute {
  row: Route<RouteId>;
  route: RoutePlan;
  hands: Handwork;
  /** As the records went, like the time of the route itself. */
  minutes: number;
}

export function comparedRoutes(inputs: JobInputs, plan: Plan, rules: HouseRules): ComparedRoute[] {
  const face = { widthMm: inputs.brief.width.mm, heightMm: inputs.brief.height.mm };
  const pace = plan.fasten.hands.minutes / routeHandwork(plan.fasten.route, face, rules).minutes;
  return ROUTES.map((row): ComparedRoute => {
    const route = row.id === inputs.fasten.route ? plan.fasten.route : jobRoute(inputs, rules, row.id);
    const hands = squeezed(routeHandwork(route, face, rules), route, plan.fasten.seen);
    return { row, route, hands, minutes: hands.minutes * pace };
  });
}
