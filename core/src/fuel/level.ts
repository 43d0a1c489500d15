import type { Gauge, Tank } from '../fleet/rows';
import { type Measures, measuresIn, METRIC } from '../number/units';
import { monotone } from '../geometry/interpolate';

/** Share of a tank that is full up to a share of its height. A lying cylinder: area of a circular segment. */
const SHAPES: Record<NonNullable<Tank['shape']>['is'], (share: number) => number> = {
  box: (h) => h,
  // Standing on its edge, the width grows with the height.
  wedge: (h) => h * h,
  lyingCylinder: (h) => (Math.acos(1 - 2 * h) - 2 * (1 - 2 * h) * Math.sqrt(h - h * h)) / Math.PI,
};

/** Litres up to a level in mm, by the strapping table, else by the shape; clamped to the tank. */
export const litresAt = (tank: Tank, mm: number): number => {
  if (tank.strapping) return Math.min(tank.capacityL, Math.max(0, monotone(tank.strapping)(mm)));
  const { shape } = tank;
  if (!shape) return NaN;
  return tank.capacityL * SHAPES[shape.is](Math.min(1, Math.max(0, mm / shape.heightMm)));
};

/**
 * Litres that a gauge of a tank shows.
 * @param shown on the gauge's own scale, `min` to `max`; in `mm` a level, in `L` litres
 */
export const litresShown = (gauge: Gauge, tank: Tank, shown: number): number => {
  if (gauge.unit === 'mm') return litresAt(tank, shown);
  if (gauge.unit === 'L') return Math.min(tank.capacityL, Math.max(0, shown));
  const share = Math.min(1, Math.max(0, (shown - gauge.min) / (gauge.max - gauge.min)));
  const table = gauge.reads === 'needle' ? tank.needleTable : undefined;
  return tank.capacityL * (table ? monotone(table)(share) : share);
};

/** A reading as people say it: sixteenths for a needle, else the figure with its unit, in the units of whoever reads it. */
export const spokenReading = (gauge: Gauge, shown: number, measures: Measures = measuresIn(METRIC)): string => {
  if (gauge.reads === 'needle') return `${Math.round(((shown - gauge.min) / (gauge.max - gauge.min)) * 16)}/16`;
  const unit = gauge.unit ?? '';
  return unit === '' ? measures.figure(shown, unit, 1) : measures.said(shown, unit, 1);
};
