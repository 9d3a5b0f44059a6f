/*
 * What pressing can do: the four bars keep their lengths and only the lean changes. The best that can be had is
 * the lean at which both diagonals are equal; what is then left in the corners is the fault of a bar.
 * Origin at the bottom left, x right, y up, mm; lean positive when the top lies to the left, radians.
 */
import type { Side } from '../../job/sides';
import { CORNERS, type Corner, type Corners, type DiagonalName, cornerOver, lengthsOf } from './corners';

export interface PressPlan {
  longer: DiagonalName | null;
  /** By how much the longer diagonal is to shorten, mm. */
  byMm: number;
  /** What both diagonals then read, mm. */
  bothMm: number;
  /** The corner that stays furthest from a right angle, degrees, and as a gap over the shorter side, mm. */
  left: { corner: Corner; degrees: number; gapMm: number };
}

/**
 * The four bars put together at a lean of the left bar.
 *
 * @throws RangeError when bars of these lengths do not meet
 */
export function barsAtLean({ top, right, bottom, left }: Record<Side, number>, lean: number): Corners {
  const topLeft = { x: -left * Math.sin(lean), y: left * Math.cos(lean) };
  const bottomRight = { x: bottom, y: 0 };
  const [dx, dy] = [bottomRight.x - topLeft.x, bottomRight.y - topLeft.y];
  const across = Math.hypot(dx, dy);
  const along = (across ** 2 + top ** 2 - right ** 2) / (2 * across);
  const aside = Math.sqrt(top ** 2 - along ** 2);
  if (!Number.isFinite(aside)) throw new RangeError(`bars of ${top}, ${right}, ${bottom}, ${left} mm do not meet at this lean`);
  const topRight = { x: topLeft.x + (along * dx - aside * dy) / across, y: topLeft.y + (along * dy + aside * dx) / across };
  return { bottomLeft: { x: 0, y: 0 }, bottomRight, topLeft, topRight };
}

/**
 * How far to press a frame with bars of these lengths, from where it stands.
 *
 * @param corners where they are now
 * @example pressPlan(barsAtLean({ top: 400, right: 300, bottom: 400, left: 300 }, 0.01)).byMm // 2.394…
 */
export function pressPlan(corners: Corners): PressPlan {
  const bars = lengthsOf(corners);
  const unlike = (lean: number) => {
    const { down, up } = lengthsOf(barsAtLean(bars, lean));
    return down - up;
  };
  const now = Math.atan2(-corners.topLeft.x, corners.topLeft.y);
  const towards = unlike(now) > 0 ? -1 : 1;
  // From where it stands towards equal diagonals, as far as bars of these lengths meet.
  let [near, far] = [now, meetingLean(bars, now, towards)];
  for (let turn = 0; turn < 60; turn += 1) {
    const middle = (near + far) / 2;
    if (unlike(middle) * towards < 0) near = middle;
    else far = middle;
  }
  const best = barsAtLean(bars, (near + far) / 2);
  const bothMm = lengthsOf(best).down;
  const longer = Math.abs(bars.down - bars.up) < 1e-9 ? null : bars.down > bars.up ? 'down' : 'up';
  const over = CORNERS.map((corner) => ({ corner, turn: Math.abs(cornerOver(best, corner)) }));
  const worst = over.reduce((a, b) => (b.turn > a.turn ? b : a));
  return {
    longer,
    byMm: longer ? bars[longer] - bothMm : 0,
    bothMm,
    left: {
      corner: worst.corner,
      degrees: (worst.turn * 180) / Math.PI,
      gapMm: Math.sin(worst.turn) * Math.min(bars.top, bars.bottom, bars.left, bars.right),
    },
  };
}

/** The furthest lean from `now` that these bars can be pressed to. */
function meetingLean(bars: Record<Side, number>, now: number, towards: 1 | -1): number {
  for (let reach = 0.7; reach > 1e-9; reach /= 2) {
    if (meets(bars, now + towards * reach)) return now + towards * reach;
  }
  return now;
}

function meets(bars: Record<Side, number>, lean: number): boolean {
  try {
    barsAtLean(bars, lean);
    return true;
  } catch {
    return false;
  }
}
