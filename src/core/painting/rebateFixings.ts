/* How a canvas is held in the frame that it goes into. */

export const REBATE_FIXINGS = [
  { id: 'notKnown', name: 'not told', letsGrow: true, holdsBy: 'plates' },
  { id: 'plates', name: 'plates, screwed to the frame', letsGrow: true, holdsBy: 'plates' },
  { id: 'clips', name: 'spring clips', letsGrow: true, holdsBy: 'clips' },
  { id: 'nails', name: 'nails', letsGrow: false, holdsBy: null },
] as const;
export type RebateFixingId = (typeof REBATE_FIXINGS)[number]['id'];
