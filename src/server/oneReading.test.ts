/* Slip, screen, bench and record read a job in one way, at any progress and under rules that change in between. */
import 'reflect-metadata';
import { randomLcg } from 'd3-random';
import { expect, it } from 'vitest';
import { heldForConservator } from '@/core/case/gate';
import { caseOf } from '@/core/case/jobCase';
import type { JobInputs } from '@/core/job/job';
import { DEFAULT_RULES, tapeFor } from '@/core/house/houseRules';
import { STAGE_IDS, type StageId } from '@/core/stages/stages';
import { randomInputs } from '@/core/testInputs';
import { rounds } from '@/testRounds';
import { length } from '@/core/units/length';
import { createJob, recordStep, saveInputs } from './job/jobWrites';
import { VIEWS, type View } from '@/core/job/sideWords';
import { caseOfJob, houseOf, openJob } from './job/jobReading';
import { keepFinding } from './look/findingWrites';
import { testWorkshop, value } from './testWorkshop';
import { benchPage } from './bench/benchPage';
import { saveRules } from './house/houseRuleWrites';

/** Hundreds of fasteners say no more here than dozens. */
const spaced = (inputs: JobInputs): JobInputs => ({ ...inputs, fasten: { ...inputs.fasten, spacing: length(80) } });

const UNITS = ['mm', 'cm', 'in'] as const;

it('what is shown before a record is what is written, and stays what is shown', () => {
  const jobs = rounds(40, 150);
  const random = randomLcg(0.577);
  const workshop = testWorkshop();
  for (let turn = 0; turn < jobs; turn += 1) {
    const { id, revision } = value(createJob(workshop, { title: `Job ${turn}`, width: length(600), height: length(400) }));
    value(saveInputs.act(workshop, { jobId: id, revision, inputs: spaced(randomInputs(random)) }));
    const reader = { unit: UNITS[turn % 3]!, view: VIEWS[turn % 2]! };
    const written: Partial<Record<StageId, { answer: string; verdicts: unknown; view: View }>> = {};
    for (let steps = Math.floor(random() * 9); steps > 0; steps -= 1) {
      const found = openJob(workshop, id)!;
      const shown = caseOfJob(workshop, found, reader);
      const stage = shown.progress.now;
      if (stage === null) break;
      const { answer, answerNote, readings } = shown.plan[stage];
      const verdicts = shown.verdictsOf(stage);
      if (heldForConservator(verdicts)) {
        // What no reason opens: a conservator says yes, and it is read again.
        const said = { jobId: id, maker: 'Me', note: 'Dr Ilse Marrow', condition: null, decided: 'allows' as const, jpeg: null };
        value(keepFinding.act(workshop, said));
        continue;
      }
      const request = {
        jobId: id,
        revision: found.job.revision,
        stage,
        maker: 'Me',
        note: '',
        reason: 'so',
        ...reader,
        clothId: null,
        air: null,
      };
      const { log } = value(recordStep.act(workshop, request));
      expect(log.at(-1)).toMatchObject({ stage, readings, plan: { answer, answerNote, verdicts } });
      written[stage] = { answer, verdicts, view: shown.viewOf(stage) };
      workshop.pass(700);
    }
    if (turn % 20 === 7) {
      const rules = { ...DEFAULT_RULES, assumptions: { creep: 1.2 + 0.05 * (turn % 13), handGrip: 20 + (turn % 9) } };
      value(saveRules.act(workshop, { revision: Math.floor(turn / 20), rules }));
    }
    // The screen and the printed slip, in whatever unit they are read: what was recorded stands.
    const { job, log } = openJob(workshop, id)!;
    const house = { ...houseOf(workshop), tape: tapeFor(DEFAULT_RULES, UNITS[(turn + 1) % 3]!) };
    const here = caseOf(job, log, house, workshop.now().getTime());
    for (const stage of STAGE_IDS.filter((one) => here.isFrozen(one))) {
      expect(here.plan[stage].answer).toBe(written[stage]!.answer);
      expect(here.viewOf(stage)).toBe(written[stage]!.view);
      expect(here.verdictsOf(stage)).toEqual(written[stage]!.verdicts);
    }
    // Coats that are on keep the mix they were recorded with.
    const coats = log.filter((entry) => entry.stage === 'prime');
    coats.forEach((entry, index) => {
      const { inputs, rules, taught } = entry.plan!;
      const lessons = { pace: taught.pace, cloths: { [inputs.cloth.fabric]: taught }, creep: {}, hands: [], handNoise: null };
      const frozen = caseOf({ inputs }, log.slice(0, log.indexOf(entry)), { ...house, rules, lessons }, 0);
      expect(here.plan.prime.coats[index]?.recipe).toEqual(frozen.plan.prime.coats[index]?.recipe);
    });
  }
  for (const row of benchPage(workshop).rows) {
    const here = caseOfJob(workshop, openJob(workshop, row.id)!);
    expect(row.next).toEqual(here.next);
    expect(row.minutes).toBe(row.next.stage === null ? 0 : here.plan[row.next.stage].minutes);
  }
});
