/*
 * The long attack, in under a quarter of an hour: twenty thousand wrong requests to the writes; odd addresses and headers at a
 * running server; the server killed again and again while it writes, with every acknowledged write looked for after it; what the
 * browser tests lose, hold and spoil. Prints figures; ends with 1 when anything broke.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import SQLite from 'better-sqlite3';
import { ROOT, tool } from './bootstrap.mjs';
import { ready } from './build.mjs';
import { grow } from './grow.mjs';

await ready();
/** As `npm start` serves. */
const LIMITS = pathToFileURL(join(ROOT, 'scripts/serverLimits.mjs')).href;
const folder = mkdtempSync(join(tmpdir(), 'keen-batten-campaign-'));
const failures = [];
const told = (what, figures, ok = true) => {
  console.log(`${ok ? 'holds ' : 'BROKEN'}  ${what}: ${figures}`);
  if (!ok) failures.push(what);
};
const pause = (ms) => new Promise((on) => setTimeout(on, ms));
const freePort = () =>
  new Promise((told) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => told(port));
    });
  });

async function serve(path, demo) {
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const child = spawn(
    process.execPath,
    ['--import', LIMITS, join(ROOT, 'node_modules/next/dist/bin/next'), 'start', '-p', String(port), '-H', '127.0.0.1'],
    {
      cwd: ROOT,
      stdio: 'ignore',
      env: { ...process.env, NODE_ENV: 'production', KEEN_BATTEN_DB: path, KEEN_BATTEN_DEMO: demo ? '1' : '' },
    },
  );
  for (let tries = 0; tries < 200; tries += 1) {
    if (
      await fetch(`${url}/api/clocks`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return { url, kill: () => child.kill('SIGKILL') };
    await pause(100);
  }
  throw new Error('the server did not answer');
}

/** Odd addresses, methods and headers: none is answered with a failure of the server. */
async function addresses() {
  const server = await serve(join(folder, 'addresses.sqlite'), true);
  const odd = [
    '..%2f..%2fetc',
    '%00',
    '%F0%9F%8E%A8',
    'constructor',
    '__proto__',
    "'%20OR%201=1",
    'x'.repeat(3000),
    '%ud83c',
    '-1',
    'NaN',
    '%22',
    '.',
    '%2e%2e',
  ];
  const paths = [
    '/',
    '/log',
    '/job/@',
    '/job/@/slip',
    '/job/@/template',
    '/bars',
    '/cloth',
    '/ground',
    '/air',
    '/file',
    '/rules',
    '/api/job/@',
    '/api/job/@/raw',
    '/api/job/@/inputs',
    '/api/job/@/tap/@/@',
    '/api/file/copy/@',
    '/api/clocks',
    '/@',
  ];
  const queries = ['find', 'from', 'order', 'plot', 'show', 'view', 'job', 'side', 'corner', 'format'];
  let seed = 7;
  const pick = (list) => list[(seed = (seed * 1103515245 + 12345) % 2147483648) % list.length];
  const counts = new Map();
  let worst = '';
  for (let turn = 0; turn < 2500; turn += 1) {
    const path = pick(paths).replaceAll('@', () => pick(odd));
    const query = turn % 2 ? `?${pick(queries)}=${pick(odd)}&${pick(queries)}=${pick(odd)}` : '';
    const method = pick(['GET', 'GET', 'GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH']);
    const headers =
      method === 'GET' || method === 'HEAD' ? {} : { origin: pick([server.url, 'http://elsewhere.example', 'null']) };
    const body = method === 'GET' || method === 'HEAD' ? undefined : pick(['', '{', '[]', 'null', '{"a":'.repeat(5000), '\0']);
    const { status } = await fetch(`${server.url}${path}${query}`, { method, headers, body, redirect: 'manual' });
    counts.set(status, (counts.get(status) ?? 0) + 1);
    if (status >= 500) worst = `${method} ${path}${query} ${status}`;
  }
  server.kill();
  told(
    '2,500 odd addresses and headers',
    worst || [...counts].map(([status, count]) => `${count} × ${status}`).join(', '),
    worst === '',
  );
}

/** Saves of a job, one after the other, while the server is killed: what was acknowledged is there. */
async function kills() {
  const path = join(folder, 'kills.sqlite');
  let [acknowledged, lost] = [0, 0];
  for (let round = 0; round < 20; round += 1) {
    const server = await serve(path, true);
    const id = 'demo-135';
    const end = Date.now() + 600 + round * 70;
    let last = null;
    const saving = (async () => {
      for (let count = 0; Date.now() < end + 3000; count += 1) {
        const job = await (await fetch(`${server.url}/api/job/${id}/inputs`)).json();
        const note = `${round} ${count}`;
        const inputs = { ...job.inputs, brief: { ...job.inputs.brief, note } };
        const answer = await fetch(`${server.url}/api/job/${id}/inputs`, {
          method: 'PUT',
          headers: { origin: server.url },
          body: JSON.stringify({ requestId: `campaign-${round}-${count}`, revision: job.revision, inputs }),
        });
        if (!answer.ok) throw new Error(await answer.text());
        last = note;
        acknowledged += 1;
      }
    })().catch(() => undefined);
    await pause(Math.max(0, end - Date.now()));
    server.kill();
    await saving;
    const database = new SQLite(path, { readonly: true });
    const note = JSON.parse(database.prepare('SELECT inputs FROM job WHERE id = ?').pluck().get(id)).brief.note;
    const [was, is] = [last, note].map((one) => Number(one?.split(' ')[1] ?? -1));
    // One more may have been written and not acknowledged.
    if (last !== null && !(is === was || is === was + 1)) lost += 1;
    if (database.pragma('integrity_check', { simple: true }) !== 'ok') lost += 1;
    database.close();
  }
  told('20 kills while it saved', `${acknowledged} acknowledged saves, ${lost} lost`, lost === 0 && acknowledged > 100);
}

/** Saves a label, which no record locks before the last. */
const saves = async (url, id, label, note) => {
  const job = await (await fetch(`${url}/api/job/${id}/inputs`)).json();
  const handover = { ...job.inputs.handover, label };
  const inputs = { ...job.inputs, handover, ...(note && { brief: { ...job.inputs.brief, note } }) };
  return fetch(`${url}/api/job/${id}/inputs`, {
    method: 'PUT',
    headers: { origin: url },
    body: JSON.stringify({ requestId: `campaign-${id}-${Math.random()}`, revision: job.revision, inputs }),
  });
};
const labelIn = (path, id) => {
  const database = new SQLite(path, { readonly: true });
  const { label } = JSON.parse(database.prepare('SELECT inputs FROM job WHERE id = ?').pluck().get(id)).handover;
  const sound = database.pragma('integrity_check', { simple: true }) === 'ok';
  database.close();
  return { label, sound };
};

/** Two servers on one file, each saving its own job all the while: none loses what the other was told is saved. */
async function twoServers() {
  const path = join(folder, 'two.sqlite');
  const first = await serve(path, true);
  const second = await serve(path, true);
  const counts = { saved: 0, busy: 0, other: '' };
  const last = {};
  await Promise.all(
    [
      [first, 'demo-135'],
      [second, 'demo-136'],
      [first, 'demo-132'],
      [second, 'demo-139'],
    ].map(async ([server, id]) => {
      for (let turn = 0; turn < 120; turn += 1) {
        const note = `turn ${turn}`;
        const answer = await saves(server.url, id, note);
        if (answer.ok) {
          counts.saved += 1;
          last[id] = note;
        } else if (answer.status === 503 || answer.status === 409 || answer.status === 423) counts.busy += 1;
        else counts.other ||= `${answer.status} ${(await answer.text()).slice(0, 120)}`;
      }
    }),
  );
  first.kill();
  second.kill();
  await pause(300);
  const lost = Object.entries(last).filter(([id, note]) => labelIn(path, id).label !== note);
  told(
    'two servers on one file',
    `${counts.saved} saves, ${counts.busy} told to come again, ${lost.length} lost${counts.other && `; ${counts.other}`}`,
    lost.length === 0 && counts.other === '' && counts.saved > 300,
  );
}

/** A disk that fills up: writes are refused in words, what was acknowledged stands, and it goes on when there is room again. */
async function diskFull() {
  const disk = join(folder, 'disk');
  mkdirSync(disk);
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=6m', 'tmpfs', disk]).status !== 0)
    return console.log('not tried  a full disk: this machine lets nobody mount a small one');
  try {
    const path = join(disk, 'full.sqlite');
    const server = await serve(path, true);
    const id = 'demo-135';
    await saves(server.url, id, 'before');
    const { bavail, bsize } = statfsSync(disk);
    writeFileSync(join(disk, 'ballast'), Buffer.alloc(Math.max(0, bavail * bsize - 20_000)));
    let [last, refused, strange] = ['before', 0, ''];
    for (let turn = 0; turn < 40 && refused < 5; turn += 1) {
      const answer = await saves(server.url, id, `turn ${turn}`, 'x'.repeat(1500));
      if (answer.ok) last = `turn ${turn}`;
      else {
        refused += 1;
        const text = await answer.text();
        if (/SQLITE|constraint|disk I\/O|stack/i.test(text)) strange = text.slice(0, 160);
      }
    }
    const page = await fetch(`${server.url}/job/${id}`);
    rmSync(join(disk, 'ballast'));
    const after = await saves(server.url, id, 'room again');
    server.kill();
    await pause(300);
    const { label, sound } = labelIn(path, id);
    told(
      'a full disk',
      strange ||
        `${refused} saves refused in words, pages ${page.status}, then ${after.status}; the file is ${sound ? 'sound' : 'DAMAGED'}`,
      strange === '' && refused >= 5 && page.ok && after.ok && sound && label === 'room again' && last !== '',
    );
  } finally {
    spawnSync('umount', ['-l', disk]);
  }
}

/** The copy of a workshop of ten thousand jobs, put back in a fresh folder, equals it; and so does the same by way of its lines. */
async function largeCopy() {
  const path = join(folder, 'large', 'workshop.sqlite');
  mkdirSync(join(folder, 'large'));
  const seeding = await serve(path, true);
  seeding.kill();
  await pause(300);
  const grown = grow(path, { jobs: 10_000, entries: 200_000 });
  // As whoever backs up and restores by hand: through the pages.
  const server = await serve(path, false);
  const lines = async (url) => {
    const hash = createHash('sha256');
    let bytes = 0;
    for await (const part of (await fetch(`${url}/api/file/workshop`)).body) {
      hash.update(part);
      bytes += part.length;
    }
    return { hash: hash.digest('hex'), bytes };
  };
  const before = await lines(server.url);
  const began = Date.now();
  const text = await fetch(`${server.url}/api/file/workshop`);
  const fresh = await serve(join(folder, 'fresh', 'workshop.sqlite'), false);
  const brought = await (
    await fetch(`${fresh.url}/api/file/brought`, {
      method: 'POST',
      headers: { origin: fresh.url },
      body: text.body,
      duplex: 'half',
    })
  ).json();
  fresh.kill();
  server.kill();
  await pause(500);
  let same = false;
  if (brought.ok) {
    const copy = join(folder, 'fresh', 'workshop-backups', brought.value.name);
    const put = await serve(copy, false);
    same = (await lines(put.url)).hash === before.hash;
    put.kill();
  }
  told(
    'ten thousand jobs out and in again',
    brought.ok
      ? `${grown.jobs} jobs, ${grown.entries} entries, ${(before.bytes / 1e6).toFixed(0)} MB of lines, ${((Date.now() - began) / 1000).toFixed(0)} s, ${same ? 'equal to the byte' : 'DIFFERENT'}`
      : JSON.stringify(brought),
    same,
  );
}

/** Every part, by the name it can be asked for alone: `npm run campaign -- twoServers`. */
const PARTS = {
  units: () => {
    tool('vitest/vitest.mjs', ['run', '--testTimeout', '600000'], { KEEN_BATTEN_THOROUGH: '1' });
    told('every unit test with all its rounds, 20,000 wrong requests to every write among them', 'as in the unit tests');
  },
  addresses,
  kills,
  twoServers,
  diskFull,
  largeCopy,
  browser: () => {
    tool('@playwright/test/cli.js', ['test', 'durability', 'startUp', 'file']);
    told('lost answers, stale tabs, held files, two starts, rebinding, copies', 'as in the browser tests');
  },
};
const asked = process.argv.slice(2);
const unknown = asked.find((name) => !(name in PARTS));
if (unknown) throw new Error(`there is no part “${unknown}”: there are ${Object.keys(PARTS).join(', ')}`);
for (const [name, part] of Object.entries(PARTS)) {
  if (asked.length > 0 && !asked.includes(name)) continue;
  const began = Date.now();
  await part();
  console.log(`        ${name}: ${Math.round((Date.now() - began) / 1000)} s`);
}
rmSync(folder, { recursive: true, force: true });
if (failures.length > 0) process.exit(1);
