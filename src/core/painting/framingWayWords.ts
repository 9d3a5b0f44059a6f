/* What a way to frame a canvas asks to be made, in words and to the tape. */
import { UNSEEN_MM } from '../cloth/registration';
import { FRONT_WORDS } from '../job/sideWords';
import { SIDES, type Side } from '../job/sides';
import { type Tape, printFine, printLength, printSize } from '../units/length';
import type { FramingWay } from './framingWays';

/** "2 to 3 mm top, 4 mm left": what has a thickness, side by side. */
const bySide = (of: (side: Side) => string | null): string =>
  SIDES.flatMap((side) => {
    const thick = of(side);
    return thick === null ? [] : [`${FRONT_WORDS.side(side)} ${thick}`];
  }).join(', ');

/** The strips that fill the gaps, thinner at one end where the canvas lies turned. */
function packing({ at: { gaps } }: FramingWay, tape: Tape): string {
  const strips = bySide((side) => {
    const [thin, thick] = [gaps[side].first, gaps[side].second].sort((one, other) => one - other) as [number, number];
    if (thick <= UNSEEN_MM) return null;
    const [from, to] = [printFine(Math.max(0, thin), tape), printFine(thick, tape)];
    return from === to ? from : `${from} to ${to}`;
  });
  return strips === '' ? 'it fills the rebate, nothing to pack' : `cork or card: ${strips}`;
}

const slip = ({ slipMm }: FramingWay, tape: Tape): string => {
  const alike = SIDES.every((side) => slipMm[side] === slipMm.top);
  return alike
    ? `slip ${printLength(slipMm.top, tape, 'up')} wide all round`
    : `build-out ${bySide((side) => (slipMm[side] > 0 ? printLength(slipMm[side], tape, 'up') : null))}`;
};

/** What is made and done; without a full stop, for a cell of a table. */
export function framingWayWords(way: FramingWay, tape: Tape): string {
  const slips = SIDES.some((side) => way.slipMm[side] > 0) ? [slip(way, tape)] : [];
  switch (way.id) {
    case 'free':
      return 'nothing to make; plates or clips hold it';
    case 'slipFree':
      return slips.join('');
    case 'packed':
    case 'buildOut':
    case 'slip':
      return [...slips, packing(way, tape)].join('; ');
    case 'eased':
      return [`${printFine(way.easedMm, tape)} off every step`, ...slips, packing(way, tape)].join('; ');
    case 'face':
      return [`face ${printSize(way.face!.widthMm, way.face!.heightMm, tape, 'down')}`, ...slips, packing(way, tape)].join('; ');
  }
}
