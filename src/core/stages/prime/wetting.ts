import { printed } from '../../quantities/printed';
import type { PlanContext } from '../planContext';
import { assumed } from '../../house/houseRules';
import { type Air, dryingMinutes } from '../../prime/drying';

/** The air of the room, and the air that labels hold for. */
export interface Airs {
  room: Air;
  reference: Air;
}

/** The cloth wetted before its first coat. */
export interface Wetting {
  litres: number;
  dryMinutes: readonly [number, number] | null;
  riseNPerM: number;
  step: string;
}

/** Water for the cloth before the first coat, how long it dries, and what it does to the tension. */
export function planWetting(areaM2: number, { room, reference }: Airs, { rules, tape }: PlanContext): Wetting {
  const litres = (areaM2 * assumed(rules, 'wetTakes')) / 1000;
  const label = 60 * assumed(rules, 'wetDries');
  const dryMinutes = dryingMinutes('givingOffWater', [label, label], room, reference, assumed(rules, 'dryFloor'));
  return {
    litres,
    dryMinutes,
    riseNPerM: assumed(rules, 'wetRise'),
    step: `Wet the back evenly with ${printed('water', litres, tape)} of water and let it dry${dryMinutes ? ` ${printed('dryingTime', dryMinutes[1])}` : ''}.`,
  };
}
