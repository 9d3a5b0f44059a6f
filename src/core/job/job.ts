/*
 * The job: what is typed for each stage. Everything else is computed from it (see case/), never stored
 * as truth. Sides are named as seen from the front, right way up.
 */
import { type ShapeOf, listOf, part, startOf, text, whole, moment } from '../shape/shape';
import { barsShape } from '../stages/bars/barsInputs';
import { briefShape } from '../stages/brief/briefInputs';
import { clothShape } from '../stages/cloth/clothInputs';
import { fastenShape } from '../stages/fasten/fastenInputs';
import { lookShape } from '../stages/look/lookInputs';
import { handoverShape } from '../stages/handover/handoverInputs';
import { primeShape } from '../stages/prime/primeInputs';
import { squareShape } from '../stages/square/squareInputs';
import { tuneShape } from '../stages/tune/tuneInputs';
import { type Length, type LengthUnit, SIXTEENTH_MM } from '../units/length';

export const jobInputsShape = {
  look: part('look', lookShape),
  brief: part('brief', briefShape),
  /** Ids of kit lines that lie ready. */
  kit: listOf(text(0, 60), 60),
  bars: part('bars', barsShape),
  square: part('square', squareShape),
  cloth: part('cloth', clothShape),
  fasten: part('fasten', fastenShape),
  tune: part('tune', tuneShape),
  prime: part('prime', primeShape),
  handover: part('handover', handoverShape),
};

export interface JobInputs extends ShapeOf<typeof jobInputsShape> {}

/** An id as it is kept. */
export const idText = text(1, 64);
/** A moment, ISO 8601 in UTC. */
export const momentText = moment();

export const jobShape = {
  id: idText,
  number: whole(1, 1_000_000),
  createdAt: momentText,
  inputs: part('inputs', jobInputsShape),
};

export interface Job extends ShapeOf<typeof jobShape> {}

/**
 * What is wrong with inputs of the right shape, as sentences with the field they stand in; none when they hold together.
 *
 * @example inputsViolations({ ...newInputs('Study', length(400), length(300)), bars: { ...newInputs('', length(400), length(300)).bars, bracesUpright: [0.6, 0.4] } })[0].field // 'bars.bracesUpright'
 */
export function inputsViolations({ bars }: JobInputs): { field: string; says: string }[] {
  return (['bracesUpright', 'bracesLevel'] as const).flatMap((way) => {
    const apart = bars[way].every((place, index) => index === 0 || place - bars[way][index - 1]! >= 0.01);
    return apart ? [] : [{ field: `bars.${way}`, says: `braces stand in ascending order, apart; got ${bars[way].join(', ')}` }];
  });
}

/** From here a metric length is typed in centimetres where these are used: a clearance of 2 stays one of millimetres, mm. */
const TYPED_IN_CM_MM = 100;

/** A usual length as one would type it: to the next sixteenth in inches, larger ones in centimetres where these are used. */
function usualIn({ mm }: Length, unit: LengthUnit): Length {
  if (unit === 'in' || unit === 'ft') return { mm: Math.round(mm / SIXTEENTH_MM) * SIXTEENTH_MM, unit: 'in' };
  return { mm, unit: mm >= TYPED_IN_CM_MM && unit !== 'mm' ? 'cm' : 'mm' };
}

/** The same, every length in it as one would type it in a unit. */
const allIn = <T>(value: T, unit: LengthUnit): T => {
  if (typeof value !== 'object' || value === null) return value;
  if ('mm' in value && 'unit' in value) return usualIn(value as unknown as Length, unit) as T;
  if (Array.isArray(value)) return value.map((one: unknown) => allIn(one, unit)) as T;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, allIn(one, unit)])) as T;
};

/**
 * What a new job starts with: usual choices in the unit that its width was typed in, to be changed in the brief.
 *
 * @example newInputs('Study', length(40, 'cm'), length(30, 'cm')).square.blade // { mm: 300, unit: 'cm' }
 * @example newInputs('Study', length(40, 'cm'), length(30, 'cm')).brief.rebateClearance.unit // 'mm'
 * @example newInputs('Study', length(24 * 25.4, 'in'), length(18 * 25.4, 'in')).fasten.spacing // { mm: 44.4…, unit: 'in' }
 */
export function newInputs(title: string, width: Length, height: Length): JobInputs {
  const fresh = allIn(startOf(jobInputsShape), width.unit);
  return {
    ...fresh,
    brief: { ...fresh.brief, title, width, height },
    cloth: { ...fresh.cloth, warp: width.mm >= height.mm ? 'width' : 'height' },
  };
}
