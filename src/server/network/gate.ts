/*
 * What comes in over the network passes the gateway of this process, which knows the device; what carries no mark of the gateway
 * comes from the machine itself, for nothing else can reach its port.
 */
import { randomBytes } from 'node:crypto';

const held = globalThis as { keenBattenGate?: string };

/** Known in this process alone: a mark with anything else is forged. */
export const gateSecret = (): string => (held.keenBattenGate ??= randomBytes(32).toString('hex'));

export const MARKS = { gate: 'x-keen-batten-gate', device: 'x-keen-batten-device' } as const;

/** Where a request came from: the machine itself, a device that the gateway let in, or somebody who says so. */
export type CameFrom = { kind: 'here' } | { kind: 'device'; id: string } | { kind: 'forged' };

/** @param headers of a request */
export function cameFrom(headers: Pick<Headers, 'get'>): CameFrom {
  const [gate, id] = [headers.get(MARKS.gate), headers.get(MARKS.device)];
  if (gate === null && id === null) return { kind: 'here' };
  return gate === gateSecret() && id ? { kind: 'device', id } : { kind: 'forged' };
}
