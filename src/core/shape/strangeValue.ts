/** Levels that anything sent or kept here may be nested. */
const DEEPEST = 40;

/**
 * The first thing in a value from outside that no JSON of ours holds, with where it stands; null when all is plain: text
 * without control signs and half letters, finite numbers, lists and objects of these, not too deep. A date, a map or a big
 * whole number is none of these, nor is a name that every object has by itself.
 *
 * @example strangeValue({ log: [{ at: new Date(0) }] }) // { field: 'log.0.at', says: 'is no plain value' }
 */
export function strangeValue(value: unknown): { field: string; says: string } | null {
  // No recursion: what is nested ten thousand levels deep must not end the program.
  const open: { value: unknown; path: readonly (string | number)[] }[] = [{ value, path: [] }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: here, path } = next;
    const strange = strangeHere(here, path.length);
    if (strange) return { field: path.join('.'), says: strange };
    if (typeof here !== 'object' || here === null) continue;
    for (const [key, inner] of Object.entries(here)) {
      if (!Array.isArray(here) && key in Object.prototype)
        return { field: [...path, key].join('.'), says: 'is a name that cannot be used here' };
      open.push({ value: inner, path: [...path, key] });
    }
  }
  return null;
}

function strangeHere(value: unknown, depth: number): string | null {
  if (depth > DEEPEST) return `is nested more than ${DEEPEST} levels deep`;
  switch (typeof value) {
    case 'string':
      return textTrouble(value);
    case 'number':
      return Number.isFinite(value) ? null : `is ${value}, no number that can be kept`;
    case 'boolean':
      return null;
    case 'object': {
      if (value === null) return null;
      // A hole in a list is passed by when its rows are looked at.
      if (Array.isArray(value)) return Object.keys(value).length === value.length ? null : 'is a list with a place left out';
      const kind = Object.getPrototypeOf(value) as unknown;
      return kind === Object.prototype || kind === null ? null : 'is no plain value';
    }
    default:
      return `is ${typeof value === 'undefined' ? 'missing' : 'no plain value'}`;
  }
}

const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

function textTrouble(text: string): string | null {
  if (CONTROL.test(text)) return 'holds a control sign, which no text here can';
  return text.isWellFormed() ? null : 'holds half a letter: it was cut or wrongly encoded';
}
