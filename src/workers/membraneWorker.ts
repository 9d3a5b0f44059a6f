import type { MEMBRANE_TASKS } from './membraneTasks';
import { type TaskClient, taskClient } from './taskClient';

export type MembraneWorker = TaskClient<typeof MEMBRANE_TASKS>;

/** The worker that stretches the simulated cloth, in the browser. */
export const membraneWorker = (): MembraneWorker =>
  taskClient<typeof MEMBRANE_TASKS>(
    () => new Worker(new URL('./membrane.worker.ts', import.meta.url), { type: 'module', name: 'membrane' }) as never,
  );
