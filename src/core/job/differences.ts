/* Two versions of what was typed for a job, field by field, in words. */
import { CORNER_FOLDS } from '../cloth/cornerFolds';
import { MARGIN_STYLES } from '../cloth/marginStyles';
import { FASTENERS } from '../fasten/fasteners';
import { ROUTES } from '../fasten/routes';
import { BRACE_FIXINGS } from '../frame/braceFixings';
import { GLUES } from '../frame/glues';
import { JOINTS } from '../frame/joints';
import { WIND_PATTERNS } from '../frame/square/wind';
import type { HouseRules } from '../house/houseRules';
import { fabricsOf, profilesOf, speciesOf } from '../house/materials';
import { EDGES, HANGS, MEDIUMS, USES } from '../house/schools';
import type { JobInputs } from './job';
import { LAYERS } from '../prime/substances';
import { SYSTEMS } from '../prime/grounds';
import { HANGINGS } from '../stages/handover/hangings';
import { STAGES } from '../stages/stages';
import { FEELS } from '../tension/feel';
import { REMEDIES, REMEDY_SIGNS } from '../tension/remedies';
import { type Length, printTyped } from '../units/length';

export interface Difference {
  field: string;
  mine: string;
  theirs: string;
}

type Named = readonly { id: string; name: string }[];

/** The tables whose ids stand in a field. */
const tablesOf = (rules: HouseRules): Record<string, Named> => ({
  'brief.use': USES,
  'brief.edges': EDGES,
  'brief.medium': MEDIUMS,
  'brief.hangs': HANGS,
  'bars.profile': profilesOf(rules),
  'bars.species': speciesOf(rules),
  'bars.joint': JOINTS,
  'bars.glue': GLUES,
  'bars.braceFixing': BRACE_FIXINGS,
  'square.windPattern': WIND_PATTERNS,
  'cloth.fabric': fabricsOf(rules),
  'cloth.marginStyle': MARGIN_STYLES,
  'cloth.corner': CORNER_FOLDS,
  'fasten.fastener': FASTENERS,
  'fasten.route': ROUTES,
  'tune.feel': FEELS,
  'tune.remedy': REMEDIES,
  'tune.signs': REMEDY_SIGNS,
  'prime.system': SYSTEMS,
  'prime.over': LAYERS,
  'handover.hanging': HANGINGS,
});

const spaced = (key: string) => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
/** A word of the model, such as `topBottom`; what was typed stays as it is. */
const CAMEL = /^[a-z]+(?:[A-Z][a-z]+)+$/;
const isLength = (value: object): value is Length => 'mm' in value && 'unit' in value;

function shown(value: unknown, names: Named | undefined): string {
  if (value === null || value === undefined || value === '') return 'empty';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string')
    return names?.find(({ id }) => id === value)?.name ?? (CAMEL.test(value) ? spaced(value) : value);
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map((one) => shown(one, names)).join(', ');
  if (typeof value === 'object')
    return isLength(value)
      ? printTyped(value)
      : Object.entries(value)
          .map(([key, one]) => `${spaced(key)} ${shown(one, names)}`)
          .join(', ');
  return String(value);
}

const alike = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);
const isPart = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && !isLength(value);

/** Differences of two parts, into those that both have of them. */
function within(mine: Record<string, unknown>, theirs: Record<string, unknown>, field: string, names?: Named): Difference[] {
  return Object.keys(mine)
    .filter((key) => !alike(mine[key], theirs[key]))
    .flatMap((key) => {
      const [a, b] = [mine[key], theirs[key]];
      const own = `${field}, ${spaced(key)}`;
      return isPart(a) && isPart(b) ? within(a, b, own, names) : [{ field: own, mine: shown(a, names), theirs: shown(b, names) }];
    });
}

/** Fields in which two versions of a job differ, as words. */
export function differences(mine: JobInputs, theirs: JobInputs, rules: HouseRules): Difference[] {
  const tables = tablesOf(rules);
  const stages = STAGES.flatMap(({ id, name }) =>
    (Object.keys(mine[id]) as (keyof JobInputs[typeof id])[]).flatMap((key) =>
      within({ [key]: mine[id][key] }, { [key]: theirs[id][key] }, name, tables[`${id}.${String(key)}`]),
    ),
  );
  const kit = alike(mine.kit, theirs.kit)
    ? []
    : [{ field: 'Kit', mine: `${mine.kit.length} ticked`, theirs: `${theirs.kit.length} ticked` }];
  return [...stages, ...kit];
}
