/** Longitude and latitude, degrees (WGS 84), as GeoJSON has them. */
export type LonLat = readonly [lon: number, lat: number];
/** Metres east and north of a plane's origin. */
export type Xy = readonly [x: number, y: number];

/** WGS 84: semi-major axis, m, and the square of the first eccentricity. */
const A = 6_378_137;
const E2 = 6.694_379_990_14e-3;
const RAD = Math.PI / 180;

export type Plane = { origin: LonLat; toXy: (at: LonLat) => Xy; toLonLat: (at: Xy) => LonLat };

/**
 * A plane that touches the ellipsoid, with degrees as long as they are at its origin (radii of curvature in the meridian and
 * in the prime vertical). Within 20 km of the origin lengths are true to two parts in a thousand, areas about it to one.
 * Longitudes are taken the short way round, so that a sheet may lie across the 180th meridian.
 */
export const planeAt = (origin: LonLat): Plane => {
  const [lon0, lat0] = origin;
  const sin = Math.sin(lat0 * RAD);
  const w = Math.sqrt(1 - E2 * sin * sin);
  const east = (A / w) * Math.cos(lat0 * RAD) * RAD;
  const north = ((A * (1 - E2)) / (w * w * w)) * RAD;
  return {
    origin,
    toXy: ([lon, lat]) => {
      const turned = lon - lon0;
      return [(turned > 180 ? turned - 360 : turned < -180 ? turned + 360 : turned) * east, (lat - lat0) * north];
    },
    toLonLat: ([x, y]) => {
      const lon = lon0 + x / east;
      return [lon > 180 ? lon - 360 : lon < -180 ? lon + 360 : lon, lat0 + y / north];
    },
  };
};
