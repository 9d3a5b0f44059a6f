/*
 * A canvas in its frame by what is seen: where it lies best, packed or free, what of it shows in the sight opening and what the
 * lips hide, how far its keys may open. Each question is a linear programme over `sightForms.ts`.
 */
import { SIDES, type Side } from '../job/sides';
import {
  type Around,
  DUST_MM,
  type Form,
  type Forms,
  type Place,
  type Sight,
  WITHIN_MM,
  ofAllSides,
  atLeast,
  atMost,
  dot,
  formsOf,
  goesIn,
  middle,
  solve,
  stepOf,
  turned,
  valueAt,
} from './sightForms';

/** What is seen and hidden of each side, and the gaps, where the canvas lies at a place. */
export interface AtPlace {
  gaps: Around;
  seen: Record<Side, number>;
  light: Record<Side, number>;
  hidden: Record<Side, number>;
}

export function atPlace(sight: Sight, place: Place): AtPlace {
  const forms = formsOf(sight, 0);
  const most = (of: Record<Side, Form[]>) =>
    Object.fromEntries(SIDES.map((side) => [side, Math.max(0, ...of[side].map((form) => valueAt(form, place)))])) as Record<
      Side,
      number
    >;
  const gap = (side: Side, end: number) => valueAt(forms.gaps.filter((one) => one.side === side)[end]!.form, place);
  return {
    gaps: Object.fromEntries(SIDES.map((side) => [side, { first: gap(side, 0), second: gap(side, 1) }])) as unknown as Around,
    seen: most(forms.seen),
    light: most(forms.light),
    hidden: most(forms.hidden),
  };
}

const leastOf = (forms: Forms, place: Place): number => Math.min(...forms.gaps.map(({ form }) => valueAt(form, place)));

/** Where the least gap is greatest; in the middle, unturned, where no place is found. */
function widestPlace(forms: Forms): Place {
  const limits = atLeast(
    forms.gaps.map(({ form }) => form),
    [1],
  );
  const widest = solve({ forms, more: 1, gain: { of: [1] }, limits }, null);
  return widest?.place ?? { ...forms.start, turnDegrees: 0 };
}

/** The greatest least gap, mm; below 0 it does not go in. */
export function widestGap(sight: Sight): number {
  const forms = formsOf(sight, 0);
  return leastOf(forms, widestPlace(forms));
}

/** The most even gap. */
export interface EvenGap {
  place: Place;
  /** Below 0 it does not go in, and each step moved out by so much lets it in just so. */
  leastMm: number;
  largestMm: number;
}

/**
 * Where the least gap is greatest, and among places that come within 0.02 mm of it the one whose largest gap is least.
 */
export function evenGap(sight: Sight): EvenGap {
  const forms = formsOf(sight, 0);
  const widest = widestPlace(forms);
  const least = leastOf(forms, widest);
  const all = forms.gaps.map(({ form }) => form);
  const level = solve(
    {
      forms,
      more: 1,
      gain: { of: [-1] },
      limits: [...goesIn(forms, least < 0 ? least - WITHIN_MM : Math.max(0, least - WITHIN_MM)), ...atMost(all, [-1])],
    },
    widest,
  );
  // Of those the one whose least gap is greatest again: what can lie in the middle does.
  const even =
    level &&
    solve(
      { forms, more: 1, gain: { of: [1] }, limits: [...atLeast(all, [1]), ...atMost(all, [], level.more[0]! + DUST_MM)] },
      level.place,
    );
  const place = even?.place ?? level?.place ?? widest;
  const gaps = forms.gaps.map(({ form }) => valueAt(form, place));
  return { place, leastMm: least, largestMm: Math.max(...gaps) };
}

/** The best sight when it is packed where it is laid. */
export interface PackedSight {
  place: Place;
  worstSeenMm: number;
  worstHiddenMm: number;
  /** How far the least covered edge can lie under its lip; 0 where something is seen wherever it lies. */
  spareMm: number;
}

/** Where least is seen, and among such places least is hidden; null where it does not go in. */
export function packedSight(sight: Sight): PackedSight | null {
  const forms = formsOf(sight, 0);
  const within = widestPlace(forms);
  if (leastOf(forms, within) < 0) return null;
  const covers = solve(
    { forms, more: 1, gain: { of: [-1] }, limits: [...goesIn(forms), ...atMost(ofAllSides(forms.seen), [-1])] },
    within,
  );
  if (!covers) return null;
  const worst = Math.max(...ofAllSides(forms.seen).map((form) => valueAt(form, covers.place)));
  const worstSeenMm = Math.max(0, worst);
  const seenLimit = worstSeenMm > 0 ? worstSeenMm + WITHIN_MM : 0;
  const kept = solve(
    {
      forms,
      more: 1,
      gain: { of: [-1] },
      limits: [...goesIn(forms), ...atMost(ofAllSides(forms.seen), [], seenLimit), ...atMost(ofAllSides(forms.hidden), [-1])],
    },
    covers.place,
  );
  const place = kept?.place ?? covers.place;
  return {
    place,
    worstSeenMm,
    worstHiddenMm: Math.max(0, ...ofAllSides(forms.hidden).map((form) => valueAt(form, place))),
    spareMm: Math.max(0, -worst),
  };
}

/** What shows at most as it slides and turns in its rebate: each side by itself. */
export interface FreeSight {
  seen: Record<Side, number>;
  light: Record<Side, number>;
  hidden: Record<Side, number>;
}

/** Places to begin at: as even as can be, and turned as far as it goes either way. */
export function startsOf(forms: Forms, even: Place): Place[] {
  const turns = ([1, -1] as const).flatMap(
    (clockwise) => solve({ forms, more: 0, gain: { clockwise }, limits: goesIn(forms) }, even) ?? [],
  );
  return [even, ...turns.map(({ place }) => place)];
}

/** The most of a side’s forms over all places where the canvas goes in. */
export const mostOver = (forms: Forms, of: readonly Form[], starts: readonly Place[]): number =>
  Math.max(
    0,
    ...of.flatMap((form) =>
      starts.flatMap((from) => {
        const found = solve({ forms, more: 0, gain: { form }, limits: goesIn(forms) }, from);
        return found ? [valueAt(form, found.place)] : [];
      }),
    ),
  );

/** What shows, what light falls past and what is hidden at most, over all places; null where it does not go in. */
export function freeSight(sight: Sight): FreeSight | null {
  const forms = formsOf(sight, 0);
  const { place, leastMm } = evenGap(sight);
  if (leastMm < 0) return null;
  const starts = startsOf(forms, place);
  const each = (of: Record<Side, Form[]>) =>
    Object.fromEntries(SIDES.map((side) => [side, mostOver(forms, of[side], starts)])) as Record<Side, number>;
  return { seen: each(forms.seen), light: each(forms.light), hidden: each(forms.hidden) };
}

/** The gap that keys must leave, mm. */
export const KEYED_GAP_MM = 0.3;

/** How far every corner may move out both ways before a gap is less than 0.3 mm; null where one is already. */
export function keysMost(sight: Sight): number | null {
  const forms = formsOf(sight, 0);
  const { canvas } = sight;
  const centre = middle(canvas);
  const grows = forms.gaps.map(({ side, corner, form }) => {
    const { normal } = stepOf(sight.opening, side);
    const away = { x: Math.sign(canvas[corner].x - centre.x), y: Math.sign(canvas[corner].y - centre.y) };
    const grown: Form = (turn) => [...form(turn), dot(normal, turned(away, turn))];
    return { form: grown, times: -1 as const, add: [], most: -KEYED_GAP_MM };
  });
  const found = solve({ forms, more: 1, gain: { of: [1] }, limits: grows }, widestPlace(forms));
  return found && found.more[0]! >= 0 ? found.more[0]! : null;
}
