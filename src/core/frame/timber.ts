/* Clear wood: modulus of elasticity along the grain (GPa) and density (kg/m³), with the part left by knots. */
import { type ShapeOf, flag, optional, text, numberOf } from '../shape/shape';
import { rowId } from './profiles';

export const speciesShape = {
  id: rowId,
  name: text(1, 80),
  eGPa: numberOf('modulus'),
  densityKgM3: numberOf('density'),
  /** Stiffness left with knots and finger joints, 0 to 1; null takes the rule of the house. */
  knots: optional(numberOf('knotFactor')),
  offered: flag(true),
  source: text(0, 200),
};
export interface Species extends ShapeOf<typeof speciesShape> {}

const CLEAR = 'clear, air-dry wood, handbook mean';
const species = (id: string, name: string, eGPa: number, densityKgM3: number): Species => ({
  id,
  name,
  eGPa,
  densityKgM3,
  knots: null,
  offered: true,
  source: CLEAR,
});

export const SPECIES: readonly Species[] = [
  species('spruce', 'Spruce', 10.8, 430),
  species('whitePine', 'Eastern white pine', 8.5, 370),
  species('douglasFir', 'Douglas fir', 13.4, 510),
  species('tulipwood', 'Tulipwood', 10.9, 450),
  species('basswood', 'Basswood', 10.1, 400),
  species('paulownia', 'Paulownia', 4.5, 280),
  species('ash', 'Ash', 12, 670),
];
