/*
 * Drawings of tuning, true to scale: where the three taps go and where the microphone hangs; and the corners opened, drawn
 * larger by a factor that is stated.
 */
import { FRONT_WORDS } from '@/core/job/sideWords';
import { CORNERS } from '@/core/frame/square/corners';
import { MICROPHONE_AT, TAP_PLACES, TAP_PLACE_IDS, type TapPlace } from '@/core/tension/tap/membraneTone';
import { printFine, printLength } from '@/core/units/length';
import { braceMarks, frameMarks } from './frameMarks';
import { type Mark, type Point, type Scene, point, rectangle } from './scene/scene';
import { PAD, type SceneInput, circle, faceBounds, faceDimensions, frameShape, topWords } from './stageScenes';

/** The canvas with the places of the taps; the next one stands out, with its distances from the edges. */
export function tapScene(
  { inputs, plan, tape, say = FRONT_WORDS }: SceneInput,
  next: TapPlace | null,
  done: readonly TapPlace[],
): Scene {
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h } = shape;
  const size = Math.min(w, h);
  const at = ([x, y]: readonly [number, number]) => point(x * w, y * h);
  const places = TAP_PLACE_IDS.flatMap((place): Mark[] => {
    const here = at(TAP_PLACES[place]);
    return [
      { kind: 'area', points: circle(here, size * (place === next ? 0.05 : 0.028)), role: place === next ? 'pullNow' : 'face' },
      {
        kind: 'words',
        at: here,
        text: `${place}${done.includes(place) ? ' ✓' : ''}`,
        anchor: 'middle',
        role: place === next ? 'measure' : 'quiet',
        strong: true,
        shiftPx: point(0, place === next ? -26 : -16),
      },
    ];
  });
  const microphone = at(MICROPHONE_AT);
  const target = next && at(TAP_PLACES[next]);
  const distances: Mark[] = target
    ? [
        {
          kind: 'dimension',
          from: point(target.x, 0),
          to: point(0, 0),
          offPx: -24,
          text: printLength(target.x, tape),
          role: 'measure',
        },
        {
          kind: 'dimension',
          from: point(w, target.y),
          to: point(w, 0),
          offPx: -26,
          text: printLength(target.y, tape),
          role: 'measure',
        },
        { kind: 'path', points: [point(target.x, 0), target, point(w, target.y)], role: 'guide' },
      ]
    : [topWords(inputs, 'Top')];
  return {
    bounds: faceBounds(inputs),
    padPx: PAD,
    marks: [
      { kind: 'area', points: rectangle(0, 0, w, h), role: 'cloth' },
      ...frameMarks(shape),
      ...places,
      { kind: 'area', points: circle(microphone, size * 0.016), role: 'metal' },
      { kind: 'words', at: microphone, text: 'microphone', anchor: 'middle', role: 'quiet', shiftPx: point(0, -12) },
      ...distances,
      ...faceDimensions(inputs, tape),
    ],
    says: next
      ? `Tap ${next}: ${printLength(TAP_PLACES[next][0] * w, tape)} from the ${say.side('left')}, ${printLength(TAP_PLACES[next][1] * h, tape)} from the top; the microphone 2 to 5 centimetres over the cloth at three tenths.`
      : 'All three places are tapped.',
  };
}

/** The corners as they are wanted, drawn larger by a stated factor, with the growth of each side. */
export function cornersScene({ inputs, plan, tape }: SceneInput): Scene {
  const shape = frameShape({ inputs, plan });
  const { widthMm: w, heightMm: h, profile } = shape;
  const { wanted, opened, opener } = plan.tune;
  const most = opener ? Math.max(...CORNERS.map((corner) => wanted[corner])) : 0;
  const factor = most > 0 ? Math.max(1, Math.round((Math.min(w, h) * 0.03) / most)) : 1;
  const out = (corner: (typeof CORNERS)[number]) => (most > 0 ? wanted[corner] * factor : 0);
  const [tl, tr, br, bl] = CORNERS.map(out) as [number, number, number, number];
  const b = profile.widthMm;
  const bars: Point[][] = [
    [point(0, -tl), point(w, -tr), point(w - b, b - tr), point(b, b - tl)],
    [point(0, h + bl), point(w, h + br), point(w - b, h - b + br), point(b, h - b + bl)],
    [point(-tl, 0), point(b - tl, b), point(b - bl, h - b), point(-bl, h)],
    [point(w + tr, 0), point(w - b + tr, b), point(w - b + br, h - b), point(w + br, h)],
  ];
  const far = Math.max(tl, tr, br, bl);
  const grown: Mark[] =
    most > 0
      ? [
          { kind: 'words', at: point(w / 2, h / 2), text: `openings drawn ${factor} × larger`, anchor: 'middle', role: 'quiet' },
          ...CORNERS.map((corner, index): Mark => ({
            kind: 'words',
            at: point(index === 0 || index === 3 ? b : w - b, index < 2 ? b : h - b),
            text: printFine(wanted[corner], tape),
            anchor: index === 0 || index === 3 ? 'start' : 'end',
            role: 'measure',
            strong: true,
            shiftPx: point(index === 0 || index === 3 ? 6 : -6, index < 2 ? 18 : -8),
          })),
          {
            kind: 'dimension',
            from: point(w + br, h + far),
            to: point(-bl, h + far),
            offPx: 30,
            text: `+ ${printFine(opened.bottom, tape)}`,
            role: 'watch',
          },
          {
            kind: 'dimension',
            from: point(-far, h + bl),
            to: point(-far, -tl),
            offPx: 30,
            text: `+ ${printFine(opened.left, tape)}`,
            role: 'watch',
          },
        ]
      : faceDimensions(inputs, tape);
  return {
    bounds: faceBounds(inputs, far),
    padPx: PAD,
    marks: [
      { kind: 'area', points: [point(-tl, -tl), point(w + tr, -tr), point(w + br, h + br), point(-bl, h + bl)], role: 'cloth' },
      ...braceMarks(shape),
      ...bars.map((points): Mark => ({ kind: 'area', points, role: 'timber' })),
      ...grown,
    ],
    says:
      most > 0
        ? `Corners opened by up to ${printFine(most, tape)}; width grows by ${printFine(opened.widthMm, tape)}, height by ${printFine(opened.heightMm, tape)}.`
        : 'The canvas from the back, corners closed.',
  };
}
