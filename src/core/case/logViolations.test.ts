import { describe, expect, it } from 'vitest';
import { newInputs } from '../job/job';
import type { LogEntry } from '../log/logEntry';
import { testEntry } from '../log/testEntry';
import { type StageId, runOf } from '../stages/stages';
import { length } from '../units/length';
import { logViolations } from './logViolations';

const inputs = newInputs('t', length(600), length(400));
const upTo = (last: StageId) =>
  runOf(false)
    .slice(0, runOf(false).indexOf(last) + 1)
    .map((id) => testEntry(id, id));
const back = (id: string, corrects: string) => testEntry(id, 'brief', { kind: 'withdrawal', corrects });
const coat = (step: number) => testEntry(`coat ${step}`, 'prime', { step });

describe('a log that could have come about', () => {
  it.each<[string, LogEntry[]]>([
    ['nothing', []],
    ['all of it', [...upTo('tune'), coat(0), coat(1), coat(2), testEntry('h', 'handover')]],
    ['squareness passed over', [testEntry('a', 'brief'), testEntry('b', 'bars'), testEntry('c', 'cloth')]],
    ['a record taken back and made anew', [testEntry('a', 'brief'), back('w', 'a'), testEntry('b', 'brief')]],
    [
      'a tension felt and taken back later',
      [...upTo('tune'), testEntry('f', 'tune', { kind: 'reading' }), coat(0), back('w', 'f')],
    ],
  ])('%s has nothing wrong', (_what, log) => {
    expect(logViolations(inputs, log)).toEqual([]);
  });

  it.each<[string, LogEntry[], number]>([
    ['Brief is recorded already', [testEntry('a', 'brief'), testEntry('b', 'brief')], 1],
    ['Hand over is recorded before Brief, Bars, Cloth, Fasten, Tune, Prime', [testEntry('a', 'handover')], 0],
    ['coat 3 is recorded where coat 2 comes next', [...upTo('tune'), coat(0), coat(2)], 7],
    ['two entries are called a', [testEntry('a', 'brief'), testEntry('a', 'bars')], 1],
    ['there is no standing entry a before it', [testEntry('a', 'brief'), back('w', 'a'), back('v', 'a')], 2],
    ['there is no standing entry w before it', [testEntry('a', 'brief'), back('w', 'a'), back('v', 'w')], 2],
    ['Bars still stands on what it takes back', [testEntry('a', 'brief'), testEntry('b', 'bars'), back('w', 'a')], 2],
    ['a withdrawal names no entry', [testEntry('w', 'brief', { kind: 'withdrawal' })], 0],
    ['a record takes nothing back', [testEntry('a', 'brief'), testEntry('b', 'bars', { corrects: 'a' })], 1],
    ['it is measured or treated before the cloth is fastened', [testEntry('f', 'tune', { kind: 'reading' })], 0],
  ])('%s', (says, log, index) => {
    expect(logViolations(inputs, log)[0]).toEqual({ index, says });
  });
});
