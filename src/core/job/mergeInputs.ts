/*
 * Two versions of what was typed for a job, that went out from the same one: each stage is taken from whoever changed it. A stage
 * that both changed collides, unless they changed it to the same; of ticks on the kit list both sides’ stand.
 */
import { STAGE_IDS, type StageId } from '../stages/stages';
import type { JobInputs } from './job';

export interface Merged {
  inputs: JobInputs;
  /** Stages that both changed, each to something else. */
  collided: StageId[];
  /** Stages that only the others changed. */
  theirs: StageId[];
}

/**
 * @param base what both went out from; null where it is not known: then every stage that differs collides
 * @param prefer whose a stage that collides is
 */
export function mergeInputs(base: JobInputs | null, mine: JobInputs, theirs: JobInputs, prefer: 'mine' | 'theirs'): Merged {
  const inputs = { ...theirs };
  const takeMine = <S extends StageId>(stage: S) => {
    inputs[stage] = mine[stage];
  };
  const collided: StageId[] = [];
  const changed: StageId[] = [];
  for (const stage of STAGE_IDS) {
    if (same(mine[stage], theirs[stage])) continue;
    const [byMe, byThem] = base ? [!same(mine[stage], base[stage]), !same(theirs[stage], base[stage])] : [true, true];
    if (byMe && byThem) collided.push(stage);
    else if (byThem) changed.push(stage);
    if (byMe && (!byThem || prefer === 'mine')) takeMine(stage);
  }
  return { inputs: { ...inputs, kit: mergedKit(base?.kit ?? theirs.kit, mine.kit, theirs.kit) }, collided, theirs: changed };
}

/** Ticked by either and not taken off by either since. */
function mergedKit(base: readonly string[], mine: readonly string[], theirs: readonly string[]): string[] {
  const takenOff = base.filter((line) => !mine.includes(line));
  return [
    ...theirs.filter((line) => !takenOff.includes(line)),
    ...mine.filter((line) => !theirs.includes(line) && !base.includes(line)),
  ];
}

/** Plain values only: what is typed is written as JSON, its fields always in the same order. */
const same = (one: unknown, other: unknown): boolean => one === other || JSON.stringify(one) === JSON.stringify(other);
