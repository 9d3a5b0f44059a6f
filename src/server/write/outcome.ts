import type { Difference } from '@/core/job/differences';
import type { StageId } from '@/core/stages/stages';
import type { StoredJob } from '@/db/jobs';

/** What a write answers: the value, or a refusal that says what is wrong and loses nothing. */
export type Outcome<T> = { ok: true; value: T } | Refusal;

export type Refusal =
  | { ok: false; kind: 'invalid'; errors: FieldError[] }
  /** Somebody saved in between: what stands now is sent back beside what was refused. */
  | { ok: false; kind: 'stale'; theirs: StoredJob }
  | { ok: false; kind: 'locked'; stages: StageId[] }
  | { ok: false; kind: 'refused'; says: string }
  /** It was done before something that it builds on was recorded: it may be handed in as done now. */
  | { ok: false; kind: 'early'; says: string }
  /** What is brought is here already: it can be kept beside it. */
  | { ok: false; kind: 'here'; number: number; compared: Compared }
  /** Somebody else holds the file for writing: the same request can be sent again in a moment. */
  | { ok: false; kind: 'busy' };

/** A job that is here beside the same one in a file: `mine` is what is here, `theirs` what the file has. */
export interface Compared {
  differs: Difference[];
  entries: { here: number; file: number };
}

export interface FieldError {
  /** Dotted path of the field, such as "brief.width.mm". */
  field: string;
  says: string;
}

/** Worked out first, written then: a refusal of either. */
export const andWrite = <T>(worked: Outcome<() => Outcome<T>>): Outcome<T> => (worked.ok ? worked.value() : worked);

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const refuse = (says: string): Refusal => ({ ok: false, kind: 'refused', says });
