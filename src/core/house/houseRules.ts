import { textOf } from '../shape/texts';
import { type ShapeOf, flag, listOf, numbers, oneOf, part, startOf } from '../shape/shape';
import { PULL_WAYS } from '../fasten/pullWays';
import { materialViolations, materialsShape } from './materials';
import { SIXTEENTH_MM, type Tape, THIRTYSECOND_MM } from '../units/length';
import { ASSUMPTIONS, type Assumption, type AssumptionId, assumption } from './assumptions';

/** What a house thinks of a remedy. */
const LIKINGS = ['liked', 'allowed', 'never'] as const;
export type Liking = (typeof LIKINGS)[number];

/** What a house does unless a job departs from it. */
const policiesShape = {
  water: oneOf<Liking>(LIKINGS, 'allowed'),
  keys: oneOf<Liking>(LIKINGS, 'allowed'),
  restretch: oneOf<Liking>(LIKINGS, 'allowed'),
  primeEdges: flag(true),
  primeBack: flag(),
  wetFirst: flag(),
  /** How new jobs are pulled. */
  pulls: oneOf(PULL_WAYS, 'taught'),
};
export interface Policies extends ShapeOf<typeof policiesShape> {}

/** What a workshop settles once. A job may depart; a finished step keeps the rules it was done by. */
export const houseRulesShape = {
  workshop: textOf('name', 'Our workshop'),
  makers: listOf(textOf('name'), 20, ['Me'], { least: 1 }),
  currency: textOf('currency', '€'),
  /** Smallest step read off a metric tape, mm. */
  metricStep: oneOf<1 | 0.5>([1, 0.5]),
  /** Smallest step read off an inch tape, as parts of an inch. */
  inchStep: oneOf<16 | 32>([16, 32]),
  /** Values that differ from the table of assumptions. */
  assumptions: numbers(Object.fromEntries(ASSUMPTIONS.map((one) => [one.id, one])) as Record<AssumptionId, Assumption>),
  policies: part('policies', policiesShape),
  /** Bars, woods and cloths that differ from the tables that ship. */
  materials: part('materials', materialsShape),
};
export interface HouseRules extends ShapeOf<typeof houseRulesShape> {}

export const DEFAULT_RULES: HouseRules = startOf(houseRulesShape);
export const USUAL_POLICIES: Policies = DEFAULT_RULES.policies;

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
