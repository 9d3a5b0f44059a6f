/* Clear wood: modulus of elasticity along the grain (GPa) and density (kg/m³). Knots are an assumption of their own. */
export const SPECIES = [
  { id: 'spruce', name: 'Spruce', eGPa: 10.8, densityKgM3: 430 },
  { id: 'whitePine', name: 'Eastern white pine', eGPa: 8.5, densityKgM3: 370 },
  { id: 'douglasFir', name: 'Douglas fir', eGPa: 13.4, densityKgM3: 510 },
  { id: 'tulipwood', name: 'Tulipwood', eGPa: 10.9, densityKgM3: 450 },
  { id: 'basswood', name: 'Basswood', eGPa: 10.1, densityKgM3: 400 },
  { id: 'paulownia', name: 'Paulownia', eGPa: 4.5, densityKgM3: 280 },
  { id: 'ash', name: 'Ash', eGPa: 12, densityKgM3: 670 },
] as const;

export type SpeciesId = (typeof SPECIES)[number]['id'];
