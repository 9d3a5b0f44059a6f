import type { ReactNode } from 'react';
import type { StageId } from '@/core/job/stages';
import { ClothSlip, FastenSlip } from './clothSlips';
import { HandoverSlip, PrimeSlip, TuneSlip } from './finishSlips';
import { BarsSlip, BriefSlip, SquareSlip } from './frameSlips';
import type { SlipProps } from './slipProps';

/** The slip of each stage. */
export const SLIPS: Record<StageId, (props: SlipProps) => ReactNode> = {
  brief: BriefSlip,
  bars: BarsSlip,
  square: SquareSlip,
  cloth: ClothSlip,
  fasten: FastenSlip,
  tune: TuneSlip,
  prime: PrimeSlip,
  handover: HandoverSlip,
};
