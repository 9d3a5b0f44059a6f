/*
 * What could be made now from what lies here: frames that two pairs on the rack give, with a piece of cloth from an offcut; and which open jobs an offcut or a pair would serve.
 */
import { clothPieceOf } from '../cloth/clothPieceOf';
import { type StockCloth, liesOn } from '../cloth/clothStock';
import { JOINTS } from '../frame/joints';
import { judgeBars } from '../frame/chooseBars';
import { type MakeableFrame, type RackBar, makeableFrames } from '../frame/sawing/rack';
import type { HouseRules } from '../house/houseRules';
import { profileOf } from '../house/materials';
import { type JobInputs, newInputs } from '../job/job';
import { clothLoad } from '../tension/clothLoad';
import { length, WHOLE_MM } from '../units/length';
import type { BuyingJob } from './toBuy';

export interface Makeable extends MakeableFrame {
  /** The offcut it is cut from: the smallest that has it. */
  tag: string;
  fabric: string;
  /** Of a size that the house sells or buys ready made. */
  standard: boolean;
  /** The bars hold without a brace. */
  holds: boolean;
}

/** The joint of bars that are had in pairs. */
const PAIRED = JOINTS.find(({ parts }) => parts === 'pair')!;
/** Frames that are looked at, the largest first: a full rack makes thousands. */
const MOST = 120;
/** Faces are of one size within this, mm. */
const SAME_MM = 3;

/** What a canvas of this frame and cloth starts with. */
export function makeableInputs(
  title: string,
  frame: Pick<MakeableFrame, 'profile' | 'widthMm' | 'heightMm'>,
  fabric: string,
): JobInputs {
  const fresh = newInputs(title, length(frame.widthMm), length(frame.heightMm));
  return {
    ...fresh,
    bars: { ...fresh.bars, profile: frame.profile, joint: PAIRED.id, bracesUpright: [], bracesLevel: [] },
    cloth: { ...fresh.cloth, fabric },
  };
}

/**
 * Canvases that can be made now, the largest first.
 *
 * @param sold sizes that count as standard
 */
export function makeable(
  rack: readonly RackBar[],
  cloth: readonly StockCloth[],
  sold: readonly { widthMm: number; heightMm: number }[],
  rules: HouseRules,
): Makeable[] {
  const area = ({ widthMm, heightMm }: { widthMm: number; heightMm: number }) => widthMm * heightMm;
  const sheets = cloth.filter((one) => one.kind === 'offcut').sort((a, b) => a.widthMm * a.lengthMm - b.widthMm * b.lengthMm);
  return makeableFrames(rack)
    .sort((a, b) => area(b) - area(a))
    .slice(0, MOST)
    .flatMap((frame): Makeable[] => {
      if (!profileOf(rules, frame.profile).joints.includes(PAIRED.id)) return [];
      const sheet = sheets.find((one) => liesOn(clothPieceOf('', makeableInputs('', frame, one.fabric), rules, WHOLE_MM), one));
      if (!sheet) return [];
      const inputs = makeableInputs('', frame, sheet.fabric);
      const like = (side: { widthMm: number; heightMm: number }) =>
        Math.abs(Math.max(side.widthMm, side.heightMm) - frame.widthMm) <= SAME_MM &&
        Math.abs(Math.min(side.widthMm, side.heightMm) - frame.heightMm) <= SAME_MM;
      return [
        {
          ...frame,
          tag: sheet.tag,
          fabric: sheet.fabric,
          standard: sold.some(like),
          holds: judgeBars(frame, inputs.bars, clothLoad(inputs, rules), rules).holds,
        },
      ];
    });
}

/** Numbers of open jobs whose piece could be cut from a cloth. */
export const servedByCloth = (cloth: StockCloth, jobs: readonly BuyingJob[]): number[] =>
  jobs
    .filter(({ cloth: wanted }) => wanted !== null && wanted.fabric === cloth.fabric && liesOn(wanted.piece, cloth))
    .map(({ number }) => number);

/** Numbers of open jobs whose frame takes bars like these. */
export const servedByBars = (bar: RackBar, jobs: readonly BuyingJob[]): number[] =>
  jobs
    .filter(
      ({ frame }) =>
        frame !== null &&
        frame.profile === bar.profile &&
        frame.parts.some((part) =>
          bar.kind === 'pairs'
            ? part.from === 'pairs' && Math.abs(part.lengthMm - bar.lengthMm) <= 0.5
            : part.from === bar.kind && part.lengthMm <= bar.lengthMm,
        ),
    )
    .map(({ number }) => number);
