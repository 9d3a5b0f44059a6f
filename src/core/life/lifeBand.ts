/* The tension that a canvas should have had through its life: from each reading on, by creep and by the air of the place where it hung. */
import { tensionAt } from '../tension/clothWeather';
import { CLIMATES, type HangingPlace } from './climates';
import { daysSince, leftByCreep, movedBefore } from './creep';
import type { Life } from './life';
import { type LifeGround, creepOf } from './lifeVerdicts';

export interface BandPoint {
  atMs: number;
  /** In the dampest and in the driest air of the place, N/m. */
  low: number;
  high: number;
}

/** Points of one stretch of the band. */
const POINTS = 24;
/** While nobody said where it hangs it is reckoned with the air of a house. */
const IN_THE_HOUSE: Pick<HangingPlace, 'leastRh' | 'mostRh'> = CLIMATES[0];

/** Where it hung at a moment. */
export type PlaceAt = (atMs: number) => Pick<HangingPlace, 'leastRh' | 'mostRh'>;

/** The places of a canvas, by the entries that say so, oldest first; the air of a house before the first. */
export function placesOf(hung: readonly { at: string; hangs: HangingPlace | null }[]): PlaceAt {
  return (atMs) => hung.findLast(({ at, hangs }) => hangs !== null && Date.parse(at) <= atMs)?.hangs ?? IN_THE_HOUSE;
}

/**
 * Stretches of the band: each goes from a measured reading with its air to the next one, to what moved the cloth, or to now.
 * What was only felt starts none.
 */
export function lifeBand(
  life: Life,
  placeAt: PlaceAt,
  ground: Pick<LifeGround, 'rules' | 'response' | 'lesson' | 'nowMs'>,
): BandPoint[][] {
  const creep = creepOf(ground).perDecade;
  const known = life.tensions.filter(({ tool, rh }) => tool !== 'hand' && rh !== null);
  return known.flatMap((one): BandPoint[][] => {
    const moved = movedBefore(life, one.order);
    const next = life.marks.find((mark) => mark.moves && mark.order > one.order);
    const later = known.find(({ order }) => order > one.order);
    const fromMs = Date.parse(one.at);
    const toMs = Math.min(
      ...[next?.at, later?.at].flatMap((at) => (at === undefined ? [] : [Date.parse(at)])),
      life.takenDown && !next ? fromMs : ground.nowMs,
    );
    if (!moved || toMs <= fromMs) return [];
    const start = daysSince(moved.at, one.at);
    const points = Array.from({ length: POINTS + 1 }, (_, index): BandPoint => {
      const atMs = fromMs + ((toMs - fromMs) * index) / POINTS;
      const left = one.nPerM * leftByCreep(creep, start, daysSince(moved.at, new Date(atMs).toISOString()));
      const { leastRh, mostRh } = placeAt(atMs);
      const at = (rh: number) => tensionAt({ nPerM: left, rh: one.rh! }, rh, ground.response);
      return { atMs, low: Math.min(at(mostRh), at(leastRh)), high: Math.max(at(mostRh), at(leastRh)) };
    });
    return [points];
  });
}
