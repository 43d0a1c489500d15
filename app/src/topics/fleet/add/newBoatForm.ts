import type { Starter } from '@quay/contract/newBoat';
import { runsOut, type StarterAnswers } from '@quay/core/fleet/starter/questions';
import { FUEL_SHOWN, STEERING_NAMES, SYSTEM_NAMES, TOILET_KINDS } from '@quay/core/fleet/starter/systems';
import { readMonth } from '@quay/core/time/typedDay';
import * as z from 'zod/mini';
import type { Form } from '../../../ui/controls/form';
import * as typed from '../../../ui/controls/typed';
import { measures } from '../../../ui/units';

/** What a boat is asked about, as it is typed, and what becomes of it. */

/** Bounds of what is typed as a figure, as the answers themselves have them. */
export const RANGES = {
  people: { from: 1, to: 60, whole: true },
  loadKg: { from: 1, to: 20_000 },
  lengthM: { from: 2, to: 60 },
  beamM: { from: 0.6, to: 12 },
  fuelL: { from: 1, to: 20_000 },
  burnLPerHour: { from: 0.1, to: 500 },
} as const;
export type FigureName = keyof typeof RANGES;
/** What each is a figure of; people are counted. */
export const RANGE_UNITS: Readonly<Record<FigureName, string>> = {
  people: '',
  loadKg: 'kg',
  lengthM: 'm',
  beamM: 'm',
  fuelL: 'L',
  burnLPerHour: 'L/h',
};

type Words = (key: 'newBoat.bad', figures: { from: string; to: string }) => string;
const bad = (name: FigureName, t: Words) => {
  const said = (value: number) => measures().figure(value, RANGE_UNITS[name], 1);
  return t('newBoat.bad', { from: said(RANGES[name].from), to: said(RANGES[name].to) });
};
const figure = (name: FigureName, t: Words) => typed.number(RANGES[name], bad(name, t));

const Kept = z.object({ count: z.int(), station: z.string(), expiry: z.string().check(z.maxLength(10)) });
/** @param t says what will do of a figure */
export const newBoatForm = (starter: Starter, t: Words) =>
  z.object({
    name: typed.words(80, 'newBoat.nameWanted'),
    hullNumber: typed.words(20, 'newBoat.hullWanted'),
    people: figure('people', t),
    loadKg: figure('loadKg', t),
    lengthM: figure('lengthM', t),
    beamM: figure('beamM', t),
    fuelL: starter.tank ? figure('fuelL', t) : typed.maybeNumber(RANGES.fuelL, bad('fuelL', t)),
    burnLPerHour: typed.maybeNumber(RANGES.burnLPerHour, bad('burnLPerHour', t)),
    fuelShown: z.array(z.enum(FUEL_SHOWN)),
    steering: z.enum(STEERING_NAMES),
    toilet: z.optional(z.enum([...TOILET_KINDS, 'none'])),
    has: z.array(z.enum(SYSTEM_NAMES)),
    fittings: z.record(
      z.string(),
      Kept.check(
        z.refine(({ count, expiry }) => count === 0 || expiry.trim() === '' || readMonth(expiry) !== undefined, {
          path: ['expiry'],
          message: 'newBoat.badMonth',
        }),
      ),
    ),
    places: z.record(z.string(), z.int()),
  });
export type BoatTyped = z.input<ReturnType<typeof newBoatForm>>;
type BoatRead = z.output<ReturnType<typeof newBoatForm>>;
export type NewBoatForm = Form<BoatTyped, BoatRead>;

/** What is usual, as it would be said: a round figure in the operator's own units is one of ours that is not. */
const shown = (value: number | undefined, unit = ''): string => {
  const { converts, shown: outside, inside } = measures();
  if (value === undefined) return '';
  return String(converts(unit) ? inside(Number(outside(value, unit).toPrecision(2)), unit) : value);
};

/** A boat as a starter usually is. */
export const usualOf = ({ usual, systems }: Starter): BoatTyped => ({
  name: '',
  hullNumber: '',
  people: shown(usual.people),
  loadKg: shown(usual.loadKg, RANGE_UNITS.loadKg),
  lengthM: shown(usual.lengthM, RANGE_UNITS.lengthM),
  beamM: shown(usual.beamM, RANGE_UNITS.beamM),
  fuelL: shown(usual.fuelL, RANGE_UNITS.fuelL),
  burnLPerHour: shown(usual.burnLPerHour, RANGE_UNITS.burnLPerHour),
  fuelShown: [...usual.fuelShown],
  steering: usual.steering,
  ...(usual.toilet === undefined ? {} : { toilet: usual.toilet }),
  has: [...systems],
  fittings: Object.fromEntries(Object.entries(usual.fittings).map(([id, { count, station }]) => [id, { count, station, expiry: '' }])),
  places: { ...usual.places },
});

/** What was typed, as the answers that are sent. */
export const answersOf = (read: BoatRead, { systems, fittings, tank }: Starter): StarterAnswers => {
  const { has, fittings: kept, fuelL, burnLPerHour, toilet, ...rest } = read;
  const dated = new Set(fittings.filter(runsOut).map(({ id }) => id));
  return {
    ...rest,
    ...(tank && fuelL !== undefined ? { fuelL } : {}),
    ...(burnLPerHour === undefined ? {} : { burnLPerHour }),
    ...(toilet === undefined ? {} : { toilet }),
    fittings: Object.fromEntries(
      Object.entries(kept).map(([id, { count, station, expiry }]) => {
        const month = dated.has(id) ? readMonth(expiry) : undefined;
        return [id, { count, station, ...(month === undefined ? {} : { expiry: month }) }];
      }),
    ),
    without: systems.filter((system) => !has.includes(system)),
  };
};
