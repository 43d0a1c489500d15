import type { Waters } from './zone';

/** Named places on the water that a position can be told from. */
export type Landmark = { id: string; name: string; at: readonly [number, number] };
export const landmarksOf = (waters: Waters): Landmark[] =>
  waters.features.flatMap(({ id, properties, geometry }) =>
    geometry.type === 'Point' && (properties.kind === 'landmark' || properties.kind === 'lock' || properties.kind === 'hazard')
      ? [{ id, name: properties.name, at: geometry.coordinates }]
      : [],
  );
