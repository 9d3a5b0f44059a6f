/* What the flat of the hand and a flick say, for those who measure nothing. Bands in N/m are rough and logged as such. */
interface Feel<Id extends string> {
  id: Id;
  name: string;
  says: string;
  bandNPerM: readonly [number, number];
  /** Too loose to go on with. */
  slack: boolean;
}

const feel = <const I extends string>(
  id: I,
  name: string,
  says: string,
  bandNPerM: [number, number],
  slack = false,
): Feel<I> => ({ id, name, says, bandNPerM, slack });

export const FEELS = [
  feel('slack', 'Slack', 'ripples under the hand', [0, 60], true),
  feel('soft', 'Soft', 'gives, no note', [60, 130]),
  feel('firm', 'Firm', 'springs back, a dull note', [130, 250]),
  feel('drum', 'Drum', 'a clear low note', [250, 380]),
  feel('board', 'Board', 'hardly gives, a high note', [380, 600]),
] as const;

/**
 * The middle of what a feel may be, N/m.
 *
 * @example middleOf(FEELS[0]) // 30
 */
export const middleOf = ({ bandNPerM: [low, high] }: Pick<Feel<string>, 'bandNPerM'>): number => (low + high) / 2;

export type FeelId = (typeof FEELS)[number]['id'];
