/** The version that this product writes: of inputs, plans, rules and job files alike. */
export const SHAPE_VERSION = 12;
