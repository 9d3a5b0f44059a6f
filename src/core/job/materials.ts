/*
 * The materials of the house: the tables that ship, with the rows the house has changed or added. A record keeps
 * the rows it was made with, since they are part of the house rules.
 */
import { byId } from './schools';
import { parseMoney, printMoney } from '../units/money';
import { type Parsed, parsed, refused } from '../units/result';
import { PROFILES, type PricedLength, type Profile } from '../frame/profiles';
import { SPECIES, type Species } from '../frame/timber';
import { FABRICS, type Fabric } from '../cloth/fabrics';

/** Whoever holds materials: the house rules. */
interface House {
  materials: Materials;
}

/** Rows of the house: they stand in for the shipped row of the same id, or come after them. */
export interface Materials {
  profiles: Profile[];
  species: Species[];
  fabrics: Fabric[];
}

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
  const outside = (name: string, value: number, least: number, most: number, unit: string) =>
    value >= least && value <= most ? [] : [`${name}: ${value} ${unit} is outside ${least} to ${most} ${unit}.`];
  const lengths = (name: string, list: readonly PricedLength[]) =>
    list.flatMap(({ mm, priceMinor }) => [
      ...outside(`${name}, length`, mm, 50, 12_000, 'mm'),
      ...(Number.isInteger(priceMinor) && priceMinor >= 0 ? [] : [`${name}: ${priceMinor} is no price.`]),
    ]);
  return [
    ...named(profiles),
    ...named(species),
    ...named(fabrics),
    ...fabrics.flatMap((row) => [
      ...outside(row.name, row.gsm, 50, 1500, 'g/m²'),
      ...outside(`${row.name}, thickness`, row.thicknessMm, 0.1, 5, 'mm'),
      ...[row.stiffnessWarpKNPerM, row.stiffnessWeftKNPerM].flatMap((one) =>
        outside(`${row.name}, stiffness`, one, 1, 200, 'kN/m'),
      ),
      ...[row.stretchWarp, row.stretchWeft].flatMap((one) => outside(`${row.name}, stretch`, one, 0, 0.05, 'of its length')),
      ...[row.shrinkWarp, row.shrinkWeft].flatMap((one) => outside(`${row.name}, shrinkage`, one, 0, 0.15, 'of its length')),
      ...lengths(row.name, row.rolls),
    ]),
    ...species.flatMap((row) => [
      ...outside(row.name, row.eGPa, 1, 30, 'GPa'),
      ...outside(row.name, row.densityKgM3, 100, 1300, 'kg/m³'),
      ...(row.knots === null ? [] : outside(`${row.name}, knots`, row.knots, 0.3, 1, '×')),
    ]),
    ...profiles.flatMap((row) => [
      ...outside(`${row.name}, width`, row.widthMm, 10, 200, 'mm'),
      ...outside(`${row.name}, depth`, row.depthMm, 8, 200, 'mm'),
      ...outside(`${row.name}, bead`, row.beadMm, 0, 20, 'mm'),
      ...outside(`${row.name}, brace width`, row.brace.widthMm, 8, 200, 'mm'),
      ...outside(`${row.name}, brace depth`, row.brace.depthMm, 5, row.depthMm, 'mm'),
      ...(row.joints.length === 0 ? [`${row.name}: a bar has at least one joint.`] : []),
      ...lengths(row.name, [...row.pairs, ...row.timber, ...row.brace.lengths]),
    ]),
  ];
}

/**
 * Reads lengths with prices as typed: "2100 11.90; 2700 14.90", mm and the price of each.
 *
 * @returns the lengths ascending, or the piece that cannot be read
 * @example readPricedLengths('2100 11.90; 900 5') // { ok: true, value: [{ mm: 900, priceMinor: 500 }, { mm: 2100, priceMinor: 1190 }] }
 */
export function readPricedLengths(typed: string): Parsed<PricedLength[]> {
  const value: PricedLength[] = [];
  for (const piece of typed
    .split(/[;\n]/)
    .map((text) => text.trim())
    .filter(Boolean)) {
    const match = /^(\d+(?:[.,]\d+)?)(?:\s*mm)?\s+(\S+)$/.exec(piece);
    const price = match && parseMoney(match[2]!);
    if (!price?.ok) return refused(piece, 'does not do', 'Type mm and a price, such as 2100 11.90; 2700 14.90.');
    value.push({ mm: Number(match![1]!.replace(',', '.')), priceMinor: price.value });
  }
  return parsed(value.sort((a, b) => a.mm - b.mm));
}

/** As `readPricedLengths` reads them. */
export const printPricedLengths = (list: readonly PricedLength[]): string =>
  list.map(({ mm, priceMinor }) => `${mm} ${printMoney(priceMinor, '')}`).join('; ');
