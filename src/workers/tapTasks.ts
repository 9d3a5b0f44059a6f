import { analyseTaps } from '@/core/tension/tap/analyseTaps';

/** What the tap worker does. */
export const TAP_TASKS = { analyse: analyseTaps };
