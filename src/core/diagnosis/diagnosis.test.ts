import { NO_HISTORY } from '../log/jobHistory';
import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { type JobInputs, newInputs } from '../job/job';
import { STAGE_IDS } from '../stages/stages';
import { length } from '../units/length';
import { CAUSES, SIGNS } from './causes';
import { diagnose, diagnosisVerdicts, signsAt } from './diagnosis';
import { ZONES } from './zones';
import { type Plan, planJob } from '../case/planJob';

const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };
function job(change: (inputs: JobInputs) => void = () => undefined): [JobInputs, Plan] {
  const inputs = newInputs('t', length(800), length(600));
  change(inputs);
  return [inputs, planJob(inputs, context, 0)];
}
const names = (sign: string, zone: (typeof ZONES)[number]['id'], one: [JobInputs, Plan]) =>
  diagnose([{ sign, zone }], ...one, DEFAULT_RULES).map(({ cause }) => cause.id);

describe('the tables of signs and causes', () => {
  it('hang together: every sign has a cause and a place, every cause a sign, a remedy and a stage', () => {
    expect(new Set(SIGNS.map((sign) => sign.id)).size).toBe(SIGNS.length);
    expect(new Set(CAUSES.map((cause) => cause.id)).size).toBe(CAUSES.length);
    for (const { id, zones } of SIGNS) {
      expect(CAUSES.some((cause) => (cause.signs[id] ?? 0) > 0)).toBe(true);
      expect(zones.length).toBeGreaterThan(0);
    }
    for (const { signs, remedy, stage } of CAUSES) {
      for (const id of Object.keys(signs)) expect(SIGNS.map((sign) => sign.id)).toContain(id);
      expect(remedy.length).toBeGreaterThan(0);
      expect(STAGE_IDS).toContain(stage);
    }
    for (const { id } of ZONES) expect(signsAt(id).length).toBeGreaterThan(4);
  });

  it('ask only for judgements that some job makes', () => {
    const jobs = [
      job(),
      job(({ brief }) => (brief.use = 'finished')),
      job(({ brief, bars, fasten, cloth, square }) => {
        brief.edges = 'rebate';
        Object.assign(bars, { bracesUpright: [0.5], species: 'ash' });
        fasten.fastener = 'staple10';
        Object.assign(cloth, { fabric: 'cottonHeavy', warp: 'height' });
        Object.assign(square, { down: length(1004), up: length(1000), top: length(800), right: length(600), left: length(600) });
        square.bottom = length(803);
      }),
    ];
    const told = new Set(
      jobs.flatMap(([, plan]) => STAGE_IDS.flatMap((stage) => plan[stage].verdicts.map((one) => `${stage} ${one.id}`))),
    );
    // Made only for orders of layers that are wrong, and for joints that stand open.
    const rare = ['square openJoint', 'prime layerOrder', 'prime barrier', 'tune tensionByFeel'];
    for (const { told: asked } of CAUSES)
      for (const { stage, verdict } of asked) expect([...told, ...rare]).toContain(`${stage} ${verdict}`);
  });
});

describe('a diagnosis', () => {
  it('blames a wide spacing for scallops where it is wide, and not where it is close', () => {
    const wide = job(({ fasten }) => (fasten.spacing = length(90)));
    const close = job(({ fasten }) => (fasten.spacing = length(35)));
    expect(names('scallops', 'top', wide)[0]).toBe('tooWide');
    expect(names('scallops', 'top', close)[0]).not.toBe('tooWide');
    const first = diagnosisVerdicts([{ sign: 'scallops', zone: 'top' }], ...wide, context)[0]!.verdict;
    expect(first).toMatchObject({ level: 'watch', says: 'Likely: fasteners too far apart.' });
    expect(first.because).toMatch(/apart along the width/);
    expect(first.doThis).toMatch(/^Top side: Set one more .* Then repeat: Fasten\.$/);
    const cleared = diagnosisVerdicts([{ sign: 'scallops', zone: 'top' }], ...close, context).find(
      (one) => one.cause?.id === 'tooWide',
    )!;
    expect(cleared.verdict).toMatchObject({ level: 'good', says: 'Unlikely here: fasteners too far apart.' });
  });

  it('reads the diagonals: a racked frame is blamed for a wrinkle, a square one is not', () => {
    const racked = job(({ square }) => Object.assign(square, { down: length(1010), up: length(990) }));
    const square = job(({ square: one }) => Object.assign(one, { down: length(1000), up: length(1000) }));
    expect(names('rhombus', 'topLeft', racked)[0]).toBe('racked');
    const share = (one: [JobInputs, Plan]) =>
      diagnose([{ sign: 'cornerWrinkle', zone: 'topLeft' }], ...one, DEFAULT_RULES).find(({ cause }) => cause.id === 'racked')!
        .share;
    expect(share(racked)).toBeGreaterThan(2 * share(square));
  });

  it('a measured tension speaks loudest: 40 N/m of 250 is not tight enough, whatever else was planned', () => {
    const [inputs] = job(({ prime }) => (prime.roomRh = 80));
    const tension = {
      at: '2031-05-01',
      tool: 'tap' as const,
      sdNPerM: 5,
      across: null,
      down: null,
      rh: null,
      entryId: 'e',
      order: 0,
    };
    const at = (nPerM: number): [JobInputs, Plan] => [
      inputs,
      planJob(inputs, { ...context, history: { ...NO_HISTORY, tensions: [{ ...tension, nPerM }] } }, 0),
    ];
    expect(
      names(
        'slackLater',
        'middle',
        job(({ prime }) => (prime.roomRh = 80)),
      )[0],
    ).toBe('damp');
    expect(names('slackLater', 'middle', at(40))[0]).toBe('notTightEnough');
    expect(names('slackLater', 'middle', at(245))[0]).toBe('damp');
    expect(names('waist', 'top', at(380))[0]).toBe('tooTight');
  });

  it('adds several signs up, and its shares make one', () => {
    const both = diagnose(
      [
        { sign: 'askew', zone: 'middle' },
        { sign: 'pullLines', zone: 'left' },
      ],
      ...job(),
      DEFAULT_RULES,
    );
    expect(both[0]!.cause.id).toBe('oneSideHard');
    expect(both.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1, 12);
  });

  it('stops before a painting is treated, and refuses a sign it does not know', () => {
    const painted = job(({ brief }) => (brief.use = 'finished'));
    expect(diagnosisVerdicts([{ sign: 'dent', zone: 'middle' }], ...painted, context)[0]!.verdict).toMatchObject({
      level: 'stop',
      doThis: 'Ask a conservator; go on with what is only looked at.',
    });
    expect(diagnosisVerdicts([{ sign: 'scallops', zone: 'top' }], ...painted, context)[0]!.verdict.level).not.toBe('stop');
    expect(() => diagnose([{ sign: 'ghosts', zone: 'top' }], ...job(), DEFAULT_RULES)).toThrow(RangeError);
  });
});
