import { serveTasks } from './serveTasks';
import { TAP_TASKS } from './tapTasks';

serveTasks(globalThis as never, TAP_TASKS);
