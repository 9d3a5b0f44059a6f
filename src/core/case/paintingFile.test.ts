/* The file of a painting: what was added counts in its order, and no list, label, passport or step names what it forbids. */
import * as fc from 'fast-check';
import { randomLcg } from 'd3-random';
import { describe, expect, it } from 'vitest';
import { rounds } from '@/testRounds';
import { benchSteps } from '../bench/benchRun';
import { materialNeeds } from '../cost/materialNeeds';
import { takingDownVerdicts } from '../painting/takingDownVerdicts';
import { DEFAULT_RULES, tapeFor } from '../house/houseRules';
import { USES } from '../house/schools';
import { type JobInputs, newInputs } from '../job/job';
import { passportSays } from '../life/passport';
import type { LogEntry } from '../log/logEntry';
import { testEntry } from '../log/testEntry';
import { backLabel } from '../marks/backLabel';
import { CONDITIONS } from '../stages/look/conditions';
import { DECISIONS } from '../stages/look/lookInputs';
import { ACTS, type ActId, mayBeDone } from '../stages/look/mayBeDone';
import { type Finding, findingId, lookNow } from '../stages/look/workFile';
import { type StageId, runOf } from '../stages/stages';
import { clothLoad } from '../tension/clothLoad';
import { randomInputs } from '../testInputs';
import { length } from '../units/length';
import { NO_LESSONS, caseOf } from './jobCase';
import { heldForConservator } from './gate';

const house = { rules: DEFAULT_RULES, tape: tapeFor(DEFAULT_RULES, 'mm'), lessons: NO_LESSONS, view: 'back' } as const;
const AT = Date.parse('2031-05-04T12:00:00Z');
const at = (minute: number) => new Date(AT + minute * 60_000).toISOString();
const old = (): JobInputs => {
  const inputs = structuredClone(newInputs('Old harbour', length(742), length(558)));
  inputs.brief.use = 'restretch';
  inputs.look.lookedOver = true;
  return inputs;
};
const records = (...stages: StageId[]): LogEntry[] =>
  stages.map((stage, index) => testEntry(`r${index}`, stage, { at: at(index) }));
const added = (minute: number, finding: Finding, note = 'Dr Ilse Marrow: low tension'): LogEntry =>
  testEntry(`f${minute}`, 'look', { kind: 'note', of: findingId(finding), at: at(minute), note });
const may = (act: ActId, inputs: JobInputs, log: readonly LogEntry[] = []) =>
  mayBeDone(act, { brief: inputs.brief, look: lookNow(inputs.look, log) }).may;

describe('what is added to the file', () => {
  const tear = added(1, { condition: 'tear' });
  const yes = added(2, { decided: 'allows' });

  it('counts in its order: what is found after a decision is not covered by it; what is taken back is out', () => {
    expect(may('fasten', old())).toBe('allowed');
    expect(may('fasten', old(), [tear])).toBe('ask');
    expect(may('fasten', old(), [tear, yes])).toBe('allowed');
    expect(may('fasten', old(), [yes, { ...tear, at: at(3) }])).toBe('ask');
    const undone = testEntry('w', 'look', { kind: 'withdrawal', corrects: yes.id, at: at(4) });
    expect(may('fasten', old(), [tear, yes, undone])).toBe('ask');
    // A dent asks for nobody here, so what was allowed stays allowed.
    expect(may('fasten', old(), [tear, yes, added(5, { condition: 'dent' })])).toBe('allowed');
    expect(lookNow(old().look, [tear, yes])).toMatchObject({
      conditions: [{ kind: 'tear', note: 'Dr Ilse Marrow: low tension' }],
      decided: 'allows',
      decidedBy: 'Dr Ilse Marrow: low tension',
      decidedOn: '2031-05-04',
    });
    // Any other note adds nothing.
    expect(lookNow(old().look, [testEntry('n', 'look', { kind: 'note', of: 'condition', note: 'tear' })])).toEqual(old().look);
  });

  it('holds and opens the stages at once; the wish of an owner opens nothing', () => {
    const upTo = records('look', 'cloth', 'brief', 'bars', 'square');
    const held = (log: LogEntry[], stage: StageId = 'fasten') =>
      heldForConservator(caseOf({ inputs: old() }, [...upTo, ...log], house, AT).verdictsOf(stage))?.says ?? null;
    expect(held([])).toBeNull();
    expect(held([tear])).toBe('A conservator before fastening it: it has a tear.');
    expect(held([tear], 'tune')).toBe('A conservator before keying it: it has a tear.');
    expect(held([tear, added(3, { decided: 'owner' })])).not.toBeNull();
    expect(held([tear, added(3, { decided: 'treats' })])).not.toBeNull();
    expect(held([tear, yes])).toBeNull();
    const later = { ...old(), look: { ...old().look, decided: 'allows' as const, decidedOn: '2031-06-01' } };
    const verdicts = caseOf({ inputs: later }, [], house, AT).verdictsOf('look');
    expect(verdicts.find(({ id }) => id === 'decisionDay')).toMatchObject({ level: 'stop' });
  });
});

describe('what may be done', () => {
  it('to a blank canvas everything, to a painting never water, ground, a cut or a weight, whoever said yes', () => {
    for (const { id } of ACTS) expect(may(id, newInputs('Blank', length(400), length(300)))).toBe('allowed');
    for (const { id: use, painted } of USES)
      for (const { id: decided } of DECISIONS)
        for (const act of ['wet', 'ground', 'cut', 'weigh'] as const) {
          const inputs = old();
          expect(may(act, { ...inputs, brief: { ...inputs.brief, use }, look: { ...inputs.look, decided } })).toBe(
            painted ? 'never' : 'allowed',
          );
        }
  });

  it.each([
    ['flaking', ['tap', 'roll', 'brush']],
    ['brittle', ['roll']],
    ['mould', ['brush']],
    ['tear', []],
  ] as const)('with %s a yes to stretching does not open %j; a treatment does', (condition, never) => {
    const found = added(1, { condition });
    for (const { id, neverPainted } of ACTS) {
      if (neverPainted !== null) continue;
      expect(may(id, old(), [found, added(2, { decided: 'allows' })])).toBe(
        never.some((one) => one === id) ? 'never' : 'allowed',
      );
      expect(may(id, old(), [found, added(2, { decided: 'treated' })])).toBe('allowed');
    }
  });
});

/** Words of water, ground and what cuts, which no list of a painting holds. */
const FORBIDDEN = /ground|primer|prim(e|ing)|gesso|glue size|sand ?paper|sanding|\bbrush|\bjug\b|water bath|shears|mask for/i;

describe('any painting', () => {
  it('has no word of what its file forbids in its lists, label, passport and bench, and no pull or weight of a ground', () => {
    const random = randomLcg(0.29);
    const withKeys: boolean[] = [];
    for (let turn = 0; turn < rounds(200, 6000); turn += 1) {
      const one = randomInputs(random);
      const use = USES.filter(({ painted }) => painted)[turn % 3]!.id;
      const inputs: JobInputs = {
        ...one,
        brief: { ...one.brief, use, notKnown: [] },
        fasten: { ...one.fasten, spacing: length(90) },
      };
      const log = records(...runOf(true));
      const here = caseOf({ inputs }, log, house, AT);
      const { kit } = here.plan;
      const lists = [...materialNeeds(here.plan, inputs, DEFAULT_RULES).map(({ name }) => name), ...kit.map(({ what }) => what)];
      expect(lists.filter((line) => FORBIDDEN.test(line))).toEqual([]);
      expect(here.plan.handover.groundKg).toBe(0);
      expect(clothLoad(inputs, DEFAULT_RULES).added.map(({ what }) => what)).toEqual(['dry air']);
      const steps = (['bars', 'square', 'fasten', 'handover'] as const).flatMap((stage) => benchSteps(here, stage));
      expect(steps.filter(({ says }) => /\bcut\b|\bwet\b|prime/i.test(says)).map(({ says }) => says)).toEqual([]);

      const { key, keep, never } = passportSays(here);
      const label = backLabel(here, log, 1).lines;
      const tells = [...key, ...label].some((line) => /tap or two|Turn the bolts|a little at each|turn a little/.test(line));
      const opens = here.plan.tune.opener !== null;
      expect(tells).toBe(opens && may('key', inputs, log) === 'allowed');
      withKeys.push(tells);
      expect(keep.some((line) => line.startsWith('Dust it'))).toBe(may('brush', inputs, log) === 'allowed');
      expect(never.some((line) => line.startsWith('Never roll it face in'))).toBe(may('roll', inputs, log) === 'allowed');
      expect(never.some((line) => line.startsWith('Never send it away'))).toBe(may('travel', inputs, log) !== 'allowed');
      expect(keep.some((line) => line.startsWith('Hang it'))).toBe(may('hang', inputs, log) === 'allowed');
      const taps = benchSteps(here, 'tune').some(({ id }) => id === 'tune/taps');
      expect(taps).toBe(may('tap', inputs, log) === 'allowed' && here.plan.tune.hearing !== 'weigh');
      const rolled = takingDownVerdicts(inputs, { kept: 'rolled', paint: 'thin', faceOut: true, coreMm: 400 }, house);
      const mayRoll = may('roll', inputs, log) === 'allowed' && may('unfasten', inputs, log) === 'allowed';
      expect(rolled.every(({ level }) => level !== 'stop')).toBe(mayRoll);
    }
    // Both were met often enough to say something.
    expect(withKeys.filter(Boolean).length).toBeGreaterThan(20);
    expect(withKeys.filter((told) => !told).length).toBeGreaterThan(20);
  });

  it('is folded without a cut, whatever fold was left in the field', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('single', 'doublePleat', 'trimmed', 'templated'),
        fc.constantFrom(...CONDITIONS),
        (corner, { id }) => {
          const inputs = { ...old(), cloth: { ...old().cloth, corner } };
          const { plan } = caseOf({ inputs }, [added(1, { condition: id })], house, AT);
          expect(plan.cloth.corners.fold.cut).toBe('never');
        },
      ),
      { numRuns: 40 },
    );
  });
});
