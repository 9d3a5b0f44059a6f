/*
 * Thousands of wrong requests to every write: each is refused in words that are ours, or granted; nothing of a refused one stays
 * behind. `npm run campaign` asks for more of them.
 */
import 'reflect-metadata';
import { randomLcg } from 'd3-random';
import { expect, it, vi } from 'vitest';
import { rounds } from '@/testRounds';
import { contentOf } from './testWorkshop';
import { workedWorkshop } from './testWorked';
import { grantedRequest } from './testWrites';
import { type RequestName, WRITES, carryOut } from './writes';
const CASES = rounds(750, 20_000);
const NAMES = Object.keys(WRITES) as RequestName[];

const nested = (levels: number): unknown => JSON.parse('{"a":'.repeat(levels) + '1' + '}'.repeat(levels));
const JUNK: readonly (() => unknown)[] = [
  () => null,
  () => undefined,
  () => [],
  () => [[]],
  () => ({}),
  () => true,
  () => 0,
  () => -1,
  () => 0.5,
  () => -0,
  () => 1e308,
  () => NaN,
  () => -Infinity,
  () => 10n,
  () => '',
  () => ' ',
  () => 'x'.repeat(6000),
  () => '../../etc/passwd',
  () => 'a/b',
  () => '..',
  () => 'constructor',
  () => '__proto__',
  () => "'; DROP TABLE job; --",
  () => 'a\u0000b',
  () => '\ud83c',
  () => '2031-02-31',
  () => '2031-02-31T25:61:00Z',
  () => new Date(),
  () => new Map([['a', 1]]),
  () => () => 1,
  () => Symbol('x'),
  () => nested(10_000),
  () => JSON.parse('{"constructor":{"prototype":1}}') as unknown,
  () => JSON.parse('{"__proto__":{"ok":true}}') as unknown,
  () => Array.from({ length: 3000 }, (_, index) => index),
  () => ({ mm: 'wide', unit: 'mm' }),
  () => ({ mm: 1e9, unit: 'in' }),
  () => ({ mm: 500, unit: 'parsec' }),
];

type Plain = Record<string, unknown>;

/** Every place in a value, as the object and the name in it. */
function placesIn(value: unknown, into: [Plain, string][] = []): [Plain, string][] {
  if (typeof value !== 'object' || value === null) return into;
  for (const [key, inner] of Object.entries(value)) {
    into.push([value as Plain, key]);
    placesIn(inner, into);
  }
  return into;
}

/** One thing made wrong, somewhere. */
function spoilt(request: Plain, random: () => number): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  if (random() < 0.03) return pick(JUNK)();
  const plain = structuredClone(request);
  const inText = typeof plain.text === 'string' && plain.text.startsWith('{') && random() < 0.85;
  const target = inText ? (JSON.parse(plain.text as string) as Plain) : plain;
  const [within, key] = pick(placesIn(target));
  const way = random();
  if (way < 0.75) within[key] = pick(JUNK)();
  else if (way < 0.88) delete within[key];
  else within[random() < 0.5 ? 'more' : 'toString'] = pick(JUNK)();
  if (inText) {
    try {
      const text = JSON.stringify(target);
      plain.text = random() < 0.1 ? text.slice(0, Math.floor(random() * text.length)) : text;
    } catch {
      plain.text = '{';
    }
  }
  return plain;
}

it.each(NAMES)('%s bears what is wrong', async (name) => {
  const failures = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  const worked = workedWorkshop();
  const request = { requestId: 'r-1', ...grantedRequest(worked, name) } as Plain;
  const open = () => worked.workshop.copy();
  let workshop = open();
  const before = contentOf(workshop.database);
  const random = randomLcg((1 + NAMES.indexOf(name)) / 99);
  let refused = 0;
  for (let turn = 0; turn < Math.ceil(CASES / NAMES.length); turn += 1) {
    const wrong = spoilt(request, random);
    const outcome = await carryOut(workshop, name, wrong);
    if (outcome.ok) {
      // Some wrong things are none: a note that is empty, a unit that there is.
      workshop.database.close();
      workshop = open();
      continue;
    }
    refused += 1;
    const said = JSON.stringify(outcome);
    expect(said).not.toMatch(/SQLITE|constraint|undefined|\[object|not a function|Cannot read|stack/);
    expect(contentOf(workshop.database)).toBe(before);
  }
  expect(failures.mock.calls).toEqual([]);
  expect(refused).toBeGreaterThan(CASES / NAMES.length / 3);
  failures.mockRestore();
});
