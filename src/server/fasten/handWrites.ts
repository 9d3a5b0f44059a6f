/* Hands tried on the scale: what is learned of them is in the house’s lessons. */
import { printed } from '@/core/quantities/printed';
import { insertHandTrial } from '@/db/handTrials';
import { readRules } from '@/db/workshops';
import type { HouseLessons } from '@/core/case/jobCase';
import { houseLessons } from '../house/houseLessons';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Request } from '../requests';
import type { Workshop } from '../workshop';

/** Keeps pulls of one feel; refused for who is no maker here. */
export function keepHandTrial(
  workshop: Workshop,
  { maker, feel, pulledN, simulated }: Request<'keepHandTrial'>,
): Outcome<HouseLessons> {
  const { database, now, newId } = workshop;
  const { makers } = readRules(database).rules;
  if (!makers.includes(maker)) return refuse(`“${maker}” is no maker of this house: ${makers.join(', ')}.`);
  const [least, most] = [Math.min(...pulledN), Math.max(...pulledN)];
  if (most > 3 * least)
    return refuse(
      `${printed('pullRead', least)} and ${printed('pullRead', most)} are not one feel: pull again, each time to the same feel, and read the highest value.`,
    );
  insertHandTrial(database, { maker, feel, pulledN, simulated, id: newId(), at: now().toISOString() });
  return done(houseLessons(workshop));
}
