import type { LonLat } from '@quay/core/geometry/plane';

/** Digits of a place in the address: a metre. */
const DIGITS = 5;

/** A place on the water, as it stands in an address. */
export const writeAt = ([lon, lat]: LonLat): string => `${lon.toFixed(DIGITS)},${lat.toFixed(DIGITS)}`;

/** @returns nothing where the address names none */
export const readAt = (text: string | undefined): LonLat | undefined => {
  const [lon, lat, more] = (text ?? '').split(',').map(Number);
  return lon !== undefined && lat !== undefined && more === undefined && Math.abs(lon) <= 180 && Math.abs(lat) <= 90 && text !== ''
    ? [lon, lat]
    : undefined;
};
