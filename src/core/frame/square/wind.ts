/*
 * Wind: the four corners do not lie in one plane. With three corners on a flat table the fourth lifts by L;
 * two strings from corner to corner then pass each other in the middle at a distance of L / 2.
 */
import type { School } from '../../house/schools';

interface WindPattern<Id extends string> extends School<Id> {
  cause: string;
  remedy: string;
}

const pattern = <const I extends string>(row: WindPattern<I>) => row;

/** What is seen on the flat table, and what it comes from. */
export const WIND_PATTERNS = [
  pattern({
    id: 'unseen',
    name: 'Not looked at yet',
    cause: 'A bowed bar, a mitre or a saw off 90°.',
    remedy: 'Lay it on a flat table and press the corners one after another.',
    suits: 'before the table',
    trades: 'the cause stays open',
  }),
  pattern({
    id: 'rocks',
    name: 'It rocks on two opposite corners',
    cause: 'Mitres or ends sawn off 90° to the face: every corner tilts the same way.',
    remedy: 'Set the saw square to its table and cut the ends again.',
    suits: 'a tilted blade',
    trades: 'all four ends are cut again',
  }),
  pattern({
    id: 'oneCorner',
    name: 'One corner stands off, three lie',
    cause: 'The joint of that corner is not closed, or was glued with a twist.',
    remedy: 'Open that joint, close it flat on the table, clamp it over the corner.',
    suits: 'a joint that slipped',
    trades: 'one corner is made again',
  }),
  pattern({
    id: 'barMiddle',
    name: 'Corners lie, a bar stands off in its middle',
    cause: 'That bar is bowed front to back.',
    remedy: 'Exchange the bowed bar; planing it thins it.',
    suits: 'timber not sighted along',
    trades: 'one bar is lost',
  }),
] as const;

export type WindPatternId = (typeof WIND_PATTERNS)[number]['id'];

/**
 * The lift of the fourth corner that a gap between two strings means, mm.
 *
 * @example liftFromStrings(1.5) // 3
 */
export const liftFromStrings = (gapMm: number): number => 2 * gapMm;
