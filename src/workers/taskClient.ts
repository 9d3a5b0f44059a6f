import type { FromWorker, InputOf, Port, ProgressOf, ResultOf, TaskError, Tasks, ToWorker } from './taskProtocol';

/** A worker as the page sees it. */
export interface WorkerPort extends Port {
  onerror?: ((event: { message?: string }) => void) | null;
  terminate?: () => void;
}

/** The task threw; `name` and `message` are those of its error. */
export class TaskFailed extends Error {
  constructor(readonly error: TaskError) {
    super(error.message);
    this.name = error.name;
  }
}

/** The worker itself came to an end; another is opened for the next request. */
export class WorkerDied extends Error {
  override name = 'WorkerDied';
}

export class TaskCancelled extends Error {
  override name = 'TaskCancelled';
}

export interface TaskClient<T extends Tasks> {
  run: <K extends keyof T & string>(
    task: K,
    input: InputOf<T[K]>,
    options?: { onProgress?: (value: ProgressOf<T[K]>) => void; signal?: AbortSignal },
  ) => Promise<ResultOf<T[K]>>;
  /** Ends the worker; what was asked and not answered fails. */
  close: () => void;
}

interface Waiting {
  resolve: (value: never) => void;
  reject: (error: Error) => void;
  onProgress?: (value: never) => void;
}

/** A worker is asked for a sign of life so often, ms, and given up after so many that stay unanswered: no step is as long. */
const PING_MS = 4000;
const SILENT_PINGS = 5;

/** Asks tasks of a worker, which is opened at the first request and again after it died. */
export function taskClient<T extends Tasks>(open: () => WorkerPort): TaskClient<T> {
  let port: WorkerPort | null = null;
  let lastId = 0;
  const waiting = new Map<number, Waiting>();
  const die = (why: string) => {
    port?.terminate?.();
    port = null;
    unanswered = 0;
    const all = [...waiting.values()];
    waiting.clear();
    for (const { reject } of all) reject(new WorkerDied(why));
  };
  let unanswered = 0;
  const hear = (message: FromWorker) => {
    unanswered = 0;
    if (message.kind === 'alive') return;
    const asked = waiting.get(message.id);
    if (!asked) return;
    if (message.kind === 'progress') return asked.onProgress?.(message.value as never);
    waiting.delete(message.id);
    if (message.kind === 'result') asked.resolve(message.value as never);
    else asked.reject(new TaskFailed(message.error));
  };
  /** Asks for a sign of life while somebody waits. */
  let pulse: ReturnType<typeof setInterval> | null = null;
  const beat = () => {
    if (waiting.size === 0 || !port) {
      if (pulse !== null) clearInterval(pulse);
      pulse = null;
      return;
    }
    if (unanswered >= SILENT_PINGS) return die('the worker fell silent');
    unanswered += 1;
    port.postMessage({ kind: 'ping' } satisfies ToWorker as never);
  };
  const opened = (): WorkerPort => {
    if (port) return port;
    const fresh = open();
    fresh.addEventListener('message', ({ data }) => hear(data as FromWorker));
    fresh.onerror = (event) => port === fresh && die(event.message ?? 'the worker stopped');
    port = fresh;
    return fresh;
  };
  return {
    run: (task, input, { onProgress, signal } = {}) =>
      new Promise((resolve, reject) => {
        if (signal?.aborted) return reject(new TaskCancelled(`${task} was not begun`));
        const id = (lastId += 1);
        const say = (message: ToWorker) => opened().postMessage(message as never);
        waiting.set(id, { resolve, reject, onProgress: onProgress as Waiting['onProgress'] });
        signal?.addEventListener('abort', () => {
          if (!waiting.delete(id)) return;
          if (port) say({ kind: 'cancel', id });
          reject(new TaskCancelled(`${task} was called off`));
        });
        try {
          say({ kind: 'request', id, task, input });
          unanswered = 0;
          pulse ??= setInterval(beat, PING_MS);
        } catch (error) {
          waiting.delete(id);
          reject(new WorkerDied((error as Error).message));
        }
      }),
    close: () => die('the worker was closed'),
  };
}
