/* Which clocks ring: those that ran out while this browser knew of them, and that nobody has silenced. */
export interface Ringable {
  jobId: string;
  readyAt: string;
}

/** One run of a clock: the next coat of the same job is another. */
export const clockKey = ({ jobId, readyAt }: Ringable): string => `${jobId} ${readyAt}`;

/**
 * Clocks that ring at a moment; sleep and restarts do not matter, since only moments are compared.
 *
 * @param knownSinceMs since when this browser has known of clocks: what ran out before is old news
 */
export const ringing = <C extends Ringable>(
  clocks: readonly C[],
  silenced: ReadonlySet<string>,
  knownSinceMs: number,
  nowMs: number,
): C[] =>
  clocks.filter((clock) => {
    const at = Date.parse(clock.readyAt);
    return at <= nowMs && at > knownSinceMs && !silenced.has(clockKey(clock));
  });

/**
 * When hands can go on with what is ready at a moment: itself within the working day, else the next morning.
 *
 * @param from first hour of the day that is worked, 0 to 24
 * @param until last one, above `from`
 */
export function inHandFrom(readyAt: Date, from: number, until: number): Date {
  const hour = readyAt.getHours() + readyAt.getMinutes() / 60;
  if (hour >= from && hour < until) return readyAt;
  const morning = new Date(readyAt);
  if (hour >= until) morning.setDate(morning.getDate() + 1);
  morning.setHours(Math.floor(from), Math.round((from % 1) * 60), 0, 0);
  return morning;
}
