import type { TAP_TASKS } from './tapTasks';
import { type TaskClient, taskClient } from './taskClient';

export type TapWorker = TaskClient<typeof TAP_TASKS>;

/** The worker that reads taps, in the browser. */
export const tapWorker = (): TapWorker =>
  taskClient<typeof TAP_TASKS>(
    () => new Worker(new URL('./tap.worker.ts', import.meta.url), { type: 'module', name: 'tap' }) as never,
  );
