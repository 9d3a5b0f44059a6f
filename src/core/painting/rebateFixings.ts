/* How a canvas is held in the frame that it goes into. */

export const REBATE_FIXINGS = [
  { id: 'notKnown', name: 'not told', letsGrow: true },
  { id: 'plates', name: 'plates, screwed to the frame', letsGrow: true },
  { id: 'clips', name: 'spring clips', letsGrow: true },
  { id: 'nails', name: 'nails', letsGrow: false },
] as const;
export type RebateFixingId = (typeof REBATE_FIXINGS)[number]['id'];
