import type { CLOTH_TASKS } from './clothTasks';
import { type TaskClient, taskClient } from './taskClient';

export type ClothWorker = TaskClient<typeof CLOTH_TASKS>;

/** The worker that lays cloth, in the browser. */
export const clothWorker = (): ClothWorker =>
  taskClient<typeof CLOTH_TASKS>(
    () => new Worker(new URL('./cloth.worker.ts', import.meta.url), { type: 'module', name: 'cloth' }) as never,
  );
