/* Where the simulated cloth is not worked out. */
import type { RoutePlan } from '../../fasten/routeSteps';

/** Most fasteners that the simulated cloth is worked out for: time grows with their square, memory too. */
export const MOST_ON_CLOTH = 640;

/**
 * Why the simulated cloth is not worked out for a route; null where it is.
 *
 * @example clothRefusal({ fasteners: 396 }) // null
 */
export const clothRefusal = ({ fasteners }: Pick<RoutePlan, 'fasteners'>): string | null =>
  fasteners <= MOST_ON_CLOTH
    ? null
    : `${fasteners} fasteners are too many for the simulated cloth, ${MOST_ON_CLOTH} at the most: set them wider to see it.`;
