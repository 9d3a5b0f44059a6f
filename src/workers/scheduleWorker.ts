import type { SCHEDULE_TASKS } from './scheduleTasks';
import { type TaskClient, taskClient } from './taskClient';

export type ScheduleWorker = TaskClient<typeof SCHEDULE_TASKS>;

/** The worker that plans the days, in the browser. */
export const scheduleWorker = (): ScheduleWorker =>
  taskClient<typeof SCHEDULE_TASKS>(
    () => new Worker(new URL('./schedule.worker.ts', import.meta.url), { type: 'module', name: 'schedule' }) as never,
  );
