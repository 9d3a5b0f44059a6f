import { describe, expect, it } from 'vitest';
import { type JobInputs, newInputs } from '../job/job';
import type { LogEntry } from '../log/logEntry';
import { testEntry } from '../log/testEntry';
import { type StageId, runOf } from '../stages/stages';
import { length } from '../units/length';
import { gateVerdicts } from './gate';
import { clockOf, nextStep, waitVerdicts } from './nextStep';
import { lockedChanges, missingBefore, progressOf, standingRecords } from './progress';

const inputs = newInputs('t', length(900), length(600));
const NOON = Date.parse('2031-05-04T12:00:00Z');
const iso = (minutes: number) => new Date(NOON + minutes * 60_000).toISOString();

let serial = 0;
function record(stage: StageId, minutes: number, more: Partial<LogEntry> = {}): LogEntry {
  serial += 1;
  return testEntry(`e${serial}`, stage, { at: iso(minutes), ...more });
}
const upTo = (last: StageId, run = runOf(false)) =>
  run.slice(0, run.indexOf(last) + 1).map((id, index) => record(id, -500 + index));
const coat = (step: number, minutes: number, readyMinutes: number) =>
  record('prime', minutes, { step, readyAt: iso(readyMinutes) });

describe('progress', () => {
  it('starts at the brief and ends after the handover', () => {
    expect(progressOf(inputs, []).now).toBe('brief');
    const prime = [0, 1, 2].map((step) => coat(step, -400 + step, -300));
    const log = [...upTo('tune'), ...prime, record('handover', -1)];
    expect(progressOf(inputs, log)).toMatchObject({ now: null, coatsDone: 3 });
    expect(nextStep(inputs, progressOf(inputs, log), NOON).state).toBe('finished');
  });

  it('a withdrawal takes the record back, and a new one stands again', () => {
    const first = record('brief', -60);
    const back = record('brief', -50, { kind: 'withdrawal', corrects: first.id });
    expect(progressOf(inputs, [first, back]).now).toBe('brief');
    expect(standingRecords([first, back, record('brief', -40)])).toHaveLength(1);
  });

  it('needs every coat of the system, or one entry where nothing is primed', () => {
    const log = [...upTo('tune'), coat(0, -200, -100), coat(1, -90, -20)];
    expect(progressOf(inputs, log).now).toBe('prime');
    const bare: JobInputs = { ...inputs, prime: { ...inputs.prime, system: 'none' } };
    expect(progressOf(bare, [...upTo('tune'), record('prime', -1)]).now).toBe('handover');
  });
});

describe('clocks', () => {
  it('a wet coat waits until it is dry, to the minute', () => {
    const progress = progressOf(inputs, [...upTo('tune'), coat(0, -30, 60)]);
    expect(nextStep(inputs, progress, NOON)).toMatchObject({ stage: 'prime', act: 'Second coat', state: 'waiting' });
    expect(nextStep(inputs, progress, NOON + 59 * 60_000).state).toBe('waiting');
    expect(nextStep(inputs, progress, NOON + 60 * 60_000).state).toBe('now');
    expect(clockOf(progress)).toMatchObject({ what: 'prime', readyAt: iso(60) });
  });

  it('glue holds back fastening only: squaring and cutting go on', () => {
    const glued = (last: StageId) =>
      progressOf(
        inputs,
        upTo(last).map((entry) => (entry.stage === 'bars' ? { ...entry, readyAt: iso(600) } : entry)),
      );
    expect(nextStep(inputs, glued('bars'), NOON)).toMatchObject({ stage: 'square', state: 'now' });
    expect(nextStep(inputs, glued('square'), NOON)).toMatchObject({ stage: 'cloth', state: 'now' });
    expect(nextStep(inputs, glued('cloth'), NOON)).toMatchObject({ stage: 'fasten', state: 'waiting' });
    expect(clockOf(glued('fasten'))).toBeNull();
  });

  it('warns on the step that waits, with how long and what to do, and no longer', () => {
    const progress = progressOf(inputs, [...upTo('tune'), coat(0, -30, 60)]);
    const at = (minutes: number) => waitVerdicts(nextStep(inputs, progress, NOON + minutes * 60_000), NOON + minutes * 60_000);
    expect(at(0)).toMatchObject([
      { about: 'waiting', level: 'watch', measured: 60, says: 'The last coat dries for another 1 h.' },
    ]);
    expect(at(59.8)[0]!.says).toBe('The last coat dries for another 1 min.');
    expect(at(60)).toEqual([]);
    const glued = progressOf(
      inputs,
      upTo('cloth').map((entry) => (entry.stage === 'bars' ? { ...entry, readyAt: iso(90) } : entry)),
    );
    expect(waitVerdicts(nextStep(inputs, glued, NOON), NOON)[0]).toMatchObject({
      says: 'The glue sets for another 1 h 30 min.',
      uses: ['glueHours'],
    });
  });

  it('says what is done to a painted canvas at the cloth', () => {
    const painted: JobInputs = { ...inputs, brief: { ...inputs.brief, use: 'restretch' } };
    const act = (last: StageId) => nextStep(painted, progressOf(painted, upTo(last, runOf(true))), NOON).act;
    expect([act('look'), act('cloth')]).toEqual(['Measure image and margins', 'Choose the face on the image']);
  });
});

describe('what is locked', () => {
  const change = <S extends StageId>(stage: S, patch: Partial<JobInputs[S]>): JobInputs => ({
    ...inputs,
    [stage]: { ...inputs[stage], ...patch },
  });

  it('recorded stages, not the ones to come, and never the kit', () => {
    const progress = progressOf(inputs, upTo('bars'));
    expect(lockedChanges(inputs, change('brief', { title: 'other' }), progress)).toEqual(['brief']);
    expect(lockedChanges(inputs, change('bars', { bracesLevel: [0.5] }), progress)).toEqual(['bars']);
    expect(lockedChanges(inputs, change('cloth', { washFirst: true }), progress)).toEqual([]);
    expect(lockedChanges(inputs, { ...inputs, kit: ['tape'] }, progress)).toEqual([]);
  });

  it('the priming system once a coat is on, but not the weather', () => {
    const progress = progressOf(inputs, [...upTo('tune'), coat(0, -200, -100)]);
    expect(lockedChanges(inputs, change('prime', { system: 'glueSize' }), progress)).toEqual(['prime']);
    expect(lockedChanges(inputs, change('prime', { roomRh: 70, roomC: 15 }), progress)).toEqual([]);
  });
});

describe('the gate before the cloth', () => {
  it('asks for a squareness record younger than the frame, read after the glue had set', () => {
    const gate = (log: LogEntry[]) =>
      gateVerdicts('cloth', progressOf(inputs, log), inputs, 0).map((one) => [one.level, one.says]);
    const log = upTo('square');
    const bars = log.find((entry) => entry.stage === 'bars')!;
    const square = log.find((entry) => entry.stage === 'square')!;
    expect(gate(log)).toEqual([]);
    expect(gate(upTo('bars'))).toEqual([['stop', 'No squareness is recorded for this frame.']]);
    const before = log.filter((entry) => entry !== square);
    before.splice(before.indexOf(bars), 0, square);
    expect(gate(before)[0]).toEqual(['stop', 'The frame was changed after it was last measured for square.']);
    const later = new Date(Date.parse(square.at) + 60_000).toISOString();
    expect(gate(log.map((entry) => (entry === bars ? { ...bars, readyAt: later } : entry)))[0]![0]).toBe('watch');
    expect(gateVerdicts('fasten', progressOf(inputs, upTo('bars')), inputs, 0)).toEqual([]);
  });

  it('squareness alone can be passed over; once the cloth is cut without it, it is not asked for any more', () => {
    const bare = progressOf(inputs, upTo('bars'));
    expect(missingBefore('cloth', bare)).toEqual([]);
    expect(missingBefore('fasten', bare)).toEqual(['cloth']);
    expect(bare.now).toBe('square');
    const cut = progressOf(
      inputs,
      upTo('cloth').filter((entry) => entry.stage !== 'square'),
    );
    expect(cut.now).toBe('fasten');
  });
});
