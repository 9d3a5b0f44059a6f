/*
 * What a page and a worker say to each other. Every request is answered by one result or one failure, also when
 * the worker dies or the request is cancelled; progress may come in between.
 */
export type ToWorker =
  | { kind: 'request'; id: number; task: string; input: unknown }
  | { kind: 'cancel'; id: number }
  /** Answered by a sign of life: a worker that ends without a word is noticed. */
  | { kind: 'ping' };

export interface TaskError {
  name: string;
  message: string;
}

export type FromWorker =
  | { kind: 'progress'; id: number; value: unknown }
  | { kind: 'result'; id: number; value: unknown }
  | { kind: 'failure'; id: number; error: TaskError }
  | { kind: 'alive' };

/**
 * Work in steps: yields what is worth showing, or undefined so that a cancel can be heard, and returns the result.
 */
export type Task<Input, Progress, Result> = (input: Input) => Generator<Progress | undefined, Result>;

/** Tasks by name. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- the types of a task are its own; the client names them
export type Tasks = Record<string, Task<any, any, any>>;

export type InputOf<T> = T extends Task<infer Input, unknown, unknown> ? Input : never;
export type ProgressOf<T> = T extends (input: never) => Generator<infer Progress, unknown> ? Exclude<Progress, undefined> : never;
export type ResultOf<T> = T extends (input: never) => Generator<unknown, infer Result> ? Result : never;

/** What both ends of a channel and a worker can do. */
export interface Port {
  postMessage: (message: never) => void;
  addEventListener: (type: 'message', listener: (event: { data: unknown }) => void) => void;
}
