import { cookies } from 'next/headers';
import type { Tape } from '@/core/units/length';

/** The unit that lengths are read in here, as it was chosen last. */
export const unitChosen = async (): Promise<Tape['unit']> => {
  const kept = (await cookies()).get('unit')?.value;
  return (['mm', 'cm', 'in'] as const).find((one) => one === kept) ?? 'mm';
};
