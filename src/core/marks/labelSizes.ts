/** Labels by how a sheet is divided: so many beside and under one another. */
export const LABEL_SIZES = [
  { id: 'small', name: 'Small, 24 a sheet', columns: 3, rows: 8 },
  { id: 'middle', name: 'Middle, 10 a sheet', columns: 2, rows: 5 },
  { id: 'large', name: 'Large, 4 a sheet', columns: 2, rows: 2 },
] as const;
export type LabelSize = (typeof LABEL_SIZES)[number];
export type LabelSizeId = LabelSize['id'];
