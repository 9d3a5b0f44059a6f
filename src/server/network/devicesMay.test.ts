/* What a device of the house may ask, and what is written when it was out of reach. */
import 'reflect-metadata';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { type Device, insertDevice, listDevices } from '@/db/devices';
import { readNetwork, writeNetwork } from '@/db/network';
import { openDatabase } from '@/db/openDatabase';
import { replaceContent } from '@/db/wholeFile';
import { workshopLines } from '@/db/workshopLines';
import { logOfJob } from '@/db/logEntries';
import { fileState } from '../file/backups';
import { ONLY_HERE, actOnFile } from '../file/fileActs';
import { openJob } from '../job/jobReading';
import { FILE_REQUESTS, type FileRequestName } from '../file/fileRequests';
import { contentOf, newJob, recordStage, revisionOf, testWorkshop, value, wordsOf } from '../testWorkshop';
import { workedWorkshop } from '../testWorked';
import { grantedRequest } from '../testWrites';
import { type RequestName, WRITES, carryOut } from '../writes';
import { LOOKS_ON } from './asking';
import { openNetwork } from './networkActs';
import { hashPassphrase } from './passphrase';

const device = (role: Device['role']): Device => ({
  id: 'd',
  name: 'Glue table',
  role,
  address: '10.0.0.2',
  signedInAt: '',
  seenAt: '',
  endsAt: '',
});
const MAY_LOOKING = ['keepPlace', 'saveInputs'];

it.each((Object.keys(WRITES) as RequestName[]).filter((name) => !MAY_LOOKING.includes(name)))(
  '%s is refused to a device that looks on, and granted to a maker’s',
  async (name) => {
    const worked = workedWorkshop();
    const sent = { requestId: 'r-1', ...grantedRequest(worked, name) };
    const before = contentOf(worked.workshop.database);
    const looking = { ...worked.workshop, device: device('viewer') };
    expect(wordsOf(await carryOut(looking, name, sent))).toBe(LOOKS_ON);
    expect(contentOf(worked.workshop.database)).toBe(before);
    expect((await carryOut({ ...worked.workshop, device: device('maker') }, name, sent)).ok).toBe(true);
  },
);

it('lets who looks on tick the kit and stand at a step, and type nothing', async () => {
  const workshop = { ...testWorkshop(), device: device('viewer') };
  const jobId = newJob(workshop);
  const { job } = openJob(workshop, jobId)!;
  const save = (inputs: typeof job.inputs, requestId: string) =>
    carryOut(workshop, 'saveInputs', { requestId, jobId, revision: revisionOf(workshop, jobId), inputs });
  value(await save({ ...job.inputs, kit: ['tape'] }, 'r-1'));
  expect(wordsOf(await save({ ...job.inputs, kit: [], brief: { ...job.inputs.brief, title: 'Mine' } }, 'r-2'))).toBe(LOOKS_ON);
  expect(openJob(workshop, jobId)!.job.inputs).toEqual({ ...job.inputs, kit: ['tape'] });
  const place = { requestId: 'r-3', jobId, stage: 'bars', step: 'layout', quarter: 0, filledAt: 1 };
  expect((await carryOut(workshop, 'keepPlace', place)).ok).toBe(true);
});

it('leaves the file as a whole and the door to the machine itself', async () => {
  const workshop = testWorkshop();
  const ask = (name: FileRequestName, role: Device['role']) => actOnFile({ ...workshop, device: device(role) }, name, {});
  const refused = { maker: [] as string[], viewer: [] as string[] };
  for (const name of Object.keys(FILE_REQUESTS) as FileRequestName[])
    for (const role of ['maker', 'viewer'] as const) {
      const outcome = await ask(name, role);
      if (!outcome.ok && outcome.kind === 'refused' && [ONLY_HERE, LOOKS_ON].includes(outcome.says)) refused[role].push(name);
    }
  expect(refused.viewer).toEqual(Object.keys(FILE_REQUESTS));
  expect(refused.maker).toEqual(['restoreBackup', 'rebuildFile', 'openNetwork', 'closeNetwork', 'endDevice', 'changeDevice']);
});

it('writes at which device and when: so long ago by its own clock, not before the entry before it, and never to come', async () => {
  const workshop = testWorkshop();
  const jobId = newJob(workshop);
  const begun = workshop.now().getTime();
  workshop.pass(120);
  const sent = (requestId: string, agoMs: unknown) => ({
    requestId,
    jobId,
    maker: 'Me',
    stage: 'brief',
    step: 'a',
    says: '',
    note: requestId,
    jpeg: null,
    agoMs,
  });
  const note = (requestId: string, agoMs: unknown) =>
    carryOut({ ...workshop, device: device('maker') }, 'keepNote', sent(requestId, agoMs));
  // A note builds on nothing: of one made before what was noted since, the order is kept.
  for (const [id, minutesAgo] of [
    ['a', 90],
    ['b', 110],
    ['c', 60],
    ['d', 0],
  ] as const)
    value(await note(id, minutesAgo * 60_000));
  value(await note('e', null));
  const log = logOfJob(workshop.database, jobId);
  expect(log.map((entry) => (Date.parse(entry.at) - begun) / 60_000)).toEqual([30, 30, 60, 120, 120]);
  expect(new Set(log.map((entry) => entry.device))).toEqual(new Set(['Glue table']));
  for (const wrong of ['yesterday', -1, 1e15, 0.5, {}, []]) expect(wordsOf(await note('f', wrong))).toContain('agoMs');
  expect(logOfJob(workshop.database, jobId)).toHaveLength(5);
});

it('refuses a record that was made before what it builds on, in one job or in any of several, and takes it as done now', async () => {
  const workshop = testWorkshop();
  const [one, other] = [newJob(workshop), newJob(workshop)];
  workshop.pass(60);
  recordStage(workshop, other, 'brief');
  workshop.pass(10);
  const record = (jobId: string, agoMs: number | null) =>
    carryOut(workshop, 'recordStep', {
      requestId: `${jobId} ${agoMs}`,
      jobId,
      revision: revisionOf(workshop, jobId),
      stage: jobId === other ? 'bars' : 'brief',
      maker: 'Me',
      note: '',
      reason: 'to see',
      unit: 'mm',
      view: 'back',
      clothId: null,
      air: null,
      ...(agoMs === null ? {} : { agoMs }),
    });
  expect(await record(other, 30 * 60_000)).toMatchObject({
    ok: false,
    kind: 'early',
    says: expect.stringMatching(/^This was done 20 min before/) as string,
  });
  // So long before it was begun that it cannot be.
  expect(await record(one, 20 * 86_400_000)).toMatchObject({ ok: false, kind: 'early' });
  const both = {
    requestId: 'both',
    canvases: [one, other].map((jobId) => ({ jobId, revision: revisionOf(workshop, jobId) })),
    archived: true,
    agoMs: 30 * 60_000,
  };
  expect(await carryOut(workshop, 'archive', both)).toMatchObject({ ok: false, kind: 'early' });
  value(await record(one, 30 * 60_000));
  // Requests do not travel alike: what is out by seconds is put in its order.
  value(await record(other, 10 * 60_000 + 30_000));
  const minutes = (jobId: string) =>
    logOfJob(workshop.database, jobId).map(({ at }) => (workshop.now().getTime() - Date.parse(at)) / 60_000);
  expect([minutes(one), minutes(other)]).toEqual([[30], [10, 10]]);
});

it.each([
  [{ passphrase: 'short' }, 'passphrase', /at least 12 letters/],
  [{ passphrase: 'aaaaaaaaaaaaaaaa' }, 'passphrase', /five of them different/],
  [{ passphrase: '' }, 'passphrase', /Choose one first/],
  [{ looking: true }, 'lookingPassphrase', /Choose one first/],
  [{ looking: true, lookingPassphrase: 'cobalt ferry onion' }, 'lookingPassphrase', /of their own/],
  [{ keyFile: '/key.pem' }, 'certFile', /go together/],
  [{ certFile: '/cert.pem' }, 'keyFile', /go together/],
  [{ port: 3000 }, 'port', /of this machine itself/],
])('a door of %o stays closed', async (wrong, field, says) => {
  const workshop = testWorkshop();
  const asked = {
    passphrase: 'cobalt ferry onion',
    looking: false,
    lookingPassphrase: '',
    port: 0,
    hours: 12,
    certFile: '',
    keyFile: '',
  };
  const outcome = await openNetwork(workshop, { ...asked, ...wrong });
  expect(outcome).toMatchObject({ ok: false, kind: 'invalid', errors: [{ field, says: expect.stringMatching(says) as string }] });
  expect(readNetwork(workshop.database)).toBeNull();
});

it('a certificate that cannot be read leaves the door closed, and says which file', async () => {
  const workshop = testWorkshop();
  const files = { certFile: '/nowhere/cert.pem', keyFile: '/nowhere/key.pem' };
  const asked = { passphrase: 'cobalt ferry onion', looking: false, lookingPassphrase: '', port: 4433, hours: 12, ...files };
  expect(wordsOf(await openNetwork(workshop, asked))).toMatch(/there is no file \/nowhere\/cert\.pem/);
  expect(readNetwork(workshop.database)!.open).toBe(false);
});

it('who may come in leaves with no written-out workshop, and does not come back with an older file', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-door-'));
  const opened = (name: string, passphrase: string) => {
    const database = openDatabase(join(folder, name));
    const door = { open: true, port: 3443, hours: 12, lookingPassphrase: null, certFile: '', keyFile: '' };
    writeNetwork(database, { ...door, passphrase });
    insertDevice(database, { ...device('maker'), id: name, name, endsAt: '2099-01-01T00:00:00Z' }, name);
    return database;
  };
  try {
    const [here, older] = [opened('here', 'hash of the new passphrase'), opened('older', 'hash of the old passphrase')];
    expect([...workshopLines(here)].join('\n')).not.toMatch(/hash of|2099/);
    older.close();
    replaceContent(here, join(folder, 'older'));
    expect([readNetwork(here), listDevices(here, '2031-01-01T00:00:00Z')]).toEqual([null, []]);
    here.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

it('keeps the two passphrases apart, also where they are typed one after the other', async () => {
  const workshop = testWorkshop();
  const [makes, looks] = ['cobalt ferry onion', 'lantern gravel tide'];
  const asked = { passphrase: '', looking: true, lookingPassphrase: '', port: 4444, hours: 12, certFile: '', keyFile: '' };
  writeNetwork(workshop.database, {
    ...asked,
    open: false,
    passphrase: await hashPassphrase(makes, 1024),
    lookingPassphrase: await hashPassphrase(looks, 1024),
  });
  for (const same of [{ lookingPassphrase: makes }, { passphrase: looks }])
    expect(await openNetwork(workshop, { ...asked, ...same })).toMatchObject({
      ok: false,
      errors: [{ field: 'lookingPassphrase', says: 'View-only devices have a passphrase of their own.' }],
    });
});

it('makes one backup in a while, and is not told where the file lies', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'keen-batten-device-'));
  const home = { ...testWorkshop(), database: openDatabase(join(folder, 'w.sqlite')) };
  try {
    const tablet = { ...home, device: device('maker') };
    value(await actOnFile(tablet, 'backUp', {}));
    expect(wordsOf(await actOnFile(tablet, 'backUp', {}))).toMatch(/^A backup was made .* ago/);
    value(await actOnFile(home, 'backUp', {}));
    expect([fileState(tablet).path, fileState(home).path]).toEqual(['w.sqlite', join(folder, 'w.sqlite')]);
  } finally {
    home.database.close();
    rmSync(folder, { recursive: true, force: true });
  }
});
