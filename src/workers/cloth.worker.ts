import { CLOTH_TASKS } from './clothTasks';
import { serveTasks } from './serveTasks';

serveTasks(globalThis as never, CLOTH_TASKS);
