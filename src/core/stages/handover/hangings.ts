import type { School } from '../../house/schools';

/** Hangings: the load they carry with a usual reserve, kg. Walls and hooks differ: local advice comes first. */
export const HANGINGS = [
  { id: 'rings', name: 'Two rings and cord', carriesKg: 10, suits: 'light and middle work', trades: 'tips forward a little' },
  { id: 'plates', name: 'Two plates on hooks', carriesKg: 25, suits: 'heavy work, hangs flat', trades: 'two hooks set level' },
  {
    id: 'cleat',
    name: 'Cleat along the top bar',
    carriesKg: 50,
    suits: 'large work',
    trades: 'stands off the wall by its thickness',
  },
  { id: 'none', name: 'None, goes to the framer', carriesKg: 0, suits: 'framed work', trades: 'say so on the label' },
] as const satisfies readonly (School & { carriesKg: number })[];

export type HangingId = (typeof HANGINGS)[number]['id'];
