/*
 * The job: what is typed for each stage. Everything else is computed from it (see plan/), never stored
 * as truth. Sides are named as seen from the front, right way up.
 */
import type { CornerFoldId, SeamFaces } from '../cloth/cornerFolds';
import type { MarginStyleId } from '../cloth/marginStyles';
import type { FastenerId } from '../fasten/fasteners';
import type { RouteId } from '../fasten/routes';
import type { GlueId } from '../frame/glues';
import type { JointId } from '../frame/joints';
import type { Corner } from '../frame/corners';
import type { TapeReadings } from '../frame/readings';
import type { WindPatternId } from '../frame/wind';
import type { HangingId } from '../plan/hangings';
import type { SystemId } from '../prime/grounds';
import type { LayerId } from '../prime/substances';
import type { FeelId } from '../tension/feel';
import type { RemedyId, RemedySignId } from '../tension/remedies';
import { type Length, length } from '../units/length';
import type { Side } from './sides';
import type { EdgeId, HangId, MediumId, UseId } from './schools';

export type UpToThree = 1 | 2 | 3;

export interface BriefInputs {
  title: string;
  width: Length;
  height: Length;
  use: UseId;
  edges: EdgeId;
  /** Room between canvas and rebate, in all, across each way. */
  rebateClearance: Length;
  medium: MediumId;
  hangs: HangId;
  /** yyyy-mm-dd, or null when nobody waits. */
  dueOn: string | null;
  note: string;
}

export interface BarsInputs {
  /** A bar and a wood of the house: ids of its materials. */
  profile: string;
  species: string;
  joint: JointId;
  glue: GlueId;
  tensionNPerM: number;
  /** Middles of the braces from the top bar to the bottom bar, as parts of the width from the left, ascending. */
  bracesUpright: number[];
  /** Middles of the braces from the left bar to the right bar, as parts of the height from the top, ascending. */
  bracesLevel: number[];
}

/** Most earlier tries kept with a frame. */
export const MOST_TRIES = 12;
/** Most braces one way. */
export const MOST_BRACES = 3;
/** Braces spread evenly: parts of the length. */
export const evenBraces = (count: number): number[] => Array.from({ length: count }, (_, index) => (index + 1) / (count + 1));

/** Room kept between two braces and to the bars, as a part of the length. */
const BRACE_APART = 0.03;
/** The least and the most a brace’s place can be, between its neighbours. */
export const braceRange = (places: readonly number[], index: number): [least: number, most: number] => [
  (places[index - 1] ?? 0) + BRACE_APART,
  (places[index + 1] ?? 1) - BRACE_APART,
];

/** A set square held in a corner: the gap under its blade, and whether the corner is wider than square or narrower. */
export interface CornerGap {
  gap: Length;
  wider: boolean;
}

/** Tape readings; null where nothing was read. `down` runs top left to bottom right, `up` bottom left to top right. */
export interface SquareInputs extends Record<Side, Length | null> {
  down: Length | null;
  up: Length | null;
  /** Length of the set square's blade, and the corners it was held in. */
  blade: Length;
  gaps: Record<Corner, CornerGap | null>;
  /** Whether the bars are known to be pairs of the planned length, or only the tape is believed. */
  trust: 'bars' | 'tape';
  /** Whose tape it was: one's own, or the simulated one to learn on. */
  tape: 'own' | 'practice';
  /** Earlier tries, oldest first, mm. */
  tries: TapeReadings[];
  /** How far the fourth corner stands off a flat table. */
  lift: Length | null;
  /** Gap between two strings from corner to corner where they cross. */
  strings: Length | null;
  windPattern: WindPatternId;
}

/** A margin measured near both ends of a side: the left and the right end, or the upper and the lower one. */
export interface SideEnds {
  first: Length | null;
  second: Length | null;
}

/** How far a painted edge stands off a string from corner to corner, at its middle. */
export interface EdgeBow {
  by: Length;
  outward: boolean;
}

/** A painted image that is not a true rectangle, and what matters when the frame is placed on it. */
export interface PaintingInputs extends Record<Side, Length | null> {
  /** Diagonals of the image: `down` runs top left to bottom right, `up` bottom left to top right. */
  down: Length | null;
  up: Length | null;
  bow: Record<Side, EdgeBow | null>;
  fragile: boolean;
  /** Edges that must lie parallel to the bar; the others take the error. */
  keep: Side[];
  /** Most of the image that may go round the edge, on any side. */
  mostWrap: Length;
  /** Bare cloth may show on the face. */
  mayBare: boolean;
  /** All edges together as little off as can be, or the worst place as little as can be. */
  way: 'leastSquares' | 'leastMost';
}

export interface ClothInputs {
  /** A cloth of the house: id of its materials. */
  fabric: string;
  rollWidth: Length;
  marginStyle: MarginStyleId;
  /** A margin typed for one side; null follows the style. */
  ownMargin: Record<Side, Length | null>;
  grip: 'hand' | 'pliers';
  /** Which side of the face the warp runs along. */
  warp: 'width' | 'height';
  /** The piece may lie the other way on the roll, the warp along the other side. */
  mayTurn: boolean;
  /** Flaws stay out of the whole piece, or of its face only. */
  flawRule: 'piece' | 'face';
  washFirst: boolean;
  takeOffStretch: boolean;
  /** The frame was laid on the cloth and looked at again before the cut. */
  laidAgain: boolean;
  corner: CornerFoldId;
  /** The sides that show the folds' seams. */
  seams: SeamFaces;
  /** Cloth left beyond the image, for painted work. */
  left: Record<Side, SideEnds>;
  painting: PaintingInputs;
}

export interface Knot {
  side: Side;
  at: Length;
}

/** What was seen or done at a place of a bar. */
export interface PlaceNote extends Knot {
  text: string;
}

/** How the fastening went, as far as somebody noted it. */
export interface AsDone {
  /** Fasteners drawn and set again. */
  drawn: number | null;
  /** Firm pull as it was, N. */
  pullN: number | null;
  minutes: number | null;
  notes: PlaceNote[];
}

/** Most notes at places of a frame. */
export const MOST_NOTES = 20;

/** Most knots marked on a frame. */
export const MOST_KNOTS = 20;

export interface FastenInputs {
  fastener: FastenerId;
  route: RouteId;
  spacing: Length;
  lastFromCorner: Length;
  starters: UpToThree;
  perTurn: UpToThree;
  /** Firm pull at a place, N; null takes the one that the simulated cloth asks for. */
  firmPull: number | null;
  /** How much firmer the last pull of a side is than the one at its middle: 1 is even. */
  ramp: number;
  /** Slant of a staple's crown to the edge, degrees. */
  slantDeg: number;
  /** All fasteners drawn and set again once, before the corners. */
  secondRound: boolean;
  /** Knots that no fastener goes into: the side, and how far from its left or upper end. */
  knots: Knot[];
  /** Margins with the frame lying on the cloth, before the first fastener. */
  laid: Record<Side, SideEnds>;
  asDone: AsDone;
}

/** A weight on a disc in the middle of the cloth: how far it sags under a lighter and a heavier one. */
export interface WeightReadings {
  /** Across the disc. */
  disc: Length;
  lightG: number;
  heavyG: number;
  lightSag: Length | null;
  heavySag: Length | null;
}

/** A piece of the same cloth, with the ground it carries, on the scale. */
export interface WeighedPiece {
  width: Length;
  height: Length;
  grams: number | null;
}

/** The same opening at every corner. */
export const alikeCorners = (each: Length): Record<Corner, Length> => ({
  topLeft: each,
  topRight: each,
  bottomRight: each,
  bottomLeft: each,
});

export interface TuneInputs {
  feel: FeelId;
  weight: WeightReadings;
  piece: WeighedPiece;
  /** What is seen on the cloth. */
  signs: RemedySignId[];
  remedy: RemedyId;
  /** How far each bar is to step out at each corner, from closed. */
  corners: Record<Corner, Length>;
}

export interface PrimeInputs {
  system: SystemId;
  roomC: number;
  roomRh: number;
  edges: boolean;
  back: boolean;
  /** The cloth is wetted before the first coat. */
  wetFirst: boolean;
  /** What is on the cloth before the first coat. */
  over: LayerId;
  /** Water to one part in the next coat; null takes the system’s. */
  waterParts: number | null;
  /** What was mixed for the next coat and what was left of it, ml; null where nobody measured. */
  mixedMl: number | null;
  leftMl: number | null;
}

export interface HandoverInputs {
  weighedKg: number | null;
  hanging: HangingId;
  label: string;
}

export interface JobInputs {
  brief: BriefInputs;
  /** Ids of kit lines that lie ready. */
  kit: string[];
  bars: BarsInputs;
  square: SquareInputs;
  cloth: ClothInputs;
  fasten: FastenInputs;
  tune: TuneInputs;
  prime: PrimeInputs;
  handover: HandoverInputs;
}

export interface Job {
  id: string;
  number: number;
  /** ISO time. */
  createdAt: string;
  inputs: JobInputs;
}

const unread = (): Record<Side, Length | null> => ({ top: null, right: null, bottom: null, left: null });
const unreadEnds = (): Record<Side, SideEnds> => ({
  top: { first: null, second: null },
  right: { first: null, second: null },
  bottom: { first: null, second: null },
  left: { first: null, second: null },
});

/** What a new job starts with: usual choices, to be changed in the brief. */
export function newInputs(title: string, width: Length, height: Length): JobInputs {
  return {
    brief: {
      title,
      width,
      height,
      use: 'new',
      edges: 'unframed',
      rebateClearance: length(4),
      medium: 'undecided',
      hangs: 'thisWay',
      dueOn: null,
      note: '',
    },
    kit: [],
    bars: {
      profile: 'standard',
      species: 'spruce',
      joint: 'slotted',
      glue: 'pva',
      tensionNPerM: 250,
      bracesUpright: [],
      bracesLevel: [],
    },
    square: {
      ...unread(),
      down: null,
      up: null,
      blade: length(300),
      gaps: { topLeft: null, topRight: null, bottomRight: null, bottomLeft: null },
      trust: 'bars',
      tape: 'own',
      tries: [],
      lift: null,
      strings: null,
      windPattern: 'unseen',
    },
    cloth: {
      fabric: 'cottonMedium',
      rollWidth: length(2100),
      marginStyle: 'covered',
      ownMargin: unread(),
      grip: 'hand',
      warp: width.mm >= height.mm ? 'width' : 'height',
      mayTurn: false,
      flawRule: 'face',
      washFirst: false,
      takeOffStretch: false,
      laidAgain: false,
      corner: 'single',
      seams: 'topBottom',
      left: unreadEnds(),
      painting: {
        ...unread(),
        down: null,
        up: null,
        bow: { top: null, right: null, bottom: null, left: null },
        fragile: false,
        keep: ['top', 'left', 'right'],
        mostWrap: length(6),
        mayBare: false,
        way: 'leastSquares',
      },
    },
    fasten: {
      fastener: 'staple8',
      route: 'compass',
      spacing: length(45),
      lastFromCorner: length(45),
      starters: 1,
      perTurn: 1,
      firmPull: null,
      ramp: 1,
      slantDeg: 25,
      secondRound: false,
      knots: [],
      laid: unreadEnds(),
      asDone: { drawn: null, pullN: null, minutes: null, notes: [] },
    },
    tune: {
      feel: 'firm',
      weight: { disc: length(70), lightG: 100, heavyG: 200, lightSag: null, heavySag: null },
      piece: { width: length(100), height: length(100), grams: null },
      signs: [],
      remedy: 'none',
      corners: alikeCorners(length(0)),
    },
    prime: {
      system: 'acrylic',
      roomC: 19,
      roomRh: 55,
      edges: true,
      back: false,
      wetFirst: false,
      over: 'raw',
      waterParts: null,
      mixedMl: null,
      leftMl: null,
    },
    handover: { weighedKg: null, hanging: 'rings', label: '' },
  };
}
