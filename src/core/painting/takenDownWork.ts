/* A painting off its bars: what is measured and written down of it, how it is kept, and the job that stretches it again. */
import { type JobInputs, newInputs } from '../job/job';
import { SIDES, everySide } from '../job/sides';
import { type ShapeOf, each, flag, lengthOf, numberOf, oneOf, part } from '../shape/shape';
import { TEXTS, textOf } from '../shape/texts';
import { faceLength } from '../stages/brief/briefInputs';
import { longDay } from '../units/inWords';

export const KEEPINGS = [
  { id: 'flat', name: 'Flat, face up, with smooth paper over it' },
  { id: 'rolled', name: 'Rolled' },
] as const;

/** How thick its paint is: the thicker, the less it bends. */
export const PAINT_LAYERS = [
  { id: 'notSaid', name: 'Not known' },
  { id: 'thin', name: 'Thin and supple' },
  { id: 'thick', name: 'Thick or stiff' },
] as const;

export const takenDownShape = {
  /** The image, as it was measured. */
  width: faceLength,
  height: faceLength,
  /** What is left around it. */
  margins: part('rolledMargins', each(SIDES, lengthOf('margin'))),
  kept: oneOf(KEEPINGS),
  paint: oneOf(PAINT_LAYERS),
  /** Of a rolled one: the painted side outside, as it should be. */
  faceOut: flag(true),
  /** Of a rolled one: which way the roll runs. */
  along: oneOf(['width', 'height']),
  /** Of a rolled one: diameter of the core, mm: the wider the better. */
  coreMm: numberOf('core', 200),
  place: textOf('place'),
};
export interface TakenDown extends ShapeOf<typeof takenDownShape> {}

/** A work as it was before it came off its bars. */
export interface WorkBefore {
  number: number;
  /** What was typed of it, with its file as it is known now. */
  inputs: JobInputs;
  /** The image was measured then, side by side; null where nobody did. */
  measuredAt: string | null;
  takenDownAt: string;
}

/**
 * What a stretching anew of work that was taken down starts with: what was measured and seen of it, and nothing that nobody
 * measured. Every condition says when it was seen; a decision is not carried: it was made about another work of hands.
 */
export function restretchInputs(title: string, work: TakenDown, before: WorkBefore): JobInputs {
  const { width, height, margins } = work;
  const { inputs, measuredAt } = before;
  const fresh = newInputs(title, width, height);
  const measured = measuredAt === null ? fresh.cloth : inputs.cloth;
  const { rebate, edges, rebateClearance, medium, hangs } = inputs.brief;
  const seen = `seen on No. ${before.number}`;
  return {
    ...fresh,
    brief: {
      ...fresh.brief,
      use: 'restretch',
      notKnown: inputs.brief.notKnown.filter((what) => what === 'cloth'),
      rebate,
      edges,
      rebateClearance,
      medium,
      hangs,
      note: carriedWords(before).slice(0, TEXTS.note[1]),
    },
    look: {
      ...fresh.look,
      value: inputs.look.value,
      conditions: inputs.look.conditions.map((one) => ({
        ...one,
        note: (one.note === '' ? seen : `${one.note} (${seen})`).slice(0, TEXTS.remark[1]),
      })),
    },
    cloth: {
      ...fresh.cloth,
      fabric: inputs.cloth.fabric,
      // One reading a side: the other end is to be read.
      left: everySide((side) => ({ first: margins[side], second: null })),
      found: measured.found,
      // Read anew when it came down; the others as they were measured before.
      painting: { ...measured.painting, top: width, left: height },
    },
  };
}

/** Where what a new job starts with is known from. */
function carriedWords({ number, measuredAt, takenDownAt, inputs }: WorkBefore): string {
  const day = longDay(takenDownAt);
  const sides =
    measuredAt === null
      ? 'the other sides, the diagonals and old folds were not measured'
      : `the other sides, diagonals, old folds and holes as measured ${longDay(measuredAt)}`;
  const frame = Object.values(inputs.brief.rebate).some((value) => value !== null && typeof value === 'object' && 'mm' in value);
  return `No. ${number} before, taken down ${day}. Top, left side and margins measured then; ${sides}.${frame ? ` Its frame as measured for No. ${number}.` : ''} Measure again what the work depends on.`;
}
