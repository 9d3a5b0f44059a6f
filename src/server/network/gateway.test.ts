/* The door of the house: who is let in, who is not, and what goes on to the application behind it. */
import { type IncomingMessage, type Server, createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeEach, describe, expect, it } from 'vitest';
import { endDevices, listDevices } from '@/db/devices';
import { writeNetwork } from '@/db/network';
import { type TestWorkshop, testWorkshop } from '../testWorkshop';
import { askedBy } from './asking';
import { MARKS, cameFrom, gateSecret } from './gate';
import { gateway } from './gateway';
import { houseAddresses, inUrl, isHouseHost, isInHouse } from './houseAddresses';
import { hashPassphrase, isPassphrase } from './passphrase';
import { Tries } from './tries';

const PASSPHRASE = 'cobalt ferry onion lathe';
const LOOKING = 'lantern barley two thrushes';
/** A name that is this machine’s own wherever the test runs. */
process.env.KEEN_BATTEN_HOSTS = 'bench.test';
afterAll(() => delete process.env.KEEN_BATTEN_HOSTS);

const listening = (server: Server) =>
  new Promise<number>((there) => server.listen(0, '127.0.0.1', () => there((server.address() as AddressInfo).port)));

/** What reached the application behind the door. */
const reached: IncomingMessage[] = [];
const application = createServer((asked, answer) => {
  reached.push(asked);
  answer.end('Harbour, evening');
});
const appPort = await listening(application);
const QUICK = 1024;
const hashes = { passphrase: await hashPassphrase(PASSPHRASE, QUICK), lookingPassphrase: await hashPassphrase(LOOKING, QUICK) };

let workshop: TestWorkshop;
let door: Server;
let port: number;
beforeEach(async () => {
  reached.length = 0;
  workshop = testWorkshop();
  writeNetwork(workshop.database, { open: true, port: 3443, hours: 12, certFile: '', keyFile: '', ...hashes });
  door?.close();
  door = createServer(gateway({ workshop, appPort, secure: false }));
  port = await listening(door);
});
afterAll(() => {
  door.close();
  application.close();
});

interface Answer {
  status: number;
  body: string;
  cookie: string;
  location: string | undefined;
  set: string;
}
const HOST = 'bench.test:3443';
const ask = (path: string, { method = 'GET', body = '', ...headers }: Record<string, string> = {}): Promise<Answer> =>
  new Promise((told, failed) => {
    const asked = request({ host: '127.0.0.1', port, path, method, headers: { host: HOST, ...headers } }, (answer) => {
      let text = '';
      answer.on('data', (part) => (text += String(part)));
      answer.on('end', () => {
        const set = answer.headers['set-cookie']?.[0] ?? '';
        told({ status: answer.statusCode!, body: text, set, cookie: set.split(';')[0]!, location: answer.headers.location });
      });
    });
    asked.on('error', failed);
    asked.end(body);
  });
const own = { method: 'POST', origin: `http://${HOST}` };
const signIn = (passphrase: string, to = '/', more: Record<string, string> = {}) =>
  ask('/sign-in', { ...own, body: new URLSearchParams({ passphrase, to, name: 'Tablet' }).toString(), ...more });

describe('the door', () => {
  it('lets in by the passphrase, marks the device, and takes marks that others put on away', async () => {
    const { status, cookie, set, location } = await signIn(PASSPHRASE, '/job/a?stage=tune');
    expect([status, location]).toEqual([303, '/job/a?stage=tune']);
    expect(set).toMatch(/; Path=\/; Max-Age=43200; HttpOnly; SameSite=Strict$/);
    const answer = await ask('/job/a', {
      cookie,
      [MARKS.device]: 'another',
      [MARKS.gate]: 'x',
      'x-forwarded-host': 'evil.example',
    });
    expect(answer).toMatchObject({ status: 200, body: 'Harbour, evening' });
    const [device] = listDevices(workshop.database, workshop.now().toISOString());
    const { headers } = reached[0]!;
    expect([headers[MARKS.device], headers[MARKS.gate], headers.host]).toEqual([device!.id, gateSecret(), HOST]);
    expect(headers['x-forwarded-host']).toBeUndefined();
    expect(device).toMatchObject({ name: 'Tablet', role: 'maker' });
  });

  it.each([
    ['GET', '/'],
    ['GET', '/job/a'],
    ['GET', '/_next/static/chunk.js'],
    ['GET', '/icon.svg'],
    ['GET', '/%2e%2e/_next/data'],
    ['HEAD', '/api/file/workshop'],
    ['POST', '/'],
    ['PUT', '/api/job/a/inputs'],
    ['DELETE', '/job/a'],
    ['OPTIONS', '/'],
    ['PATCH', '/sign-in/../job/a'],
    ['POST', '/sign-out'],
  ])('%s %s without a signed-in device reaches nothing', async (method, path) => {
    for (const cookie of ['', 'keen-batten-device=guessed', `keen-batten-device=${'a'.repeat(43)}`, 'maker=Wenna']) {
      const answer = await ask(path, { ...own, method, cookie, 'next-action': 'abc' });
      expect(answer.status).toBe(401);
      expect(answer.body).not.toContain('Harbour');
    }
    expect(reached).toEqual([]);
  });

  it('turns away another name, a foreign origin and an address that cannot be read, also of a device that is in', async () => {
    const { cookie } = await signIn(PASSPHRASE);
    const status = async (path: string, headers: Record<string, string>) => (await ask(path, { cookie, ...headers })).status;
    for (const host of ['evil.example', 'bench.test.evil.example', 'evil.example:3443@bench.test'])
      expect(await status('/', { host })).toBe(421);
    for (const origin of ['https://evil.example', 'null', `https://${HOST}`, 'http://bench.test:1', 'nonsense'])
      expect(await status('/', { method: 'POST', origin })).toBe(403);
    expect(await status('/', { method: 'POST' })).toBe(403);
    expect(await status('/%', {})).toBe(400);
    expect(reached).toEqual([]);
    expect(await status('/', { method: 'POST', 'sec-fetch-site': 'same-origin' })).toBe(200);
  });

  it('ends a device when its time is over, when it signs out and when it is ended; an old cookie is no way back', async () => {
    const { cookie } = await signIn(PASSPHRASE);
    const in_ = async (held: string) => (await ask('/', { cookie: held })).status === 200;
    workshop.pass(12 * 60 - 1);
    expect(await in_(cookie)).toBe(true);
    workshop.pass(2);
    expect(await in_(cookie)).toBe(false);
    const second = (await signIn(PASSPHRASE)).cookie;
    expect(second).not.toBe(cookie);
    expect((await ask('/sign-out', { ...own, cookie: second })).status).toBe(303);
    expect(await in_(second)).toBe(false);
    const third = (await signIn(PASSPHRASE)).cookie;
    endDevices(workshop.database, null, workshop.now().toISOString());
    expect(await in_(third)).toBe(false);
  });

  it('waits after five wrong tries, longer after each further one, and not after right ones', async () => {
    const statuses: number[] = [];
    for (let count = 0; count < 7; count += 1) statuses.push((await signIn(`wrong ${count}`)).status);
    expect(statuses).toEqual([403, 403, 403, 403, 403, 429, 429]);
    expect((await signIn(PASSPHRASE)).body).toMatch(/Too many wrong tries\. Wait 60 seconds/);
    workshop.pass(1.1);
    expect((await signIn('wrong again')).status).toBe(403);
    workshop.pass(1.1);
    expect((await signIn(PASSPHRASE)).body).toMatch(/Wait \d\d seconds/);
    workshop.pass(1);
    expect((await signIn(PASSPHRASE)).status).toBe(303);
    for (let count = 0; count < 5; count += 1) expect((await signIn(PASSPHRASE)).status).toBe(303);
  });

  it('tells those apart who look on, and gives each device a name of its own', async () => {
    await signIn(PASSPHRASE);
    const { cookie } = await signIn(LOOKING);
    await ask('/', { cookie });
    const asking = askedBy(workshop, { get: (name) => String(reached[0]!.headers[name]) });
    expect(asking?.device).toMatchObject({ name: 'Tablet 2', role: 'viewer' });
    expect(askedBy(workshop, new Headers({ [MARKS.gate]: gateSecret(), [MARKS.device]: 'gone' }))).toBeNull();
  });

  it('goes on to this workshop only, keeps what was typed out of the page, and refuses an empty name', async () => {
    for (const to of ['//evil.example', 'https://evil.example', '/\\evil.example', 'javascript:1', '/..//evil.example'])
      expect((await signIn(PASSPHRASE, to)).location).toMatch(/^\/(?![/\\])/);
    const { body, status } = await ask('/sign-in', {
      ...own,
      body: new URLSearchParams({ passphrase: 'no', name: '"><script>alert(1)</script>', to: '/a"><b>' }).toString(),
    });
    expect(status).toBe(403);
    expect(body).not.toMatch(/<script|<b>/);
    const nameless = await ask('/sign-in', {
      ...own,
      body: new URLSearchParams({ passphrase: PASSPHRASE, name: ' ' }).toString(),
    });
    expect(nameless.body).toContain('what this device is called');
    const long = await ask('/sign-in', {
      ...own,
      body: `passphrase=${encodeURIComponent(PASSPHRASE)}&to=${'x'.repeat(9000)}&name=a`,
    });
    expect(long.status).toBe(403);
  });

  it('lets nobody in while the workshop is closed', async () => {
    const { cookie } = await signIn(PASSPHRASE);
    writeNetwork(workshop.database, { open: false, port: 3443, hours: 12, certFile: '', keyFile: '', ...hashes });
    expect((await signIn(PASSPHRASE)).status).toBe(403);
    expect((await ask('/', { cookie })).status).toBe(401);
  });
});

describe('what the door goes by', () => {
  it('keeps a passphrase as something else, with a salt of its own, and knows it however it is put together', async () => {
    const kept = await hashPassphrase('café, four letters');
    expect(kept).toMatch(/^scrypt\$131072\$/);
    expect(kept).not.toContain('caf');
    expect(await isPassphrase('cafe\u0301, four letters', kept)).toBe(true);
    expect(await isPassphrase('cafe, four letters', kept)).toBe(false);
    expect(await hashPassphrase('café, four letters', QUICK)).not.toBe(kept);
    for (const none of [null, '', 'scrypt$1$a$b', 'scrypt$1000$a$b', 'scrypt$99999999$a$b', 'plain'])
      expect(await isPassphrase('', none)).toBe(false);
  });

  it('counts many at once as one after the other, and each address by itself, all of them together too', () => {
    const tries = new Tries();
    const waits = Array.from({ length: 8 }, () => tries.begin('a', 0) > 0);
    expect(waits).toEqual([false, false, false, false, false, true, true, true]);
    expect(tries.begin('b', 0)).toBe(0);
    const others = Array.from({ length: 100 }, (_, index) => tries.begin(`c${index}`, 0) > 0);
    expect(others.filter(Boolean).length).toBeGreaterThan(60);
    expect(tries.begin('b', 3 * 3_600_000)).toBe(0);
  });

  it('lets an address that somebody is signed in from wait for nobody’s wrong tries but its own', () => {
    const tries = new Tries();
    for (let index = 0; index < 100; index += 1) tries.begin(`c${index}`, 0);
    expect([tries.begin('new', 0) > 0, tries.begin('known', 0, true)]).toEqual([true, 0]);
    for (let count = 0; count < 5; count += 1) tries.begin('known', 0, true);
    expect(tries.begin('known', 0, true)).toBeGreaterThan(0);
  });

  it('knows the networks of this machine, and its names', () => {
    expect(isInHouse('127.0.0.1')).toBe(true);
    expect(isInHouse('203.0.113.250')).toBe(false);
    expect(isInHouse('2001:db8::99')).toBe(false);
    expect(isHouseHost('BENCH.test:8443')).toBe(true);
    for (const host of houseAddresses().map(inUrl)) expect(isHouseHost(`${host}:3443`)).toBe(true);
    for (const host of ['evil.example', '', 'bench.test.evil.example', '203.0.113.250']) expect(isHouseHost(host)).toBe(false);
  });

  it('believes its own mark only', () => {
    expect(cameFrom(new Headers())).toEqual({ kind: 'here' });
    expect(cameFrom(new Headers({ [MARKS.device]: 'a' }))).toEqual({ kind: 'forged' });
    expect(cameFrom(new Headers({ [MARKS.device]: 'a', [MARKS.gate]: 'guess' }))).toEqual({ kind: 'forged' });
    expect(cameFrom(new Headers({ [MARKS.gate]: gateSecret() }))).toEqual({ kind: 'forged' });
    expect(cameFrom(new Headers({ [MARKS.device]: 'a', [MARKS.gate]: gateSecret() }))).toEqual({ kind: 'device', id: 'a' });
  });
});
