import type { Tape } from './length';
import { decimal } from './numeral';

const KG_PER_POUND = 0.45359237;

/** "1.85 kg", or "4.1 lb" beside an inch tape. */
export const printMass = (kg: number, tape: Tape): string =>
  tape.unit === 'in' ? `${decimal(kg / KG_PER_POUND, 1)} lb` : `${decimal(kg, kg < 10 ? 2 : 1)} kg`;
