/* The words of the trade, each with its meaning and the picture it is seen in. One table; screens underline what stands in it. */

/** Drawings that words are shown in, and the parts each of them can point at. */
export const TERM_PICTURES = {
  section: ['bar', 'depth', 'bead', 'edge', 'return', 'grip', 'hem'],
  corner: ['key', 'bolt', 'mitre', 'butt', 'brace', 'opening'],
  threads: ['warp', 'weft', 'selvedge', 'grain'],
  outOfTrue: ['rack', 'bow', 'wind', 'diagonal'],
  layers: ['size', 'ground'],
  rebate: ['rebate', 'clearance', 'lip'],
  order: ['route', 'scallop'],
} as const;
export type TermPicture = keyof typeof TERM_PICTURES;

export interface Term {
  id: string;
  word: string;
  /** As it stands in a text, in small letters; the longest first where one holds another. */
  forms: readonly string[];
  meaning: string;
  picture: TermPicture;
  /** The part of the picture that stands out. */
  part: string;
}

const term = <P extends TermPicture>(
  id: string,
  forms: readonly string[],
  picture: P,
  part: (typeof TERM_PICTURES)[P][number],
  meaning: string,
): Term => ({ id, word: forms[0]!, forms, picture, part, meaning });

export const TERMS: readonly Term[] = [
  term(
    'bar',
    ['bar', 'bars'],
    'section',
    'bar',
    'One side of the frame. Its profile is its section: width in the plane of the canvas, depth from front to back.',
  ),
  term(
    'profile',
    ['profile', 'profiles'],
    'section',
    'depth',
    'The section of a bar: how wide and how deep it is, and whether it has a bead.',
  ),
  term(
    'bead',
    ['bead', 'beads', 'bead strip', 'bevel'],
    'section',
    'bead',
    'The raised outer front edge that holds the cloth clear of the bar. Without one the inner edge prints through as a ridge.',
  ),
  term('edge', ['edge', 'edges'], 'section', 'edge', 'The side of the canvas that is wrapped, as deep as the bar.'),
  term('return', ['return', 'returns'], 'section', 'return', 'The cloth that is folded on to the back of the bar.'),
  term(
    'margin',
    ['margin', 'margins', 'tacking margin'],
    'section',
    'edge',
    'All the cloth beyond the face on one side: edge, return, grip, hem and reserve.',
  ),
  term(
    'grip',
    ['grip'],
    'section',
    'grip',
    'Cloth beyond the last fold for fingers or pliers to hold; usually trimmed or folded afterwards.',
  ),
  term(
    'hem',
    ['hem', 'hems', 'folded hem'],
    'section',
    'hem',
    'The raw edge of the cloth turned under, so that it does not fray.',
  ),
  term(
    'stretcher',
    ['stretcher', 'stretchers'],
    'corner',
    'opening',
    'A frame whose corners can open, to tighten the cloth later.',
  ),
  term(
    'strainer',
    ['strainer', 'strainers'],
    'corner',
    'mitre',
    'A frame whose corners are fixed by glue, staples or screws: it cannot be opened.',
  ),
  term(
    'key',
    ['key', 'keys', 'keying', 'keyed', 'wedge', 'wedges'],
    'corner',
    'key',
    'A wooden wedge driven into the slot of a stretcher’s corner to open it a little.',
  ),
  term('bolt', ['corner bolt', 'corner bolts'], 'corner', 'bolt', 'A threaded turnbuckle that opens a corner, one in each.'),
  term(
    'brace',
    ['brace', 'braces', 'cross brace', 'cross braces'],
    'corner',
    'brace',
    'A bar across the inside, against inward bow. It sits back from the cloth and never touches it.',
  ),
  term(
    'mitre',
    ['mitre', 'mitred', 'slotted mitre'],
    'corner',
    'mitre',
    'A joint at 45°: glued, or slotted so that it can open.',
  ),
  term(
    'butt',
    ['butt joint', 'butted'],
    'corner',
    'butt',
    'A square-ended joint: two of the pieces are shorter by two widths of the bar.',
  ),
  term('warp', ['warp'], 'threads', 'warp', 'The threads that run along the roll; the cloth gives less that way.'),
  term('weft', ['weft'], 'threads', 'weft', 'The threads that run across the roll.'),
  term(
    'selvedge',
    ['selvedge', 'selvedges'],
    'threads',
    'selvedge',
    'The woven edge of the cloth. It is tighter than the rest and stays out of a fold.',
  ),
  term(
    'grain',
    ['grain', 'off-grain', 'to the thread'],
    'threads',
    'grain',
    'The direction of the threads. Cloth laid off it pulls crooked.',
  ),
  term(
    'rack',
    ['racked', 'out of square', 'skew', 'skewed', 'squareness'],
    'outOfTrue',
    'rack',
    'A frame that is a parallelogram where it should be a rectangle.',
  ),
  term(
    'diagonal',
    ['diagonal', 'diagonals'],
    'outOfTrue',
    'diagonal',
    'From corner to corner. In a rectangle both are alike: their difference says how far a frame is out of square.',
  ),
  term('bow', ['bow', 'bows', 'bowed'], 'outOfTrue', 'bow', 'A bar bent inward by the pull of the cloth.'),
  term('wind', ['wind', 'winding', 'twist'], 'outOfTrue', 'wind', 'One corner lifts off a flat table.'),
  term(
    'size',
    ['glue size', 'sizing', 'sized'],
    'layers',
    'size',
    'The sealing layer of glue under the ground: it keeps oil from the threads and tightens the cloth.',
  ),
  term('ground', ['ground', 'grounds', 'priming', 'primed', 'primer'], 'layers', 'ground', 'The coats that are painted on.'),
  term('rebate', ['rebate', 'rebates'], 'rebate', 'rebate', 'The step in an outer picture frame that the canvas must fit into.'),
  term(
    'clearance',
    ['clearance'],
    'rebate',
    'clearance',
    'The room that is left between the canvas and its rebate, for corner bulk and for keying.',
  ),
  term('route', ['route', 'routes'], 'order', 'route', 'The order in which the fasteners go in.'),
  term(
    'scallop',
    ['scallop', 'scallops', 'cusping'],
    'order',
    'scallop',
    'Waves along an edge, from fasteners that stand too far apart or were pulled unevenly.',
  ),
];

/** One place in a text where a word of the trade stands. */
export interface TermPlace {
  term: Term;
  from: number;
  to: number;
}

const BY_FORM = new Map(TERMS.flatMap((one) => one.forms.map((form) => [form, one] as const)));
const FORMS = [...BY_FORM.keys()].sort((a, b) => b.length - a.length);
const ANY = new RegExp(`(?<![\\p{L}-])(?:${FORMS.join('|')})(?![\\p{L}-])`, 'giu');

/**
 * Where words of the trade stand in a text, in order; the longest form wins.
 *
 * @example termsIn('A bead strip on each bar').map((place) => place.term.id) // ['bead', 'bar']
 */
export function termsIn(text: string): TermPlace[] {
  return [...text.matchAll(ANY)].map((match) => ({
    term: BY_FORM.get(match[0].toLowerCase())!,
    from: match.index,
    to: match.index + match[0].length,
  }));
}
