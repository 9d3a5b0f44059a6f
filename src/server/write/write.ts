import type { Shape, ShapeOf } from '@/core/shape/shape';
import type { Workshop } from '../workshop';
import type { Outcome } from './outcome';

/** A write, whole: what may be asked, what carries it out, and what answers a request that comes again. */
export interface Write<S extends Shape, T> {
  asks: S;
  act: (workshop: Workshop, request: ShapeOf<S>) => Outcome<T>;
  /** What was done stands: answers once more. `ofId` is what the first answer was about. */
  again: (workshop: Workshop, request: ShapeOf<S>, ofId: string) => Outcome<T>;
  /** What an answer is about, where the request alone does not say it. */
  about?: (value: T) => string;
  /** A device that looks on may ask it too. */
  looking?: true;
  /** Builds on nothing that was recorded: handed in late it stands after what was recorded meanwhile. */
  alone?: true;
}

/** A write that is worked out in steps before it is carried out: others are served meanwhile. */
export interface LongWrite<S extends Shape, T> extends Omit<Write<S, T>, 'act'> {
  workOut: (workshop: Workshop, request: ShapeOf<S>) => Generator<unknown, Outcome<() => Outcome<T>>>;
}

/** What a write is asked. */
export type RequestOf<W extends { asks: Shape }> = ShapeOf<W['asks']>;

/** As it is: the compiler infers what is asked and answered. */
export const write = <S extends Shape, T>(one: Write<S, T>): Write<S, T> => one;
export const longWrite = <S extends Shape, T>(one: LongWrite<S, T>): LongWrite<S, T> => one;
