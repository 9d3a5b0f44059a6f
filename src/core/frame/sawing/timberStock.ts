/* What is to be sawn, and the lengths it can be sawn from. */
export interface TimberPart {
  label: string;
  lengthMm: number;
}

/** A length that can be had: bought without limit (`available` null), or so many on the rack. */
export interface TimberStock {
  id: string;
  lengthMm: number;
  priceMinor: number;
  available: number | null;
}
