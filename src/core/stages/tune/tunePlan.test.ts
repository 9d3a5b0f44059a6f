import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { type JobInputs, newInputs } from '../../job/job';
import { alikeCorners } from './tuneInputs';
import { type LogEntry, NOTHING_TAUGHT, type Reading } from '../../log/logEntry';
import { reading as plainReading } from '../../log/reading';
import type { ReadingId } from '../../log/readingKinds';
import { length } from '../../units/length';
import { historyOf, stiffnessFound } from '../../log/jobHistory';
import { planJob } from '../../case/planJob';

const at = (day: number) => new Date(Date.UTC(2031, 4, day, 12)).toISOString();
const reading = (quantity: ReadingId, value: number, precision: number | null = null, of = ''): Reading =>
  plainReading(quantity, value, 'N/m', { of, precision, tool: 'test' });
let serial = 0;
const entry = (day: number, readings: Reading[], more: Partial<LogEntry> = {}): LogEntry => ({
  id: `e${(serial += 1)}`,
  stage: 'tune',
  step: null,
  kind: 'reading',
  device: '',
  of: '',
  at: at(day),
  maker: 'Me',
  did: '',
  note: '',
  reason: '',
  corrects: null,
  readyAt: null,
  readings,
  plan: null,
  hangs: null,
  ...more,
});
const tapped = (day: number, nPerM: number, sd: number, rh = 50, [across, down] = [nPerM, nPerM]) =>
  entry(day, [
    reading('tensionByTap', nPerM, sd),
    reading('tensionAcross', across, sd),
    reading('tensionDown', down, sd),
    reading('roomHumidity', rh),
  ]);

function tuned(log: LogEntry[], change: (inputs: JobInputs) => void = () => undefined, face: [number, number] = [600, 400]) {
  const inputs = newInputs('t', length(face[0]), length(face[1]));
  change(inputs);
  const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm'), history: historyOf(log) };
  return planJob(inputs, context, 0).tune;
}
const about = (plan: ReturnType<typeof tuned>, what: string) => plan.verdicts.find((one) => one.id === what);

describe('a tension that was tapped', () => {
  it('is the answer, with both ways, against the aim', () => {
    const plan = tuned([tapped(1, 214, 12, 50, [200, 229])]);
    expect(plan.answer).toBe('214 ± 12 N/m');
    expect(plan.answerNote).toBe('by tap: 200 across, 229 down');
    expect(about(plan, 'tensionMeasured')).toMatchObject({ level: 'good', measured: 214, limit: 250 });
    expect(about(plan, 'tensionByFeel')).toBeUndefined();
    expect(about(tuned([tapped(1, 120, 8)]), 'tensionMeasured')!.doThis).toMatch(/^Looser than aimed at/);
    expect(about(tuned([tapped(1, 400, 20)]), 'tensionMeasured')!.doThis).toMatch(/bow of the bars/);
  });

  it('tells one way from the other only when they are clearly apart', () => {
    expect(about(tuned([tapped(1, 200, 10, 50, [190, 215])]), 'oneWayTighter')).toBeUndefined();
    expect(about(tuned([tapped(1, 200, 10, 50, [260, 160])]), 'oneWayTighter')!.says).toBe(
      'Across it is 1.6 times as tight as down.',
    );
  });

  it('is compared with its own past by the same tool, and a change is told from chance', () => {
    const same = about(tuned([tapped(1, 200, 12), tapped(9, 188, 12)]), 'ownPast')!;
    expect(same).toMatchObject({ level: 'good', says: 'No change that could be told from chance: -12 ± 17 N/m.' });
    const looser = about(tuned([tapped(1, 240, 12, 45), tapped(9, 160, 9, 75)]), 'ownPast')!;
    expect(looser).toMatchObject({ level: 'watch', says: 'Looser by 80 N/m than when it was last measured.' });
    expect(looser.because).toBe('Before: 240 ± 12 N/m; then at 45 % RH, now at 75 % RH.');
    const byWeight = entry(5, [reading('tensionByWeight', 150, 8)]);
    expect(about(tuned([byWeight, tapped(9, 240, 12)]), 'ownPast')).toBeUndefined();
  });

  it('foretells up to which damp it stays flat', () => {
    expect(about(tuned([tapped(1, 240, 12)]), 'dampAir')!.says).toMatch(/stays flat in any air/);
    const loose = about(tuned([tapped(1, 68, 6)]), 'dampAir')!;
    expect(loose).toMatchObject({ level: 'watch', limit: 70 });
    // 12 kN/m × 50 ppm: 0.6 N/m for one %, 8 N/m over the least of 60.
    expect(loose.measured).toBeCloseTo(50 + 8 / 0.6, 6);
    expect(loose.says).toMatch(/up to about 63 % RH, 53 % RH if it is as loose/);
  });

  it('foretells what creep leaves of it after a year, by the house or by what the house learned', () => {
    const tight = about(tuned([tapped(1, 240, 12)]), 'yearOn')!;
    // 6 % in a tenfold of time, 2.56 tenfolds from a day to a year.
    expect(tight).toMatchObject({ level: 'good', limit: 60, measured: expect.closeTo(240 * (1 - 0.06 * Math.log10(365)), 6) });
    expect(tight.says).toContain('about 203 N/m would be left after a year');
    expect(about(tuned([tapped(1, 70, 5)]), 'yearOn')).toMatchObject({
      level: 'watch',
      doThis: 'Leave it tighter, or look at it again within the year.',
    });
  });

  it('counts no more once it is taken back', () => {
    const kept = tapped(1, 200, 10);
    const back = entry(2, [], { kind: 'withdrawal', corrects: kept.id });
    expect(tuned([kept, back]).answer).toBe('Not felt yet');
  });
});

describe('whether a tap can be heard', () => {
  it.each([
    [400, 300, 'good'],
    [900, 700, 'try'],
    [1500, 1200, 'weigh'],
  ])('%d × %d: %s', (width, height, hearing) => expect(tuned([], () => undefined, [width, height]).hearing).toBe(hearing));

  it('goes by the mass of what swings: bare cloth, the ground on it, or a weighed piece', () => {
    const bare = tuned([]);
    expect(bare.span).toEqual({ a: 0.6, b: 0.4 });
    expect(bare.mass).toMatchObject({ kgPerM2: 0.34, source: 'fabric' });
    expect(bare.mass.spread).toBeCloseTo(0.05, 9);
    const primed = tuned([entry(1, [reading('dryGround', 160)]), entry(2, [reading('dryGround', 100)])]);
    expect(primed.mass.kgPerM2).toBeCloseTo(0.6, 9);
    expect(primed.lowestHz).toBeLessThan(bare.lowestHz);
    const weighed = tuned([], (inputs) => (inputs.tune.piece = { width: length(100), height: length(50), grams: 2.1 }));
    expect(weighed.mass.source).toBe('piece');
    expect(weighed.mass.kgPerM2).toBeCloseTo(0.42, 9);
  });
});

describe('opening the corners', () => {
  const open = (mm: number, change: (inputs: JobInputs) => void = () => undefined, log: LogEntry[] = []) =>
    tuned(log, (inputs) => {
      inputs.tune.corners = alikeCorners(length(mm));
      change(inputs);
    });

  it('goes from what is open already, in rounds of a little', () => {
    const quarter = entry(
      1,
      (['topLeft', 'topRight', 'bottomRight', 'bottomLeft'] as const).map((corner) => reading('opened', 0.4, null, corner)),
    );
    const plan = open(1, undefined, [quarter]);
    expect(plan.soFar.topLeft).toBe(0.4);
    expect(plan.steps).toHaveLength(3);
    expect(plan.addsWidthNPerM).toBeCloseTo(open(1).addsWidthNPerM * 0.6, 6);
    const back = open(0.2, undefined, [quarter]);
    expect(back.steps).toEqual([]);
    const still = open(0, undefined, [quarter]);
    expect(still.wanted).toEqual(still.soFar);
    expect(about(still, 'cornerFurther')).toBeUndefined();
    expect(about(back, 'cornerFurther')!.says).toMatch(/top left corner is open by 0\.4 mm already/);
  });

  it('is judged by how far, how square and how it fits, with the care that goes with it', () => {
    expect(about(open(1), 'corners')!.level).toBe('good');
    expect(about(open(1), 'cornerCare')!.doThis).toMatch(/^Tap each key lightly/);
    expect(
      about(
        open(1, (inputs) => (inputs.bars.joint = 'bolted')),
        'cornerCare',
      )!.doThis,
    ).toMatch(/^A quarter turn/);
    expect(about(open(1), 'cornerSkew')).toBeUndefined();
    const one = open(0, (inputs) => (inputs.tune.corners.topLeft = length(3)));
    expect(about(one, 'cornerSkew')).toMatchObject({ level: 'stop' });
    expect(about(one, 'cornerSkew')!.says).toMatch(/top left to bottom right the longer/);
  });

  it('uses the stiffness that this cloth taught', () => {
    const inputs = newInputs('t', length(600), length(400));
    inputs.tune.corners = alikeCorners(length(1));
    const context = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') };
    const table = planJob(inputs, context, 0).tune;
    const lessons = { ...NOTHING_TAUGHT, stiffness: { value: 0.7, records: 3 } };
    const taught = planJob(inputs, { ...context, taught: lessons }, 0).tune;
    expect(taught.addsWidthNPerM).toBeCloseTo(0.7 * table.addsWidthNPerM, 6);
    expect(about(taught, 'corners')!.because).toMatch(/0\.7 of the table’s, as your last 3 records taught/);
  });

  it('teaches only from what was measured before and after by one tool, and told apart from chance', () => {
    const turn = entry(2, [
      reading('opened', 1, null, 'topLeft'),
      reading('opened', 1, null, 'topRight'),
      reading('opened', 1, null, 'bottomRight'),
      reading('opened', 1, null, 'bottomLeft'),
    ]);
    const found = (...log: LogEntry[]) => stiffnessFound(historyOf(log), 50);
    expect(found(tapped(1, 150, 8), turn, tapped(3, 190, 9))).toBeCloseTo(0.8, 9);
    expect(found(tapped(1, 150, 8), turn)).toBeNull();
    expect(found(tapped(1, 150, 8), tapped(3, 190, 9))).toBeNull();
    expect(found(tapped(1, 150, 30), turn, tapped(3, 170, 30))).toBeNull();
    expect(found(entry(1, [reading('tensionByWeight', 150, 5)]), turn, tapped(3, 190, 9))).toBeNull();
    expect(found(tapped(1, 150, 3), turn, tapped(3, 600, 9))).toBeNull();
  });
});

describe('keys', () => {
  const opened = (mm: number, log: LogEntry[], change: (inputs: JobInputs) => void = () => undefined) =>
    tuned(log, (inputs) => {
      inputs.tune.corners = alikeCorners(length(mm));
      change(inputs);
    });

  it('are judged by the tension they make, from what was measured or reckoned', () => {
    const much = about(opened(1, [tapped(1, 390, 12)]), 'cornersPull')!;
    expect(much.says).toMatch(/^390 N\/m measured and \d+ N\/m by the corners make 4\d\d N\/m/);
    expect(much.level).not.toBe('good');
    expect(about(opened(0.5, [tapped(1, 120, 12)]), 'cornersPull')).toMatchObject({ level: 'good', limit: 400 });
    const painting = opened(0.5, [tapped(1, 190, 12)], ({ brief }) => (brief.use = 'restretch'));
    expect(about(painting, 'cornersPull')).toMatchObject({ limit: 200, uses: ['paintedMost'] });
    expect(about(painting, 'cornersPull')!.level).not.toBe('good');
    expect(about(opened(0.5, []), 'cornersPull')!.says).toMatch(/^250 N\/m assumed/);
    // A light bar of a long side bows under it.
    const light = opened(2, [tapped(1, 300, 12)], ({ brief, bars }) => {
      Object.assign(brief, { width: length(1400) });
      Object.assign(bars, { profile: 'light', bracesUpright: [] });
    });
    expect(about(light, 'cornersBow')).toMatchObject({ level: 'stop' });
    expect(about(opened(0.2, [tapped(1, 100, 9)]), 'cornersBow')).toBeUndefined();
  });

  it('stop before a fragile painting, as advice and as a step', () => {
    const fragile = opened(0.5, [tapped(1, 120, 12)], ({ brief, look }) => {
      brief.use = 'restretch';
      look.conditions = [{ kind: 'flaking', at: null, note: '' }];
    });
    expect(about(fragile, 'fragile')).toMatchObject({ level: 'stop' });
    expect(fragile.advice[0]!.id).toBe('conservator');
    expect(fragile.advice.find(({ id }) => id === 'keys')!.barred).toMatch(/conservator/);
    expect(about(opened(0.5, []), 'fragile')).toBeUndefined();
  });
});

it('a feel that nobody felt is no reading, and the room of the priming is none of it', () => {
  expect(tuned([]).readings).toEqual([]);
  const felt = tuned([], (inputs) => {
    inputs.tune.feel = 'soft';
    inputs.prime.airBy = 'measured';
  });
  expect(felt.readings.map(({ quantity, known }) => [quantity, known])).toEqual([['tensionByHand', 'felt']]);
});
