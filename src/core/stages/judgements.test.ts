/*
 * Every judgement over 240 drawn jobs: how often it is good, watched or stopped, and the sums of what it measured, allowed
 * and said. The table stands in docs/judgements.md: whoever changes a rule sees there which judgements it moves.
 */
import { randomLcg } from 'd3-random';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { planJob } from '../case/planJob';
import { CORNERS } from '../frame/square/corners';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { type JobHistory, NO_HISTORY, type TensionReading } from '../log/jobHistory';
import { randomInputs } from '../testInputs';
import { readJob } from '../testReadings';
import { STAGE_IDS, type StageId } from './stages';

const JOBS = 240;
const TOOLS = ['tap', 'weight', 'hand'] as const;

type Random = () => number;

/** What a job may have behind it: a few tensions, corners opened, ground that dried. */
function historyFrom(random: Random): JobHistory {
  if (random() < 0.3) return NO_HISTORY;
  const tensions = Array.from({ length: 1 + Math.floor(3 * random()) }, (_, index): TensionReading => {
    const nPerM = 40 + 400 * random();
    const told = random() < 0.6;
    return {
      at: new Date(Date.UTC(2031, 4, 1 + 20 * index)).toISOString(),
      order: index,
      tool: TOOLS[Math.floor(3 * random())]!,
      nPerM,
      sdNPerM: 4 + 20 * random(),
      across: told ? nPerM * (0.8 + 0.4 * random()) : null,
      down: told ? nPerM * (0.8 + 0.4 * random()) : null,
      rh: random() < 0.7 ? 35 + 40 * random() : null,
      entryId: `e${index}`,
    };
  });
  const deep = 2 * random() ** 2;
  const opened = Object.fromEntries(CORNERS.map((corner) => [corner, deep * random()])) as JobHistory['opened'];
  return { ...NO_HISTORY, tensions, opened, dryGroundGPerM2: random() < 0.5 ? 0 : 150 * random() };
}

/** Half of anything that a shape allows, half near to what is read of a true frame. */
function inputsFrom(random: Random): JobInputs {
  const any = randomInputs(random);
  if (random() < 0.5) return any;
  const near = readJob(random);
  return {
    ...near,
    brief: { ...any.brief, use: near.brief.use, width: near.brief.width, height: near.brief.height },
    bars: { ...any.bars, tensionNPerM: 80 + 300 * random() },
    prime: { ...any.prime, roomC: 8 + 20 * random(), roomRh: 30 + 50 * random() },
    tune: { ...any.tune, corners: near.tune.corners },
    handover: any.handover,
    fasten: { ...any.fasten, ...near.fasten, route: any.fasten.route, fastener: any.fasten.fastener },
  };
}

interface Row {
  good: number;
  watch: number;
  stop: number;
  measured: number;
  limit: number;
  told: number;
  uses: number;
}

it('falls as often, at the same measures, as the table says', async () => {
  const random = randomLcg(0.37);
  const rows = new Map<string, Row>();
  const answers = new Map<StageId, number>();
  for (let job = 0; job < JOBS; job += 1) {
    const inputs = inputsFrom(random);
    const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm'), history: historyFrom(random) };
    const plan = planJob(inputs, context, Math.floor(3 * random()));
    for (const stage of STAGE_IDS) {
      const { answer, answerNote, minutes, readings, verdicts } = plan[stage];
      answers.set(stage, (answers.get(stage) ?? 0) + answer.length + answerNote.length + minutes + readings.length);
      for (const { id, level, measured, limit, says, because, doThis, uses } of verdicts) {
        const key = `${stage} | ${id}`;
        const row = rows.get(key) ?? { good: 0, watch: 0, stop: 0, measured: 0, limit: 0, told: 0, uses: 0 };
        row[level] += 1;
        row.measured += Math.log1p(Math.abs(measured ?? 0));
        row.limit += Math.log1p(Math.abs(limit ?? 0));
        row.told += says.length + because.length + doThis.length;
        row.uses += uses.length;
        rows.set(key, row);
      }
    }
  }
  expect(rows.size).toBeGreaterThan(70);
  const table = [...rows]
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .map(
      ([key, { good, watch, stop, measured, limit, told, uses }]) =>
        `| ${key} | ${good} | ${watch} | ${stop} | ${measured.toFixed(2)} | ${limit.toFixed(2)} | ${told} | ${uses} |`,
    );
  const totals = [...answers].map(([stage, sum]) => `| ${stage} | ${sum.toFixed(1)} |`);
  const text = [
    '# How often each judgement falls',
    '',
    `Over ${JOBS} drawn jobs, half of them near to what is read of a true frame. Sums of ln(1 + measured) and ln(1 + limit), letters said, assumptions named. Written by \`core/stages/judgements.test.ts\`; a rule that changes moves its row, and no other.`,
    '',
    '| stage | judgement | good | watch | stop | measured | limit | letters | uses |',
    '| --- | --- | --- | --- | --- | --- | --- | --- | --- |',
    ...table,
    '',
    '| stage | letters of the answer, minutes, readings |',
    '| --- | --- |',
    ...totals,
    '',
  ].join('\n');
  await expect(text).toMatchFileSnapshot(join(import.meta.dirname, '../../../docs/judgements.md'));
});
