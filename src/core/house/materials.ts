/*
 * The materials of the house: the tables that ship, with the rows the house has changed or added. A record keeps
 * the rows it was made with, since they are part of the house rules.
 */
import { outside } from '../quantities/printed';
import { type LengthUnit, parseLength, printTyped } from '../units/length';
import { byId } from './schools';
import { parseMoney, printMoney } from '../units/money';
import { type Parsed, parsed, refused } from '../units/result';
import { PROFILES, type PricedLength, type Profile, profileShape } from '../frame/profiles';
import { type ShapeOf, listOf, part } from '../shape/shape';
import { SPECIES, type Species, speciesShape } from '../frame/timber';
import { FABRICS, type Fabric, fabricShape } from '../cloth/fabrics';

/** Whoever holds materials: the house rules. */
interface House {
  materials: Materials;
}

/** Rows of the house: they stand in for the shipped row of the same id, or come after them. */
export const materialsShape = {
  profiles: listOf(part('profile', profileShape), 100),
  species: listOf(part('species', speciesShape), 100),
  fabrics: listOf(part('fabric', fabricShape), 100),
};
export interface Materials extends ShapeOf<typeof materialsShape> {}

export const NO_CHANGES: Materials = { profiles: [], species: [], fabrics: [] };

function merged<R extends { id: string }>(shipped: readonly R[], own: readonly R[]): R[] {
  const added = own.filter((row) => !shipped.some((one) => one.id === row.id));
  return [...shipped.map((row) => own.find((one) => one.id === row.id) ?? row), ...added];
}

export const profilesOf = ({ materials }: House): Profile[] => merged(PROFILES, materials.profiles);
export const speciesOf = ({ materials }: House): Species[] => merged(SPECIES, materials.species);
export const fabricsOf = ({ materials }: House): Fabric[] => merged<Fabric>(FABRICS, materials.fabrics);

/** The bar with this id. @throws RangeError when the house has none */
export const profileOf = (house: House, id: string): Profile => byId(profilesOf(house), id);
/** The wood with this id. @throws RangeError when the house has none */
export const woodOf = (house: House, id: string): Species => byId(speciesOf(house), id);
/** The cloth with this id. @throws RangeError when the house has none */
export const fabricOf = (house: House, id: string): Fabric => byId(fabricsOf(house), id);

/**
 * The bar, wood and cloth a canvas is made of that are others in this house than where it comes from, by their names here:
 * what is planned anew is planned with this house's. `there` is the house it comes from, as far as its file tells.
 *
 * @example materialsUnlike({ profile: 'standard', species: 'spruce', fabric: '' }, { materials: { profiles: [], species: [], fabrics: [] } }, { materials: { profiles: [], species: [], fabrics: [] } }) // []
 */
export function materialsUnlike(of: Record<'profile' | 'species' | 'fabric', string>, here: House, there: House): string[] {
  const unlike = <R extends { id: string; name: string }>(id: string, table: (house: House) => R[]): string[] => {
    const [own, theirs] = [here, there].map((house) => table(house).find((row) => row.id === id));
    const keys = Object.keys({ ...own, ...theirs }) as (keyof R)[];
    return own && keys.some((key) => JSON.stringify(own[key]) !== JSON.stringify(theirs?.[key])) ? [own.name] : [];
  };
  return [...unlike(of.profile, profilesOf), ...unlike(of.species, speciesOf), ...unlike(of.fabric, fabricsOf)];
}

const named = (rows: readonly { id: string; name: string; source: string }[]): string[] => {
  const twice = rows.filter((row, index) => rows.findIndex((one) => one.id === row.id) !== index);
  const nameless = rows.filter((row) => row.name.trim() === '' || row.id.trim() === '');
  return [...twice.map((row) => `${row.name}: stands twice.`), ...nameless.map(() => 'A row has no name.')];
};

/** A table without the rows that do not differ from what ships: only changes are kept. */
export function changesOnly({ profiles, species, fabrics }: Materials): Materials {
  const differs = (shipped: readonly object[]) => {
    const texts = new Set(shipped.map((row) => JSON.stringify(row)));
    return (row: object) => !texts.has(JSON.stringify(row));
  };
  return {
    profiles: profiles.filter(differs(PROFILES)),
    species: species.filter(differs(SPECIES)),
    fabrics: fabrics.filter(differs(FABRICS)),
  };
}

/**
 * What is wrong with rows of the house, as sentences; none when all can be built with.
 *
 * @example materialViolations({ profiles: [], species: [{ id: 'a', name: 'Spruce', eGPa: 200, densityKgM3: 430, knots: null, offered: true, source: '' }], fabrics: [] })[0] // 'Spruce: 200 GPa is outside 1 to 30 GPa.'
 */
export function materialViolations({ profiles, species, fabrics }: Materials): string[] {
  const lengths = (name: string, list: readonly PricedLength[]) =>
    list.flatMap(({ mm, priceMinor }) => [
      ...outside(`${name}, length`, 'barLength', mm),
      ...(Number.isInteger(priceMinor) && priceMinor >= 0 ? [] : [`${name}: ${priceMinor} is no price.`]),
    ]);
  return [
    ...named(profiles),
    ...named(species),
    ...named(fabrics),
    ...fabrics.flatMap((row) => [
      ...outside(row.name, 'clothWeight', row.gsm),
      ...outside(`${row.name}, thickness`, 'thickness', row.thicknessMm),
      ...outside(`${row.name}, stiffness`, 'clothStiffness', row.stiffnessWarpKNPerM),
      ...outside(`${row.name}, stiffness`, 'clothStiffness', row.stiffnessWeftKNPerM),
      ...outside(`${row.name}, stretch`, 'stretch', row.stretchWarp),
      ...outside(`${row.name}, stretch`, 'stretch', row.stretchWeft),
      ...outside(`${row.name}, shrinkage`, 'shrinkage', row.shrinkWarp),
      ...outside(`${row.name}, shrinkage`, 'shrinkage', row.shrinkWeft),
      ...lengths(row.name, row.rolls),
    ]),
    ...species.flatMap((row) => [
      ...outside(row.name, 'modulus', row.eGPa),
      ...outside(row.name, 'density', row.densityKgM3),
      ...(row.knots === null ? [] : outside(`${row.name}, knots`, 'knotFactor', row.knots)),
    ]),
    ...profiles.flatMap((row) => [
      ...outside(`${row.name}, width`, 'barWidth', row.widthMm),
      ...outside(`${row.name}, depth`, 'barDepth', row.depthMm),
      ...outside(`${row.name}, bead`, 'bead', row.beadMm),
      ...outside(`${row.name}, brace width`, 'braceWidth', row.brace.widthMm),
      ...outside(`${row.name}, brace depth`, 'braceDepth', row.brace.depthMm, [5, row.depthMm]),
      ...(row.joints.length === 0 ? [`${row.name}: a bar has at least one joint.`] : []),
      ...lengths(row.name, [...row.pairs, ...row.timber, ...row.brace.lengths]),
    ]),
  ];
}

/**
 * Reads lengths with prices as typed: "2100 11.90; 2700 14.90", or "84" 11.90" beside an inch tape.
 *
 * @param unit of a bare length
 * @param known the list so far: what is printed of it reads back as it was, to the last digit
 * @returns the lengths ascending, or the piece that cannot be read
 * @example readPricedLengths('2100 11.90; 900 5', 'mm', []) // { ok: true, value: [{ mm: 900, priceMinor: 500 }, { mm: 2100, priceMinor: 1190 }] }
 */
export function readPricedLengths(typed: string, unit: LengthUnit, known: readonly PricedLength[]): Parsed<PricedLength[]> {
  const value: PricedLength[] = [];
  for (const piece of typed
    .split(/[;\n]/)
    .map((text) => text.trim())
    .filter(Boolean)) {
    const [, typedLength = '', typedPrice = ''] = /^(.+?)\s+(\S+)$/.exec(piece) ?? [];
    const price = parseMoney(typedPrice);
    const read = parseLength(typedLength, unit);
    if (!price.ok || !read.ok || read.value.mm <= 0)
      return refused(piece, 'does not do', `Type a length and its price, such as ${printPricedLengths(SUCH, unit)}.`);
    const same = known.find(({ mm }) => printOne(mm, unit) === typedLength);
    value.push({ mm: same?.mm ?? read.value.mm, priceMinor: price.value });
  }
  return parsed(value.sort((a, b) => a.mm - b.mm));
}

const SUCH: readonly PricedLength[] = [
  { mm: 2100, priceMinor: 1190 },
  { mm: 2700, priceMinor: 1490 },
];
const printOne = (mm: number, unit: LengthUnit): string => (unit === 'mm' ? String(mm) : printTyped({ mm, unit }));

/** As `readPricedLengths` reads them. */
export const printPricedLengths = (list: readonly PricedLength[], unit: LengthUnit): string =>
  list.map(({ mm, priceMinor }) => `${printOne(mm, unit)} ${printMoney(priceMinor, '')}`).join('; ');
