export const JACKET_KINDS = ['foam', 'selfInflating', 'handInflating'] as const;
/** Buoyancy classes of ISO 12402, N. */
export const NEWTONS = [50, 100, 150, 275] as const;

/** No body is heavier that a jacket is made for, kg. */
export const JACKET_MAX_KG = 250;
/** Whether two figures of a label are a range of body masses, kg. */
export const isMassRange = (fromKg: number, toKg: number): boolean => fromKg >= 0 && toKg > fromKg && toKg <= JACKET_MAX_KG;

/** What makes a line of equipment a jacket: whom it fits and what it carries. */
export type Jacket = { kind: (typeof JACKET_KINDS)[number]; fromKg: number; toKg: number; newtons: (typeof NEWTONS)[number] };
