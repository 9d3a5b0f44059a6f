import type { StageEffort } from '../../effort/effort';
import type { CoatRecipe } from '../../prime/coatRecipe';
import type { Coat } from '../../prime/grounds';
import type { LearnedValue } from '../../log/logEntry';

/** A coat of a system on one canvas: its mix, what the cloth takes, how long it dries here. */
export interface CoatPlan extends Coat {
  recipe: CoatRecipe;
  effort: StageEffort;
  /** ml/m² reckoned with, and what it was learned from; null where the house’s assumption stands. */
  absorbMlPerM2: number;
  learned: LearnedValue | null;
  /** Drying in this room, minutes; null when the air is too damp to dry it. */
  dryMinutes: readonly [number, number] | null;
}
