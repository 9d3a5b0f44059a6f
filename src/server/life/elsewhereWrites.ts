/* A canvas that was made elsewhere and has no passport: what is known of it, and nothing that nobody knows. */
import { JOINTS } from '@/core/frame/joints';
import { type JobInputs, idText } from '@/core/job/job';
import { VALUES } from '@/core/stages/look/lookInputs';
import { SYSTEMS } from '@/core/prime/grounds';
import { day, oneOf, optional } from '@/core/shape/shape';
import { textOf } from '@/core/shape/texts';
import { faceLength, titleText } from '@/core/stages/brief/briefInputs';
import { paintedStart } from '@/core/painting/paintedStart';
import { USES } from '@/core/house/schools';
import { type StoredJob, insertJob, nextNumber } from '@/db/jobs';
import { insertLogEntry } from '@/db/logEntries';
import { readRules } from '@/db/workshops';
import { firstInputs, unknownMaterial } from '../job/jobWrites';
import { newJobAgain } from '../job/jobAgain';
import { EMPTY_ENTRY } from '../job/writeDown';
import { maker } from '../write/asked';
import { type Outcome, done, refuse } from '../write/outcome';
import { type Workshop, deviceName } from '../workshop';
import { write } from '../write/write';

/**
 * Takes in a canvas that was made elsewhere, as one that is stretched: from here on it has a label, a passport and a life. What
 * is null is not known: it is reckoned with as usual and told nowhere.
 */
export const takeElsewhere = write({
  asks: {
    title: titleText,
    width: faceLength,
    height: faceLength,
    use: oneOf(USES),
    value: oneOf(VALUES),
    profile: optional(idText),
    joint: optional(oneOf(JOINTS)),
    fabric: optional(idText),
    system: optional(oneOf(SYSTEMS)),
    /** The day it was stretched, where somebody knows. */
    madeOn: optional(day()),
    /** Who made it, or where it came from. */
    from: textOf('person'),
    note: textOf('note'),
    maker,
  },
  act(workshop: Workshop, { title, width, height, use, value, maker, madeOn, from, note, ...known }): Outcome<StoredJob> {
    const { database, now, newId } = workshop;
    const take = database.transaction((): Outcome<StoredJob> => {
      const { rules } = readRules(database);
      if (madeOn !== null && Date.parse(`${madeOn}T00:00:00Z`) > now().getTime())
        return refuse(`It cannot have been stretched on ${madeOn}: that day is still to come.`);
      if ((known.profile === null) !== (known.joint === null))
        return refuse('Say both which bars it has and how their corners are joined, or leave both as not known.');
      const inputs = paintedStart(knownInputs(firstInputs(title.trim(), width, height, rules), use, value, known), rules);
      const unknown = unknownMaterial(inputs, rules);
      if (unknown) return unknown;
      const at = now().toISOString();
      const madeAt = madeOn === null ? at : `${madeOn}T12:00:00.000Z`;
      const stored = insertJob(database, { id: newId(), number: nextNumber(database), createdAt: madeAt, inputs }, at);
      insertLogEntry(database, stored.id, {
        ...EMPTY_ENTRY,
        id: newId(),
        stage: 'handover',
        kind: 'brought',
        of: `elsewhere ${stored.id}`,
        at: madeAt,
        maker,
        device: deviceName(workshop),
        did: `Made elsewhere${from.trim() ? `: ${from.trim()}` : ''}; taken in ${at.slice(0, 10)}${madeOn === null ? ', day of its making not known' : ''}`,
        note: note.trim(),
      });
      return done(stored);
    });
    return take.immediate();
  },
  ...newJobAgain,
});

type Known = {
  profile: string | null;
  joint: JobInputs['bars']['joint'] | null;
  fabric: string | null;
  system: JobInputs['prime']['system'] | null;
};

function knownInputs(
  first: JobInputs,
  use: JobInputs['brief']['use'],
  value: JobInputs['look']['value'],
  { profile, joint, fabric, system }: Known,
): JobInputs {
  const { brief, look, bars, cloth, prime } = first;
  const notKnown = [
    ...(profile === null ? (['bars'] as const) : []),
    ...(fabric === null ? (['cloth'] as const) : []),
    ...(system === null ? (['ground'] as const) : []),
  ];
  return {
    ...first,
    brief: { ...brief, use, notKnown },
    look: { ...look, value },
    bars: { ...bars, profile: profile ?? bars.profile, joint: joint ?? bars.joint },
    cloth: { ...cloth, fabric: fabric ?? cloth.fabric },
    prime: { ...prime, system: system ?? prime.system },
  };
}
