import type { ReactNode } from 'react';
import type { StageId } from '@/core/stages/stages';
import { BarsSlip } from '../bars/BarsSlip';
import { BriefSlip } from '../brief/BriefSlip';
import { ClothSlip } from '../cloth/ClothSlip';
import { FastenSlip } from '../fasten/FastenSlip';
import { LookSlip } from '../look/LookSlip';
import { HandoverSlip } from '../handover/HandoverSlip';
import { PrimeSlip } from '../prime/PrimeSlip';
import { SquareSlip } from '../square/SquareSlip';
import { TuneSlip } from '../tune/TuneSlip';
import type { SlipProps } from './slipProps';

/** The slip of each stage. */
export const SLIPS: Record<StageId, (props: SlipProps) => ReactNode> = {
  look: LookSlip,
  brief: BriefSlip,
  bars: BarsSlip,
  square: SquareSlip,
  cloth: ClothSlip,
  fasten: FastenSlip,
  tune: TuneSlip,
  prime: PrimeSlip,
  handover: HandoverSlip,
};
