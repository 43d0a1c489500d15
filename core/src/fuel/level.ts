import type { Gauge, Tank } from '../fleet/rows';
import { monotone } from '../geometry/interpolate';

/**
 * Litres that a gauge of a tank shows.
 * @param shown on the gauge's own scale, `min` to `max`
 */
export const litresShown = (gauge: Gauge, tank: Tank, shown: number): number => {
  const share = Math.min(1, Math.max(0, (shown - gauge.min) / (gauge.max - gauge.min)));
  const table = gauge.reads === 'needle' ? tank.needleTable : undefined;
  return tank.capacityL * (table ? monotone(table)(share) : share);
};

/** A reading as people say it: sixteenths for a needle, else the figure with its unit. */
export const spokenReading = (gauge: Gauge, shown: number): string => {
  if (gauge.reads === 'needle') return `${Math.round(((shown - gauge.min) / (gauge.max - gauge.min)) * 16)}/16`;
  const figure = String(Math.round(shown * 10) / 10);
  return gauge.unit ? `${figure} ${gauge.unit}` : figure;
};
