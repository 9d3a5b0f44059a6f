import type { Database } from 'better-sqlite3';
import type { HandFeelId, HandTrial } from '@/core/fasten/hand';

interface Row {
  maker: string;
  feel: HandFeelId;
  pulled_n: string;
  simulated: 0 | 1;
}

export function insertHandTrial(database: Database, trial: HandTrial & { id: string; at: string }): void {
  database
    .prepare('INSERT INTO hand_trial (id, maker, feel, pulled_n, simulated, tried_at) VALUES (?, ?, ?, ?, ?, ?)')
    .run(trial.id, trial.maker, trial.feel, JSON.stringify(trial.pulledN), trial.simulated ? 1 : 0, trial.at);
}

/** The latest few trials of every maker and feel, oldest first. */
export function latestHandTrials(database: Database, most: number): HandTrial[] {
  return database
    .prepare<[number], Row>(
      `SELECT maker, feel, pulled_n, simulated FROM (
         SELECT *, rowid AS seq, row_number() OVER (PARTITION BY maker, feel, simulated ORDER BY tried_at DESC, rowid DESC) AS back
         FROM hand_trial
       ) WHERE back <= ? ORDER BY tried_at, seq`,
    )
    .all(most)
    .map(({ maker, feel, pulled_n, simulated }) => ({
      maker,
      feel,
      pulledN: JSON.parse(pulled_n) as number[],
      simulated: simulated === 1,
    }));
}
