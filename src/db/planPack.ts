/*
 * Frozen plans are most of a log: each carries inputs, rules and verdicts that are much like those of every other. They are
 * kept deflated (RFC 1951) against a dictionary that lies in the same file, at a tenth of their size and to the byte.
 */
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import type { Database } from 'better-sqlite3';
import { NO_LESSONS, caseOf } from '@/core/case/jobCase';
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { newInputs } from '@/core/job/job';
import { NOTHING_TAUGHT, type PlanSnapshot } from '@/core/log/logEntry';
import { STAGE_IDS } from '@/core/stages/stages';
import { length, WHOLE_MM } from '@/core/units/length';

/** Deflate looks back no further, bytes. */
const REACH = 32_768;

/** The dictionary of a new file: the plans of an ordinary job, the most common words last. */
export function firstDictionary(): Buffer {
  const inputs = newInputs('Canvas', length(900), length(600));
  const here = caseOf({ inputs }, [], { rules: DEFAULT_RULES, tape: WHOLE_MM, lessons: NO_LESSONS }, 0);
  const plans = STAGE_IDS.map((stage): PlanSnapshot => ({
    answer: here.plan[stage].answer,
    answerNote: here.plan[stage].answerNote,
    verdicts: here.verdictsOf(stage),
    inputs,
    rules: DEFAULT_RULES,
    taught: NOTHING_TAUGHT,
    view: 'back',
  }));
  const verdicts = plans.map((plan) => JSON.stringify(plan.verdicts)).join('');
  return Buffer.from(verdicts + JSON.stringify(plans[0])).subarray(-REACH);
}

export const packText = (text: string, dictionary: Uint8Array): Buffer => deflateRawSync(text, { dictionary, level: 9 });

/** No plan is so long, bytes: some tens of thousands are usual. */
const LONGEST_TEXT = 4_000_000;

/** @throws Error when it was not packed with this dictionary, or would fill the memory */
export const unpackText = (packed: Uint8Array, dictionary: Uint8Array): string =>
  inflateRawSync(packed, { dictionary, maxOutputLength: LONGEST_TEXT }).toString('utf8');

const dictionaries = new WeakMap<Database, Buffer>();

/** After the file got other rows. */
export const forgetDictionary = (database: Database): boolean => dictionaries.delete(database);

/** The dictionary of a file: written once, never changed. */
export function dictionaryOf(database: Database): Buffer {
  const known = dictionaries.get(database);
  if (known) return known;
  const words = database.prepare<[], Buffer>('SELECT words FROM pack_dictionary').pluck().get()!;
  dictionaries.set(database, words);
  return words;
}
