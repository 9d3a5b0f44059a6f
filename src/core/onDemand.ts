/**
 * Worked out when it is first asked for, and once.
 *
 * @example once(() => 1 + 1)() // 2
 */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** How each part of an object is worked out. */
export type Makers<T extends object> = { readonly [Part in keyof T]: () => T[Part] };

/**
 * An object each of whose parts is worked out when it is first asked for, and once; whoever lists, spreads or writes down its
 * parts asks for all of them. What a part throws is thrown to whoever asks for it, every time.
 *
 * @example onDemand({ sum: () => 2, wrong: () => missing }).sum // 2
 */
export function onDemand<T extends object>(makers: Makers<T>): T {
  const parts = {};
  for (const [part, make] of Object.entries<() => unknown>(makers))
    Object.defineProperty(parts, part, { enumerable: true, get: once(make) });
  return parts as T;
}
