import type { Windage } from './hull';

/** Densities, kg/m³. */
export const AIR = 1.225;
export const WATER = 1000;

const ratio = ({ airDrag, airAreaM2, waterDrag, lateralAreaM2 }: Windage): number =>
  Math.sqrt((AIR * airDrag * airAreaM2) / (WATER * waterDrag * lateralAreaM2));

/**
 * Sideways speed over ground of a hull lying in wind and current, m/s.
 * Air and water drag on the lateral areas balance: ρaCaAa·(W − v)² = ρwCwAw·(v − C)².
 * @param wind across the hull over ground, m/s  @param current across the hull over ground, m/s
 */
export const lyingDrift = (wind: number, current: number, hull: Windage): number => {
  const r = ratio(hull);
  return current + ((wind - current) * r) / (1 + r);
};

/** The wind that sets a hull left lying so fast across, in no current, m/s. */
export const windForDrift = (driftMs: number, hull: Windage): number => {
  const r = ratio(hull);
  return (driftMs * (1 + r)) / r;
};

/**
 * The angle to point into the drift so as to go straight along the track, rad; positive turns the bow against a drift to
 * starboard. Nothing when she is set aside as fast as she goes.
 * @param drift across the track over ground, m/s, positive to starboard  @param speed through the water, m/s
 */
export const crabAngle = (drift: number, speed: number): number | undefined =>
  Math.abs(drift) >= speed ? undefined : Math.asin(drift / speed);
