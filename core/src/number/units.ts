import * as z from 'zod/mini';

/**
 * Units an operator speaks in. Inside, everything is litres, kilograms, metres and metres a second; what people read and
 * type is in these.
 */

export const UNITS = {
  volume: ['L', 'galUs', 'galUk'],
  mass: ['kg', 'lb'],
  length: ['m', 'ft'],
  speed: ['kmh', 'mph', 'kn'],
} as const;
export type Quantity = keyof typeof UNITS;
export const QUANTITIES = Object.keys(UNITS) as Quantity[];

export const Units = z.object({
  volume: z.enum(UNITS.volume),
  mass: z.enum(UNITS.mass),
  length: z.enum(UNITS.length),
  speed: z.enum(UNITS.speed),
});
export type Units = z.infer<typeof Units>;

export const METRIC: Units = { volume: 'L', mass: 'kg', length: 'm', speed: 'kmh' };

/** What people of a region usually speak in. @param region as in a locale, `US`; undefined where nobody says one */
export const usualUnits = (region: string | undefined): Units =>
  region === 'US' ? { volume: 'galUs', mass: 'lb', length: 'ft', speed: 'mph' } : region === 'GB' ? { ...METRIC, speed: 'mph' } : METRIC;

/** What one of a unit is in litres, by definition: 231 cubic inches, and what ten pounds of water took in 1824 as fixed in 1985. */
export const LITRES = { L: 1, galUs: 3.785411784, galUk: 4.54609 } as const;
const KG_A_POUND = 0.45359237;
const METRES_A_FOOT = 0.3048;
const MM_AN_INCH = 25.4;
/** Metres a second. */
const SPEEDS = { kmh: 1 / 3.6, mph: 0.44704, kn: 1852 / 3600 } as const;

const FAR = { kmh: [1000, 'km'], mph: [1609.344, 'mi'], kn: [1852, 'NM'] } as const;

/** @param by how much of what is inside one of these is @param finer decimals beyond those that the metric figure is said with */
type Said = { name: string; by: number; finer: number };
const METRES_A_SECOND: Said = { name: 'm/s', by: 1, finer: 0 };

/** By what a figure is inside: what it is outside. Wind is said in metres a second where boats make kilometres an hour. */
const outside = (units: Units): Readonly<Record<string, Said>> => {
  const volume = { name: units.volume === 'L' ? 'L' : 'gal', by: LITRES[units.volume], finer: units.volume === 'L' ? 0 : 1 };
  const speed = { name: { kmh: 'km/h', mph: 'mph', kn: 'kn' }[units.speed], by: SPEEDS[units.speed] * 3.6, finer: 0 };
  return {
    L: volume,
    'L/h': { ...volume, name: `${volume.name}/h` },
    kg: units.mass === 'kg' ? { name: 'kg', by: 1, finer: 0 } : { name: 'lb', by: KG_A_POUND, finer: 0 },
    m: units.length === 'm' ? { name: 'm', by: 1, finer: 0 } : { name: 'ft', by: METRES_A_FOOT, finer: 0 },
    mm: units.length === 'm' ? { name: 'mm', by: 1, finer: 0 } : { name: 'in', by: MM_AN_INCH, finer: 1 },
    'km/h': speed,
    'm/s': units.speed === 'kmh' ? METRES_A_SECOND : { ...speed, by: SPEEDS[units.speed] },
  };
};

const rounded = (value: number, decimals: number): number => {
  const by = 10 ** decimals;
  // A figure that rounds to nothing is nothing, from either side.
  return Math.round(value * by) / by || 0;
};

/** Figures of an operator's units. */
export type Measures = ReturnType<typeof measuresIn>;

/** @returns what says figures in these units, and reads them */
export const measuresIn = (units: Units) => {
  const by = outside(units);
  const figure = (si: number, unit: string, decimals: number): string => {
    const { by: size, finer } = by[unit] ?? { by: 1, finer: 0 };
    return String(rounded(si / size, decimals + finer));
  };
  const name = (unit: string): string => by[unit]?.name ?? unit;
  const said = (si: number, unit: string, decimals: number): string => `${figure(si, unit, decimals)} ${name(unit)}`;
  return {
    units,
    /** What a unit of ours is called outside; a unit that nobody converts is called as it is. */
    name,
    /** A figure without its unit. @param si in `unit` @param decimals at most, of the metric figure */
    figure,
    /** A figure with its unit. */
    said,
    litres: (l: number, decimals = 0) => said(l, 'L', decimals),
    mass: (kg: number) => said(kg, 'kg', 0),
    metres: (m: number, decimals = 1) => said(m, 'm', decimals),
    /** A small thing, millimetres. */
    small: (mm: number) => said(mm, 'mm', 0),
    /** A way over the water: kilometres, miles, or nautical miles for whoever speaks of knots. */
    far: (m: number) => {
      const [metres, unit] = FAR[units.speed];
      return `${rounded(m / metres, 1)} ${unit}`;
    },
    /** @param ms metres a second, of a boat */
    speed: (ms: number) => said(ms * 3.6, 'km/h', 1),
    /** @param ms metres a second, of wind and water */
    wind: (ms: number) => said(ms, 'm/s', 1),
    /** Whether a figure in this unit is another one outside. */
    converts: (unit: string) => (by[unit]?.by ?? 1) !== 1,
    /** What stands in a field for a figure kept inside: enough digits to come back as it was typed. */
    shown: (si: number, unit: string): number => rounded(si / (by[unit]?.by ?? 1), 2),
    /** What a figure typed outside is inside. */
    inside: (typed: number, unit: string): number => rounded(typed * (by[unit]?.by ?? 1), 6),
  };
};
