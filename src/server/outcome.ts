import type { StageId } from '@/core/stages/stages';
import type { StoredJob } from '@/db/jobs';

/** What a use case answers: the value, or a refusal that says what is wrong and loses nothing. */
export type Outcome<T> = { ok: true; value: T } | Refusal;

export type Refusal =
  | { ok: false; kind: 'invalid'; errors: FieldError[] }
  /** Somebody saved in between: what stands now is sent back beside what was refused. */
  | { ok: false; kind: 'stale'; theirs: StoredJob }
  | { ok: false; kind: 'locked'; stages: StageId[] }
  | { ok: false; kind: 'refused'; says: string };

export interface FieldError {
  /** Dotted path of the field, such as "brief.width.mm". */
  field: string;
  says: string;
}

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refuse = (says: string): Refusal => ({ ok: false, kind: 'refused', says });
