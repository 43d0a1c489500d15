/** Positions as they are read out: longitude before latitude inside, latitude first when spoken. */

export type Position = readonly [lon: number, lat: number];

/** Mean earth radius, m (IUGG). On the distances of a hire the sphere is within half a percent of the ellipsoid. */
const EARTH_M = 6_371_008.8;
const rad = (degrees: number) => (degrees * Math.PI) / 180;

/** Great-circle distance, m (haversine). */
export const distanceM = ([lon1, lat1]: Position, [lon2, lat2]: Position): number => {
  const a = Math.sin(rad(lat2 - lat1) / 2) ** 2 + Math.cos(rad(lat1)) * Math.cos(rad(lat2)) * Math.sin(rad(lon2 - lon1) / 2) ** 2;
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(a)));
};

/** Bearing from one place to another, degrees true, 0 to 360. */
export const bearingDeg = ([lon1, lat1]: Position, [lon2, lat2]: Position): number => {
  const y = Math.sin(rad(lon2 - lon1)) * Math.cos(rad(lat2));
  const x = Math.cos(rad(lat1)) * Math.sin(rad(lat2)) - Math.sin(rad(lat1)) * Math.cos(rad(lat2)) * Math.cos(rad(lon2 - lon1));
  return ((Math.atan2(y, x) * 180) / Math.PI + 360) % 360;
};

/**
 * The place so far from another in a direction, on the sphere (direct great-circle problem).
 * @param bearing degrees true @param metres along the ground
 */
export const awayFrom = ([lon, lat]: Position, bearing: number, metres: number): Position => {
  const [d, b, lat1] = [metres / EARTH_M, rad(bearing), rad(lat)];
  const lat2 = Math.asin(Math.sin(lat1) * Math.cos(d) + Math.cos(lat1) * Math.sin(d) * Math.cos(b));
  const east = Math.atan2(Math.sin(b) * Math.sin(d) * Math.cos(lat1), Math.cos(d) - Math.sin(lat1) * Math.sin(lat2));
  const turned = lon + (east * 180) / Math.PI;
  return [((turned + 540) % 360) - 180, (lat2 * 180) / Math.PI];
};

/** Where somebody is who sees a landmark on this bearing, so far away. */
export const seenFrom = (landmark: Position, bearing: number, metres: number): Position =>
  awayFrom(landmark, (bearing + 180) % 360, metres);

export const COMPASS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;
export const compassOf = (degrees: number): (typeof COMPASS)[number] => COMPASS[Math.round((((degrees % 360) + 360) % 360) / 45) % 8]!;

/** Decimal degrees, four places (some ten metres): `47.4205 N, 37.5100 W`. */
export const decimalDegrees = ([lon, lat]: Position): string =>
  `${Math.abs(lat).toFixed(4)} ${lat < 0 ? 'S' : 'N'}, ${Math.abs(lon).toFixed(4)} ${lon < 0 ? 'W' : 'E'}`;

const minutes = (value: number, width: number): string => {
  // Rounded first: 59.9996 minutes are a whole degree more, not sixty minutes.
  const thousandths = Math.round(Math.abs(value) * 60_000);
  const degrees = Math.floor(thousandths / 60_000);
  return `${String(degrees).padStart(width, '0')}° ${((thousandths % 60_000) / 1000).toFixed(3).padStart(6, '0')}′`;
};

/** Degrees and minutes, as charts and radios have them: `47° 25.230′ N, 037° 30.600′ W`. */
export const degreesMinutes = ([lon, lat]: Position): string =>
  `${minutes(lat, 2)} ${lat < 0 ? 'S' : 'N'}, ${minutes(lon, 3)} ${lon < 0 ? 'W' : 'E'}`;

/** Reads latitude and longitude as typed: two numbers, with sign or with N, S, E, W. @returns nothing when they are none */
export const readPosition = (text: string): Position | undefined => {
  const found = /^\s*([+-]?\d{1,2}(?:[.,]\d+)?)\s*°?\s*([NS])?[\s,;]+([+-]?\d{1,3}(?:[.,]\d+)?)\s*°?\s*([EWO])?\s*$/i.exec(text);
  if (!found) return undefined;
  const [, a = '', ns, b = '', ew] = found;
  const read = (number: string, sign: string | undefined, negative: string) => {
    const value = Number(number.replace(',', '.'));
    return sign !== undefined && negative.includes(sign.toUpperCase()) ? -Math.abs(value) : value;
  };
  // West is Ouest and Oeste as well; Osten is written E at sea.
  const [lat, lon] = [read(a, ns, 'S'), read(b, ew, 'WO')];
  return Math.abs(lat) <= 90 && Math.abs(lon) <= 180 ? [lon, lat] : undefined;
};

export type Bearing = { name: string; distanceM: number; bearingDeg: number };

/** Where a position lies from the nearest named place. */
export const fromNearest = (at: Position, places: readonly { name: string; at: Position }[]): Bearing | undefined =>
  places
    .map((place) => ({ name: place.name, distanceM: distanceM(place.at, at), bearingDeg: bearingDeg(place.at, at) }))
    .sort((a, b) => a.distanceM - b.distanceM)[0];
