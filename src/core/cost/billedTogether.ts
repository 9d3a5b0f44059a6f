/* Bills of several canvases as one order: every line is rounded once for all of them, and dealt out so that no cent is lost. */
import { groupsBy } from '../groupsBy';
import { type Bill, type BillLine, billFrom } from './bill';
import { sharesByWeight } from './shares';

/** Lines that are priced by one quantity: the same thing at the same price. */
const alike = ({ id, what, from, priceMinor, per }: BillLine): string => JSON.stringify([id, what, from, priceMinor, per]);

/**
 * Bills whose lines, alike ones put together, come to what the whole quantity costs, rounded once; each bill has its share by the
 * largest remainder. Overhead is rounded once too, and shared by what each canvas costs.
 *
 * @param bills in the order of the canvases
 * @example billedTogether([], 15) // []
 */
export function billedTogether(bills: readonly Bill[], overheadPercent: number): Bill[] {
  const own = bills.map(({ lines }) => lines.filter(({ group }) => group !== 'overhead').map((one) => ({ ...one })));
  for (const lines of groupsBy(own.flat(), alike).values()) {
    const { priceMinor, per } = lines[0]!;
    // What is a share of one plan already has no price of its own.
    if (priceMinor === null || lines.length < 2) continue;
    const quantity = lines.reduce((sum, one) => sum + one.quantity, 0);
    if (quantity <= 0) continue;
    const shares = sharesByWeight(
      Math.round((quantity * priceMinor) / per),
      lines.map((one) => one.quantity),
    );
    lines.forEach((one, index) => (one.minor = shares[index]!));
  }
  const nets = own.map((lines) => lines.reduce((sum, { minor }) => sum + (minor ?? 0), 0));
  const net = nets.reduce((sum, one) => sum + one, 0);
  const overheads = net > 0 ? sharesByWeight(Math.round((net * overheadPercent) / 100), nets) : nets;
  return own.map((lines, index) => {
    const bill = billFrom(lines, overheadPercent);
    const all = bill.lines.map((one) => (one.group === 'overhead' ? { ...one, minor: overheads[index]! } : one));
    return { ...bill, lines: all, knownMinor: all.reduce((sum, { minor }) => sum + (minor ?? 0), 0) };
  });
}
