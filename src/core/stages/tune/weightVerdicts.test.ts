import { describe, expect, it } from 'vitest';
import { DEFAULT_RULES, tapeFor } from '../../house/houseRules';
import { PROFILES } from '../../frame/profiles';
import { NO_CHANGES } from '../../house/materials';
import { byId } from '../../house/schools';
import { newInputs } from '../../job/job';
import type { WeightReadings } from './tuneInputs';
import { sagUnder } from '../../tension/weightTest';
import { length } from '../../units/length';
import { planJob } from '../../case/planJob';

const face = { widthMm: 700, heightMm: 500 };
const sagAt = (tension: number, weightG: number) => length(sagUnder(face, { weightG, discMm: 70 }, tension));
function tuned(weight: Partial<WeightReadings>, use: 'new' | 'restretch' = 'new') {
  const inputs = newInputs('t', length(face.widthMm), length(face.heightMm));
  inputs.brief.use = use;
  inputs.tune.weight = { ...inputs.tune.weight, ...weight };
  return planJob(inputs, { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm') }, 0).tune;
}
const about = (plan: ReturnType<typeof tuned>, what: string) => plan.verdicts.find((one) => one.id === what);

describe('a weight on the cloth', () => {
  it('answers in newtons a metre with its error, beside the feel, and is logged so', () => {
    const plan = tuned({ lightSag: sagAt(240, 100) });
    expect(plan.answer).toMatch(/^240 ± \d+ N\/m$/);
    expect(plan.answerNote).toMatch(/^by weight$/);
    expect(about(plan, 'tensionByWeight')).toMatchObject({ level: 'good', limit: 250 });
    expect(plan.readings.find((one) => one.quantity === 'tensionByWeight')).toMatchObject({
      value: 240,
      unit: 'N/m',
      tool: 'weight and rule',
    });
    expect(tuned({}).readings.some((one) => one.quantity === 'tensionByWeight')).toBe(false);
    expect(tuned({}).answer).toBe('Not felt yet');
  });

  it('says tighter or looser than aimed at, and sends to the bars or to a remedy', () => {
    expect(about(tuned({ heavySag: sagAt(120, 200) }), 'tensionByWeight')).toMatchObject({
      level: 'watch',
      doThis: 'Looser than aimed at: a remedy now is easier than later.',
    });
    expect(about(tuned({ heavySag: sagAt(420, 200) }), 'tensionByWeight')!.doThis).toMatch(/^Tighter than aimed at/);
  });

  it('finds cloth that stretches under the heavier one, and a misread pair', () => {
    const heavy = (times: number) =>
      about(tuned({ lightSag: sagAt(240, 100), heavySag: length(times * sagAt(240, 100).mm) }), 'stretchUnderWeight')!;
    expect(heavy(2)).toMatchObject({ level: 'good', says: 'Both weights tell the same tension.' });
    expect(heavy(1.7).doThis).toBe('Believe the lighter one, and a larger disc.');
    expect(heavy(2.5)).toMatchObject({
      says: expect.stringMatching(/one of the two is misread/) as string,
      doThis: 'Read both again.',
    });
    expect(about(tuned({ disc: length(30), lightSag: length(3) }), 'disc')!.because).toMatch(/30 % high/);
  });

  it('stops before a painting, and tells nothing from nothing', () => {
    const painted = tuned({ lightSag: length(2) }, 'restretch');
    expect(about(painted, 'weightOnPainting')).toMatchObject({ level: 'stop' });
    expect(painted.answer).toBe('Not felt yet');
    expect(about(tuned({ lightSag: length(0) }), 'weight')!.doThis).toBe('Read the sag in the middle again.');
    expect(about(tuned({ disc: length(900), lightSag: length(3) }), 'weight')).toBeDefined();
  });

  it('sags only inside a bar without a bead', () => {
    const flat = { ...byId(PROFILES, 'standard'), beadMm: 0 };
    const rules = { ...DEFAULT_RULES, materials: { ...NO_CHANGES, profiles: [flat] } };
    const inputs = newInputs('t', length(700), length(500));
    const sag = sagUnder({ widthMm: 700 - 88, heightMm: 500 - 88 }, { weightG: 100, discMm: 70 }, 240);
    inputs.tune.weight = { ...inputs.tune.weight, lightSag: length(sag) };
    const tension = (house: typeof rules) =>
      planJob(inputs, { rules: house, tape: tapeFor(house, 'mm') }, 0).tune.readings.find(
        ({ quantity }) => quantity === 'tensionByWeight',
      )!.value;
    expect(tension(rules)).toBe(240);
    expect(tension(DEFAULT_RULES)).toBeGreaterThan(255);
  });
});
