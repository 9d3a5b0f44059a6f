import { fabricsOf, profilesOf, speciesOf } from '@/core/house/materials';
import { type HouseRules, houseRulesShape, ruleViolations } from '@/core/house/houseRules';
import { jobUsingOther } from '@/db/jobs';
import { unsettleBroken } from '@/db/jobStates';
import { listCloth } from '@/db/clothSheets';
import { listRack } from '@/db/rackBars';
import { type StoredRules, readRules, writeRules } from '@/db/workshops';
import { type Outcome, type Refusal, done, refuse } from '../write/outcome';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { anyRevision } from '../write/asked';
import { part } from '@/core/shape/shape';

/** A bar, wood or cloth that some job or the store still has, left out of the tables of the house. */
function usedMaterialGone({ database }: Pick<Workshop, 'database'>, rules: HouseRules): Refusal | null {
  const [bars, woods, cloths] = [profilesOf(rules), speciesOf(rules), fabricsOf(rules)].map(
    (rows) => new Set(rows.map((row) => row.id)),
  );
  const user = jobUsingOther(database, [...bars!], [...woods!], [...cloths!]);
  if (user !== null) return refuse(`No. ${user} is made with a bar, wood or cloth that would be gone: hide it instead.`);
  const left = listRack(database).find((bar) => !bars!.has(bar.profile));
  if (left) return refuse(`Bars of “${left.profile}” lie on the rack: hide it instead.`);
  const stored = listCloth(database).find((cloth) => !cloths!.has(cloth.fabric));
  return stored ? refuse(`${stored.tag} in the store is of “${stored.fabric}”: hide it instead.`) : null;
}

export const houseRules = ({ database }: Workshop): StoredRules => readRules(database);

/** Saves house rules over the revision that was read. */
export const saveRules = write({
  asks: { revision: anyRevision, rules: part('houseRules', houseRulesShape) },
  act({ database }: Workshop, { rules, revision }): Outcome<StoredRules> {
    const wrong = ruleViolations(rules);
    if (wrong.length > 0) return { ok: false, kind: 'invalid', errors: wrong.map((says) => ({ field: 'rules', says })) };
    const used = usedMaterialGone({ database }, rules);
    if (used) return used;
    const saved = database
      .transaction(() => {
        if (!writeRules(database, rules, revision)) return false;
        // What could not be read for want of a bar, a wood or a cloth is looked at again.
        unsettleBroken(database);
        return true;
      })
      .immediate();
    return saved
      ? done(readRules(database))
      : refuse('The house rules were changed elsewhere in between. Open them again, then change them.');
  },
  again: (workshop) => done(houseRules(workshop)),
});
