import type { FromWorker, Port, Tasks, ToWorker } from './taskProtocol';

/** Steps go on for so long before the port is listened to again, ms. */
const SLICE_MS = 12;

/** Answers requests on a port; several run by turns. */
export function serveTasks(port: Port, tasks: Tasks): void {
  const running = new Map<number, Generator<unknown, unknown>>();
  const say = (message: FromWorker) => port.postMessage(message as never);
  const goOn = (id: number) => {
    const steps = running.get(id);
    if (!steps) return;
    const until = performance.now() + SLICE_MS;
    try {
      while (performance.now() < until) {
        const step = steps.next();
        if (step.done) {
          running.delete(id);
          return say({ kind: 'result', id, value: step.value });
        }
        if (step.value !== undefined) say({ kind: 'progress', id, value: step.value });
      }
      setTimeout(() => goOn(id), 0);
    } catch (error) {
      running.delete(id);
      fail(id, error);
    }
  };
  const fail = (id: number, error: unknown) => {
    const { name, message } = error instanceof Error ? error : new Error(String(error));
    say({ kind: 'failure', id, error: { name, message } });
  };
  port.addEventListener('message', ({ data }) => {
    const message = data as ToWorker;
    if (message.kind === 'ping') return say({ kind: 'alive' });
    if (message.kind === 'cancel') {
      running.delete(message.id);
      return;
    }
    const task = tasks[message.task];
    if (!task) return fail(message.id, new RangeError(`this worker has no task “${message.task}”`));
    running.set(message.id, task(message.input));
    goOn(message.id);
  });
}
