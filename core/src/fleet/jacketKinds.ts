export const JACKET_KINDS = ['foam', 'selfInflating', 'handInflating'] as const;
/** Buoyancy classes of ISO 12402, N. */
export const NEWTONS = [50, 100, 150, 275] as const;

/** What makes a line of equipment a jacket: whom it fits and what it carries. */
export type Jacket = { kind: (typeof JACKET_KINDS)[number]; fromKg: number; toKg: number; newtons: (typeof NEWTONS)[number] };
