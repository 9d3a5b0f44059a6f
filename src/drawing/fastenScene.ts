/* The back of the frame with every fastener numbered along the route: what is in, what is next, what is to come. */
import { SIDES, type Side, everySide } from '@/core/job/sides';
import { type RouteStep, samePlace } from '@/core/fasten/routeSteps';
import { frameMarks } from './frameMarks';
import { CARD_WIDE_MM } from '@/core/fasten/cardStrips';
import { type Mark, type Point, type Scene, point, rectangle } from './scene/scene';
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
  const band = everySide((side) => clothOnBackMm({ inputs, plan }, side));
  const inset = everySide((side) => (band[side] > 0 ? Math.min(plan.cloth.cut.margins[side].fastenerAtMm, band[side] / 2) : 0));
  const clothOnBack: Mark[] = SIDES.some((side) => band[side] > 0)
    ? [
        {
          kind: 'path',
          points: [
            ...rectangle(band.left, band.top, w - band.left - band.right, h - band.top - band.bottom),
            point(band.left, band.top),
          ],
          role: 'fold',
        },
      ]
    : [];
  const cards: Mark[] = inputs.fasten.overCard
    ? SIDES.filter((side) => !plan.fasten.seen.includes(side)).map((side) => ({
        kind: 'area',
        points: cardUnder(side, [w, h], inset[side]),
        role: 'tab',
      }))
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
        at: point(xMm - outward.x * inset[side], yMm - outward.y * inset[side]),
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
      ...cards,
      ...staples,
      ...sideNames(w, h, shape.profile.widthMm, say),
      ...noteMarks(inputs),
      { kind: 'words', at: point(w / 2, 0), text: 'Top', anchor: 'middle', role: 'quiet', strong: true, shiftPx: point(0, -40) },
    ],
    says: `${plan.fasten.route.fasteners} fasteners ${whereWords(plan)}; ${now ? `step ${current} of ${steps.length} is next` : 'all in the order they go in'}.`,
  };
}

/** The strip of card along a row of staples. */
function cardUnder(side: Side, [w, h]: [number, number], insetMm: number): Point[] {
  const from = insetMm - CARD_WIDE_MM / 2;
  return {
    top: rectangle(0, from, w, CARD_WIDE_MM),
    bottom: rectangle(0, h - from - CARD_WIDE_MM, w, CARD_WIDE_MM),
    left: rectangle(from, 0, CARD_WIDE_MM, h),
    right: rectangle(w - from - CARD_WIDE_MM, 0, CARD_WIDE_MM, h),
  }[side];
}

/** How far the cloth of a side reaches over the back of its bar, mm; 0 where it is held on the edge. */
function clothOnBackMm({ inputs, plan }: Pick<SceneInput, 'inputs' | 'plan'>, side: Side): number {
  const { painting, cut } = plan.cloth;
  if (!painting) return cut.margins[side].onEdge ? 0 : cut.margins[side].returnMm + cut.margins[side].hemMm;
  if (plan.fasten.seen.includes(side)) return 0;
  const { depthMm, beadMm } = plan.bars.profile;
  const { leastMm } = painting.sides.find((one) => one.side === side)!;
  const over = leastMm === null ? 0 : leastMm - depthMm - beadMm;
  return Math.max(0, Math.min(over, Math.min(inputs.brief.width.mm, inputs.brief.height.mm) / 3));
}

/** Where the fasteners are: all on the back, all on the edges, or some on each. */
function whereWords({ fasten, cloth }: SceneInput['plan']): string {
  const onEdge = cloth.painting ? fasten.seen.length : cloth.cut.margin.onEdge ? SIDES.length : 0;
  if (onEdge === 0) return 'on the back';
  return onEdge === SIDES.length ? 'on the edges' : `on the back and on ${onEdge === 1 ? 'one edge' : `${onEdge} edges`}`;
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
