import { MEMBRANE_TASKS } from './membraneTasks';
import { serveTasks } from './serveTasks';

serveTasks(globalThis as never, MEMBRANE_TASKS);
