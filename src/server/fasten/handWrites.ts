/* Hands tried on the scale: what is learned of them is in the house’s lessons. */
import { printed } from '@/core/quantities/printed';
import { insertHandTrial } from '@/db/handTrials';
import { readRules } from '@/db/workshops';
import type { HouseLessons } from '@/core/case/jobCase';
import { houseLessons } from '../house/houseLessons';
import { type Outcome, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { maker } from '../write/asked';
import { oneOf, listOf, numberOf, flag } from '@/core/shape/shape';
import { HAND_FEELS } from '@/core/fasten/hand';

/** Keeps pulls of one feel; refused for who is no maker here. */
export const keepHandTrial = write({
  asks: { maker, feel: oneOf(HAND_FEELS), pulledN: listOf(numberOf('trialPull'), 12, [], { least: 3 }), simulated: flag() },
  act(workshop: Workshop, { maker, feel, pulledN, simulated }): Outcome<HouseLessons> {
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
  },
  again: (workshop) => done(houseLessons(workshop)),
});
