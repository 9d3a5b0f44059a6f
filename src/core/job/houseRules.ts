import { type Materials, NO_CHANGES, materialViolations } from './materials';
import { SIXTEENTH_MM, type Tape, THIRTYSECOND_MM } from '../units/length';
import { ASSUMPTIONS, type AssumptionId, assumption } from './assumptions';

/** What a house thinks of a remedy. */
export type Liking = 'liked' | 'allowed' | 'never';

/** What a house does unless a job departs from it. */
export interface Policies {
  water: Liking;
  keys: Liking;
  restretch: Liking;
  primeEdges: boolean;
  primeBack: boolean;
  wetFirst: boolean;
}

export const USUAL_POLICIES: Policies = {
  water: 'allowed',
  keys: 'allowed',
  restretch: 'allowed',
  primeEdges: true,
  primeBack: false,
  wetFirst: false,
};

/** What a workshop settles once. A job may depart; a finished step keeps the rules it was done by. */
export interface HouseRules {
  workshop: string;
  makers: string[];
  currency: string;
  /** Smallest step read off a metric tape, mm. */
  metricStep: 1 | 0.5;
  /** Smallest step read off an inch tape, as parts of an inch. */
  inchStep: 16 | 32;
  /** Values that differ from the table of assumptions. */
  assumptions: Partial<Record<AssumptionId, number>>;
  policies: Policies;
  /** Bars and woods that differ from the tables that ship. */
  materials: Materials;
}

export const DEFAULT_RULES: HouseRules = {
  workshop: 'Our workshop',
  makers: ['Me'],
  currency: '€',
  metricStep: 1,
  inchStep: 16,
  assumptions: {},
  policies: USUAL_POLICIES,
  materials: NO_CHANGES,
};

/** The value in force under these rules: the override, or the table's. */
export const assumed = (rules: HouseRules, id: AssumptionId): number => rules.assumptions[id] ?? assumption(id).value;

/** The tape of these rules for a display unit. */
export function tapeFor(rules: HouseRules, unit: Tape['unit']): Tape {
  const stepMm = unit === 'in' ? (rules.inchStep === 32 ? THIRTYSECOND_MM : SIXTEENTH_MM) : rules.metricStep;
  return { unit, stepMm };
}

/**
 * What is wrong with these overrides, as sentences; none when all lie in their range.
 *
 * @example ruleViolations({ ...DEFAULT_RULES, assumptions: { creep: 9 } }).length // 1
 */
export function ruleViolations(rules: HouseRules): string[] {
  const assumptions = ASSUMPTIONS.flatMap(({ id, label, min, max, unit }) => {
    const value = rules.assumptions[id];
    if (value === undefined || (value >= min && value <= max)) return [];
    return [`${label}: ${value} ${unit} is outside ${min} to ${max} ${unit}.`];
  });
  return [...assumptions, ...materialViolations(rules.materials)];
}
