/* Every @example in the core is run: `expression // literal`. A number that ends in … is compared as far as it goes. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from './house/houseRules';
import { FRONT_WORDS } from './job/sideWords';
import { newInputs } from './job/job';
import { byId } from './house/schools';
import { PROFILES } from './frame/profiles';
import { NO_GAPS } from './frame/square/readings';
import { length } from './units/length';

const CORE = import.meta.dirname;
const inputs = newInputs('Study', length(400), length(300)).fasten;
const scope = {
  DEFAULT_RULES,
  FRONT_WORDS,
  length,
  NO_GAPS,
  newInputs,
  inputs,
  batten: byId(PROFILES, 'batten'),
  standardBar: byId(PROFILES, 'standard'),
  context: { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') },
};

interface Example {
  file: string;
  expression: string;
  expected: string;
}

const examples = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .flatMap((file): Example[] => {
    const text = readFileSync(join(CORE, file), 'utf8');
    return [...text.matchAll(/@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm)].map((match) => ({
      file,
      expression: match[1]!,
      expected: match[2]!,
    }));
  });

function evaluate(expression: string, names: Record<string, unknown>): unknown {
  return new Function(...Object.keys(names), `return (${expression});`)(...Object.values(names));
}

/** Cuts a number to the decimals that the example shows. */
function likeExample(value: unknown, expected: string): unknown {
  const shown = /(\d+)\.(\d+)…/.exec(expected);
  if (!shown) return value;
  const cut = (number: number) => Math.floor(number * 10 ** shown[2]!.length) / 10 ** shown[2]!.length;
  return JSON.parse(JSON.stringify(value), (_key, one: unknown) => (typeof one === 'number' ? cut(one) : one));
}

describe('examples in the docstrings', () => {
  it('are there', () => expect(examples.length).toBeGreaterThan(18));

  it.each(examples)('$file: $expression', async ({ file, expression, expected }) => {
    const exported = (await import(join(CORE, file))) as Record<string, unknown>;
    const value = evaluate(expression, { ...scope, ...exported });
    expect(likeExample(value, expected)).toEqual(evaluate(expected.replace('…', ''), {}));
  });
});
