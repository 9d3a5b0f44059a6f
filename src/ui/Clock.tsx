'use client';
import { printed } from '@/core/quantities/printed';
import { format, isSameDay } from 'date-fns';

/** "2 h 10 min left, until 16:40", then "ready since 09:40". */
export function clockWords(readyAt: string, nowMs: number): { ready: boolean; words: string } {
  const at = new Date(readyAt);
  const when = format(at, isSameDay(at, nowMs) ? 'HH:mm' : 'EEE d MMM HH:mm');
  const minutes = (at.getTime() - nowMs) / 60_000;
  return minutes <= 0
    ? { ready: true, words: `ready since ${when}` }
    : { ready: false, words: `${printed('clockTime', Math.max(1, minutes))} left, until ${when}` };
}

/** How much of a clock has run, 0 to 1. */
export function clockPart(startedAt: string, readyAt: string, nowMs: number): number {
  const from = Date.parse(startedAt);
  const whole = Date.parse(readyAt) - from;
  return whole <= 0 ? 1 : Math.min(1, Math.max(0, (nowMs - from) / whole));
}
