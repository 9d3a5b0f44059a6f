/*
 * Makes a workshop of many years out of a demo workshop: `node scripts/grow.mjs FILE [JOBS [ENTRIES]]`. Finished canvases are
 * copied row for row under other names, numbers and days, with readings between; every third job may be left open.
 */
import { randomBytes } from 'node:crypto';
import { pathToFileURL } from 'node:url';
import SQLite from 'better-sqlite3';

/** As the application makes its ids. */
const newId = () => randomBytes(15).toString('hex').slice(0, 20);

const DAY_MS = 86_400_000;
const PLACES = ['Quay', 'Slip', 'Dune', 'Lamp room', 'Tide table', 'Orchard', 'North wall', 'Ferry', 'Kiln', 'Saltings'];

/** @returns what the file holds now */
export function grow(path, { jobs: wantedJobs = 10_000, entries: wantedEntries = 200_000, open = 0 } = {}) {
  const db = new SQLite(path);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = OFF');
  const has = db.prepare('SELECT count(*) FROM job').pluck().get();
  const all = (sql, ...of) => db.prepare(sql).all(...of);
  db.exec('PRAGMA wal_checkpoint(TRUNCATE)');
  const patterns = all(
    'SELECT j.* FROM job j JOIN job_state s ON s.job_id = j.id WHERE s.stage IS NULL AND s.broken IS NULL',
  ).map((job) => ({
    job,
    state: db.prepare('SELECT * FROM job_state WHERE job_id = ?').get(job.id),
    log: all("SELECT * FROM log_entry WHERE job_id = ? AND kind = 'record' ORDER BY seq", job.id).map((entry) => ({
      entry,
      readings: all('SELECT * FROM reading WHERE seq = ? ORDER BY position', entry.seq),
    })),
  }));
  if (patterns.length === 0) throw new Error(`${path} has no finished canvas to copy: start the demo on it first`);
  const insert = (table, row) =>
    db.prepare(
      `INSERT INTO ${table} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
        .map((name) => `@${name}`)
        .join(', ')})`,
    );
  const first = {
    job: patterns[0].job,
    entry: patterns[0].log[0].entry,
    reading: patterns[0].log.flatMap(({ readings }) => readings)[0],
  };
  const { seq: _seq, ...entryRow } = first.entry;
  const [putJob, putEntry, putReading] = [
    insert('job', first.job),
    insert('log_entry', entryRow),
    insert('reading', first.reading),
  ];
  const putState = insert('job_state', patterns[0].state);
  const putWords = db.prepare('INSERT INTO log_words (rowid, words) VALUES (?, ?)');
  const perJob = Math.max(
    10,
    Math.round((wantedEntries - db.prepare('SELECT count(*) FROM log_entry').pluck().get()) / Math.max(1, wantedJobs - has)),
  );
  let number = db.prepare('SELECT max(number) FROM job').pluck().get();
  const start = Date.now() - 20 * 365 * DAY_MS;
  db.transaction(() => {
    // No copy stands at anything else than its pattern: the states are copied, not worked out.
    const held = db
      .prepare("SELECT name, sql FROM sqlite_master WHERE type = 'trigger' AND name IN ('job_begun', 'job_logged')")
      .all();
    for (const { name } of held) db.exec(`DROP TRIGGER ${name}`);
    for (let made = has; made < wantedJobs; made += 1) {
      const { job, state, log } = patterns[made % patterns.length];
      const id = newId();
      number += 1;
      const title = `${PLACES[made % PLACES.length]} ${1 + Math.floor(made / PLACES.length)}`;
      const begun = start + (made / wantedJobs) * 19.8 * 365 * DAY_MS;
      const moment = (at) => new Date(begun + Date.parse(at) - Date.parse(job.created_at)).toISOString();
      const inputs = JSON.parse(job.inputs);
      inputs.brief.title = title;
      const left = made % 3 === 0 && open > 0 ? Math.max(1, 1 + (made % (log.length - 1))) : log.length;
      if (left < log.length) open -= 1;
      putJob.run({
        ...job,
        id,
        number,
        title,
        inputs: JSON.stringify(inputs),
        created_at: moment(job.created_at),
        updated_at: moment(job.updated_at),
      });
      const put = (entry, readings, at) => {
        const { seq: _old, ...row } = entry;
        const seq = putEntry.run({
          ...row,
          id: newId(),
          job_id: id,
          at,
          ready_at: entry.ready_at && moment(entry.ready_at),
        }).lastInsertRowid;
        for (const reading of readings) putReading.run({ ...reading, seq });
        const read = readings.map((one) => `${one.quantity} ${one.value} ${one.unit} ${one.tool}`).join('\n');
        putWords.run(seq, `No. ${number}\n${title}\n${entry.stage}\n${entry.maker}\n${entry.did}\n${entry.note}\n${read}`);
      };
      for (const { entry, readings } of log.slice(0, left)) put(entry, readings, moment(entry.at));
      const last = log.at(-1).entry;
      const feel = {
        ...last,
        stage: 'tune',
        step: null,
        kind: 'reading',
        plan: null,
        did: 'Felt: firm',
        note: '',
        ready_at: null,
      };
      for (let more = left; more < perJob && left === log.length; more += 1)
        put(
          feel,
          [
            {
              ...first.reading,
              position: 0,
              quantity: 'roomHumidity',
              of_id: '',
              value: 45 + (more % 20),
              unit: '% RH',
              tool: 'hygrometer',
              known: 'device',
            },
          ],
          moment(new Date(Date.parse(last.at) + more * DAY_MS).toISOString()),
        );
      if (left === log.length) {
        const facts = { ...JSON.parse(state.facts), title };
        // Found by its own name and number, and listed on its own day.
        const words = state.words
          ?.replace(`no. ${job.number}`, `no. ${number}`)
          .replace(job.title.toLowerCase(), title.toLowerCase());
        putState.run({
          ...state,
          job_id: id,
          number,
          words: words ?? null,
          handed_at: state.handed_at && moment(state.handed_at),
          looked_at: state.looked_at && moment(state.looked_at),
          facts: JSON.stringify(facts),
        });
      } else db.prepare('INSERT OR IGNORE INTO job_unsettled VALUES (?)').run(id);
    }
    // As they were, to the letter: a file is known by what it is built of.
    for (const { sql } of held) db.exec(sql);
  })();
  db.exec("INSERT INTO log_words (log_words) VALUES ('optimize')");
  db.pragma('wal_checkpoint(TRUNCATE)');
  db.exec('ANALYZE');
  const held = {
    jobs: db.prepare('SELECT count(*) FROM job').pluck().get(),
    entries: db.prepare('SELECT count(*) FROM log_entry').pluck().get(),
  };
  db.close();
  return held;
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const [path, jobs, entries, open] = process.argv.slice(2);
  if (!path) throw new Error('name the file of a demo workshop');
  const began = Date.now();
  const held = grow(path, { jobs: Number(jobs ?? 10_000), entries: Number(entries ?? 200_000), open: Number(open ?? 0) });
  console.log(`${held.jobs} jobs, ${held.entries} entries, ${((Date.now() - began) / 1000).toFixed(1)} s`);
}
