/*
 * What goes on the back of a canvas, so that whoever tightens it in twenty years knows what it was: made of what, by whom, which
 * way up, and what was measured. Only what is known stands on it; what was felt or simulated says so.
 */
import { bare, printed } from '../quantities/printed';
import type { JobCase } from '../case/jobCase';
import type { LogEntry } from '../log/logEntry';
import { lastTension } from '../log/jobHistory';
import { primingOf } from '../prime/primingOf';
import { mayBeDone } from '../stages/look/mayBeDone';
import { tensionWords } from '../stages/tune/tensionWords';
import { inWords } from '../units/inWords';
import { printSize } from '../units/length';

export interface BackLabel {
  number: number;
  /** "number one hundred and twenty-seven", for who has no reader. */
  numberSaid: string;
  title: string;
  workshop: string;
  /** What is known, a line each; the first ones matter most. */
  lines: string[];
  /** Null where it hangs any way up. */
  up: string | null;
}

/**
 * The label of a canvas.
 *
 * @param log its entries, oldest first
 */
export function backLabel(here: JobCase, log: readonly LogEntry[], number: number): BackLabel {
  const { inputs, plan, house, progress } = here;
  const { brief, handover } = inputs;
  const made = progress.records.findLast(({ stage }) => stage === 'handover') ?? progress.records.at(-1);
  const coats = progress.coatsDone;
  const ground = primingOf(inputs);
  const lacks = (what: (typeof brief.notKnown)[number]) => brief.notKnown.includes(what);
  return {
    number,
    numberSaid: `number ${inWords(number)}`,
    title: brief.title,
    workshop: house.rules.workshop,
    up: brief.hangs === 'eitherWay' ? null : 'this side up',
    lines: [
      `${printSize(brief.width.mm, brief.height.mm, house.tape)}${made ? `, ${made.maker}, ${made.at.slice(0, 10)}` : ''}`,
      lacks('cloth') ? 'cloth not known' : plan.cloth.fabric.name,
      ...(plan.cloth.painted || lacks('ground') ? [] : [coats > 0 ? `${ground.name}: ${coats} on` : 'not primed']),
      ...tensionLines(here, log),
      ...(handover.weighedKg === null ? [] : [`${printed('mass', handover.weighedKg, house.tape)} on the scale`]),
      ...openerLine(here),
      ...(handover.label === '' ? [] : [handover.label]),
      ...(log.some(({ kind }) => kind === 'takenDown') ? ['taken down'] : []),
    ],
  };
}

const TOOLS = { tap: 'by tap', weight: 'by weight', hand: 'felt' } as const;

/** The tension as it was measured last, both ways where both are known, with the air of the day. */
function tensionLines({ history }: JobCase, log: readonly LogEntry[]): string[] {
  const last = lastTension(history);
  if (!last) return [];
  const simulated = log.find(({ id }) => id === last.entryId)?.readings.some(({ known }) => known === 'simulated') ?? false;
  const how = simulated ? 'simulated, not measured' : TOOLS[last.tool];
  const both =
    last.across !== null && last.down !== null
      ? [`${bare('tension', last.across)} across, ${bare('tension', last.down)} down`]
      : [];
  const air = last.rh === null ? [] : [printed('humidity', last.rh)];
  return [`tension ${tensionWords(last.nPerM, last.sdNPerM)}, ${how}`, [...both, ...air, last.at.slice(0, 10)].join(', ')];
}

/** How it is tightened later. */
function openerLine({ plan, inputs }: JobCase): string[] {
  const { opener } = plan.tune;
  if (opener && mayBeDone('key', inputs).may !== 'allowed') return ['not keyed: ask a conservator first'];
  if (inputs.brief.notKnown.includes('bars')) return ['corners: look before anything is turned'];
  if (!opener) return ['fixed corners: not keyed'];
  return [opener.kind === 'bolt' ? 'corner bolts: turn a little, all four' : 'keys: a little at each corner in turn'];
}
