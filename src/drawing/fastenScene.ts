/* The back of the frame with every fastener numbered along the route: what is in, what is next, what is to come. */
import { type RouteStep, samePlace } from '@/core/fasten/routeSteps';
import { frameMarks } from './frameMarks';
import { type Mark, type Scene, point, rectangle } from './scene/scene';
import { type SceneInput, faceBounds, frameShape, sideNames } from './stageScenes';

/** A temporary fastener that is in at this step, or about to be put in or taken out. */
const standsNow = (held: RouteStep, steps: readonly RouteStep[], current: number): boolean =>
  held.order <= current &&
  (steps.find((step) => step.act === 'takeOut' && step.order > held.order && samePlace(step, held))?.order ?? Infinity) >=
    current;

/**
 * Fasten: the back of the frame with the cloth on it and every fastener numbered in the order it goes in.
 *
 * @param numbers those there is room for, or only those of the next four, for who stands far off
 * @param newtons written in place of the number of a step, where pulls are looked at
 */
export function fastenScene(
  { inputs, plan, say }: SceneInput,
  current: number,
  numbers: 'many' | 'next' = 'many',
  newtons: ReadonlyMap<number, string> | null = null,
): Scene {
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h } = shape;
  const { margin } = plan.cloth.cut;
  const inset = margin.onEdge ? 0 : margin.fastenerAtMm;
  const band = margin.onEdge ? 0 : margin.returnMm + margin.hemMm;
  const clothOnBack: Mark[] =
    band > 0
      ? [{ kind: 'path', points: [...rectangle(band, band, w - 2 * band, h - 2 * band), point(band, band)], role: 'fold' }]
      : [];
  const { steps } = plan.fasten.route;
  const now = steps[current - 1];
  const isNow = (step: RouteStep) => step === now || (now !== undefined && now.act !== 'fix' && samePlace(step, now));
  const staples = steps
    .filter((step) => step.act === 'fix' || (step.act === 'hold' && standsNow(step, steps, current)))
    .map((step): Mark => {
      const { order, act, side, xMm, yMm, take, pass } = step;
      const due = act === 'hold' || (order >= current && order < current + 4);
      const number = newtons ? (newtons.get(order) ?? '') : String(order);
      const outward = { top: point(0, -1), bottom: point(0, 1), left: point(-1, 0), right: point(1, 0) }[side];
      const level = side === 'top' || side === 'bottom';
      return {
        kind: 'staple',
        at: point(xMm - outward.x * inset, yMm - outward.y * inset),
        degrees: level ? inputs.fasten.slantDeg : 90 - inputs.fasten.slantDeg,
        lengthMm: 14,
        role: 'metal',
        label: act === 'hold' ? 'holds' : due || numbers === 'many' ? number : '',
        due,
        labelAt: point(xMm, yMm),
        outward,
        pass,
        take,
        state: isNow(step) ? 'now' : order < current ? 'past' : 'to come',
      };
    });
  return {
    bounds: faceBounds(inputs),
    padPx: { top: 56, right: 44, bottom: 48, left: 44 },
    marks: [
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'cloth' },
      ...frameMarks(shape),
      ...clothOnBack,
      ...staples,
      ...sideNames(w, h, shape.profile.widthMm, say),
      ...noteMarks(inputs),
      { kind: 'words', at: point(w / 2, 0), text: 'Top', anchor: 'middle', role: 'quiet', strong: true, shiftPx: point(0, -40) },
    ],
    says: `${plan.fasten.route.fasteners} fasteners on the back; ${now ? `step ${current} of ${steps.length} is next` : 'all in the order they go in'}.`,
  };
}

/** Notes at their places, numbered as in their list. */
function noteMarks({ brief, fasten }: SceneInput['inputs']): Mark[] {
  return fasten.asDone.notes.map(({ side, at }, index): Mark => {
    const level = side === 'top' || side === 'bottom';
    const edge = level ? (side === 'top' ? 0 : brief.height.mm) : side === 'left' ? 0 : brief.width.mm;
    const inward = side === 'top' || side === 'left' ? 1 : -1;
    return {
      kind: 'words',
      at: level ? point(at.mm, edge) : point(edge, at.mm),
      text: `note ${index + 1}`,
      anchor: 'middle',
      role: 'measure',
      strong: true,
      shiftPx: level ? point(0, 30 * inward) : point(44 * inward, 0),
    };
  });
}
