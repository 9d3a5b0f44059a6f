import { SCHEDULE_TASKS } from './scheduleTasks';
import { serveTasks } from './serveTasks';

serveTasks(globalThis as never, SCHEDULE_TASKS);
