import type { Database } from 'better-sqlite3';

/** A piece of work as a calendar was given it. */
export interface CalendarEvent {
  uid: string;
  /** Rises whenever it changes. */
  sequence: number;
  startMs: number;
  endMs: number;
  summary: string;
  cancelled: boolean;
}

/** What a calendar was given last, of what has not passed. */
export const readCalendar = (database: Database, calendar: string): CalendarEvent[] =>
  database
    .prepare<[string], Omit<CalendarEvent, 'cancelled'> & { cancelled: 0 | 1 }>(
      'SELECT uid, sequence, start_ms AS startMs, end_ms AS endMs, summary, cancelled FROM calendar_event WHERE calendar = ? ORDER BY uid',
    )
    .all(calendar)
    .map((row) => ({ ...row, cancelled: row.cancelled === 1 }));

/** Keeps what a calendar is given now, in the place of what it was given before. */
export function writeCalendar(database: Database, calendar: string, events: readonly CalendarEvent[]): void {
  database
    .transaction(() => {
      database.prepare('DELETE FROM calendar_event WHERE calendar = ?').run(calendar);
      const insert = database.prepare(
        'INSERT INTO calendar_event (calendar, uid, sequence, start_ms, end_ms, summary, cancelled) VALUES (?, ?, ?, ?, ?, ?, ?)',
      );
      for (const { uid, sequence, startMs, endMs, summary, cancelled } of events)
        insert.run(calendar, uid, sequence, startMs, endMs, summary, Number(cancelled));
    })
    .immediate();
}
