/**
 * The answer of a parser: a value, or a sentence that says what was typed and what would do.
 * Expected failures are returned, never thrown.
 */
export type Parsed<T> = { ok: true; value: T } | { ok: false; error: string };

export const parsed = <T>(value: T): Parsed<T> => ({ ok: true, value });

/** A refusal that quotes what was typed, shortened when somebody pasted a page. */
export function refused<T>(typed: string, why: string, wouldDo: string): Parsed<T> {
  const shown = typed.length > 40 ? `${typed.slice(0, 37)}…` : typed;
  return { ok: false, error: `“${shown}” ${why}. ${wouldDo}` };
}
