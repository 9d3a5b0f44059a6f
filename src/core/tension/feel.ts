/* What the flat of the hand and a flick say, for those who measure nothing. Bands in N/m are rough and logged as such. */
export const FEELS = [
  { id: 'slack', name: 'Slack', says: 'ripples under the hand', bandNPerM: [0, 60] },
  { id: 'soft', name: 'Soft', says: 'gives, no note', bandNPerM: [60, 130] },
  { id: 'firm', name: 'Firm', says: 'springs back, a dull note', bandNPerM: [130, 250] },
  { id: 'drum', name: 'Drum', says: 'a clear low note', bandNPerM: [250, 380] },
  { id: 'board', name: 'Board', says: 'hardly gives, a high note', bandNPerM: [380, 600] },
] as const;

export type FeelId = (typeof FEELS)[number]['id'];
