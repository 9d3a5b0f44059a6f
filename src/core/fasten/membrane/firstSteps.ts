/*
 * The first steps of a long route on a coarse cloth of their own. The whole cloth of a large frame takes seconds to condense;
 * these take a tenth of one and are shown until it is there. Rough: elements do not divide the pitch, and a firm pull that
 * nobody typed is the one that an even edge would ask for.
 */
import type { HalfRow } from '../fastenerPlaces';
import { isLevel } from '../../job/sides';
import { membraneMesh } from './membraneMesh';
import type { StapleModel } from './simulateRoute';

/** Routes with fewer places are worked out whole at once. */
const MANY_PLACES = 150;
/** Handlings that are shown at once. */
const FIRST = 24;
/** Elements along each side, about, and in all at the most. */
const ALONG = 22;
const MOST_ELEMENTS = 900;

/** The model of the first steps; null where the whole is quick enough. */
export function firstSteps(model: StapleModel): StapleModel | null {
  if (model.places.length < MANY_PLACES) return null;
  const events = model.events.slice(0, FIRST);
  const used = [...new Set(events.map(({ place }) => place))];
  const places = used.map((place) => model.places[place]!);
  const widths = used.map((place) => model.widths[place]!);
  const face = { widthMm: model.mesh.xs.at(-1)!, heightMm: model.mesh.ys.at(-1)! };
  const row = (level: boolean): HalfRow => ({
    offsetsMm: places.flatMap(({ side, offsetMm }) => (isLevel(side) === level ? [Math.abs(offsetMm)] : [])),
    pitchMm: (level ? face.widthMm : face.heightMm) / ALONG,
  });
  const { bars } = model;
  const meanWidthMm = widths.reduce((sum, width) => sum + width, 0) / widths.length;
  return {
    ...model,
    mesh: membraneMesh(face, [row(true), row(false)], MOST_ELEMENTS),
    places,
    widths,
    bars:
      bars &&
      Float64Array.from({ length: used.length ** 2 }, (_, at) => {
        const [one, other] = [used[Math.floor(at / used.length)]!, used[at % used.length]!];
        return bars[one * model.places.length + other]!;
      }),
    events: events.map((event) => ({ ...event, place: used.indexOf(event.place) })),
    firmN: model.firmN ?? (model.targetNPerM * meanWidthMm) / 1000,
  };
}
