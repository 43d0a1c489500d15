import type { ListName } from '../book';

/**
 * What a boat may have or not, with the rows of the starters that are there for it. A boat without it has none of these
 * rows; what else a book says stays as it is.
 */
export const SYSTEMS = {
  anchor: {
    fittings: ['anchor', 'anchor-knife'],
    points: ['bow-anchor', 'bow-anchor-cost', 'anchor-knife', 'anchor-emergency'],
    fixCards: ['anchor-fouled'],
  },
  swimLadder: { fittings: ['ladder'], points: ['ladder-up'], checks: ['ladder-up'] },
  canopy: {
    surfaces: ['canopy-top'],
    fittings: ['canopy-straps', 'canopy-boot'],
    points: ['canopy-down', 'canopy-lean', 'canopy-wind'],
    checks: ['canopy-laced'],
  },
  table: { fittings: ['table'], points: ['table-down'] },
  lights: { fittings: ['lights'] },
  radio: { fittings: ['vhf-hand'], points: ['vhf'] },
  beacon: { fittings: ['beacon'], points: ['beacon'] },
  plotter: { points: ['plotter', 'plotter-page', 'sounder'] },
  trimTabs: { points: ['trim-tabs'] },
  spareEngine: { drills: ['aux-engine'] },
  thruster: { points: ['thruster'], drills: ['thruster'] },
  upperHelm: { points: ['upper-change', 'upper-either'], drills: ['to-upper-helm'] },
  slide: { surfaces: ['slide'], points: ['slide-point'] },
  raft: { fittings: ['raft'], points: ['raft'] },
  gas: {
    surfaces: ['stove'],
    fittings: ['gas-spare'],
    gauges: ['gas'],
    points: ['gas-valve', 'gas-changeover', 'hob-flame', 'hob-spark', 'hob-left-on'],
    fixCards: ['gas-smelt'],
    checks: ['gas-off'],
    drills: ['gas-flame', 'gas-spark'],
  },
  heater: { points: ['heater'], fixCards: ['heater-locked'], drills: ['heater-cycle'] },
  shorePower: { fittings: ['lead'], points: ['shore-power'], fixCards: ['no-mains'], drills: ['shore-power'] },
  generator: { tanks: ['generator'], gauges: ['gen-hours', 'generator-fuel'], points: ['generator'], drills: ['generator'] },
  sunPanels: { points: ['solar'] },
} as const satisfies Record<string, Partial<Record<ListName, readonly string[]>>>;
export type System = keyof typeof SYSTEMS;
export const SYSTEM_NAMES = Object.keys(SYSTEMS) as System[];

/** Toilets differ in how they are used, and each kind is told and practised its own way. */
export const TOILETS = {
  hand: { points: ['hand-toilet'], drills: ['toilet-hand'] },
  electric: { points: ['toilet-electric'], gauges: ['waste-lamp'], drills: ['toilet-electric'] },
  pedal: { points: ['pedal'], drills: ['toilet-pedal'] },
} as const satisfies Record<string, Partial<Record<ListName, readonly string[]>>>;
export type ToiletKind = keyof typeof TOILETS;
export const TOILET_KINDS = Object.keys(TOILETS) as ToiletKind[];

/** Rows about toilets of every kind, which a boat without one has none of. */
export const ANY_TOILET = { outlets: ['toilet'], points: ['toilet-care'], fixCards: ['toilet'] } as const;

/** How a boat is steered, and what is told of it. */
export const STEERINGS = { wheel: { points: [] }, tiller: { points: ['tiller', 'tiller-way'] } } as const;
export type Steering = keyof typeof STEERINGS;
export const STEERING_NAMES = Object.keys(STEERINGS) as Steering[];

/** What can show how much fuel is left, as a gauge of the boat's. */
export const FUEL_SHOWN = ['needle', 'sightLine', 'dipstick', 'sender', 'totaliser'] as const;
export type FuelShown = (typeof FUEL_SHOWN)[number];
