/** What a cloth is pulled with. */
export const GRIPS = [
  { id: 'hand', name: 'Fingers' },
  { id: 'pliers', name: 'Pliers' },
] as const;
