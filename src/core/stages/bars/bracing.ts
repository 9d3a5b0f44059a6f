import { type BarBow, type BarChoice, workingE } from '../../frame/chooseBars';
import { brushSag, bucklingN, crushingN } from '../../frame/braces';
import { woodOf } from '../../house/materials';
import type { Profile } from '../../frame/profiles';
import { rollDegrees } from '../../frame/roll';
import { type HouseRules, assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { ClothLoad } from '../../tension/clothLoad';

/** What the braces carry and stand clear of, and how the bars roll. */
export interface Bracing {
  /** The brace that comes nearest to buckling; null without braces. */
  hardest: { way: 'upright' | 'level'; carriesN: number; bearsN: number; fails: 'buckles' | 'crushes' } | null;
  /** Brace to cloth, mm. */
  clearMm: number;
  /** Sag of the cloth under a brush at the tension of the day, or the house's least, mm. */
  sagMm: number;
  /** The greatest roll of any bar in time, degrees, and what it moves the front edge by, mm. */
  rollDegrees: number;
  rollMm: number;
}

/** Works out braces and roll for the chosen bars. */
export function bracingOf(
  size: { widthMm: number; heightMm: number },
  { bars }: JobInputs,
  profile: Profile,
  chosen: BarChoice,
  load: ClothLoad,
  rules: HouseRules,
): Bracing {
  const eNPerMm2 = workingE(woodOf(rules, bars.species), rules);
  const inside = { width: size.widthMm - 2 * profile.widthMm, height: size.heightMm - 2 * profile.widthMm };
  const leverMm = profile.depthMm / 2 + profile.beadMm;
  const spanOf = ({ solution }: BarBow) =>
    Math.max(...solution.nodesMm.slice(1).map((at, index) => at - solution.nodesMm[index]!));
  const roll = rollDegrees({
    spanMm: Math.max(spanOf(chosen.topBottom), spanOf(chosen.leftRight)),
    loadNPerMm: (load.lastingNPerM / 1000) * assumed(rules, 'creep'),
    leverMm,
    widthMm: profile.widthMm,
    depthMm: profile.depthMm,
    eNPerMm2,
  });
  return {
    hardest: hardestBrace(inside, bars, profile, chosen, load, eNPerMm2),
    clearMm: profile.depthMm + profile.beadMm - profile.brace.depthMm,
    sagMm: Math.max(
      assumed(rules, 'brushSag'),
      brushSag(assumed(rules, 'brushForce'), load.firstNPerM, { widthMm: inside.width, heightMm: inside.height }),
    ),
    rollDegrees: roll,
    rollMm: leverMm * Math.sin((roll * Math.PI) / 180),
  };
}

function hardestBrace(
  inside: { width: number; height: number },
  bars: JobInputs['bars'],
  profile: Profile,
  { topBottom, leftRight }: BarChoice,
  load: ClothLoad,
  eNPerMm2: number,
): Bracing['hardest'] {
  const added = load.lastingNPerM / load.firstNPerM;
  const one = (way: 'upright' | 'level', bow: BarBow, lengthMm: number, crossings: readonly number[]) => {
    const forces = bow.solution.reactionsN.slice(1, -1);
    if (forces.length === 0 || lengthMm <= 0) return [];
    const held = [0, ...crossings, 1];
    const longest = Math.max(...held.slice(1).map((at, index) => at - held[index]!));
    const bucklesN = bucklingN(lengthMm * longest, profile.brace, eNPerMm2);
    const crushesN = crushingN(profile.brace, eNPerMm2);
    const fails = bucklesN <= crushesN ? ('buckles' as const) : ('crushes' as const);
    return [{ way, carriesN: Math.max(...forces) * added, bearsN: Math.min(bucklesN, crushesN), fails }];
  };
  const all = [
    ...one('upright', topBottom, inside.height, bars.bracesLevel),
    ...one('level', leftRight, inside.width, bars.bracesUpright),
  ];
  return all.reduce<Bracing['hardest']>((a, b) => (a && a.carriesN / a.bearsN >= b.carriesN / b.bearsN ? a : b), null);
}
