/* The inner frame that covers what shows of a canvas in its frame: the narrowest, packed or free, of one width or of four. */
import { SIDES, type Side } from '../job/sides';
import { type Limit, greatest } from '../linear/linearProgram';
import { evenGap, mostOver, packedSight, startsOf } from './sight';
import {
  type Asked,
  type Form,
  MOST_ROUNDS,
  type Place,
  RADIANS,
  type Sight,
  WITHIN_MM,
  ofAllSides,
  atMost,
  formsOf,
  goesIn,
  solve,
  valueAt,
} from './sightForms';

/** Widths of an inner frame laid under the lips, and what it hides at most then. */
export interface Slip {
  widthsMm: Record<Side, number>;
  worstHiddenMm: number;
}

const alike = (mm: number): Record<Side, number> => ({ top: mm, right: mm, bottom: mm, left: mm });
const bySide = (widths: readonly number[]) =>
  Object.fromEntries(SIDES.map((side, index) => [side, widths[index]!])) as Record<Side, number>;
const wider = (sight: Sight, by: Record<Side, number>): Sight => ({
  ...sight,
  lips: Object.fromEntries(SIDES.map((side) => [side, sight.lips[side] + by[side]])) as Record<Side, number>,
});

/** Each width at least nothing. */
const positive = (count: number): Asked['limits'] =>
  Array.from({ length: count }, (_, at) => ({
    form: () => [0, 0, 0, ...Array.from({ length: count }, (_one, index) => (index === at ? 1 : 0))],
    times: -1 as const,
    add: [],
    most: 0,
  }));

/**
 * The narrowest slip that covers a canvas held where it is laid: of one width all round, and of a width for each side with the
 * least sum; null where it does not go in.
 */
export function slipWhenPacked(sight: Sight): { uniform: Slip; perSide: Slip } | null {
  const packed = packedSight(sight);
  if (!packed) return null;
  if (packed.worstSeenMm === 0) {
    const none = { widthsMm: alike(0), worstHiddenMm: packed.worstHiddenMm };
    return { uniform: none, perSide: none };
  }
  const one = formsOf(sight, 1);
  const even = solve(
    { forms: one, more: 1, gain: { of: [-1] }, limits: [...goesIn(one), ...atMost(ofAllSides(one.seen), []), ...positive(1)] },
    packed.place,
  );
  const width = even?.more[0] ?? 0;
  const uniform = { widthsMm: alike(width), worstHiddenMm: packedSight(wider(sight, alike(width + WITHIN_MM)))!.worstHiddenMm };
  return { uniform, perSide: sidesPacked(sight, packed.place) ?? uniform };
}

/** Least sum of widths; then the least largest; then the least hidden. */
function sidesPacked(sight: Sight, from: Place): Slip | null {
  const forms = formsOf(sight, 4);
  const covered = [...goesIn(forms), ...atMost(ofAllSides(forms.seen), []), ...positive(4)];
  const sum = solve({ forms, more: 4, gain: { of: [-1, -1, -1, -1] }, limits: covered }, from);
  if (!sum) return null;
  const whole = sum.more.reduce((total, mm) => total + mm, 0) + WITHIN_MM;
  const inAll = { form: () => [0, 0, 0, 1, 1, 1, 1], times: 1 as const, add: [], most: whole };
  const each = (most: number, add: readonly number[]) =>
    SIDES.map((_side, at) => ({
      form: () => [0, 0, 0, ...SIDES.map((_one, index) => (index === at ? 1 : 0))],
      times: 1 as const,
      add,
      most,
    }));
  const level = solve(
    { forms, more: 5, gain: { of: [0, 0, 0, 0, -1] }, limits: [...covered, inAll, ...each(0, [0, 0, 0, 0, -1])] },
    sum.place,
  );
  const largest = Math.max(...(level ?? sum).more.slice(0, 4));
  const least = solve(
    {
      forms,
      more: 5,
      gain: { of: [0, 0, 0, 0, -1] },
      limits: [...covered, inAll, ...each(largest + WITHIN_MM, []), ...atMost(ofAllSides(forms.hidden), [0, 0, 0, 0, -1])],
    },
    (level ?? sum).place,
  );
  const { place, more } = least ?? level ?? sum;
  const widths = more.slice(0, 4);
  return {
    widthsMm: bySide(widths),
    worstHiddenMm: Math.max(0, ...ofAllSides(forms.hidden).map((form) => valueAt(form, place, widths))),
  };
}

/**
 * The narrowest slip that covers a canvas wherever it slides: of one width, and of a width for each side with the least sum;
 * null where it does not go in.
 */
export function slipWhenFree(sight: Sight): { uniform: Slip; perSide: Slip } | null {
  const { place, leastMm } = evenGap(sight);
  if (leastMm < 0) return null;
  const starts = startsOf(formsOf(sight, 0), place);
  const uniform = coverFree(sight, 1, starts);
  return { uniform, perSide: uniform.widthsMm.top === 0 ? uniform : coverFree(sight, 4, starts) };
}

/** The narrowest slip of one width that covers a canvas wherever it slides; null where it does not go in. */
export function uniformWhenFree(sight: Sight): Slip | null {
  const { place, leastMm } = evenGap(sight);
  return leastMm < 0 ? null : coverFree(sight, 1, startsOf(formsOf(sight, 0), place));
}

function coverFree(sight: Sight, count: 1 | 4, starts: readonly Place[]): Slip {
  const widths = coverAnywhere(sight, count, starts);
  const widthsMm = count === 1 ? alike(widths[0]!) : bySide(widths);
  const forms = formsOf(wider(sight, widthsMm), 0);
  return { widthsMm, worstHiddenMm: mostOver(forms, ofAllSides(forms.hidden), starts) };
}

/** Widths that cover at every place where it goes in: each place that shows something asks for more, until none does. */
function coverAnywhere(sight: Sight, count: 1 | 4, starts: readonly Place[]): number[] {
  const forms = formsOf(sight, count);
  const alone = formsOf(sight, 0);
  const free = goesIn(alone);
  let asked = ofAllSides(forms.seen);
  let widths: number[] = Array.from({ length: count }, () => 0);
  const cuts: Limit[] = widths.map((_width, at) => ({ of: widths.map((_one, index) => (index === at ? -1 : 0)), most: 0 }));
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    let worst = 0;
    const shows = new Set<Form>();
    for (const form of asked) {
      const now = widths;
      const laid: Form = (turn) => {
        const [still, right, down, ...wide] = form(turn) as [number, number, number, ...number[]];
        return [still + wide.reduce((sum, one, index) => sum + one * now[index]!, 0), right, down];
      };
      for (const from of starts) {
        const found = solve({ forms: alone, more: 0, gain: { form: laid }, limits: free }, from);
        const shown = found ? valueAt(laid, found.place) : 0;
        if (!found || shown <= 1e-4) continue;
        worst = Math.max(worst, shown);
        shows.add(form);
        const [still, right, down, ...wide] = form(found.place.turnDegrees * RADIANS) as [number, number, number, ...number[]];
        cuts.push({ of: wide, most: -(still + right * found.place.x + down * found.place.y) });
      }
    }
    if (worst === 0) return widths;
    // One width only grows: what is covered stays so.
    if (count === 1) asked = asked.filter((form) => shows.has(form));
    widths =
      greatest(
        widths.map(() => -1),
        cuts,
      ) ?? widths;
  }
  return widths;
}
