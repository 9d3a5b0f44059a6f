/* For tests: an entry of a log, a record unless something else is said. */
import type { StageId } from '../stages/stages';
import type { LogEntry } from './logEntry';

export const testEntry = (id: string, stage: StageId, more: Partial<LogEntry> = {}): LogEntry => ({
  id,
  stage,
  step: null,
  kind: 'record',
  of: '',
  at: '2031-05-04T12:00:00Z',
  maker: 'M',
  device: '',
  did: stage,
  note: '',
  reason: '',
  corrects: null,
  readyAt: null,
  readings: [],
  plan: null,
  hangs: null,
  ...more,
});
