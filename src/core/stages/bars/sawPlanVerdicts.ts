/* What is judged about the bars of several frames that are picked, bought and sawn from one plan. */
import type { BuyingPlan } from '../../frame/sawing/buyingPlan';
import { type HouseRules, assumed } from '../../house/houseRules';
import { type Verdict, verdict } from '../../job/verdict';
import { type Tape, printLength } from '../../units/length';
import { printMoney } from '../../units/money';

/** Verdicts of a buying plan: what is too long, of another family, made to order; what goes back to the rack. */
export function sawPlanVerdicts(plan: BuyingPlan, rules: HouseRules, tape: Tape): Verdict[] {
  const tooLong = plan.sections.flatMap(({ profile, result }) =>
    result.kind === 'tooLong'
      ? [
          verdict({
            id: `too long ${profile}`,
            about: `too long ${profile}`,
            level: 'stop',
            measured: result.part.lengthMm,
            limit: result.longestMm,
            of: 'barLengthNeeded',
            says: `${result.part.label}: ${printLength(result.part.lengthMm, tape)} is longer than any length to be had.`,
            because: `The longest is ${printLength(result.longestMm, tape)}; bars are not joined end to end.`,
            doThis: 'Add a longer length to the list of this bar, under Materials.',
          }),
        ]
      : [],
  );
  const mixed = plan.picks.flatMap(({ whose, list }) =>
    list.otherFamily.map((other) =>
      verdict({
        id: `family ${whose} ${other.family} ${other.lengthMm}`,
        about: `family ${whose} ${other.family} ${other.lengthMm}`,
        level: 'watch',
        says: `${whose}: ${other.count} of ${printLength(other.lengthMm, tape)} lie there as ${other.family}; they do not fit the ${list.family}.`,
        because: 'Slots of two makes differ in width and depth.',
        doThis: 'Order the length, or build the whole frame in the other family.',
      }),
    ),
  );
  const special = plan.picks.flatMap(({ whose, special: lengths, orderMinor }) =>
    lengths.map((mm) =>
      verdict({
        id: `special ${whose} ${mm}`,
        about: `special ${whose} ${mm}`,
        level: 'watch',
        says: `${whose}: ${printLength(mm, tape)} is made to order.`,
        because:
          orderMinor === null
            ? 'It is not on the list.'
            : `It is not on the list; with it the order comes to ${printMoney(orderMinor, rules.currency)}.`,
        doThis: 'Look whether the next listed size does.',
        uses: ['specialFactor'],
      }),
    ),
  );
  const bars = plan.sections.flatMap(({ result }) => (result.kind === 'plan' ? result.bars : []));
  const least = assumed(rules, 'leastBar');
  const kept = bars.filter((bar) => bar.leftoverMm >= least);
  const leftovers =
    bars.length === 0
      ? []
      : [
          verdict({
            id: 'leftovers',
            about: 'leftovers',
            level: 'good',
            says:
              kept.length === 0
                ? 'Nothing worth keeping is left.'
                : `${kept.length === 1 ? 'One offcut goes' : `${kept.length} offcuts go`} to the rack, ${printLength(
                    kept.reduce((sum, bar) => sum + bar.leftoverMm, 0),
                    tape,
                  )} in all.`,
            because: `Whole lengths are paid; pieces from ${printLength(least, tape)} are kept.`,
            uses: ['leastBar'],
          }),
        ];
  return [...tooLong, ...mixed, ...special, ...leftovers];
}
