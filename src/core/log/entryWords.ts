import { RECORD_TAPE } from '../units/length';
import { printedIn } from '../quantities/printed';
import { stageById } from '../stages/stages';
import type { LogEntry } from './logEntry';
import { readingWords } from './readingKinds';

/**
 * Everything an entry is found by in the log: its job, stage, maker, what was done and read, as one text. Lengths are in mm.
 *
 * @param number the number of its job
 */
export function entryWords(
  {
    stage,
    maker,
    device,
    did,
    note,
    reason,
    readings,
  }: Pick<LogEntry, 'stage' | 'maker' | 'device' | 'did' | 'note' | 'reason' | 'readings'>,
  number: number,
  title: string,
): string {
  const read = readings.map((one) => `${readingWords(one)} ${printedIn(one.unit, one.value, RECORD_TAPE)} ${one.tool}`);
  return [`No. ${number}`, title, stageById(stage).name, maker, device, did, note, reason, ...new Set(read)].join('\n');
}
