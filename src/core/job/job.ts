/*
 * The job: what is typed for each stage. Everything else is computed from it (see plan/), never stored
 * as truth. Sides are named as seen from the front, right way up.
 */
import type { FabricId } from '../cloth/fabrics';
import type { MarginStyleId } from '../cloth/marginStyles';
import type { FastenerId } from '../fasten/fasteners';
import type { RouteId } from '../fasten/routes';
import type { JointId } from '../frame/joints';
import type { ProfileId } from '../frame/profiles';
import type { SpeciesId } from '../frame/timber';
import type { HangingId } from '../plan/hangings';
import type { SystemId } from '../prime/grounds';
import type { FeelId } from '../tension/feel';
import type { RemedyId } from '../tension/remedies';
import { type Length, length } from '../units/length';
import type { Side } from './sides';
import type { EdgeId, HangId, MediumId, UseId } from './schools';

export type BraceCount = 0 | 1 | 2;
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
  profile: ProfileId;
  species: SpeciesId;
  joint: JointId;
  tensionNPerM: number;
  /** Braces from the top bar to the bottom bar. */
  bracesUpright: BraceCount;
  /** Braces from the left bar to the right bar. */
  bracesLevel: BraceCount;
}

/** Tape readings; null where nothing was read. `down` runs top left to bottom right, `up` bottom left to top right. */
export interface SquareInputs extends Record<Side, Length | null> {
  down: Length | null;
  up: Length | null;
  /** How far the fourth corner stands off a flat table. */
  lift: Length | null;
}

export interface ClothInputs {
  fabric: FabricId;
  rollWidth: Length;
  marginStyle: MarginStyleId;
  grip: 'hand' | 'pliers';
  /** Which side of the face the warp runs along. */
  warp: 'width' | 'height';
  washFirst: boolean;
  takeOffStretch: boolean;
  /** Cloth left beyond the image, for painted work. */
  left: Record<Side, Length | null>;
}

export interface FastenInputs {
  fastener: FastenerId;
  route: RouteId;
  spacing: Length;
  lastFromCorner: Length;
  starters: UpToThree;
  perTurn: UpToThree;
}

export interface TuneInputs {
  feel: FeelId;
  remedy: RemedyId;
  /** How far each bar steps out at each corner, all four alike. */
  opening: Length;
}

export interface PrimeInputs {
  system: SystemId;
  roomC: number;
  roomRh: number;
  edges: boolean;
  back: boolean;
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
    bars: { profile: 'standard', species: 'spruce', joint: 'slotted', tensionNPerM: 250, bracesUpright: 0, bracesLevel: 0 },
    square: { top: null, right: null, bottom: null, left: null, down: null, up: null, lift: null },
    cloth: {
      fabric: 'cottonMedium',
      rollWidth: length(2100),
      marginStyle: 'covered',
      grip: 'hand',
      warp: width.mm >= height.mm ? 'width' : 'height',
      washFirst: false,
      takeOffStretch: false,
      left: { top: null, right: null, bottom: null, left: null },
    },
    fasten: { fastener: 'staple8', route: 'compass', spacing: length(45), lastFromCorner: length(45), starters: 1, perTurn: 1 },
    tune: { feel: 'firm', remedy: 'none', opening: length(0) },
    prime: { system: 'acrylic', roomC: 19, roomRh: 55, edges: true, back: false },
    handover: { weighedKg: null, hanging: 'rings', label: '' },
  };
}
